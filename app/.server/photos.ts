/** Photographs of jobs. */
import { and, eq } from 'drizzle-orm'
import sharp from 'sharp'

import { MOST_PHOTOS, PHOTO_TYPES } from '../files/photo.ts'
import { db, transact } from './db/client.ts'
import { jobPhotos } from './db/tables/jobPhotos.ts'
import { jobs } from './db/tables/jobs.ts'
import { isId } from './ids.ts'
import { lockJob } from './jobs.ts'

/** More than any camera makes; guards against pictures that unpack to very much. */
const MOST_PIXELS = 100_000_000

export interface Photo {
  readonly contentType: string
  readonly bytes: Buffer
}

/**
 * The type and size of a picture by its content; null where it is none that Udrix takes.
 * Every pixel is decoded, so that one that is cut off is noticed while it can be sent again.
 */
export async function readPicture(bytes: Buffer): Promise<{
  readonly contentType: string
  readonly width: number
  readonly height: number
} | null> {
  try {
    const picture = sharp(bytes, { failOn: 'truncated', limitInputPixels: MOST_PIXELS })
    const { format, width, height } = await picture.metadata()
    const contentType = PHOTO_TYPES.get(format)
    if (contentType === undefined) return null
    await picture.stats()
    return { contentType, width, height }
  } catch {
    return null
  }
}

/** The type of a picture by its first bytes, without decoding it; undefined for others. */
export async function pictureType(bytes: Buffer): Promise<string | undefined> {
  try {
    return PHOTO_TYPES.get((await sharp(bytes).metadata()).format)
  } catch {
    return undefined
  }
}

export type PhotoOutcome = 'kept' | 'absent' | 'deleted' | 'closed' | 'no-photo' | 'full'

/** Keeps a photograph under the id that its page gave it; one sent twice is kept once. */
export async function keepPhoto(
  boxId: string,
  jobId: string,
  id: string,
  bytes: Buffer,
): Promise<PhotoOutcome> {
  const picture = await readPicture(bytes)
  if (!picture) return 'no-photo'
  return transact(async (tx) => {
    const job = await lockJob(tx, boxId, jobId)
    if (!job) return 'absent'
    const isHere = await tx.$count(jobPhotos, and(eq(jobPhotos.id, id), eq(jobPhotos.jobId, jobId)))
    if (isHere > 0) return 'kept'
    if (job.isBoxDeleted) return 'deleted'
    if (job.isClosed) return 'closed'
    // One that was taken back makes room for another.
    const total = await tx.$count(
      jobPhotos,
      and(eq(jobPhotos.jobId, jobId), eq(jobPhotos.isWithdrawn, false)),
    )
    if (total >= MOST_PHOTOS) return 'full'
    await tx
      .insert(jobPhotos)
      .values({ id, jobId, ...picture, bytes })
      .onConflictDoNothing({ target: jobPhotos.id })
    return 'kept'
  })
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
