/** Has all that pages are made of at hand, so that they are turned to while the server is away. */

/** Where the server lists what its build has made for browsers. */
const LIST = '/assets.json'

/**
 * Fetches every file of the build that this page has not loaded into the browser’s cache,
 * one after another and after everything else. Without a list, or without a server, it does
 * nothing: the next page that is loaded tries again.
 */
export async function fetchAssets(signal: AbortSignal): Promise<void> {
  const list = await fetch(LIST, { signal })
  if (!list.ok) return
  // The server writes nothing else there.
  const paths = (await list.json()) as readonly string[]
  const loaded = new Set(
    performance.getEntriesByType('resource').map(({ name }) => new URL(name).pathname),
  )
  for (const path of paths) {
    if (loaded.has(path)) continue
    const response = await fetch(path, { signal, priority: 'low' })
    await response.arrayBuffer()
  }
}
