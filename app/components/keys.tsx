/** What the keyboard does on every page. */
import { useEffect } from 'react'
import { useHotkeys } from 'react-hotkeys-hook'
import { useLocation } from 'react-router'

const PAGE_ID = 'page'

/** The first stop of the tab key leads past the head of the page. */
export function SkipLink() {
  const { pathname } = useLocation()
  useEffect(() => {
    // Whichever page is shown has its content there.
    const main = document.querySelector('main')
    if (main) main.id = PAGE_ID
  }, [pathname])
  return (
    <a
      href={`#${PAGE_ID}`}
      className="skip-link no-print"
      onClick={(event) => {
        event.preventDefault()
        const main = document.querySelector('main')
        if (main && main.tabIndex < 0) main.tabIndex = -1
        main?.focus()
      }}
    >
      Past the head, to the page
    </a>
  )
}

/** A slash goes to the search of the page, where it has one. */
export function useSearchKey(): void {
  useHotkeys(
    'slash',
    (event) => {
      const field = document.querySelector<HTMLInputElement>('input[type="search"]')
      if (!field) return
      event.preventDefault()
      field.focus()
      field.select()
    },
    { useKey: false },
  )
}
