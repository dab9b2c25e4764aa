import type { Route } from './+types/boxRatios'
import { noSuchBox, withDatabase } from '~/.server/answers.ts'
import { findBox } from '~/.server/boxes.ts'
import { readSettings } from '~/.server/settings.ts'
import { vocabularyOf } from '~/words/vocabulary.ts'
import { attachment } from '~/.server/downloads.ts'
import { analyseDraft } from '~/views/box/analysis.ts'
import { formatRatiosCsv } from '~/files/ratiosCsv.ts'
import { readAddress } from '~/views/addresses.ts'
import { compareRatios, indexBox } from 'core'

/** The ratios of a box for a spreadsheet. */
export async function loader({ params, request }: Route.LoaderArgs) {
  const [box, settings] = await Promise.all([
    withDatabase(() => findBox(params.boxId)),
    readSettings(request),
  ])
  if (!box) throw noSuchBox()
  const { draft } = box
  const wanted = readAddress('ratios', request).at
  const at = draft.members.find(({ id }) => id === wanted)?.id
  const rows = compareRatios(analyseDraft(draft).positions, draft, at)
  const naming = { box: indexBox(draft), words: vocabularyOf(settings) }
  return new Response(formatRatiosCsv(naming, rows), {
    headers: attachment('text/csv', `${draft.name} ratios`, 'csv'),
  })
}
