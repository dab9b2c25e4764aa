import { z } from 'zod'

import type { Route } from './+types/boxPhotos'
import { REFUSED_AS_DELETED, answerSent, refuse } from '~/.server/answers.ts'
import { keepPhoto } from '~/.server/photos.ts'
import { readForm } from '~/.server/requests.ts'
import type { PhotoKept } from '~/files/sentAnswer.ts'
import { LARGEST_PHOTO_BYTES, MOST_PHOTOS, NOT_A_PHOTO } from '~/files/photo.ts'

const sentSchema = z.object({
  jobId: z.uuid(),
  photo: z.uuid(),
  file: z.instanceof(File),
})

/** Takes one photograph of a job. */
export async function action({ params, request }: Route.ActionArgs) {
  const form = await readForm(request)
  const sent = sentSchema.safeParse(Object.fromEntries(form))
  return answerSent<PhotoKept>('a photograph', async () => {
    if (!sent.success) return refuse('No photograph came with this. Choose it again.')
    const { jobId, photo, file } = sent.data
    if (file.size > LARGEST_PHOTO_BYTES)
      return refuse('The photograph is larger than Udrix takes. Choose a smaller one.', 413)
    const bytes = Buffer.from(await file.arrayBuffer())
    switch (await keepPhoto(params.boxId, jobId, photo, bytes)) {
      case 'kept':
        return { kind: 'kept' }
      case 'no-photo':
        return refuse(NOT_A_PHOTO)
      case 'too-large':
        return refuse(
          'This picture has more pixels than any photograph needs. Make it smaller.',
          413,
        )
      case 'taken':
        return refuse(
          'Under its number another photograph is kept already, so this one was not kept. Choose it again.',
          409,
        )
      case 'busy':
        // Sent again like what finds no database.
        return { kind: 'not-yet' }
      case 'absent':
        return refuse('There is no such job of this box. Load the page again.', 404)
      case 'deleted':
        return REFUSED_AS_DELETED
      case 'closed':
        return refuse('This job is closed. Open it again, then try this once more.', 409)
      case 'full':
        return refuse(`A job takes ${MOST_PHOTOS} photographs. Take one back, then try again.`)
    }
  })
}
