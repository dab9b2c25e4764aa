import { data } from 'react-router'

import { findDeleted } from './boxes.ts'
import { isDatabaseOutage } from './db/client.ts'
import { Unreadable } from './db/documents.ts'
import { log } from './log.ts'

/** Not a 500: pages take that for a server that does not answer. */
const UNREADABLE = 422
const UNREADABLE_SENTENCE =
  'This box, or its job, was kept by a newer version of Udrix or is damaged. Nothing of it was changed: open it with the version that wrote it. The server’s log says what is not understood.'

/**
 * Runs a piece of work on the database. When the database does not answer, the
 * response is a 503 that pages and scripts know how to wait on; what this version
 * cannot read is a 422 with a sentence; other errors pass.
 */
export async function withDatabase<T>(work: () => Promise<T>): Promise<T> {
  try {
    return await work()
  } catch (error) {
    if (error instanceof Unreadable) {
      log.error({ err: error }, 'a box cannot be read')
      throw data(UNREADABLE_SENTENCE, { status: UNREADABLE })
    }
    if (!isDatabaseOutage(error)) throw error
    log.warn({ err: error }, 'the database does not answer')
    // Responses are thrown by design of the router.
    throw data('The database does not answer.', { status: 503 })
  }
}

/** Said beside a form whose entry could not be kept; the entry stays in the form. */
export const OUTAGE_SENTENCE =
  'The database does not answer, so nothing was changed. What you entered is still here: try again in a moment.'

/** Runs a piece of work on the database, or gives null when the database does not answer. */
export async function unlessOutage<T>(work: () => Promise<T>): Promise<T | null> {
  try {
    return await work()
  } catch (error) {
    if (!isDatabaseOutage(error)) throw error
    log.warn({ err: error }, 'a form waits for the database')
    return null
  }
}

/** Why something that a page sent is not kept, and what the person can do. */
export interface Refusal {
  readonly kind: 'refused'
  readonly sentence: string
  readonly status: number
}

export function refuse(sentence: string, status = 400): Refusal {
  return { kind: 'refused', sentence, status }
}

/** For whatever is sent to a box that was deleted meanwhile. */
export const REFUSED_AS_DELETED = refuse(
  'This box was taken off the bench. Bring it back under “Deleted boxes” on the bench, then try again.',
  410,
)

/**
 * Answers one of the things that pages send as they are entered and send again until they are
 * kept: kept, refused with a sentence, or, without a database or while too much is sent, not yet. `what` is for the log.
 */
export async function answerSent<Kept extends { readonly kind: 'kept' }>(
  what: string,
  work: () => Promise<Kept | Refusal | { readonly kind: 'not-yet' }>,
): Promise<Response> {
  try {
    const outcome = await work()
    if (outcome.kind === 'kept') return Response.json(outcome)
    if (outcome.kind === 'not-yet') return Response.json(outcome, { status: 503 })
    const { sentence, status } = outcome
    return Response.json({ kind: 'refused', sentence }, { status })
  } catch (error) {
    if (!isDatabaseOutage(error)) throw error
    log.warn({ err: error }, `${what} waits for the database`)
    return Response.json({ kind: 'not-yet' }, { status: 503 })
  }
}

/** What a page of a box throws where there is none on the bench: it may have been deleted. */
export async function missingBox(id: string) {
  const deleted = await withDatabase(() => findDeleted(id))
  return deleted
    ? data(
        `“${deleted.name}” was taken off the bench. It is kept with all that belongs to it: bring it back under “Deleted boxes”.`,
        { status: 410 },
      )
    : noSuchBox()
}

/** What every other route throws when a box id leads nowhere. */
export function noSuchBox() {
  return data(
    'There is no such box. It may have been deleted in another tab, or the address is wrong. Go to the bench and open it from there.',
    { status: 404 },
  )
}
