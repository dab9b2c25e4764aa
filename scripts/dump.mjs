/**
 * A copy of the whole database by PostgreSQL's own tools, while Udrix runs or not:
 *
 *   npm run backup -- FILE     writes it
 *   npm run restore -- FILE    puts it in the place of everything that is there now
 */
import { spawn } from 'node:child_process'
import fs from 'node:fs'
import path from 'node:path'

import { drizzle } from 'drizzle-orm/node-postgres'
import { migrate } from 'drizzle-orm/node-postgres/migrator'
import pg from 'pg'

import { clusterUrl, startCluster } from './cluster.mjs'
import { holdFolder } from './hold.mjs'
import { readOptions, sentenceOf } from './options.mjs'
import { ROOT } from './paths.mjs'
import { makeOpenFolder } from './place.mjs'
import { programPath } from './postgres.mjs'
import { SetupError } from './run.mjs'

/** @typedef {{ url: string, end: () => Promise<void> }} Database */

/**
 * The database: the one that is named, the one that runs, or the private one, started for
 * the while.
 *
 * @returns {Promise<Database>}
 */
async function openDatabase() {
  const options = readOptions(process.env)
  const nothing = () => Promise.resolve()
  if (options.databaseUrl) return { url: options.databaseUrl, end: nothing }
  const folder = path.join(options.state, 'cluster')
  const running = await clusterUrl(folder)
  if (running) return { url: running, end: nothing }
  makeOpenFolder(options.state)
  const hold = await holdFolder(options.state, 'a backup or restore')
  if (!hold.isHeld) throw new SetupError(`The data are in use ${hold.by}. Try again in a moment.`)
  const cluster = await startCluster(folder)
  return { url: cluster.url, end: cluster.stop }
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

/** @param {string} url @param {string} file */
async function backup(url, file) {
  if (fs.existsSync(file))
    throw new SetupError(`${file} is there already. Name a file that is not, so that none is lost.`)
  // Written under another name first: a backup that was broken off is none.
  const making = `${file}.making`
  const args = ['--format=custom', '--no-owner', '--no-privileges', '--file', making]
  await succeeded(spawnOn('pg_dump', url, args, ['ignore', 'inherit', 'inherit']), 'The backup')
  fs.renameSync(making, file)
  const megabytes = (fs.statSync(file).size / 1_000_000).toFixed(1)
  console.log(`Everything is in ${file} (${megabytes} MB).`)
}

const CLEAR = [
  'set client_min_messages = warning',
  'drop schema if exists drizzle cascade',
  'drop schema public cascade',
  'create schema public',
]

/**
 * All in one transaction: who reads meanwhile waits, and if anything is wrong with the file
 * everything stays as it was.
 *
 * @param {string} url
 * @param {string} file
 */
async function restore(url, file) {
  if (!fs.existsSync(file)) throw new SetupError(`There is no file ${file}.`)
  const script = spawn(
    programPath('pg_restore'),
    ['--no-owner', '--no-privileges', '--exit-on-error', '--file', '-', file],
    { stdio: ['ignore', 'pipe', 'inherit'] },
  )
  const args = ['--quiet', '--no-psqlrc', '--single-transaction', '--set=ON_ERROR_STOP=1']
  for (const command of CLEAR) args.push('--command', command)
  const into = spawnOn('psql', url, [...args, '--file', '-'], ['pipe', 'ignore', 'inherit'])
  const read = succeeded(script, 'Reading the backup').catch((/** @type {unknown} */ error) => {
    // What has come so far must not be committed.
    into.kill('SIGKILL')
    throw error
  })
  script.stdout.pipe(into.stdin ?? process.stdout)
  into.stdin?.on('error', () => undefined)
  const results = await Promise.allSettled([read, succeeded(into, 'The restore')])
  for (const result of results) if (result.status === 'rejected') throw result.reason
  const client = new pg.Client({ connectionString: url })
  await client.connect()
  // A backup of an older Udrix gets the tables of this one.
  await migrate(drizzle(client), {
    migrationsFolder: path.join(ROOT, 'app/.server/db/migrations'),
  })
  // Pages that are open look at everything anew.
  await client.query("notify udrix, '*'")
  await client.end()
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
    await (work === 'backup' ? backup : restore)(database.url, full)
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
