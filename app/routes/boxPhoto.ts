import { data } from 'react-router'
import { z } from 'zod'

import type { Route } from './+types/boxPhoto'
import { withDatabase } from '~/.server/answers.ts'
import { findPhoto } from '~/.server/photos.ts'

const idSchema = z.uuid()

/** One photograph, which never changes. */
export async function loader({ params }: Route.LoaderArgs) {
  const { boxId, photoId } = params
  const isNamed = [boxId, photoId].every((id) => idSchema.safeParse(id).success)
  const photo = isNamed ? await withDatabase(() => findPhoto(boxId, photoId)) : null
  if (!photo) throw data('There is no such photograph.', { status: 404 })
  return new Response(new Uint8Array(photo.bytes), {
    headers: {
      'Content-Type': photo.contentType,
      'Cache-Control': 'private, max-age=31536000, immutable',
    },
  })
}
