/** What may change anything: posts from our own pages, in bodies of a sensible size. */
import type { NextFunction, Request, Response } from 'express'

import { LARGEST_PHOTO_BYTES } from '../../files/photo.ts'

/** Leaves room for a box file of the largest size and its form. */
const LARGEST_BODY_BYTES = 1_100_000
/**
 * Of fields alone, which are read letter by letter while nothing else is: 1 MB of spaces takes the
 * runtime 0.2 s. What may be long, such as the shelf, goes as parts.
 */
const LARGEST_FIELDS_BYTES = 400_000
const FIELDS_TYPE = /^application\/x-www-form-urlencoded\b/i
/** Where photographs are sent, with room for the form around one. */
const PHOTOS_PATH = /^\/boxes\/[0-9a-f-]{36}\/photos$/
const LARGEST_PHOTO_BODY_BYTES = LARGEST_PHOTO_BYTES + 100_000

function largestBody({ path: pathname, headers }: Request): number {
  if (FIELDS_TYPE.test(headers['content-type'] ?? '')) return LARGEST_FIELDS_BYTES
  return PHOTOS_PATH.test(pathname) ? LARGEST_PHOTO_BODY_BYTES : LARGEST_BODY_BYTES
}

/** Why a request that changes something is not taken; undefined where it is. */
function refusalOf(
  { method, path, headers }: Request,
  most: number,
): readonly [status: number, sentence: string] | undefined {
  const { origin, host } = headers
  const isForeign = origin !== undefined && (!URL.canParse(origin) || new URL(origin).host !== host)
  const site = headers['sec-fetch-site']
  if (method !== 'POST') return [405, 'Udrix takes GET and POST only.']
  if (isForeign || site === 'cross-site' || site === 'same-site')
    return [403, 'Udrix takes changes from its own pages only.']
  if (headers['content-length'] === undefined)
    return [411, 'The length of what is sent must be stated.']
  if (Number(headers['content-length']) > most)
    return [413, `This is more than Udrix takes at once at ${path}.`]
  return undefined
}

/** `most` bounds the body, where it is not for the address to say. */
export function guardWrites(most?: number) {
  return (request: Request, response: Response, next: NextFunction): void => {
    const isReading = request.method === 'GET' || request.method === 'HEAD'
    const refusal = isReading ? undefined : refusalOf(request, most ?? largestBody(request))
    if (refusal) response.status(refusal[0]).type('text/plain').send(refusal[1])
    else next()
  }
}
