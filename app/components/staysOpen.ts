/** A page that is open stays open while the server or its database does not answer. */
import { isRouteErrorResponse } from 'react-router'

/** What a route's client loader is given, as far as it is used here. */
interface ClientLoaderArgs<Data> {
  readonly params: { readonly boxId: string }
  readonly serverLoader: () => Promise<Data>
}

export interface StaysOpen<Data> {
  /** Remembers what the server said last of a box. */
  readonly remember: (boxId: string, loaded: Data) => void
  readonly load: (args: ClientLoaderArgs<Data>) => Promise<Data>
}

/** Falls back on what the server said last in this visit. */
export function staysOpen<Data>(): StaysOpen<Data> {
  const last = new Map<string, Data>()
  return {
    remember: (boxId, loaded) => {
      last.set(boxId, loaded)
    },
    load: async ({ params, serverLoader }) => {
      try {
        const loaded = await serverLoader()
        last.set(params.boxId, loaded)
        return loaded
      } catch (error) {
        const known = last.get(params.boxId)
        const isAway = !isRouteErrorResponse(error) || error.status >= 500 || error.status === 429
        if (known !== undefined && isAway) return known
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
