import { z } from 'zod'

import type { Route } from './+types/boxEntries'
import { isDatabaseOutage } from '~/.server/db/client.ts'
import { MOST_ENTRIES, addEntries } from '~/.server/jobs.ts'
import { log } from '~/.server/log.ts'
import type { EntryAnswer } from '~/jobEntry.ts'
import { entrySchema } from '~/jobEntry.ts'

const sentSchema = z.strictObject({ jobId: z.uuid(), entry: entrySchema })

const answer = (body: EntryAnswer, status = 200): Response => Response.json(body, { status })

const REFUSALS = {
  absent: { status: 404, sentence: 'This job is no longer on the bench. Restore its box there.' },
  full: {
    status: 400,
    sentence: `This job holds ${MOST_ENTRIES} entries, which is all it can. Close it and open the next one.`,
  },
} as const

/** Takes one entry of a job as JSON. */
export async function action({ params, request }: Route.ActionArgs) {
  const content: unknown = await request.json().catch(() => undefined)
  const parsed = sentSchema.safeParse(content)
  if (!parsed.success)
    return answer(
      { kind: 'refused', sentence: parsed.error.issues.map(({ message }) => message).join(' ') },
      400,
    )
  try {
    const { jobId, entry } = parsed.data
    const outcome = await addEntries(params.boxId, jobId, [entry])
    if (outcome === 'kept') return answer({ kind: 'kept' })
    const { status, sentence } = REFUSALS[outcome]
    return answer({ kind: 'refused', sentence }, status)
  } catch (error) {
    if (!isDatabaseOutage(error)) throw error
    log.warn({ err: error }, 'an entry waits for the database')
    return answer({ kind: 'not-yet' }, 503)
  }
}
