/** Notices a server that lives and answers nothing any more, such as one that works on one thing without end. */
import http from 'node:http'

const ASK_EVERY_MS = 3_000
/** One that has not answered for this long is ended by whoever started it. */
const PATIENCE_MS = 30_000

/**
 * Whether anything is answered at an address in time, whatever it is.
 *
 * @param {string} url
 * @param {number} withinMs
 * @returns {Promise<boolean>}
 */
function isAnswered(url, withinMs) {
  return new Promise((resolve) => {
    const request = http.get(url, { timeout: withinMs, agent: false }, (response) => {
      response.resume()
      resolve(true)
    })
    request.on('timeout', () => request.destroy())
    request.on('error', () => {
      resolve(false)
    })
  })
}

/**
 * Asks an address again and again, and calls back once when it has not answered for
 * `patienceMs`. What counts are questions that were asked and not answered, so that a machine
 * that slept does not end anything.
 *
 * @param {string} url
 * @param {() => void} onSilent
 * @param {{ everyMs?: number, patienceMs?: number }} [options]
 * @returns {() => void} stops asking
 */
export function watchHealth(url, onSilent, options = {}) {
  const { everyMs = ASK_EVERY_MS, patienceMs = PATIENCE_MS } = options
  let silentMs = 0
  let isWatching = true
  let lookedAt = performance.now()
  /** @type {NodeJS.Timeout | undefined} */
  let timer
  async function ask() {
    const isUp = await isAnswered(url, everyMs)
    if (!isWatching) return
    const now = performance.now()
    // No longer than a question and its pause take: we may have been stopped ourselves.
    silentMs = isUp ? 0 : silentMs + Math.min(now - lookedAt, 2 * everyMs)
    lookedAt = now
    if (silentMs >= patienceMs) onSilent()
    else timer = setTimeout(() => void ask(), everyMs)
  }
  void ask()
  return () => {
    isWatching = false
    clearTimeout(timer)
  }
}
