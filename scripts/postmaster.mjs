/**
 * The processes of a PostgreSQL server, found by the folder that they work in. The file
 * postmaster.pid is not asked: after a crash it may name another process, or hold anything.
 */
import fs from 'node:fs'
import path from 'node:path'

/** @typedef {{ pid: number, parent: number, args: readonly string[] }} Process */

const STOP_TIMEOUT_MS = 5_000
const LOOK_AGAIN_MS = 50

/**
 * All PostgreSQL processes at work on a data folder.
 *
 * @param {string} data
 * @returns {readonly Process[]}
 */
export function processesOn(data) {
  if (!fs.existsSync(data)) return []
  const folder = fs.realpathSync(data)
  return fs.readdirSync('/proc').flatMap((name) => {
    if (!/^\d+$/.test(name)) return []
    try {
      if (fs.readlinkSync(`/proc/${name}/cwd`) !== folder) return []
      if (path.basename(fs.readlinkSync(`/proc/${name}/exe`)) !== 'postgres') return []
      const args = fs.readFileSync(`/proc/${name}/cmdline`, 'utf8').split('\0')
      const stat = fs.readFileSync(`/proc/${name}/stat`, 'utf8')
      // The name in brackets may hold anything; what follows it is state and parent.
      const [state, parent] = stat.slice(stat.lastIndexOf(')') + 2).split(' ')
      return state === 'Z' ? [] : [{ pid: Number(name), parent: Number(parent), args }]
    } catch {
      // Ended meanwhile, or another user's.
      return []
    }
  })
}

/**
 * The process at the head of a server, with the port that it was started on.
 *
 * @param {string} data
 * @returns {{ pid: number, port: number } | undefined}
 */
export function postmasterOn(data) {
  const all = processesOn(data)
  const head = all.find(({ parent, args }) => {
    const isChild = all.some(({ pid }) => pid === parent)
    return !isChild && args.includes('-D')
  })
  if (!head) return undefined
  const port = Number(head.args[head.args.indexOf('-p') + 1])
  return { pid: head.pid, port: Number.isInteger(port) ? port : 5432 }
}

/** @param {string} data @param {number} withinMs */
async function areGone(data, withinMs) {
  const deadline = Date.now() + withinMs
  while (processesOn(data).length > 0) {
    if (Date.now() > deadline) return false
    await new Promise((resolve) => setTimeout(resolve, LOOK_AGAIN_MS))
  }
  return true
}

/** @param {string} data @param {NodeJS.Signals} signal */
function signalAll(data, signal) {
  for (const { pid } of processesOn(data))
    try {
      process.kill(pid, signal)
    } catch {
      // Ended meanwhile.
    }
}

/**
 * Ends a server at once, also one that hangs or has lost its head. Nothing that was
 * committed is lost: the next start recovers it from the write-ahead log.
 *
 * @param {string} data
 */
export async function endServer(data) {
  const head = postmasterOn(data)
  // SIGQUIT to the postmaster is PostgreSQL's own "immediate shutdown".
  if (head) process.kill(head.pid, 'SIGQUIT')
  if (await areGone(data, head ? STOP_TIMEOUT_MS : 1_000)) return
  signalAll(data, 'SIGKILL')
  await areGone(data, STOP_TIMEOUT_MS)
}
