import { useCallback, useEffect, useRef } from 'react'
import { useSearchParams } from 'react-router'

/**
 * View state in the page's address. Changes in quick succession build on one
 * another, also while the router has not yet shown the first of them; none of
 * them makes a step for the browser's back button.
 */
export function useViewState(): readonly [
  URLSearchParams,
  (changes: Readonly<Record<string, string | undefined>>) => void,
] {
  const [search, setSearch] = useSearchParams()
  const intended = useRef(search)
  useEffect(() => {
    intended.current = search
  }, [search])
  const change = useCallback(
    (changes: Readonly<Record<string, string | undefined>>) => {
      const next = new URLSearchParams(intended.current)
      for (const [key, value] of Object.entries(changes))
        if (value === '') next.delete(key)
        else if (value !== undefined) next.set(key, value)
      intended.current = next
      setSearch(next, { replace: true, preventScrollReset: true })
    },
    [setSearch],
  )
  return [search, change]
}
