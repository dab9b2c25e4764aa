/** What a photograph may be, on the page and on the server. */

/** A file as it comes from a camera. */
export const LARGEST_FILE_BYTES = 25_000_000
/** As it is sent, after the browser has made it smaller. */
export const LARGEST_PHOTO_BYTES = 3_000_000
/** The longer side, in pixels, that a photograph is made smaller to. */
export const LONGEST_SIDE_PX = 1600
/** Photographs that a job takes. */
export const MOST_PHOTOS = 500

/** The types of content that are taken, by the name of their format. */
export const PHOTO_TYPES: ReadonlyMap<string, string> = new Map([
  ['jpeg', 'image/jpeg'],
  ['png', 'image/png'],
  ['webp', 'image/webp'],
])

export const NOT_A_PHOTO =
  'This file is no whole photograph: it has to be a JPEG, PNG or WebP picture, whatever its name says, and not cut off. Choose it again.'
