/** Work on archives, each in a process of its own, and how far it is. */
import type { ChildProcess } from 'node:child_process'
import { spawn } from 'node:child_process'
import fs from 'node:fs'
import path from 'node:path'

import { v7 as uuidv7 } from 'uuid'

import type { ArchiveTask } from '../../files/archiveTask.ts'
import { log } from '../log.ts'
import { programArgs } from '../programs.ts'
import type { ProgramMessage } from './program.ts'

/** Archives that were sent and are not read in yet. */
const UPLOADS = path.resolve(process.env.UDRIX_DATA ?? '.udrix', 'uploads')
/** What is left of work that nobody asks about any more is forgotten after this. */
const KEPT_MS = 60 * 60_000
/** Two at a time, so that one who takes everything out does not keep another from it. */
const MOST_AT_ONCE = 2
const STARTS_WITHIN_MS = 20_000

const tasks = new Map<string, ArchiveTask>()
const running = new Map<string, ChildProcess>()

/** Heap of the program: enough for its largest batch, and little enough to be kept tidy. */
const HEAP_MB = 256
/** An archive of version 1 has whole histories in one file, and is no larger than this. */
const LARGEST_1_BYTES = 64_100_000
const HEAP_1_MB = 1_500

/** How much heap the work on a file may take. */
function heapFor(file: string | undefined): number {
  const isSmall = file !== undefined && fs.statSync(file).size <= LARGEST_1_BYTES
  return isSmall ? HEAP_1_MB : HEAP_MB
}

/** Whether no more work can be begun now. */
export function isBusy(): boolean {
  return running.size >= MOST_AT_ONCE
}

export function findTask(id: string): ArchiveTask | undefined {
  return tasks.get(id)
}

/** Ends work; what it did to the database is rolled back. */
export function cancelTask(id: string): void {
  running.get(id)?.kill('SIGKILL')
}

/** Ends all of it, when the server ends. */
export function cancelTasks(): void {
  for (const child of running.values()) child.kill('SIGKILL')
}

/** Begins work under an id; its standard output is the caller's where `isPiped`. */
export function beginTask(
  id: string,
  args: readonly string[],
  { isPiped = false }: { readonly isPiped?: boolean } = {},
): ChildProcess {
  const heap = [`--max-old-space-size=${heapFor(args[1])}`, '--max-semi-space-size=2']
  const child = spawn(process.execPath, [...heap, ...programArgs('archive'), ...args], {
    stdio: ['ignore', isPiped ? 'pipe' : 'ignore', 'inherit', 'ipc'],
    // Its threads share one arena, so that memory given back by one serves the others.
    env: { ...process.env, MALLOC_ARENA_MAX: '1', MALLOC_TRIM_THRESHOLD_: '1000000' },
  })
  running.set(id, child)
  tasks.set(id, { state: 'running', done: 0, total: 0 })
  // The program sends nothing else.
  child.on('message', (message) => {
    const told = message as ProgramMessage
    if (told.kind === 'progress') tasks.set(id, { state: 'running', ...told.progress })
    else tasks.set(id, { state: 'done', outcome: told.outcome })
  })
  child.on('error', (error) => {
    log.error({ err: error }, 'the program for archives does not start')
  })
  child.on('close', (code) => {
    running.delete(id)
    if (tasks.get(id)?.state === 'running')
      tasks.set(id, code === 0 ? { state: 'done', outcome: null } : { state: 'failed' })
    setTimeout(() => tasks.delete(id), KEPT_MS).unref()
  })
  return child
}

/** Resolves once the work has begun in earnest; false where it ended before. */
export function hasBegun(child: ChildProcess): Promise<boolean> {
  return new Promise((resolve) => {
    const late = setTimeout(() => {
      resolve(false)
    }, STARTS_WITHIN_MS)
    const settle = (isBegun: boolean) => () => {
      clearTimeout(late)
      resolve(isBegun)
    }
    child.once('message', settle(true))
    child.once('close', settle(false))
  })
}

/** Where an archive of this id is put while it is read in. */
export function uploadPath(id: string): string {
  return path.join(UPLOADS, `${id}.zip`)
}

/**
 * A place for an archive that is being sent, and how many bytes others take; those long
 * forgotten are cleared away.
 */
export async function newUpload(): Promise<{
  readonly id: string
  readonly path: string
  readonly othersBytes: number
}> {
  await fs.promises.mkdir(UPLOADS, { recursive: true, mode: 0o700 })
  let othersBytes = 0
  for (const name of await fs.promises.readdir(UPLOADS)) {
    const file = path.join(UPLOADS, name)
    const { mtimeMs, size } = await fs.promises.stat(file)
    if (Date.now() - mtimeMs > KEPT_MS) await fs.promises.rm(file, { force: true })
    else othersBytes += size
  }
  const id = uuidv7()
  return { id, path: uploadPath(id), othersBytes }
}
