import type { Route } from './+types/boxEntries'
import type { Refusal } from '~/.server/answers.ts'
import { REFUSED_AS_DELETED, answerSent, refuse } from '~/.server/answers.ts'
import type { EntryOutcome } from '~/.server/jobs.ts'
import { MOST_ENTRIES, addEntries } from '~/.server/jobs.ts'
import { readJson, refuseInput } from '~/.server/requests.ts'
import type { EntryKept } from '~/files/sentAnswer.ts'
import { sentEntrySchema } from '~/files/jobEntry.ts'

/** Why an entry is not added, and what the person can do. */
function refusalOf(outcome: Exclude<EntryOutcome, { kind: 'kept' }>): Refusal {
  switch (outcome.kind) {
    case 'absent':
      return refuse(
        'There is no such job of this box. Load the page again, and enter it there.',
        404,
      )
    case 'taken':
      return refuse(
        'Under the number of this entry another one was kept already, so this one was not. Enter it again.',
        409,
      )
    case 'deleted':
      return REFUSED_AS_DELETED
    case 'closed':
      return refuse(`Job ${outcome.number} is closed. Open it again, then try this once more.`, 409)
    case 'other-open':
      return refuse(
        `Job ${outcome.number} of this unit is open, and one is open at a time. Close that one first.`,
        409,
      )
    case 'full':
      return refuse(
        `This job holds ${MOST_ENTRIES} entries, which is all it can. Close it and open the next one.`,
      )
  }
}

/** Takes one entry of a job as JSON. */
export async function action({ params, request }: Route.ActionArgs) {
  const parsed = sentEntrySchema.safeParse(await readJson(request))
  return answerSent<EntryKept>('an entry', async () => {
    if (!parsed.success) return refuseInput(parsed.error)
    const { jobId, entry, sentAt } = parsed.data
    const outcome = await addEntries(params.boxId, jobId, [entry], sentAt)
    return outcome.kind === 'kept'
      ? { kind: 'kept', entry: outcome.entries[0] ?? entry }
      : refusalOf(outcome)
  })
}
