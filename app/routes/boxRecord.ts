import type { Route } from './+types/boxRecord'
import { attachment } from '~/.server/downloads.ts'
import { chosenRecord } from '~/.server/jobDownloads.ts'
import { formatJobRecord } from '~/files/jobRecord.ts'

/** The record of a job as JSON. */
export async function loader({ params, request }: Route.LoaderArgs) {
  const { record, name } = await chosenRecord(params.boxId, request)
  return new Response(formatJobRecord(record), {
    headers: attachment('application/json', `${name} record`, 'json'),
  })
}
