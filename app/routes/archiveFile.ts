import { withDatabase } from '~/.server/answers.ts'
import { makeArchive } from '~/.server/archive.ts'
import { attachment } from '~/.server/downloads.ts'

/** Everything in the database as one file. */
export async function loader() {
  const now = new Date()
  const bytes = await withDatabase(() => makeArchive(now))
  const day = now.toISOString().slice(0, 10)
  return new Response(new Uint8Array(bytes), {
    headers: attachment('application/zip', `udrix ${day}`, 'zip'),
  })
}
