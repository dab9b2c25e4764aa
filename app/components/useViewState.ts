import { startTransition, useCallback, useEffect, useMemo, useOptimistic, useRef } from 'react'
import { useNavigate, useSearchParams } from 'react-router'

/** Changes by key; an empty text takes the key out, and what is undefined stays as it is. */
export type ViewChanges = Readonly<Record<string, string | undefined>>

/** Changes view state; what is worked out from the latest of it is handed a function. */
export type ChangeView = (changes: ViewChanges | ((latest: URLSearchParams) => ViewChanges)) => void

/** Long enough for a change to be on the screen before the address follows, in milliseconds. */
const ADDRESS_DELAY_MS = 60

/** How often, and how long, the address is waited for where the router let go of it early. */
const LOOK_MS = 20
const LONGEST_MS = 5_000

const sleep = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms))

/** What the browser's address says; the router shows it some frames later. */
const browserSearch = (): URLSearchParams => new URLSearchParams(window.location.search)

/**
 * View state in the page's address. A change is shown at once, and the address follows
 * when it is on the screen: the router takes several frames. Changes in quick succession
 * build on one another; none of them makes a step for the browser's back button. `leave` goes to
 * another page, whatever was to follow in this one's address.
 */
export function useViewState(): readonly [
  search: URLSearchParams,
  change: ChangeView,
  leave: (to: string) => void,
] {
  const [address] = useSearchParams()
  const navigate = useNavigate()
  const [shown, show] = useOptimistic(address)
  // What is shown stays one and the same value when the address has followed.
  const text = shown.toString()
  const search = useMemo(() => new URLSearchParams(text), [text])
  /** What the address is to become; null while there is nothing for it to follow. */
  const intended = useRef<URLSearchParams>(null)
  const latest = useRef({ navigate, isOpen: true })
  useEffect(() => {
    latest.current = { navigate, isOpen: true }
  }, [navigate])
  useEffect(
    () => () => {
      latest.current = { ...latest.current, isOpen: false }
    },
    [],
  )
  const change = useCallback(
    (asked: ViewChanges | ((latest: URLSearchParams) => ViewChanges)) => {
      const next = new URLSearchParams(intended.current ?? browserSearch())
      const changes = typeof asked === 'function' ? asked(next) : asked
      for (const [key, value] of Object.entries(changes))
        if (value === '') next.delete(key)
        else if (value !== undefined) next.set(key, value)
      intended.current = next
      startTransition(async () => {
        show(next)
        await sleep(ADDRESS_DELAY_MS)
        const isMeant = (): boolean => intended.current === next && latest.current.isOpen
        // A later change speaks for this one too, and a page that was left for none.
        if (!isMeant()) return
        await latest.current.navigate(`?${next}`, { replace: true, preventScrollReset: true })
        // Looking at the page's data anew takes the navigation over and lets go of it here
        // before it is there; a change that came now would build on the address before.
        for (
          let ms = 0;
          ms < LONGEST_MS && isMeant() && `${browserSearch()}` !== `${next}`;
          ms += LOOK_MS
        )
          await sleep(LOOK_MS)
        if (intended.current === next) intended.current = null
      })
    },
    [show],
  )
  const leave = useCallback((to: string) => {
    // What was to follow in this page's address would call the way to the other page off.
    intended.current = null
    void latest.current.navigate(to)
  }, [])
  return [search, change, leave]
}
