import { indexBox, readJob } from 'core'

import type { Route } from './+types/boxOrder'
import { noSuchBox, withDatabase } from '~/.server/answers.ts'
import { findBox } from '~/.server/boxes.ts'
import { attachment } from '~/.server/downloads.ts'
import { jobsOfBox } from '~/.server/jobs.ts'
import { readSettings } from '~/.server/settings.ts'
import { orderLines } from '~/views/order/orderLines.ts'
import { formatOrderCsv } from '~/files/orderCsv.ts'
import { vocabularyOf } from '~/words/vocabulary.ts'

/** The parts list of a job for a spreadsheet. */
export async function loader({ params, request }: Route.LoaderArgs) {
  const [box, settings] = await Promise.all([
    withDatabase(() => findBox(params.boxId)),
    readSettings(request),
  ])
  if (!box) throw noSuchBox()
  const jobs = await withDatabase(() => jobsOfBox(box.id))
  const chosen = new URL(request.url).searchParams.get('job')
  const record = jobs.find(({ id }) => id === chosen) ?? jobs.at(-1)
  const naming = { box: indexBox(box.draft), words: vocabularyOf(settings) }
  const lines = orderLines(naming, readJob(record?.entries ?? []))
  return new Response(formatOrderCsv(lines), {
    headers: attachment('text/csv', `${box.draft.name} parts`, 'csv'),
  })
}
