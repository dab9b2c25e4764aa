/** @jest-environment node */

import { sql } from 'drizzle-orm'
import sharp from 'sharp'
import { v7 as uuidv7 } from 'uuid'

import { MOST_PHOTOS } from '../files/photo.ts'
import { deleteBox, restoreBox } from './boxes.ts'
import { db } from './db/client.ts'
import { addEntries } from './jobs.ts'
import { findPhoto, keepPhoto } from './photos.ts'
import { endPictures, lookAtPicture } from './pictures/index.ts'
import { MOST_PIXELS, lookAt, pictureType } from './pictures/look.ts'
import { onEmptyBench } from './testing/emptyBench.ts'
import { unitWithJob } from './testing/units.ts'

type Format = 'png' | 'jpeg' | 'webp' | 'gif'

/** A picture of noise, which no format can make very small. */
function picture(format: Format, width = 64, height = 48): Promise<Buffer> {
  const noise = { type: 'gaussian', mean: 128, sigma: 60 } as const
  return sharp({ create: { width, height, channels: 3, background: 'black', noise } })
    .toFormat(format)
    .toBuffer()
}

onEmptyBench()
afterAll(endPictures)

describe('what a picture is, is told by its content', () => {
  test.each([
    ['png', 'image/png'],
    ['jpeg', 'image/jpeg'],
    ['webp', 'image/webp'],
  ] as const)('%s', async (format, contentType) => {
    const bytes = await picture(format)
    const look = { kind: 'picture', contentType, width: 64, height: 48 }
    expect(await lookAtPicture(bytes)).toEqual(look)
    expect(await pictureType(bytes)).toBe(contentType)
  })

  test('what is none, what is cut off, and a format that is not taken, are refused', async () => {
    expect(await lookAt(Buffer.from('a photograph'))).toEqual({ kind: 'none' })
    expect(await lookAt(Buffer.alloc(0))).toEqual({ kind: 'none' })
    expect(await lookAt(await picture('gif'))).toEqual({ kind: 'none' })
    const whole = await picture('jpeg', 400, 300)
    expect(await lookAt(whole.subarray(0, whole.length / 2))).toEqual({ kind: 'none' })
    expect(await pictureType(Buffer.from('a photograph'))).toBeUndefined()
  })
})

test('a photograph that is looked at while the server ends is no wrong one, and is sent again', async () => {
  endPictures()
  const look = lookAtPicture(await picture('jpeg'))
  // The program has been started, and takes longer than this to be there.
  await new Promise(setImmediate)
  endPictures()
  expect(await look).toEqual({ kind: 'busy' })
})

test('a photograph sent twice is kept once, and comes back byte for byte', async () => {
  const { boxId, jobId } = await unitWithJob()
  const [id, bytes] = [uuidv7(), await picture('png')]
  expect(await keepPhoto(boxId, jobId, id, bytes)).toBe('kept')
  expect(await keepPhoto(boxId, jobId, id, bytes)).toBe('kept')
  const found = await findPhoto(boxId, id)
  expect(found?.contentType).toBe('image/png')
  expect(found?.bytes.equals(bytes)).toBe(true)
})

test('a photograph belongs to its box: another box, an unknown id and no id find none', async () => {
  const { boxId, jobId } = await unitWithJob()
  const other = await unitWithJob()
  const id = uuidv7()
  await keepPhoto(boxId, jobId, id, await picture('png'))
  expect(await findPhoto(other.boxId, id)).toBeNull()
  expect(await findPhoto(boxId, uuidv7())).toBeNull()
  expect(await findPhoto(boxId, 'no id')).toBeNull()
  expect(await keepPhoto(other.boxId, jobId, uuidv7(), await picture('png'))).toBe('absent')
})

test('a closed job and a box off the bench take none, but answer for what they have', async () => {
  const { boxId, jobId } = await unitWithJob()
  const [id, bytes] = [uuidv7(), await picture('png')]
  await keepPhoto(boxId, jobId, id, bytes)
  await deleteBox(boxId)
  expect(await keepPhoto(boxId, jobId, uuidv7(), bytes)).toBe('deleted')
  expect(await keepPhoto(boxId, jobId, id, bytes)).toBe('kept')
  await restoreBox(boxId)
  const at = '2026-01-05T08:00:00.000Z'
  await addEntries(boxId, jobId, [
    { id: uuidv7(), at, by: 'AB', body: { kind: 'close', leftOut: '' } },
  ])
  expect(await keepPhoto(boxId, jobId, uuidv7(), bytes)).toBe('closed')
  expect(await keepPhoto(boxId, jobId, id, bytes)).toBe('kept')
})

describe('a picture that was made to cost time', () => {
  /** A picture of nothing, which takes few bytes for its pixels. */
  function wide(side: number): Promise<Buffer> {
    return sharp({ create: { width: side, height: side, channels: 3, background: 'white' } })
      .png({ compressionLevel: 9 })
      .toBuffer()
  }

  test('is refused by what its head says, before its pixels are looked at', async () => {
    const { boxId, jobId } = await unitWithJob()
    const bytes = await wide(4001)
    expect(4001 ** 2).toBeGreaterThan(MOST_PIXELS)
    const from = process.cpuUsage()
    // Cut off besides, which only a look at its pixels could tell.
    expect(await lookAt(bytes.subarray(0, bytes.length / 2))).toEqual({ kind: 'too-large' })
    expect(process.cpuUsage(from).user / 1000).toBeLessThan(100)
    expect(await keepPhoto(boxId, jobId, uuidv7(), bytes)).toBe('too-large')
  })

  test('is not looked at for a job that does not exist, and of many some are sent again', async () => {
    const bytes = await wide(2000)
    const { boxId, jobId } = await unitWithJob()
    const absent = await Promise.all(
      Array.from({ length: 30 }, () => keepPhoto(boxId, uuidv7(), uuidv7(), bytes)),
    )
    expect(new Set(absent)).toEqual(new Set(['absent']))
    const many = await Promise.all(
      Array.from({ length: 30 }, () => keepPhoto(boxId, jobId, uuidv7(), bytes)),
    )
    expect(many.filter((outcome) => outcome === 'kept').length).toBeGreaterThanOrEqual(12)
    expect(many.filter((outcome) => outcome === 'busy').length).toBeGreaterThan(0)
    expect(many.every((outcome) => outcome === 'kept' || outcome === 'busy')).toBe(true)
  })
})

test('one id is one photograph: another picture, or another box, is told that it is taken', async () => {
  const { boxId, jobId } = await unitWithJob()
  const other = await unitWithJob()
  const id = uuidv7()
  const bytes = await picture('png')
  expect(await keepPhoto(boxId, jobId, id, bytes)).toBe('kept')
  expect(await keepPhoto(boxId, jobId, id, await picture('jpeg'))).toBe('taken')
  expect(await keepPhoto(other.boxId, other.jobId, id, bytes)).toBe('taken')
  const both = await Promise.all(
    [await unitWithJob(), await unitWithJob()].map((unit) =>
      keepPhoto(unit.boxId, unit.jobId, '01912345-0000-7000-8000-000000000001', bytes),
    ),
  )
  expect(both.toSorted()).toEqual(['kept', 'taken'])
  expect((await findPhoto(boxId, id))?.bytes.equals(bytes)).toBe(true)
})

test('a full job takes no more until one is taken back', async () => {
  const { boxId, jobId } = await unitWithJob()
  const bytes = await picture('png', 2, 2)
  await db.execute(sql`
    insert into job_photos (id, job_id, content_type, width, height, bytes)
    select gen_random_uuid(), ${jobId}, 'image/png', 2, 2, ${bytes}
      from generate_series(1, ${MOST_PHOTOS})`)
  expect(await keepPhoto(boxId, jobId, uuidv7(), bytes)).toBe('full')
  await db.execute(sql`
    update job_photos set is_withdrawn = true
     where id = (select id from job_photos where job_id = ${jobId} limit 1)`)
  expect(await keepPhoto(boxId, jobId, uuidv7(), bytes)).toBe('kept')
})
