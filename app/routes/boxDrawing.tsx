import type { Route } from './+types/boxDrawing'
import { noSuchBox, withDatabase } from '~/.server/answers.ts'
import { findBox } from '~/.server/boxes.ts'
import { drawSvg } from '~/.server/drawing.tsx'
import { attachment } from '~/.server/downloads.ts'
import { readAddress } from '~/views/addresses.ts'
import { readSettings } from '~/.server/settings.ts'

/** The drawing of a box as SVG, in one of its positions where the address names one. */
export async function loader({ params, request }: Route.LoaderArgs) {
  const [box, settings] = await Promise.all([
    withDatabase(() => findBox(params.boxId)),
    readSettings(request),
  ])
  if (!box) throw noSuchBox()
  const { svg, label } = drawSvg(box.draft, settings, readAddress('trace', request))
  const name = label === null ? box.draft.name : `${box.draft.name} ${label}`
  return new Response(svg, { headers: attachment('image/svg+xml', name, 'svg') })
}
