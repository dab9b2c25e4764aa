import type { Route } from './+types/boxFindings'
import { attachment } from '~/.server/downloads.ts'
import { chosenRecord } from '~/.server/jobDownloads.ts'
import { formatFindingsCsv } from '~/files/jobRecord.ts'

/** What was found and measured in a job, for a spreadsheet. */
export async function loader({ params, request }: Route.LoaderArgs) {
  const { record, name } = await chosenRecord(params.boxId, request)
  return new Response(formatFindingsCsv(record), {
    headers: attachment('text/csv', `${name} findings`, 'csv'),
  })
}
