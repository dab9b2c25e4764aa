import type { ClientLoaderFunctionArgs } from 'react-router'

import { staysOpen } from './staysOpen.ts'
import { untilAnswered } from './waiting.ts'

/**
 * Loads a page that shows what it knows while the server is away, and that is waited for where
 * it knows nothing yet.
 */
export function opensAway<Data>() {
  const open = staysOpen<Data>()
  const load = ({ request, serverLoader }: ClientLoaderFunctionArgs): Promise<Data> =>
    untilAnswered(
      // What loaders say here comes over the network as it is.
      () => open.load(request.url, () => serverLoader() as Promise<Data>),
      request.signal,
    )
  // What the page came with is known too.
  return Object.assign(load, { hydrate: true as const })
}
