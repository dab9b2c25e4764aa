/** What comes back when something is posted: the route's own word, an outage, or neither. */

import type { SentAnswer } from '../../files/sentAnswer.ts'
import { SENT_ANSWER_KINDS } from '../../files/sentAnswer.ts'

/** It is to be sent again later. */
interface NotYet {
  readonly kind: 'not-yet'
}

/** Somebody else answered, or the server failed: sending it again may not help. */
export interface Foreign {
  readonly kind: 'foreign'
  readonly reason: string
}

/** As much of a response as is looked at. */
type Received = Pick<Response, 'status' | 'redirected' | 'text'>

/** Not there now: no server behind the proxy, a database away, too much at once. */
const PASSING: readonly number[] = [408, 425, 429, 502, 503, 504]
/** Nobody waits longer than this for an answer. */
const ANSWER_TIMEOUT_MS = 15_000

function parse(text: string): unknown {
  try {
    return JSON.parse(text)
  } catch {
    return undefined
  }
}

/** Reads a response; the route's own answers are objects of one of these kinds. */
export async function readAnswer<Given extends { readonly kind: string }>(
  response: Received,
  kinds: readonly string[],
): Promise<Given | NotYet | Foreign> {
  const { status } = response
  const content = parse(await response.text())
  const kind =
    typeof content === 'object' && content !== null && 'kind' in content ? content.kind : undefined
  // The kinds of the route's own answers are these and no others.
  if (!response.redirected && kinds.some((each) => each === kind)) return content as Given
  if (PASSING.includes(status)) return { kind: 'not-yet' }
  const reason =
    status === 401 || status === 403
      ? `It was not let through (${status}). Perhaps this page has to be opened anew.`
      : status >= 500
        ? `The server failed at it (${status}).`
        : `Something other than Udrix answered (${status}).`
  return { kind: 'foreign', reason }
}

/** Posts a body; whatever goes wrong on the way is `not-yet`. */
export async function post<Kept extends { readonly kind: 'kept' }>(
  url: string,
  init: Pick<RequestInit, 'body' | 'headers'>,
): Promise<SentAnswer<Kept> | Foreign> {
  try {
    const response = await fetch(url, {
      method: 'POST',
      ...init,
      signal: AbortSignal.timeout(ANSWER_TIMEOUT_MS),
    })
    return await readAnswer<SentAnswer<Kept>>(response, SENT_ANSWER_KINDS)
  } catch {
    return { kind: 'not-yet' }
  }
}

/** Posts an item as JSON. */
export function postJson<Kept extends { readonly kind: 'kept' }>(
  url: string,
  item: unknown,
): Promise<SentAnswer<Kept> | Foreign> {
  const headers = { 'Content-Type': 'application/json' }
  return post<Kept>(url, { headers, body: JSON.stringify(item) })
}
