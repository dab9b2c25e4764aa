/** The processes that `npm start` consists of, above the one that does the work. */
import fs from 'node:fs'

const LOOK_AGAIN_MS = 500

/** When a process began, to tell it from a later one of the same number; its parent besides. */
function lookAt(/** @type {number} */ pid) {
  try {
    const stat = fs.readFileSync(`/proc/${pid}/stat`, 'utf8')
    const fields = stat.slice(stat.lastIndexOf(')') + 2).split(' ')
    // After the name: state, parent, …, and the time of start as the twentieth.
    return { parent: Number(fields[1]), began: fields[19] }
  } catch {
    return undefined
  }
}

/**
 * Calls back once when npm, or the shell between it and us, has ended: npm hands a SIGTERM
 * on to its shell only, which ends without a word to us.
 *
 * @param {() => void} onEnd
 */
export function watchStarters(onEnd) {
  if (process.env.npm_lifecycle_event === undefined) return
  const shell = process.ppid
  const watched = [shell, lookAt(shell)?.parent ?? shell].map((pid) => ({
    pid,
    began: lookAt(pid)?.began,
  }))
  const watch = setInterval(() => {
    if (watched.every(({ pid, began }) => lookAt(pid)?.began === began)) return
    clearInterval(watch)
    onEnd()
  }, LOOK_AGAIN_MS)
  watch.unref()
}
