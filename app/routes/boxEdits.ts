import type { Route } from './+types/boxEdits'
import { isDatabaseOutage } from '~/.server/db/client.ts'
import { editBox } from '~/.server/boxes.ts'
import { sentEditSchema } from '~/.server/edits.ts'
import { log } from '~/.server/log.ts'
import { readJson } from '~/.server/requests.ts'
import type { EditAnswer } from '~/files/editAnswer.ts'
import { refusalWords } from '~/words/issues.ts'

const answer = (body: EditAnswer, status = 200): Response => Response.json(body, { status })

/** Takes one edit of a box as JSON and answers with the box as it now is. */
export async function action({ params, request }: Route.ActionArgs) {
  const parsed = sentEditSchema.safeParse(await readJson(request))
  if (!parsed.success)
    return answer(
      { kind: 'refused', sentence: parsed.error.issues.map(({ message }) => message).join(' ') },
      400,
    )
  try {
    const outcome = await editBox(params.boxId, parsed.data.edit, parsed.data.id)
    switch (outcome.kind) {
      case 'absent':
        return answer(
          {
            kind: 'refused',
            sentence:
              'This box was taken off the bench. Bring it back under “Deleted boxes” on the bench, then try again.',
          },
          410,
        )
      case 'refused':
        return answer({ kind: 'refused', sentence: refusalWords(outcome.refusal) }, 400)
      case 'kept': {
        const { draft, revision } = outcome.box
        return answer({ kind: 'kept', draft, revision, conflict: outcome.conflict })
      }
    }
  } catch (error) {
    if (!isDatabaseOutage(error)) throw error
    log.warn({ err: error }, 'an edit waits for the database')
    return answer({ kind: 'not-yet' }, 503)
  }
}
