/** Asking a server that may be away, so that the page which asks stays. */
import { data, isRouteErrorResponse } from 'react-router'

/** An answer that was lost on its way looks like none. */
export const AWAY_SENTENCE =
  'Udrix does not answer, so this may not have been done. As soon as it does, look before you try again.'

/** Too much at once: like an answer that does not come, it says nothing of what was asked. */
const TOO_MANY = 429

/** Whether the server has said this itself, or could not be asked. */
export function isAnswered(error: unknown): boolean {
  return (
    error instanceof Response ||
    (isRouteErrorResponse(error) && error.status < 500 && error.status !== TOO_MANY)
  )
}

/**
 * What the server’s action says; `away` where it does not answer, with a status that keeps
 * the loaders from asking it as well. What the server refuses itself is thrown on.
 */
export async function unlessAway<Said, Away>(ask: () => Promise<Said>, away: Away) {
  try {
    return await ask()
  } catch (error) {
    if (isAnswered(error)) throw error
    return data(away, { status: 503 })
  }
}
