import type { Route } from './+types/boxForces'
import { attachment } from '~/.server/downloads.ts'
import { findTracedBox } from '~/.server/tracedBox.ts'
import { formatForcesCsv } from '~/files/traceCsv.ts'
import { solveForces } from 'core'

/** Forces at the teeth and on the shafts at the address of a Trace page, for a spreadsheet. */
export async function loader({ params, request }: Route.LoaderArgs) {
  const { draft, naming, input, state } = await findTracedBox(params.boxId, request)
  const analysis = state?.selected.analysis
  const forces =
    state && analysis?.state === 'drive'
      ? solveForces(state.solver.box, analysis, input.torqueNm)
      : { teeth: [], shafts: [], missing: [] }
  return new Response(formatForcesCsv(naming, forces), {
    headers: attachment(
      'text/csv',
      `${draft.name} ${state?.selected.position.label ?? ''} forces`,
      'csv',
    ),
  })
}
