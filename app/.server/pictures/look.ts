/** What a picture is, by its content. */
import sharp from 'sharp'

import { PHOTO_TYPES } from '../../files/photo.ts'

/** Pages make photographs smaller than a sixth of this; a head that tells of more is all that is read. */
export const MOST_PIXELS = 16_000_000

export type Look =
  | {
      readonly kind: 'picture'
      readonly contentType: string
      readonly width: number
      readonly height: number
    }
  | { readonly kind: 'none' | 'too-large' }

// One picture at a time, and nothing of it is kept.
sharp.concurrency(1)
sharp.cache(false)

/** The type of a picture by its first bytes, without decoding it; undefined for others. */
export async function pictureType(bytes: Buffer): Promise<string | undefined> {
  try {
    return PHOTO_TYPES.get((await sharp(bytes).metadata()).format)
  } catch {
    return undefined
  }
}

/**
 * The type and size of a picture. Every pixel is decoded, so that one that is cut off is noticed
 * while it can be sent again; not of one whose head tells of too many.
 */
export async function lookAt(bytes: Buffer): Promise<Look> {
  try {
    const picture = sharp(bytes, {
      failOn: 'truncated',
      limitInputPixels: false,
      sequentialRead: true,
    })
    const { format, width, height, pages = 1 } = await picture.metadata()
    const contentType = PHOTO_TYPES.get(format)
    if (contentType === undefined) return { kind: 'none' }
    if (width * height * pages > MOST_PIXELS) return { kind: 'too-large' }
    await picture.extractChannel(0).raw().toBuffer()
    return { kind: 'picture', contentType, width, height }
  } catch {
    return { kind: 'none' }
  }
}
