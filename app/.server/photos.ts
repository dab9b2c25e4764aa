/** Photographs of jobs. */
import { and, eq, sql } from 'drizzle-orm'
import { imageSize } from 'image-size'

import { MOST_PHOTOS, PHOTO_TYPES } from '../photo.ts'
import { db } from './db/client.ts'
import { jobPhotos } from './db/tables/jobPhotos.ts'
import { jobs } from './db/tables/jobs.ts'
import { isJobOf } from './jobs.ts'

export interface Photo {
  readonly contentType: string
  readonly bytes: Buffer
}

/** The type and size of a picture by its content; null where it is none that Udrix takes. */
export function readPicture(bytes: Buffer): {
  readonly contentType: string
  readonly width: number
  readonly height: number
} | null {
  try {
    const { type, width, height } = imageSize(bytes)
    const known = type !== undefined && type in PHOTO_TYPES
    // Just looked for among the types.
    return known
      ? { contentType: PHOTO_TYPES[type as keyof typeof PHOTO_TYPES], width, height }
      : null
  } catch {
    return null
  }
}

export type PhotoOutcome = 'kept' | 'absent' | 'no-photo' | 'full'

/** Keeps a photograph under the id that its page gave it; one sent twice is kept once. */
export async function keepPhoto(
  boxId: string,
  jobId: string,
  id: string,
  bytes: Buffer,
): Promise<PhotoOutcome> {
  const picture = readPicture(bytes)
  if (!picture) return 'no-photo'
  return db.transaction(async (tx) => {
    if (!(await isJobOf(tx, boxId, jobId))) return 'absent'
    const [count] = await tx
      .select({ total: sql<number>`count(*)::int` })
      .from(jobPhotos)
      .where(eq(jobPhotos.jobId, jobId))
    if ((count?.total ?? 0) >= MOST_PHOTOS) return 'full'
    await tx
      .insert(jobPhotos)
      .values({ id, jobId, ...picture, bytes })
      .onConflictDoNothing({ target: jobPhotos.id })
    return 'kept'
  })
}

/** A photograph of a job of this box; null where there is none by that id. */
export async function findPhoto(boxId: string, id: string): Promise<Photo | null> {
  const [row] = await db
    .select({ contentType: jobPhotos.contentType, bytes: jobPhotos.bytes })
    .from(jobPhotos)
    .innerJoin(jobs, eq(jobs.id, jobPhotos.jobId))
    .where(and(eq(jobPhotos.id, id), eq(jobs.boxId, boxId)))
  return row ?? null
}
