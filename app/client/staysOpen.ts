/** A page that is open stays open while the server or its database does not answer. */
import equal from 'fast-deep-equal'
import { isRouteErrorResponse } from 'react-router'

import { isAnswered } from './away.ts'

/** Deleted elsewhere: what is being typed has a place until it is brought back. */
function isGone(error: unknown): boolean {
  return isRouteErrorResponse(error) && error.status === 410
}

interface StaysOpen<Data> {
  /** Remembers what the server said last of a page, by whatever tells it from others. */
  readonly remember: (key: string, loaded: Data) => void
  readonly load: (key: string, ask: () => Promise<Data>) => Promise<Data>
}

/**
 * Falls back on what the server said last in this visit; where it says the same again, that
 * is the same value, so that nothing is worked out anew for it.
 */
export function staysOpen<Data>(): StaysOpen<Data> {
  const last = new Map<string, Data>()
  return {
    remember: (key, loaded) => {
      last.set(key, loaded)
    },
    load: async (key, ask) => {
      try {
        const loaded = await ask()
        const before = last.get(key)
        if (before !== undefined && equal(before, loaded)) return before
        last.set(key, loaded)
        return loaded
      } catch (error) {
        const known = last.get(key)
        if (known !== undefined && (isGone(error) || !isAnswered(error))) return known
        throw error
      }
    },
  }
}

interface Asked {
  readonly currentUrl: URL
  readonly nextUrl: URL
  readonly formMethod?: string | undefined
  readonly defaultShouldRevalidate: boolean
}

/** A change of what is looked at on one page asks nothing of the server. */
export function unlessSamePage({
  currentUrl,
  nextUrl,
  formMethod,
  defaultShouldRevalidate,
}: Asked): boolean {
  const isSamePage = currentUrl.pathname === nextUrl.pathname && !formMethod
  return isSamePage && currentUrl.search !== nextUrl.search ? false : defaultShouldRevalidate
}
