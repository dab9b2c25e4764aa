/**
 * Rendered pages by what they were rendered from. A page is a function of its address,
 * of the person's cookie and of what its loaders found; only its stamp differs from
 * response to response, so a page is kept with marks in the stamp's place.
 *
 * What the pages of a box are made of is told by the box's version, and what the bench is
 * made of by that of everything. Such a page is therefore found again without running its
 * loaders, by asking for the version alone; many who ask for one that is being made wait
 * for it together.
 */
import { createHash, randomBytes } from 'node:crypto'

import { LRUCache } from 'lru-cache'
import type { EntryContext } from 'react-router'

import type { Stamp } from '../files/stamp.ts'

const MOST_BYTES = 32_000_000
const MOST_ADDRESSES = 2_000

const newMark = () => randomBytes(24).toString('hex')

/** Stand in kept pages where the stamp of a response goes; unguessable, so no content holds them. */
export const MARKS: Stamp = { nonce: newMark(), version: newMark() }

/** A page as it is sent, cut at the places of its stamp, which hold the names of what goes there. */
type Cut = readonly (Buffer | keyof Stamp)[]

const AT_MARKS = new RegExp(`(${MARKS.nonce}|${MARKS.version})`)

function cut(page: string): Cut {
  return page
    .split(AT_MARKS)
    .map((piece) =>
      piece === MARKS.nonce ? 'nonce' : piece === MARKS.version ? 'version' : Buffer.from(piece),
    )
}

function withStamp(page: Cut, stamp: Stamp): Buffer<ArrayBuffer> {
  return Buffer.concat(
    page.map((piece) => (typeof piece === 'string' ? Buffer.from(stamp[piece]) : piece)),
  )
}

/** In bytes as they are sent: as text they would take twice as much, on the heap. */
const pages = new LRUCache<string, Cut>({
  maxSize: MOST_BYTES,
  sizeCalculation: (page) => page.reduce((sum, { length }) => sum + length, 0),
})

type StaticContext = Pick<
  EntryContext['staticHandlerContext'],
  'loaderData' | 'actionData' | 'errors' | 'statusCode'
>

/** What a page depends on, as a key; null for an answer that is not worth keeping. */
export function pageKey(url: string, context: StaticContext): string | null {
  const { loaderData, actionData, errors, statusCode } = context
  if (statusCode !== 200 || errors || actionData) return null
  return createHash('sha256').update(url).update(JSON.stringify(loaderData)).digest('base64')
}

/** The page of that key with its stamp in its place; rendered first when it is not kept. */
export async function cachedPage(
  key: string | null,
  stamp: Stamp,
  render: () => Promise<string>,
): Promise<Buffer<ArrayBuffer>> {
  let page = key === null ? undefined : pages.get(key)
  if (page === undefined) {
    page = cut(await render())
    if (key !== null) pages.set(key, page)
  }
  return withStamp(page, stamp)
}

/** A page as it was last asked for at an address with a cookie. */
interface KnownPage {
  readonly key: string
  readonly version: string
}

const known = new LRUCache<string, KnownPage>({ max: MOST_ADDRESSES })

function addressKey(pathAndQuery: string, cookie: string | undefined): string {
  return `${pathAndQuery}\n${cookie ?? ''}`
}

/** Pages that are being made, by address, cookie and version. */
const making = new Map<string, Promise<void>>()

/**
 * Waits until somebody else has made this page; where nobody is at it, the caller is, and
 * calls the function that comes back when it is done, whether or not it worked.
 */
export async function awaitPage(
  pathAndQuery: string,
  cookie: string | undefined,
  version: string,
): Promise<(() => void) | undefined> {
  const key = `${addressKey(pathAndQuery, cookie)}\n${version}`
  const made = making.get(key)
  if (made) {
    await made
    return undefined
  }
  let finish: () => void = () => undefined
  making.set(
    key,
    new Promise((resolve) => {
      finish = () => {
        making.delete(key)
        resolve()
      }
    }),
  )
  return finish
}

/** Remembers under which key the page of an address is kept while what it shows has this version. */
export function rememberPage(
  pathAndQuery: string,
  cookie: string | undefined,
  page: KnownPage,
): void {
  known.set(addressKey(pathAndQuery, cookie), page)
}

/** The kept page of an address that has this version now; undefined when there is none. */
export function recallPage(
  pathAndQuery: string,
  cookie: string | undefined,
  version: string,
  stamp: Stamp,
): Buffer | undefined {
  const page = known.get(addressKey(pathAndQuery, cookie))
  const kept = page?.version === version ? pages.get(page.key) : undefined
  return kept === undefined ? undefined : withStamp(kept, stamp)
}
