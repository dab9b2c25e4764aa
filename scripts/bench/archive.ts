import fs from 'node:fs'
import http from 'node:http'
import os from 'node:os'
import path from 'node:path'
import { pipeline } from 'node:stream/promises'

import pg from 'pg'
import sharp from 'sharp'

import type { Udrix } from '../../e2e/udrix.ts'
import { ms, percentile, report, under } from './measure.ts'

const BOXES = 2_000
const JOBS = 500
const PHOTOS = 5_000
const SAMPLE_MS = 100
const POLL_MS = 500

interface Memory {
  readonly server: number
  /** Of the programs that it started. */
  readonly programs: number
}

/** Resident memory of a server and of its children, in bytes. */
function memoryOf(pid: number): Memory {
  const memory = { server: 0, programs: 0 }
  for (const name of fs.readdirSync('/proc')) {
    if (!/^\d+$/.test(name)) continue
    try {
      const status = fs.readFileSync(`/proc/${name}/status`, 'utf8')
      const [, parent] = /PPid:\s+(\d+)/.exec(status) ?? []
      const [, kilobytes] = /VmRSS:\s+(\d+)/.exec(status) ?? []
      const bytes = Number(kilobytes ?? 0) * 1024
      if (Number(name) === pid) memory.server = bytes
      else if (Number(parent) === pid) memory.programs += bytes
    } catch {
      // Ended meanwhile.
    }
  }
  return memory
}

/** A shop of that size and nothing else. */
async function fill(client: pg.Client): Promise<void> {
  const noise = { type: 'gaussian', mean: 128, sigma: 60 } as const
  const photo = await sharp({
    create: { width: 700, height: 500, channels: 3, background: '#888', noise },
  })
    .jpeg({ quality: 60 })
    .toBuffer()
  await client.query('delete from boxes where not is_demo')
  await client.query(
    `insert into boxes (id, name, document)
     select gen_random_uuid(), 'unit ' || n, document
     from generate_series(1, $1::int) n,
          (select document from boxes where name like 'Ostrel%' limit 1) model`,
    [BOXES - 15],
  )
  await client.query(
    `insert into jobs (id, box_id, number)
     select gen_random_uuid(), id, 1 from boxes where not is_demo limit $1`,
    [JOBS],
  )
  await client.query(
    `insert into job_entries (id, job_id, at, by, body)
     select gen_random_uuid(), jobs.id, at, by, body from jobs, job_entries
     where jobs.box_id in (select id from boxes where not is_demo)
       and job_id = (select id from jobs where closed_at is null order by opened_at limit 1)`,
  )
  await client.query(
    `insert into job_photos (id, job_id, content_type, width, height, bytes)
     select gen_random_uuid(), id, 'image/jpeg', 700, 500, $1
     from (select id from jobs where box_id in (select id from boxes where not is_demo)) homes,
          generate_series(1, $2::int)`,
    [photo, PHOTOS / JOBS],
  )
}

interface Watched {
  readonly seconds: number
  readonly peak: Memory
  readonly traceMs: readonly number[]
}

/** Looks at a page over and over, and takes the time of each. */
async function look(url: string, isOver: AbortSignal): Promise<readonly number[]> {
  const times: number[] = []
  while (!isOver.aborted) {
    const began = performance.now()
    const response = await fetch(url)
    await response.text()
    if (!response.ok) throw new Error(`${url} answered ${response.status}`)
    times.push(performance.now() - began)
  }
  return times
}

/** Runs work while another client looks at Trace, and watches the server's memory. */
async function watch(udrix: Udrix, trace: string, work: () => Promise<void>): Promise<Watched> {
  let peak: Memory = { server: 0, programs: 0 }
  const sample = setInterval(() => {
    const now = memoryOf(udrix.serverPid())
    peak = {
      server: Math.max(peak.server, now.server),
      programs: Math.max(peak.programs, now.programs),
    }
  }, SAMPLE_MS)
  const isOver = new AbortController()
  const began = performance.now()
  const working = work().finally(() => {
    clearInterval(sample)
    isOver.abort()
  })
  // Both are waited for, so that what is told of a failure is what failed first.
  const [traceMs] = await Promise.all([look(trace, isOver.signal), working])
  return { seconds: (performance.now() - began) / 1000, peak, traceMs }
}

/** How work ended that the server was asked for. */
async function ended(base: string, task: string): Promise<void> {
  for (;;) {
    const told = await (await fetch(`${base}/archive/tasks/${task}`)).text()
    if (told.includes('"failed"') || told.includes('"ok":false')) throw new Error(told)
    if (told.includes('"done","outcome"')) return
    await new Promise((resolve) => setTimeout(resolve, POLL_MS))
  }
}

async function readIn(base: string, file: string): Promise<void> {
  const sent = await fetch(`${base}/archive/uploads`, {
    method: 'POST',
    headers: {
      'Content-Length': `${fs.statSync(file).size}`,
      'Content-Type': 'application/zip',
    },
    body: await fs.openAsBlob(file),
  })
  const { upload } = (await sent.json()) as { readonly upload: string }
  for (const work of ['preview', 'read']) {
    const begun = await fetch(`${base}/archive/uploads/${upload}/${work}`, { method: 'POST' })
    const { task } = (await begun.json()) as { readonly task: string }
    await ended(base, task)
  }
}

const megabytes = (bytes: number): string => `${(bytes / 1_000_000).toFixed(0)} MB`

function tell(what: string, { seconds, peak, traceMs }: Watched, alone: string): void {
  report(
    `Archive of ${BOXES} boxes, ${JOBS} jobs, ${PHOTOS} photographs ${what} in ${seconds.toFixed(0)} s: memory of the server (and of the program that does it)`,
    `${megabytes(peak.server)} (${megabytes(peak.programs)})`,
    alone,
    { 'under 300 MB': peak.server < 300_000_000 },
  )
  const slowMs = percentile(traceMs, 0.975)
  report(
    `Trace for another client meanwhile, ${traceMs.length} requests, p97.5`,
    ms(slowMs),
    `median ${ms(percentile(traceMs, 0.5))}`,
    under(100, slowMs),
  )
}

/** Everything out of a large shop and into an empty one. */
export async function benchArchive(udrix: Udrix): Promise<void> {
  const client = new pg.Client({ connectionString: udrix.databaseUrl })
  await client.connect()
  const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'udrix-bench-'))
  const file = path.join(folder, 'archive.zip')
  try {
    await fill(client)
    // What earlier work left in its memory is not of the archive.
    await udrix.crashServer()
    const { rows } = await client.query<{ id: string }>(
      "select id from boxes where name like 'Ostrel%' limit 1",
    )
    const trace = `${udrix.url}/boxes/${rows[0]?.id ?? ''}/trace?position=2`
    await (await fetch(trace)).text()
    const alone = `server at its start ${megabytes(memoryOf(udrix.serverPid()).server)}`
    const out = await watch(udrix, trace, async () => {
      const answer = await new Promise<http.IncomingMessage>((resolve, reject) => {
        http.get(`${udrix.url}/archive.zip`, resolve).on('error', reject)
      })
      await pipeline(answer, fs.createWriteStream(file))
    })
    tell(`(${(fs.statSync(file).size / 1_000_000).toFixed(0)} MB) out`, out, alone)
    await client.query('delete from boxes where not is_demo')
    tell('in, with its preview,', await watch(udrix, trace, () => readIn(udrix.url, file)), alone)
    const { rows: found } = await client.query<{ boxes: number; photos: number }>(
      `select (select count(*)::int from boxes) as boxes,
              (select count(*)::int from job_photos) as photos`,
    )
    if (found[0]?.boxes !== BOXES || found[0].photos !== PHOTOS)
      throw new Error(`${JSON.stringify(found)} came in`)
  } finally {
    fs.rmSync(folder, { recursive: true })
    await client.end()
  }
}
