/** Says how a long step of setting up gets on, so that nobody takes it for stuck. */

const TELL_EVERY_MS = 10_000

/**
 * Does a step, saying when it begins, every ten seconds how long it has been at it and how far
 * it is, and at its end how long it took.
 *
 * @template T
 * @param {string} title such as "Building"
 * @param {() => Promise<T>} work
 * @param {() => string} [howFar] such as "40 %"; empty where it cannot be told
 * @returns {Promise<T>}
 */
export async function phase(title, work, howFar = () => '') {
  const from = performance.now()
  const took = () => `${((performance.now() - from) / 1000).toFixed(0)} s`
  console.log(`${title}…`)
  const telling = setInterval(() => {
    console.log(`${title}: ${[took(), howFar()].filter(Boolean).join(', ')} …`)
  }, TELL_EVERY_MS)
  try {
    const done = await work()
    console.log(`${title}: done in ${took()}`)
    return done
  } finally {
    clearInterval(telling)
  }
}
