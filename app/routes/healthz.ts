import { isDatabaseAnswering } from '~/.server/db/client.ts'

/** 200 while the database answers, 503 otherwise. */
export async function loader() {
  const isUp = await isDatabaseAnswering()
  return Response.json(
    { server: 'up', database: isUp ? 'up' : 'down' },
    { status: isUp ? 200 : 503, headers: { 'Cache-Control': 'no-store' } },
  )
}
