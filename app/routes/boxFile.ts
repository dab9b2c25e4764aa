import type { Route } from './+types/boxFile'
import { noSuchBox, withDatabase } from '~/.server/answers.ts'
import { findBox } from '~/.server/boxes.ts'
import { formatBoxFile } from '~/boxFile.ts'

/** The box as a file to keep or to pass on. */
export async function loader({ params }: Route.LoaderArgs) {
  const box = await withDatabase(() => findBox(params.boxId))
  if (!box) throw noSuchBox()
  const fileName = box.draft.name.replace(/[^\p{L}\p{N}]+/gu, '-').replace(/^-+|-+$/g, '') || 'box'
  return new Response(formatBoxFile(box.draft), {
    headers: {
      'Content-Type': 'application/json; charset=utf-8',
      'Content-Disposition': `attachment; filename="box.json"; filename*=UTF-8''${encodeURIComponent(`${fileName}.json`)}`,
    },
  })
}
