import type { Route } from './+types/boxParts'
import { attachment } from '~/.server/downloads.ts'
import { findTracedBox } from '~/.server/tracedBox.ts'
import { partRows } from '~/views/trace/partRows.ts'
import { balanceSentences } from '~/words/sentences.ts'
import { formatPartsCsv } from '~/files/traceCsv.ts'

/** What every part of a box does at the address of a Trace page, for a spreadsheet. */
export async function loader({ params, request }: Route.LoaderArgs) {
  const { draft, naming, input, state } = await findTracedBox(params.boxId, request)
  const rows = state ? partRows(naming, state.selected.analysis, input) : []
  const takenToBe = state ? balanceSentences(naming, [state.selected.analysis]) : ''
  return new Response(formatPartsCsv(rows, takenToBe), {
    headers: attachment(
      'text/csv',
      `${draft.name} ${state?.selected.position.label ?? ''} parts`,
      'csv',
    ),
  })
}
