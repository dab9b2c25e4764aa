import type { Route } from './+types/boxEntries'
import { isDatabaseOutage } from '~/.server/db/client.ts'
import type { EntryOutcome } from '~/.server/jobs.ts'
import { MOST_ENTRIES, addEntries } from '~/.server/jobs.ts'
import { log } from '~/.server/log.ts'
import { readJson } from '~/.server/requests.ts'
import type { EntryAnswer } from '~/files/entryAnswer.ts'
import { sentEntrySchema } from '~/files/jobEntry.ts'

const answer = (body: EntryAnswer, status = 200): Response => Response.json(body, { status })

/** Why an entry is not added, and what the person can do. */
function refusalOf(outcome: Exclude<EntryOutcome, { kind: 'kept' }>): readonly [number, string] {
  switch (outcome.kind) {
    case 'absent':
      return [404, 'There is no such job of this box. Load the page again, and enter it there.']
    case 'deleted':
      return [
        410,
        'This box was taken off the bench. Bring it back under “Deleted boxes” on the bench, then try again.',
      ]
    case 'closed':
      return [409, `Job ${outcome.number} is closed. Open it again, then try this once more.`]
    case 'other-open':
      return [
        409,
        `Job ${outcome.number} of this unit is open, and one is open at a time. Close that one first.`,
      ]
    case 'full':
      return [
        400,
        `This job holds ${MOST_ENTRIES} entries, which is all it can. Close it and open the next one.`,
      ]
  }
}

/** Takes one entry of a job as JSON. */
export async function action({ params, request }: Route.ActionArgs) {
  const parsed = sentEntrySchema.safeParse(await readJson(request))
  if (!parsed.success)
    return answer(
      { kind: 'refused', sentence: parsed.error.issues.map(({ message }) => message).join(' ') },
      400,
    )
  try {
    const { jobId, entry, sentAt } = parsed.data
    const outcome = await addEntries(params.boxId, jobId, [entry], sentAt)
    if (outcome.kind === 'kept') return answer({ kind: 'kept', entry: outcome.entries[0] ?? entry })
    const [status, sentence] = refusalOf(outcome)
    return answer({ kind: 'refused', sentence }, status)
  } catch (error) {
    if (!isDatabaseOutage(error)) throw error
    log.warn({ err: error }, 'an entry waits for the database')
    return answer({ kind: 'not-yet' }, 503)
  }
}
