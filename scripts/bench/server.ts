import autocannon from 'autocannon'
import pg from 'pg'

import { ms, percentile, report, times } from './measure.ts'

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
    `${times(page.latency.p97_5, reference.latency.p97_5)} the health check, ${ms(page.latency.p97_5)}`,
    `health check with one query ${ms(reference.latency.p97_5)}; medians ${ms(page.latency.p50)} and ${ms(reference.latency.p50)}`,
    { 'p95 under 50 ms': page.latency.p97_5 < 50 },
  )
}

/** A page at another address with each request, so that none is answered with one that is kept. */
async function loadAfresh(base: string, addressOf: (at: number) => string) {
  let at = 0
  const request: autocannon.Request = {
    setupRequest: (asked) => ({ ...asked, path: addressOf(++at) }),
  }
  const options = { url: base, connections: CLIENTS, requests: [request] }
  await autocannon({ ...options, duration: 2 })
  const { latency, requests, ...result } = await autocannon({ ...options, duration: SECONDS })
  if (result.non2xx > 0 || result.errors > 0) throw new Error('the page failed under load')
  return { latency, count: requests.total }
}

/** Trace at another torque with each request, beside the health check and an empty page. */
export async function benchTraceAfresh(base: string, tracePath: string): Promise<void> {
  const page = await loadAfresh(base, (at) => `${tracePath}&torque=${(at / 100).toFixed(2)}`)
  // One query and nearly no words: what the page of any route costs.
  const empty = await loadAfresh(base, (at) => `/deleted?at=${at}`)
  const reference = await load(`${base}/healthz`)
  report(
    `Server: Trace rendered afresh at ${CLIENTS} parallel clients, ${page.count} requests, p97.5 (p95 is less)`,
    `${times(page.latency.p97_5, reference.latency.p97_5)} the health check, ${ms(page.latency.p97_5)}`,
    `health check with one query ${ms(reference.latency.p97_5)}, the empty page of deleted boxes afresh ${ms(empty.latency.p97_5)}; medians ${ms(page.latency.p50)}, ${ms(reference.latency.p50)} and ${ms(empty.latency.p50)}`,
    { 'p95 under 50 ms': page.latency.p97_5 < 50 },
  )
}

/** Clients of a whole shop with nothing else to do. */
const MANY_CLIENTS = 50
const MANY_SECONDS = 10

async function loadMany(url: string): Promise<autocannon.Result> {
  await autocannon({ url, connections: MANY_CLIENTS, duration: 2 })
  const result = await autocannon({ url, connections: MANY_CLIENTS, duration: MANY_SECONDS })
  const { non2xx, errors, timeouts, statusCodeStats } = result
  if (non2xx > 0 || errors > 0)
    throw new Error(
      `${url} failed under load: ${non2xx} answers not 2xx (${JSON.stringify(statusCodeStats)}), ${errors} errors, ${timeouts} of them timeouts`,
    )
  return result
}

/** Bench and Job at many clients, beside the health check of the same server. */
export async function benchMany(base: string, boxPath: string, what: string): Promise<void> {
  const reference = await loadMany(`${base}/healthz`)
  for (const [name, page] of [
    ['Bench', base],
    ['Job', `${base}${boxPath}/job`],
    ['Trace', `${base}${boxPath}/trace?position=2`],
  ] as const) {
    const { latency, requests } = await loadMany(page)
    report(
      `Server: ${name} at ${MANY_CLIENTS} parallel clients, ${what}, ${requests.total} requests, p97.5`,
      `${times(latency.p97_5, reference.latency.p97_5)} the health check, ${ms(latency.p97_5)}`,
      `health check ${ms(reference.latency.p97_5)}`,
      { 'within 3 times': latency.p97_5 < 3 * reference.latency.p97_5 },
    )
  }
}

const MANY_JOBS = 2_000

/** Copies of the demo's jobs, with their logs, for boxes that have none. */
export async function fillJobs(databaseUrl: string): Promise<void> {
  const client = new pg.Client({ connectionString: databaseUrl })
  await client.connect()
  try {
    await client.query(
      `with model as (select id from jobs where closed_at is null order by opened_at limit 1),
            homes as (
              select id from boxes where deleted_at is null
                and not exists (select 1 from jobs where box_id = boxes.id)
              order by updated_at desc limit $1
            ),
            made as (
              insert into jobs (id, box_id, number) select gen_random_uuid(), id, 1 from homes
              returning id
            )
       insert into job_entries (id, job_id, at, by, body)
       select gen_random_uuid(), made.id, at, by, body
       from made, job_entries where job_id = (select id from model)`,
      [MANY_JOBS],
    )
    await client.query('analyze')
  } finally {
    await client.end()
  }
}

const FEW_BOXES = 50
const MANY_BOXES = 5_000
const REQUESTS = 30

/** Milliseconds of each of some requests, one after another. */
async function timesOf(url: string): Promise<number[]> {
  const result: number[] = []
  for (let request = 0; request < REQUESTS; request++) {
    const start = performance.now()
    const response = await fetch(url)
    await response.text()
    if (!response.ok) throw new Error(`${url} answered ${response.status}`)
    result.push(performance.now() - start)
  }
  return result
}

/** The bench with few boxes and with very many: opened, searched, and on its last pages. */
export async function benchBench(base: string, databaseUrl: string): Promise<void> {
  const client = new pg.Client({ connectionString: databaseUrl })
  await client.connect()
  /** Copies of the first demo box up to a number of boxes, each touched at another time. */
  const fillUpTo = (count: number) =>
    client.query(
      `insert into boxes (id, name, document, updated_at)
       select gen_random_uuid(), 'unit ' || n || ' of the bench', document, now() - n * interval '1 minute'
       from generate_series((select count(*) from boxes) + 1, $1) n,
            (select document from boxes where name like 'Ostrel%' limit 1) model`,
      [count],
    )
  try {
    const measured: Record<number, string> = {}
    let first = NaN
    for (const count of [FEW_BOXES, MANY_BOXES]) {
      await fillUpTo(count)
      await client.query('analyze boxes')
      await timesOf(base)
      const opened = percentile(await timesOf(base), 0.5)
      const searched = percentile(await timesOf(`${base}/?q=unit+49`), 0.5)
      const old = new Date(Date.now() - 40 * 60_000).toISOString().replace('Z', '000Z')
      const after = `${old}_ffffffff-ffff-4fff-bfff-ffffffffffff`
      const paged = percentile(await timesOf(`${base}/?after=${after}`), 0.5)
      measured[count] = `search ${ms(searched)}, a later page ${ms(paged)}`
      if (count === FEW_BOXES) first = opened
      else
        report(
          `Server: the bench with ${MANY_BOXES} boxes, median of ${REQUESTS}`,
          `${times(opened, first)} as long, ${ms(opened)}`,
          `with ${FEW_BOXES} boxes ${ms(first)}; ${measured[FEW_BOXES]}, and with all: ${measured[count]}`,
          { [`as fast as with ${FEW_BOXES}`]: opened < 1.2 * first },
        )
    }
  } finally {
    await client.end()
  }
}
