/**
 * What a backup holds, found before anything is touched: whether Udrix wrote it, which
 * version, and how much is in it. Read to its end, so that one that was broken off is known.
 */
import { spawn } from 'node:child_process'
import fs from 'node:fs'
import path from 'node:path'
import readline from 'node:readline'

import { ROOT } from './paths.mjs'
import { programPath } from './postgres.mjs'
import { SetupError } from './run.mjs'

export const MIGRATIONS = path.join(ROOT, 'app/.server/db/migrations')
const MIGRATIONS_TABLE = 'drizzle.__drizzle_migrations'
/** More lines than this are in no list of contents of a Udrix. */
const MOST_CONTENTS = 2_000
const LONGEST_COMPLAINT = 300

/** What is counted for the person, by its table, the first being there in every version. */
const TOLD = /** @type {const} */ ([
  ['public.boxes', 'boxes'],
  ['public.jobs', 'jobs'],
  ['public.job_entries', 'entries of jobs'],
  ['public.job_photos', 'photographs'],
])

/** Kinds of things that a backup of Udrix has in its two schemas; a function is none of them. */
const IN_SCHEMAS =
  /^(?:TABLE|SEQUENCE|SEQUENCE OWNED BY|DEFAULT|TABLE DATA|SEQUENCE SET|CONSTRAINT|INDEX|FK CONSTRAINT) (?:public|drizzle) /
const BESIDE =
  /^(?:SCHEMA - (?:public|drizzle)|COMMENT - SCHEMA public|EXTENSION - pg_trgm|COMMENT - EXTENSION pg_trgm) /

/**
 * @typedef {{ readonly counts: ReadonlyMap<string, number>, readonly migrations: readonly string[] }} Contents
 * `counts` of rows by table with its schema; `migrations` by their times
 */

/** @returns {readonly string[]} the times of this version's migrations, the oldest first */
function knownMigrations() {
  /** @type {unknown} */
  const journal = JSON.parse(fs.readFileSync(path.join(MIGRATIONS, 'meta/_journal.json'), 'utf8'))
  const { entries } = /** @type {{ entries: readonly { when: number }[] }} */ (journal)
  return entries.map(({ when }) => `${when}`)
}

/**
 * Runs pg_restore over a file and hands on its lines; fails with what it says of the file.
 *
 * @param {string} file
 * @param {readonly string[]} args
 * @param {(line: string) => void} onLine
 */
async function readThrough(file, args, onLine) {
  const child = spawn(programPath('pg_restore'), [...args, file], {
    stdio: ['ignore', 'pipe', 'pipe'],
  })
  let complaint = ''
  child.stderr.on('data', (chunk) => {
    complaint = (complaint + String(chunk)).slice(0, LONGEST_COMPLAINT)
  })
  /** @type {Promise<number | null>} */
  const ended = new Promise((resolve, reject) => {
    child.on('error', reject)
    child.on('close', resolve)
  })
  try {
    for await (const line of readline.createInterface({ input: child.stdout })) onLine(line)
  } catch (error) {
    child.kill('SIGKILL')
    throw error
  }
  if ((await ended) !== 0)
    throw new SetupError(
      `${file} is no whole backup, so nothing was changed. PostgreSQL says of it: ${complaint.trim()}`,
    )
}

/** Fails where a file holds what no backup of Udrix does. @param {string} file */
async function checkContents(file) {
  const tables = new Set()
  let count = 0
  await readThrough(file, ['--list'], (line) => {
    if (line === '' || line.startsWith(';')) return
    // "218; 1259 16394 TABLE public boxes udrix"
    const entry = line.replace(/^\d{1,10}; \d{1,10} \d{1,10} /, '')
    if (++count > MOST_CONTENTS || !(IN_SCHEMAS.test(entry) || BESIDE.test(entry)))
      throw new SetupError(
        `${file} is no backup of Udrix, so nothing was changed: it holds ${entry.slice(0, LONGEST_COMPLAINT)}.`,
      )
    const [kind, schema = '', name = ''] = entry.split(' ')
    if (kind === 'TABLE') tables.add(`${schema}.${name}`)
  })
  for (const table of [MIGRATIONS_TABLE, TOLD[0][0]])
    if (!tables.has(table))
      throw new SetupError(
        `${file} is no backup of Udrix, so nothing was changed: it has no table ${table}.`,
      )
}

/**
 * Reads a backup from its beginning to its end.
 *
 * @param {string} file
 * @returns {Promise<Contents>}
 * @throws {SetupError} where it is none of Udrix, none that is whole, or one of a newer version
 */
export async function readBackup(file) {
  if (!fs.existsSync(file)) throw new SetupError(`There is no file ${file}.`)
  await checkContents(file)
  /** @type {Map<string, number>} */
  const counts = new Map()
  /** @type {string[]} */
  const migrations = []
  let table = ''
  await readThrough(file, ['--data-only', '--file=-'], (line) => {
    if (table === '') {
      const [verb, name = ''] = line.slice(0, LONGEST_COMPLAINT).split(' ')
      if (verb === 'COPY') table = name
    } else if (line === '\\.') table = ''
    else {
      counts.set(table, (counts.get(table) ?? 0) + 1)
      if (table === MIGRATIONS_TABLE) migrations.push(line.split('\t')[2] ?? '')
    }
  })
  const known = knownMigrations()
  const shared = known.findIndex((time, index) => time !== migrations[index])
  const sharedCount = shared === -1 ? known.length : shared
  if (sharedCount === 0 || (sharedCount < known.length && sharedCount < migrations.length))
    throw new SetupError(
      `${file} is the backup of another program, or of another Udrix than this one, so nothing was changed.`,
    )
  if (migrations.length > known.length)
    throw new SetupError(
      `${file} is of a newer Udrix: its tables are of version ${migrations.length}, and this one knows ${known.length}. Nothing was changed. Restore it with the version that wrote it.`,
    )
  return { counts, migrations }
}

/**
 * What is in a database now; null where it has no tables yet.
 *
 * @param {import('pg').Client} client
 * @returns {Promise<Contents | null>}
 * @throws {SetupError} where the tables are another program's
 */
export async function readDatabase(client) {
  /** @type {{ rows: readonly { name: string }[] }} */
  const { rows } = await client.query(
    "select schemaname || '.' || tablename as name from pg_tables where schemaname in ('public', 'drizzle')",
  )
  const tables = rows.map(({ name }) => name)
  if (tables.length === 0) return null
  if (!tables.includes(TOLD[0][0]) || !tables.includes(MIGRATIONS_TABLE))
    throw new SetupError(
      `The database is another program’s, so nothing was changed: it has the tables ${tables.slice(0, 5).join(', ')}. Give Udrix one of its own.`,
    )
  /** @type {Map<string, number>} */
  const counts = new Map()
  for (const [table] of TOLD)
    if (tables.includes(table)) {
      /** @type {{ rows: readonly { count: number }[] }} */
      const counted = await client.query(`select count(*)::int as count from ${table}`)
      counts.set(table, counted.rows[0]?.count ?? 0)
    }
  return { counts, migrations: [] }
}

/** What there is of each kind, in words. @param {Contents} contents */
export function contentsText({ counts }) {
  return TOLD.map(([table, name]) => `${counts.get(table) ?? 0} ${name}`).join(', ')
}
