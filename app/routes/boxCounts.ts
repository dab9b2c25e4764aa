import type { Route } from './+types/boxCounts'
import { noSuchBox, withDatabase } from '~/.server/answers.ts'
import { findBox } from '~/.server/boxes.ts'
import { attachment } from '~/.server/downloads.ts'
import { readSettings } from '~/.server/settings.ts'
import { formatCountsCsv } from '~/files/countsCsv.ts'
import { vocabularyOf } from '~/words/vocabulary.ts'

/** The tooth counts of a box for a spreadsheet. */
export async function loader({ params, request }: Route.LoaderArgs) {
  const [box, settings] = await Promise.all([
    withDatabase(() => findBox(params.boxId)),
    readSettings(request),
  ])
  if (!box) throw noSuchBox()
  return new Response(formatCountsCsv(box.draft, vocabularyOf(settings)), {
    headers: attachment('text/csv', `${box.draft.name} counts`, 'csv'),
  })
}
