import autocannon from 'autocannon'

import { ms, report } from './measure.ts'

const CLIENTS = 10
const SECONDS = 8

async function load(url: string): Promise<autocannon.Result> {
  await autocannon({ url, connections: CLIENTS, duration: 2 })
  return autocannon({ url, connections: CLIENTS, duration: SECONDS })
}

/** The Trace page rendered on the server under load, beside the health check of the same server. */
export async function benchServer(base: string, tracePath: string): Promise<void> {
  const page = await load(base + tracePath)
  const reference = await load(`${base}/healthz`)
  if (page.non2xx > 0 || page.errors > 0) throw new Error('the page failed under load')
  report(
    `Server: Trace at ${CLIENTS} parallel clients, ${page.requests.total} requests, p97.5 (p95 is less)`,
    ms(page.latency.p97_5),
    `health check with one query ${ms(reference.latency.p97_5)}; medians ${ms(page.latency.p50)} and ${ms(reference.latency.p50)}`,
    'p95 under 50 ms',
  )
}
