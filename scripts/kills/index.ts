/**
 * `npm run kills -- 100`: kills server, postmaster, single backends, the starting process
 * and all at once, at random moments while edits, entries and photographs are posted; after
 * each the rest must come back by itself or by another start, and everything that was
 * answered as kept must be there once. How long that took is told.
 */
import type { ChildProcess } from 'node:child_process'
import { spawn } from 'node:child_process'
import fs from 'node:fs'
import path from 'node:path'

import pg from 'pg'

import { clusterUrl, freePort } from '../cluster.mjs'
import { ROOT, STATE } from '../paths.mjs'
import { postmasterOn, processesOn } from '../postmaster.mjs'
import { ensureBuild } from '../setup.mjs'
import { Client } from './client.ts'

const KINDS = ['server', 'postmaster', 'backend', 'starter', 'everything'] as const
type Kind = (typeof KINDS)[number]

const BUILD = '.udrix/test/build'
const FOLDER = path.join(STATE, 'test/kills')
const DATA = path.join(FOLDER, 'cluster/data')
/** It did not come back at all; how long it takes is told, and depends on what else the machine does. */
const GIVE_UP_MS = 120_000
/** Kills come at a random moment within this. */
const WITHIN_MS = 1_500
const CLIENTS = 3

const wanted = Number(process.argv[2] ?? 100)
const port = await freePort()
const base = `http://127.0.0.1:${port}`

const wait = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms))

function start(): ChildProcess {
  return spawn(process.execPath, ['scripts/start.mjs'], {
    cwd: ROOT,
    stdio: ['ignore', 'ignore', 'ignore'],
    env: {
      ...process.env,
      PORT: `${port}`,
      UDRIX_DATA: FOLDER,
      UDRIX_BUILD: BUILD,
      LOG_LEVEL: 'silent',
      DATABASE_URL: '',
    },
  })
}

async function isUp(): Promise<boolean> {
  try {
    return (await fetch(`${base}/healthz`, { signal: AbortSignal.timeout(3_000) })).ok
  } catch {
    return false
  }
}

/** Processes below one, by their parents. */
function childrenOf(parent: number): readonly number[] {
  return fs.readdirSync('/proc').flatMap((name) => {
    if (!/^\d+$/.test(name)) return []
    try {
      const stat = fs.readFileSync(`/proc/${name}/stat`, 'utf8')
      const [, of] = stat.slice(stat.lastIndexOf(')') + 2).split(' ')
      return Number(of) === parent ? [Number(name)] : []
    } catch {
      return []
    }
  })
}

function kill(kind: Kind, starter: ChildProcess): void {
  const head = postmasterOn(DATA)?.pid ?? 0
  const postgres = processesOn(DATA).map(({ pid }) => pid)
  const servers = childrenOf(starter.pid ?? 0)
  const backends = postgres.filter((pid) => pid !== head)
  const victims: Readonly<Record<Kind, readonly number[]>> = {
    server: servers,
    postmaster: [head],
    backend: backends.slice(-1),
    starter: [starter.pid ?? 0],
    everything: [starter.pid ?? 0, ...servers, ...postgres],
  }
  for (const pid of victims[kind])
    try {
      if (pid > 0) process.kill(pid, 'SIGKILL')
    } catch {
      // Ended meanwhile.
    }
}

/** Up again, by itself or after another start; the time that it took. */
async function comeBack(starter: ChildProcess): Promise<{ starter: ChildProcess; ms: number }> {
  const began = performance.now()
  let current = starter
  // What was just killed may still answer for a moment.
  await wait(100)
  while (!(await isUp())) {
    if (current.exitCode !== null || current.signalCode !== null) current = start()
    await wait(100)
    if (performance.now() - began > GIVE_UP_MS) break
  }
  // The server of a starter that was killed goes down a little later.
  if (current.exitCode !== null || current.signalCode !== null) {
    while (await isUp()) await wait(50)
    current = start()
    while (!(await isUp()) && performance.now() - began < GIVE_UP_MS) await wait(100)
  }
  return { starter: current, ms: performance.now() - began }
}

interface Found {
  readonly entries: number
  readonly photos: number
  readonly edits: number
  readonly conflicts: number
  /** How far the chain of names has come. */
  readonly place: number
}

/** A connection to the database, which may be coming up again. */
async function connectDatabase(): Promise<pg.Client> {
  for (const began = performance.now(); ; await wait(100)) {
    const url = await clusterUrl(path.join(FOLDER, 'cluster'))
    const database = new pg.Client({ connectionString: url })
    database.on('error', () => undefined)
    try {
      if (url === undefined) throw new Error('the database is not up')
      await database.connect()
      return database
    } catch (error) {
      if (performance.now() - began > GIVE_UP_MS) throw error
    }
  }
}

/** What is wrong with what is there, beside what was answered as kept. */
async function faultsOf(client: Client, boxId: string): Promise<readonly string[]> {
  // What is answered while we look is there already; so the answers are taken first.
  const { edits, entries, photos } = client.kept
  const database = await connectDatabase()
  try {
    // One statement sees one moment, while more is being entered.
    const { rows } = await database.query<Found>(
      `select
         (select count(*)::int from job_entries where id = any($1::uuid[])) as entries,
         (select count(*)::int from job_photos where id = any($2::uuid[])) as photos,
         (select count(*)::int from box_revisions where box_id = $3 and is_applied) as edits,
         (select count(*)::int from box_revisions where box_id = $3 and not is_applied) as conflicts,
         (select split_part(name, ' ', 2)::int from boxes where id = $3) as place`,
      [entries, photos, boxId],
    )
    const [found] = rows
    if (!found) throw new Error('nothing was found')
    const faults: string[] = []
    if (found.entries !== entries.length)
      faults.push(`${entries.length - found.entries} entries lost`)
    if (found.photos !== photos.length) faults.push(`${photos.length - found.photos} photos lost`)
    if (found.edits < edits) faults.push(`${edits - found.edits} edits lost`)
    if (found.edits !== found.place || found.conflicts > 0)
      faults.push(`${found.edits} edits for name ${found.place}, ${found.conflicts} conflicts`)
    return faults
  } finally {
    await database.end()
  }
}

interface Place {
  readonly boxId: string
  readonly jobId: string
}

/** A box of one's own, with a job, and the name that the chain of edits begins at. */
async function makePlace(): Promise<Place> {
  const form = new URLSearchParams({ name: 'kill 0', pattern: 'three-shaft' })
  const made = await fetch(`${base}/new`, { method: 'POST', body: form, redirect: 'manual' })
  const [, boxId = ''] = /boxes\/([^/]+)/.exec(made.headers.get('Location') ?? '') ?? []
  const opened = await fetch(`${base}/boxes/${boxId}/job`, {
    method: 'POST',
    body: new URLSearchParams({}),
    redirect: 'manual',
  })
  const [, jobId = ''] = /job=([^&]+)/.exec(opened.headers.get('Location') ?? '') ?? []
  if (boxId === '' || jobId === '') throw new Error('no box or no job could be made')
  return { boxId, jobId }
}

for (const left of [FOLDER, path.join(FOLDER, 'cluster.place.json')])
  fs.rmSync(left, { recursive: true, force: true })
await ensureBuild(BUILD)
let starter = start()
while (!(await isUp())) await wait(100)
const places = await Promise.all(Array.from({ length: CLIENTS }, makePlace))
const clients = places.map(({ boxId, jobId }) => new Client(base, boxId, jobId))
const work = clients.flatMap((client) => [
  client.enterEdits(),
  client.enterEntries(),
  client.enterPhotos(),
])

const restarts: { readonly kind: Kind; readonly ms: number }[] = []
const problems: string[] = []
for (let at = 0; at < wanted; at++) {
  const kind = KINDS[at % KINDS.length] ?? 'server'
  await wait(Math.random() * WITHIN_MS)
  kill(kind, starter)
  const back = await comeBack(starter)
  starter = back.starter
  restarts.push({ kind, ms: back.ms })
  if (back.ms > GIVE_UP_MS) problems.push(`after kill ${at + 1} (${kind}): not back`)
  for (const [which, client] of clients.entries())
    for (const fault of await faultsOf(client, places[which]?.boxId ?? ''))
      problems.push(`after kill ${at + 1} (${kind}): ${fault}`)
}
await wait(WITHIN_MS)
for (const client of clients) client.stop()
await Promise.all(work)
for (const [which, client] of clients.entries())
  for (const fault of await faultsOf(client, places[which]?.boxId ?? ''))
    problems.push(`at the end: ${fault}`)
const ended = new Promise((resolve) => starter.once('exit', resolve))
starter.kill('SIGTERM')
await ended
if (processesOn(DATA).length > 0) problems.push('PostgreSQL was left running')

for (const kind of KINDS) {
  const times = restarts.filter((each) => each.kind === kind).map(({ ms }) => Math.round(ms))
  const sorted = [...times].sort((one, other) => one - other)
  console.log(
    `${kind.padEnd(10)} ${times.length} kills, back after ${sorted[sorted.length >> 1] ?? '–'} ms (median), ${sorted.at(-1) ?? '–'} ms (longest)`,
  )
}
const kept = clients.map((client) => client.kept)
const sum = (count: (of: (typeof kept)[number]) => number) =>
  kept.reduce((total, each) => total + count(each), 0)
console.log(
  `answered as kept: ${sum(({ edits }) => edits)} edits, ${sum(({ entries }) => entries.length)} entries, ${sum(({ photos }) => photos.length)} photographs`,
)
for (const problem of problems) console.error(problem)
const failed = problems.length > 0 ? 1 : 0
console.log(`${wanted} kills: ${problems.length} problems`)
process.exit(failed)
