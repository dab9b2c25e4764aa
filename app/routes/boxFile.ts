import type { Route } from './+types/boxFile'
import { noSuchBox, withDatabase } from '~/.server/answers.ts'
import { findBox } from '~/.server/boxes.ts'
import { attachment } from '~/.server/downloads.ts'
import { formatBoxFile } from '~/files/boxFile.ts'

/** The box as a file to keep or to pass on. */
export async function loader({ params }: Route.LoaderArgs) {
  const box = await withDatabase(() => findBox(params.boxId))
  if (!box) throw noSuchBox()
  return new Response(formatBoxFile(box.draft), {
    headers: attachment('application/json', box.draft.name, 'json'),
  })
}
