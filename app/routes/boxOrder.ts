import { indexBox } from 'core'

import type { Route } from './+types/boxOrder'
import { attachment } from '~/.server/downloads.ts'
import { chosenJob } from '~/.server/jobDownloads.ts'
import { orderLines } from '~/views/order/orderLines.ts'
import { formatOrderCsv } from '~/files/orderCsv.ts'

/** The parts list of a job for a spreadsheet. */
export async function loader({ params, request }: Route.LoaderArgs) {
  const { box, words, job } = await chosenJob(params.boxId, request)
  const lines = orderLines({ box: indexBox(box.draft), words }, job)
  return new Response(formatOrderCsv(lines), {
    headers: attachment('text/csv', `${box.draft.name} parts`, 'csv'),
  })
}
