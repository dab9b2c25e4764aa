import { redirect } from 'react-router'

import type { Route } from './+types/boxStart'
import { noSuchBox, withDatabase } from '~/.server/answers.ts'
import { findBox } from '~/.server/boxes.ts'
import { countingProgress } from 'core'

/** A box opens where its work is: counting until all is counted, tracing after. */
export async function loader({ params }: Route.LoaderArgs) {
  const box = await withDatabase(() => findBox(params.boxId))
  if (!box) throw noSuchBox()
  const { counted, total, disputed } = countingProgress(box.draft)
  const page = counted < total || disputed.length > 0 ? 'count' : 'trace'
  return redirect(`/boxes/${params.boxId}/${page}`)
}

/** Never seen: it makes this a page, so that a wrong address is answered with one. */
export default function BoxStart() {
  return null
}
