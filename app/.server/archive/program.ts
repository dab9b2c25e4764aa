/**
 * Archives are written and read by a process of their own, so that nobody else waits for
 * them and they end when their memory or their reader does:
 *
 *   out            writes an archive to standard output
 *   preview FILE   tells what reading FILE in would do
 *   read FILE      reads it in
 *
 * How far it is, and what came of it, goes to the parent process as messages.
 */
import type { ArchiveOutcome } from '../../files/archiveTask.ts'
import { pool } from '../db/client.ts'
import { Unreadable } from '../db/documents.ts'
import { log } from '../log.ts'
import type { Progress } from './progress.ts'

export type ProgramMessage =
  | { readonly kind: 'progress'; readonly progress: Progress }
  | { readonly kind: 'outcome'; readonly outcome: ArchiveOutcome }

const NOT_WHOLE =
  'A box, an earlier state of one or its job was kept by a newer version of Udrix or is damaged, so an archive by this version would not be whole. Take it out with the version that wrote it. The server’s log says which it is.'

/** Progress is told this often at most. */
const TELL_MS = 200

function send(message: ProgramMessage): Promise<void> {
  return new Promise((resolve) => {
    if (process.send)
      process.send(message, undefined, undefined, () => {
        resolve()
      })
    else resolve()
  })
}

function progressTeller(): (progress: Progress) => void {
  let told = -Infinity
  return (progress) => {
    const now = performance.now()
    if (now - told < TELL_MS) return
    told = now
    void send({ kind: 'progress', progress })
  }
}

async function run([work, file = '']: readonly string[]): Promise<void> {
  const onProgress = progressTeller()
  switch (work) {
    case 'out': {
      const { writeArchive } = await import('./write.ts')
      try {
        await writeArchive(process.stdout, new Date(), onProgress)
      } catch (error) {
        if (error instanceof Unreadable)
          await send({ kind: 'outcome', outcome: { ok: false, problems: [NOT_WHOLE] } })
        throw error
      }
      break
    }
    case 'preview':
    case 'read': {
      // What one of the two works needs is no burden to the other.
      const { previewArchive, readArchive } = await import('./read.ts')
      const outcome = await (work === 'read' ? readArchive : previewArchive)(file, onProgress)
      await send({ kind: 'outcome', outcome })
      break
    }
    default:
      throw new Error(`there is no work called ${work ?? ''}`)
  }
}

/** Whoever asked for it has gone. */
const giveUp = () => process.exit(1)
process.on('disconnect', giveUp)
try {
  await run(process.argv.slice(2))
  await pool.end()
  process.off('disconnect', giveUp)
  process.disconnect()
} catch (error) {
  log.error({ err: error }, 'the work on an archive failed')
  process.exit(1)
}
