/**
 * One `npm start` at a time in a folder. What is held is a name in Linux's abstract socket
 * namespace: the kernel gives it to one process only and takes it back when that one ends,
 * however it ends, so nothing can be left over. Whoever comes second is told who holds it.
 */
import { createHash } from 'node:crypto'
import fs from 'node:fs'
import net from 'node:net'

const ANSWER_TIMEOUT_MS = 1_000
const TRY_AGAIN_MS = 300

/** @param {string} folder */
function nameOf(folder) {
  return `\0udrix-${createHash('sha256').update(fs.realpathSync(folder)).digest('hex').slice(0, 32)}`
}

/**
 * What the holder of a folder says of itself; empty where it does not answer.
 *
 * @param {string} folder
 * @returns {Promise<string>}
 */
function askHolder(folder) {
  return new Promise((resolve) => {
    let said = ''
    const socket = net.connect(nameOf(folder))
    socket.setTimeout(ANSWER_TIMEOUT_MS, () => socket.destroy())
    socket.on('data', (chunk) => {
      said += String(chunk)
    })
    socket.on('error', () => undefined)
    socket.on('close', () => {
      resolve(said)
    })
  })
}

/**
 * Holds a folder until it is released or this process ends.
 *
 * @param {string} folder
 * @param {string} said what others hear of us
 * @returns {Promise<{ isHeld: true, release: () => void } | { isHeld: false, by: string }>}
 */
export function holdFolder(folder, said) {
  return new Promise((resolve, reject) => {
    const server = net.createServer((socket) => {
      socket.on('error', () => undefined)
      socket.end(said)
    })
    server.on('error', (/** @type {NodeJS.ErrnoException} */ error) => {
      if (error.code === 'EADDRINUSE')
        void askHolder(folder).then((by) => {
          resolve({ isHeld: false, by })
        })
      else reject(error)
    })
    server.listen(nameOf(folder), () => {
      resolve({ isHeld: true, release: () => server.close() })
    })
    server.unref()
  })
}

/**
 * Does work while holding a folder, after waiting for whoever holds it now.
 *
 * @param {string} folder
 * @param {() => Promise<void>} work
 */
export async function whileHolding(folder, work) {
  let hold = await holdFolder(folder, 'busy')
  if (!hold.isHeld) console.log('Another start is putting things in place. Waiting for it…')
  while (!hold.isHeld) {
    await new Promise((resolve) => setTimeout(resolve, TRY_AGAIN_MS))
    hold = await holdFolder(folder, 'busy')
  }
  try {
    await work()
  } finally {
    hold.release()
  }
}
