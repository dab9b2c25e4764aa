import type { Route } from './+types/boxCautions'
import { withDatabase } from '~/.server/answers.ts'
import { markCautionsRead } from '~/.server/boxes.ts'

export async function action({ params }: Route.ActionArgs) {
  await withDatabase(() => markCautionsRead(params.boxId))
  return new Response(null, { status: 204 })
}
