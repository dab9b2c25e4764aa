import type { Route } from './+types/boxEdits'
import { REFUSED_AS_DELETED, answerSent, refuse } from '~/.server/answers.ts'
import { editBox } from '~/.server/boxes.ts'
import { sentEditSchema } from '~/.server/edits.ts'
import { readJson, refuseInput } from '~/.server/requests.ts'
import type { EditKept } from '~/files/sentAnswer.ts'
import { refusalWords } from '~/words/issues.ts'

/** Takes one edit of a box as JSON and answers with the box as it now is. */
export async function action({ params, request }: Route.ActionArgs) {
  const parsed = sentEditSchema.safeParse(await readJson(request))
  return answerSent<EditKept>('an edit', async () => {
    if (!parsed.success) return refuseInput(parsed.error)
    const { edit, ...arrival } = parsed.data
    const outcome = await editBox(params.boxId, edit, arrival)
    switch (outcome.kind) {
      case 'absent':
        return REFUSED_AS_DELETED
      case 'taken':
        return refuse(
          'Under the number of this change another one was kept already, so this one was not. Make it again.',
          409,
        )
      case 'refused':
        return refuse(refusalWords(outcome.refusal))
      case 'kept': {
        const { draft, revision } = outcome.box
        return { kind: 'kept', draft, revision, conflict: outcome.conflict }
      }
    }
  })
}
