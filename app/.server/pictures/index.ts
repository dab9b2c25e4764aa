/** Pictures that come from outside, looked at by a process of its own within bounds. */
import type { ChildProcess } from 'node:child_process'
import { spawn } from 'node:child_process'

import { log } from '../log.ts'
import { programArgs } from '../programs.ts'
import type { Look } from './look.ts'

/** More that wait than these are sent again by their pages. */
const MOST_WAITING = 12
/** A photograph takes a tenth of a second. */
const LONGEST_LOOK_MS = 8_000
/** A program that nobody needs is ended after this. */
const IDLE_MS = 60_000
/** What the program may take of data, in kB: several times what the largest picture unpacks to. */
const MOST_DATA_KB = 700_000

let program: ChildProcess | undefined
let idle: NodeJS.Timeout | undefined
let waiting = 0
let last: Promise<unknown> = Promise.resolve()

function start(): ChildProcess {
  const child = spawn(
    '/bin/sh',
    [
      '-c',
      `ulimit -d ${MOST_DATA_KB}; exec "$@"`,
      'sh',
      process.execPath,
      ...programArgs('pictures'),
    ],
    { stdio: ['ignore', 'ignore', 'inherit', 'ipc'], serialization: 'advanced' },
  )
  child.on('error', (error) => {
    log.error({ err: error }, 'the program that looks at pictures does not start')
  })
  return child
}

/** Ends the program; what it looks at just then is to be sent again. */
export function endPictures(): void {
  clearTimeout(idle)
  program?.kill('SIGKILL')
  program = undefined
}

type LookOrBusy = Look | { readonly kind: 'busy' }

/** One picture; what makes the program die or takes too long is none. `busy` where the program was ended meanwhile. */
function lookAtOne(bytes: Buffer): Promise<LookOrBusy> {
  clearTimeout(idle)
  const child = (program ??= start())
  return new Promise((resolve) => {
    const settle = (look: LookOrBusy): void => {
      clearTimeout(late)
      child.off('message', onMessage).off('close', onClose)
      resolve(look)
      idle = setTimeout(endPictures, IDLE_MS).unref()
    }
    // The program sends nothing else.
    const onMessage = (message: unknown): void => {
      settle(message as Look)
    }
    const onClose = (): void => {
      const diedOfIt = program === child
      if (diedOfIt) program = undefined
      settle({ kind: diedOfIt ? 'none' : 'busy' })
    }
    const late = setTimeout(() => {
      log.warn('a picture took too long')
      settle({ kind: 'none' })
      endPictures()
    }, LONGEST_LOOK_MS)
    child.on('message', onMessage).on('close', onClose)
    child.send(bytes, (error) => {
      if (error) child.kill('SIGKILL')
    })
  })
}

/** The type and size of a picture; `busy` where too many wait already, or the server ends. */
export async function lookAtPicture(bytes: Buffer): Promise<LookOrBusy> {
  if (waiting >= MOST_WAITING) return { kind: 'busy' }
  waiting += 1
  const look = last.then(() => lookAtOne(bytes))
  last = look
  try {
    return await look
  } finally {
    waiting -= 1
  }
}
