/** Photographs of jobs. */
import { and, eq, sql } from 'drizzle-orm'

import { MOST_PHOTOS } from '../files/photo.ts'
import type { Queries } from './db/client.ts'
import { db, transact } from './db/client.ts'
import { jobPhotos } from './db/tables/jobPhotos.ts'
import { jobs } from './db/tables/jobs.ts'
import { isId } from './ids.ts'
import type { LockedJob } from './jobs.ts'
import { lockJob } from './jobs.ts'
import { lookAtPicture } from './pictures/index.ts'

interface Photo {
  readonly contentType: string
  readonly bytes: Buffer
}

type PhotoOutcome =
  | 'kept'
  | 'absent'
  | 'deleted'
  | 'closed'
  | 'no-photo'
  | 'too-large'
  | 'busy'
  | 'full'
  /** Under its id another photograph is kept. */
  | 'taken'

/** What comes of a photograph before anybody looks at it; undefined where it is to be looked at. */
async function outcomeBefore(
  tx: Queries,
  job: LockedJob,
  { jobId, id, bytes }: { readonly jobId: string; readonly id: string; readonly bytes: Buffer },
): Promise<PhotoOutcome | undefined> {
  const [there] = await tx
    .select({ jobId: jobPhotos.jobId, isSame: sql<boolean>`${jobPhotos.bytes} = ${bytes}` })
    .from(jobPhotos)
    .where(eq(jobPhotos.id, id))
  if (there) return there.jobId === jobId && there.isSame ? 'kept' : 'taken'
  if (job.isBoxDeleted) return 'deleted'
  if (job.isClosed) return 'closed'
  // One that was taken back makes room for another.
  const total = await tx.$count(
    jobPhotos,
    and(eq(jobPhotos.jobId, jobId), eq(jobPhotos.isWithdrawn, false)),
  )
  return total >= MOST_PHOTOS ? 'full' : undefined
}

/** Keeps a photograph under the id that its page gave it; one sent twice is kept once. */
export async function keepPhoto(
  boxId: string,
  jobId: string,
  id: string,
  bytes: Buffer,
): Promise<PhotoOutcome> {
  const withJob = (keep?: (tx: Queries) => Promise<PhotoOutcome>) =>
    transact(async (tx): Promise<PhotoOutcome | undefined> => {
      const job = await lockJob(tx, boxId, jobId)
      if (!job) return 'absent'
      return (await outcomeBefore(tx, job, { jobId, id, bytes })) ?? keep?.(tx)
    })
  // Nothing is looked at for a job that would not take it, and nobody waits while it is.
  const before = await withJob()
  if (before) return before
  const look = await lookAtPicture(bytes)
  if (look.kind !== 'picture') return look.kind === 'none' ? 'no-photo' : look.kind
  const { contentType, width, height } = look
  const outcome = await withJob(async (tx) => {
    const kept = await tx
      .insert(jobPhotos)
      .values({ id, jobId, contentType, width, height, bytes })
      .onConflictDoNothing({ target: jobPhotos.id })
      .returning({ id: jobPhotos.id })
    // The same id may have come to another box in this very moment.
    return kept.length > 0 ? 'kept' : 'taken'
  })
  if (!outcome) throw new Error(`the photograph ${id} was neither kept nor refused`)
  return outcome
}

/** A photograph of a job of this box; null where there is none by that id. */
export async function findPhoto(boxId: string, id: string): Promise<Photo | null> {
  if (!isId(boxId) || !isId(id)) return null
  const [row] = await db
    .select({ contentType: jobPhotos.contentType, bytes: jobPhotos.bytes })
    .from(jobPhotos)
    .innerJoin(jobs, eq(jobs.id, jobPhotos.jobId))
    .where(and(eq(jobPhotos.id, id), eq(jobs.boxId, boxId)))
  return row ?? null
}
