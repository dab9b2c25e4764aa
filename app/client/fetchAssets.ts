/** Has all that pages are made of at hand, so that they are turned to while the server is away. */

/** Where the server lists what its build has made for browsers. */
const LIST = '/assets.json'
/** The list that this tab has fetched. */
const FETCHED = 'udrix-assets'

function isFetched(list: string): boolean {
  try {
    return sessionStorage.getItem(FETCHED) === list
  } catch {
    return false
  }
}

function rememberFetched(list: string): void {
  try {
    sessionStorage.setItem(FETCHED, list)
  } catch {
    // Without a store they are fetched again, from the browser’s cache.
  }
}

/**
 * Fetches every file of the build that this page has not loaded into the browser’s cache,
 * one after another and after everything else; once for a tab and a build. Without a list it does
 * nothing; without a server it fails.
 */
export async function fetchAssets(signal: AbortSignal): Promise<void> {
  const answer = await fetch(LIST, { signal })
  if (!answer.ok) return
  const list = await answer.text()
  if (isFetched(list)) return
  const loaded = new Set(
    performance.getEntriesByType('resource').map(({ name }) => new URL(name).pathname),
  )
  // The server writes nothing else there.
  for (const path of JSON.parse(list) as readonly string[]) {
    if (loaded.has(path)) continue
    const response = await fetch(path, { signal, priority: 'low' })
    await response.arrayBuffer()
  }
  rememberFetched(list)
}
