/**
 * A copy of the whole database by PostgreSQL's own tools, while Udrix runs or not:
 *
 *   npm run backup -- FILE     writes it
 *   npm run restore -- FILE    puts it in the place of everything that is there now, after a
 *                              look through it and a copy of what is there
 */
import { spawn } from 'node:child_process'
import fs from 'node:fs'
import path from 'node:path'

import { drizzle } from 'drizzle-orm/node-postgres'
import { migrate } from 'drizzle-orm/node-postgres/migrator'
import pg from 'pg'

import { MIGRATIONS, contentsText, readBackup, readDatabase } from './backupFile.mjs'
import { clusterUrl, startCluster } from './cluster.mjs'
import { holdFolder } from './hold.mjs'
import { readOptions, sentenceOf } from './options.mjs'
import { makeOpenFolder } from './place.mjs'
import { programPath } from './postgres.mjs'
import { SetupError } from './run.mjs'

/** @typedef {{ url: string, state: string, end: () => Promise<void> }} Database */

/**
 * The database: the one that is named, the one that runs, or the private one, started for
 * the while.
 *
 * @returns {Promise<Database>}
 */
async function openDatabase() {
  const { databaseUrl, state } = readOptions(process.env)
  const nothing = () => Promise.resolve()
  makeOpenFolder(state)
  if (databaseUrl) return { url: databaseUrl, state, end: nothing }
  const folder = path.join(state, 'cluster')
  const running = await clusterUrl(folder)
  if (running) return { url: running, state, end: nothing }
  const hold = await holdFolder(state, 'a backup or restore')
  if (!hold.isHeld) throw new SetupError(`The data are in use ${hold.by}. Try again in a moment.`)
  const cluster = await startCluster(folder)
  return { url: cluster.url, state, end: cluster.stop }
}

/**
 * Runs one of PostgreSQL's programs on the database; the password is not put on the command
 * line, where others could read it.
 *
 * @param {string} program
 * @param {string} url
 * @param {readonly string[]} args
 * @param {import('node:child_process').StdioOptions} stdio
 */
function spawnOn(program, url, args, stdio) {
  const { username, password, hostname, port, pathname } = new URL(url)
  return spawn(programPath(program), [...args], {
    stdio,
    env: {
      ...process.env,
      PGUSER: decodeURIComponent(username),
      PGPASSWORD: decodeURIComponent(password),
      PGHOST: hostname,
      PGPORT: port || '5432',
      PGDATABASE: decodeURIComponent(pathname.slice(1)) || decodeURIComponent(username),
    },
  })
}

/** @param {import('node:child_process').ChildProcess} child @param {string} what */
function succeeded(child, what) {
  return new Promise((resolve, reject) => {
    child.on('error', reject)
    child.on('close', (code) => {
      if (code === 0) resolve(undefined)
      else reject(new SetupError(`${what} failed (${code}). Nothing was changed.`))
    })
  })
}

/**
 * A file that only its owner may read, written under another name first: a backup that was
 * broken off is none, and leaves nothing.
 *
 * @param {string} file
 * @param {(making: string) => Promise<void>} write what puts it in its place under `file` at the end
 */
async function makeBackup(file, write) {
  if (fs.existsSync(file))
    throw new SetupError(`${file} is there already. Name a file that is not, so that none is lost.`)
  const making = `${file}.making`
  const clear = () => {
    fs.rmSync(making, { force: true })
  }
  clear()
  fs.closeSync(fs.openSync(making, 'wx', 0o600))
  const giveUp = () => {
    clear()
    process.exit(1)
  }
  process.on('SIGINT', giveUp).on('SIGTERM', giveUp)
  try {
    await write(making)
  } finally {
    clear()
    process.off('SIGINT', giveUp).off('SIGTERM', giveUp)
  }
}

/** How everything is written by pg_dump; the file comes behind it. */
const DUMP_ARGS = ['--format=custom', '--no-owner', '--no-privileges', '--file']

/** @param {string} url @param {string} file */
async function backup(url, file) {
  await makeBackup(file, async (making) => {
    const args = [...DUMP_ARGS, making]
    await succeeded(spawnOn('pg_dump', url, args, ['ignore', 'inherit', 'inherit']), 'The backup')
    fs.renameSync(making, file)
  })
  const megabytes = (fs.statSync(file).size / 1_000_000).toFixed(1)
  console.log(`Everything is in ${file} (${megabytes} MB), which only you may read.`)
}

/** @param {string} text */
function quoted(text) {
  return `'${text.replaceAll("'", "'\\''")}'`
}

/** Entries wait and pages are read until all is in its place: nothing is kept between copy and end. */
const HOLD = `do $$ begin execute (
  select 'lock table ' || string_agg(format('%I.%I', schemaname, tablename), ', ') || ' in exclusive mode'
  from pg_tables where schemaname in ('public', 'drizzle')); end $$;`

/**
 * Copies what is there, in the transaction that holds it: the copy is in its place before
 * anything else is.
 *
 * @param {string} making
 * @param {string} copy
 */
function copyingScript(making, copy) {
  const dump = [programPath('pg_dump'), ...DUMP_ARGS, making].map(quoted).join(' ')
  const move = ['mv', making, copy].map(quoted).join(' ')
  return [
    HOLD,
    `\\set isCopied \`${dump} < /dev/null && ${move} && echo 1 || echo 0\``,
    // Divided by 0 where the copy failed, which ends the transaction.
    'select 1 / :isCopied;',
    '',
  ].join('\n')
}

const CLEAR = `set client_min_messages = warning;
drop schema if exists drizzle cascade;
drop schema public cascade;
create schema public;
`

/**
 * All in one transaction: who enters something meanwhile waits, and if anything goes wrong
 * everything stays as it was.
 *
 * @param {string} url
 * @param {string} file
 * @param {string} copying what copies what is there; empty where nothing is
 */
async function replaceAll(url, file, copying) {
  const args = ['--quiet', '--no-psqlrc', '--single-transaction', '--set=ON_ERROR_STOP=1']
  const into = spawnOn('psql', url, [...args, '--file', '-'], ['pipe', 'ignore', 'inherit'])
  into.stdin?.on('error', () => undefined)
  into.stdin?.write(`${copying}${CLEAR}`)
  const script = spawn(
    programPath('pg_restore'),
    ['--no-owner', '--no-privileges', '--exit-on-error', '--file', '-', file],
    { stdio: ['ignore', 'pipe', 'inherit'] },
  )
  const read = succeeded(script, 'Reading the backup').catch((/** @type {unknown} */ error) => {
    // What has come so far must not be committed.
    into.kill('SIGKILL')
    throw error
  })
  script.stdout.pipe(into.stdin ?? process.stdout)
  const results = await Promise.allSettled([read, succeeded(into, 'The restore')])
  for (const result of results) if (result.status === 'rejected') throw result.reason
}

/**
 * @param {string} url
 * @param {string} file
 * @param {string} state the folder that the copy of what was there goes to
 */
async function restore(url, file, state) {
  const backedUp = await readBackup(file)
  const client = new pg.Client({ connectionString: url })
  await client.connect()
  try {
    const standing = await readDatabase(client)
    console.log(`${file} holds ${contentsText(backedUp)}.`)
    console.log(
      standing === null
        ? 'It is put into an empty database.'
        : `It is put in the place of ${contentsText(standing)}.`,
    )
    if (standing === null) await replaceAll(url, file, '')
    else {
      const time = new Date().toISOString().replaceAll(/[-:Z]/g, '')
      const copy = path.join(state, `before-restore-${time}.backup`)
      await makeBackup(copy, (making) => replaceAll(url, file, copyingScript(making, copy)))
      console.log(
        `What was there until now is in ${copy}: npm run restore -- ${copy} brings it back.`,
      )
    }
    // A backup of an older Udrix gets the tables of this one.
    await migrate(drizzle(client), { migrationsFolder: MIGRATIONS })
    // Pages that are open look at everything anew.
    await client.query("notify udrix, '*'")
  } finally {
    await client.end()
  }
  console.log(`Everything is again as it was in ${file}.`)
}

async function main() {
  const [work, file] = process.argv.slice(2)
  if ((work !== 'backup' && work !== 'restore') || file === undefined)
    throw new SetupError(`Name a file: npm run ${work ?? 'backup'} -- shop.backup`)
  // npm runs scripts in the project's folder; the person stands in another.
  const full = path.resolve(process.env.INIT_CWD ?? process.cwd(), file)
  const database = await openDatabase()
  try {
    if (work === 'backup') await backup(database.url, full)
    else await restore(database.url, full, database.state)
  } finally {
    await database.end()
  }
}

try {
  await main()
} catch (error) {
  const sentence = sentenceOf(error)
  if (sentence === undefined) throw error
  console.error(sentence)
  process.exitCode = 1
}
