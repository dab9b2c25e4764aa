/**
 * A private PostgreSQL cluster on loopback: made once, started and stopped at will, and
 * started again after any death.
 */
import { spawnSync } from 'node:child_process'
import { randomBytes } from 'node:crypto'
import fs from 'node:fs'
import net from 'node:net'
import path from 'node:path'

import pg from 'pg'

import { findPlace, isEmpty, ownPlaceAgain, recordPlace } from './place.mjs'
import { postgresOwner, programPath, runPostgres } from './postgres.mjs'
import { endServer, postmasterOn, processesOn } from './postmaster.mjs'
import { SetupError, isRoot } from './run.mjs'

const SUPERUSER = 'udrix'
/** What the server works as: it owns the shop's tables, and may do nothing else. */
const SHOP_ROLE = 'udrix_shop'
const DATABASE = 'postgres'
/** How long a server that runs already may take to answer before it is ended and started anew. */
const TAKE_OVER_TIMEOUT_MS = 8_000
/** Recovery after a crash may take its time. */
const START_TIMEOUT_S = 300
const STOP_TIMEOUT_S = 10
const START_ATTEMPTS = 5
const LOOK_AGAIN_MS = 1_000

/** @typedef {import('./place.mjs').Place} Place */

/** @param {string} file */
function writePassword(file) {
  fs.writeFileSync(file, randomBytes(24).toString('hex'), { mode: 0o600, flag: 'wx' })
  if (isRoot) fs.chownSync(file, postgresOwner().uid, postgresOwner().gid)
}

/** @param {Place} place */
async function makeCluster(place) {
  const { folder, data, passwordFile, log } = place
  const { uid, gid } = postgresOwner()
  // Of a making that was broken off: nothing was ever kept in them.
  const making = `${data}.making`
  for (const file of [making, passwordFile]) fs.rmSync(file, { recursive: true, force: true })
  writePassword(passwordFile)
  fs.writeFileSync(log, '', { flag: 'a', mode: 0o600 })
  if (isRoot) for (const file of [folder, log]) fs.chownSync(file, uid, gid)
  await runPostgres('initdb', [
    '-D',
    making,
    '-U',
    SUPERUSER,
    '-E',
    'UTF8',
    '--locale=C.UTF-8',
    '--auth-local=trust',
    '--auth-host=scram-sha-256',
    `--pwfile=${passwordFile}`,
  ])
  fs.renameSync(making, data)
}

/**
 * A copy without its password is given a new one, while no server runs on it.
 *
 * @param {Place} place
 */
async function renewPassword(place) {
  await endServer(place.data)
  fs.rmSync(path.join(place.data, 'postmaster.pid'), { force: true })
  writePassword(place.passwordFile)
  const password = fs.readFileSync(place.passwordFile, 'utf8')
  await runPostgres(
    'postgres',
    ['--single', '-D', place.data, 'postgres'],
    `alter user ${SUPERUSER} password '${password}'\n`,
  )
}

/**
 * A port of loopback that nothing listens on now.
 *
 * @returns {Promise<number>}
 */
export function freePort() {
  return new Promise((resolve, reject) => {
    const server = net.createServer()
    server.on('error', reject)
    server.listen(0, '127.0.0.1', () => {
      const address = server.address()
      server.close(() => {
        if (address && typeof address === 'object') resolve(address.port)
        else reject(new Error('no free port'))
      })
    })
  })
}

/** @param {number} port @param {number} withinMs */
async function isReady(port, withinMs) {
  const deadline = Date.now() + withinMs
  const args = ['-q', '-h', '127.0.0.1', '-p', `${port}`, '-t', '2']
  while (spawnSync(programPath('pg_isready'), args, { stdio: 'ignore' }).status !== 0) {
    if (Date.now() > deadline) return false
    await new Promise((resolve) => setTimeout(resolve, 100))
  }
  return true
}

/** What PostgreSQL wrote last. @param {Place} place */
function lastWords({ log }) {
  if (!fs.existsSync(log)) return ''
  return fs.readFileSync(log, 'utf8').trimEnd().split('\n').slice(-6).join('\n')
}

/** @param {Place} place @param {number} port */
async function startServer({ data, log }, port) {
  // No process of PostgreSQL works there, so whatever this file says is out of date.
  fs.rmSync(path.join(data, 'postmaster.pid'), { force: true })
  const settings = [
    `-p ${port}`,
    '-c listen_addresses=127.0.0.1',
    "-c unix_socket_directories=''",
    // What people write is not repeated in the log.
    '-c log_error_verbosity=terse',
    '-c log_min_error_statement=panic',
  ]
  await runPostgres('pg_ctl', [
    'start',
    '-w',
    '-t',
    `${START_TIMEOUT_S}`,
    '-D',
    data,
    '-l',
    log,
    '-o',
    settings.join(' '),
  ])
}

/**
 * Starts PostgreSQL on a place's data, or takes over the one that runs there and answers.
 *
 * @param {Place} place
 * @param {number | undefined} wantedPort
 * @returns {Promise<number>} the port that it answers on
 */
async function ensureServer(place, wantedPort) {
  const running = postmasterOn(place.data)
  if (running && (await isReady(running.port, TAKE_OVER_TIMEOUT_MS))) return running.port
  if (processesOn(place.data).length > 0) await endServer(place.data)
  for (let attempt = 1; ; attempt++) {
    const port = wantedPort ?? (await freePort())
    try {
      await startServer(place, port)
      return port
    } catch (error) {
      // Somebody else may have taken the port in the meantime.
      if (attempt < START_ATTEMPTS && !postmasterOn(place.data)) continue
      const reason = error instanceof Error ? error.message : String(error)
      throw new SetupError(
        `PostgreSQL does not start on ${place.data}. ${reason}\nThe last lines of ${place.log}:\n${lastWords(place)}`,
      )
    }
  }
}

/** @param {Place} place */
async function stopServer({ data }) {
  if (processesOn(data).length === 0) return
  try {
    await runPostgres('pg_ctl', ['stop', '-w', '-t', `${STOP_TIMEOUT_S}`, '-m', 'fast', '-D', data])
  } catch {
    // It is recovering, or its lock file is gone: what was committed is safe all the same.
  }
  await endServer(data)
}

/** @param {string} role @param {string} passwordFile @param {number} port */
function urlFor(role, passwordFile, port) {
  return `postgres://${role}:${fs.readFileSync(passwordFile, 'utf8')}@127.0.0.1:${port}/${DATABASE}`
}

/** @param {Place} place @param {number} port */
function urlOf({ shopPasswordFile }, port) {
  return urlFor(SHOP_ROLE, shopPasswordFile, port)
}

/** @param {Place} place @param {number} port */
function superuserUrlOf({ passwordFile }, port) {
  return urlFor(SUPERUSER, passwordFile, port)
}

/** All that is in the shop's schemas, as it may have been made by the superuser before. */
const HAND_OVER = `do $$ declare each record; begin
  if not exists (select from pg_roles where rolname = '${SHOP_ROLE}') then
    create role ${SHOP_ROLE} login;
  end if;
  alter database ${DATABASE} owner to ${SHOP_ROLE};
  for each in select nspname from pg_namespace
    where nspname in ('public', 'drizzle') and nspowner <> '${SHOP_ROLE}'::regrole
  loop execute format('alter schema %I owner to ${SHOP_ROLE}', each.nspname); end loop;
  for each in select schemaname, tablename from pg_tables
    where schemaname in ('public', 'drizzle') and tableowner <> '${SHOP_ROLE}'
  loop execute format('alter table %I.%I owner to ${SHOP_ROLE}', each.schemaname, each.tablename); end loop;
end $$`

/**
 * Gives the shop's tables to a role that is no superuser, and that role its password.
 *
 * @param {Place} place
 * @param {number} port
 */
async function ensureShopRole(place, port) {
  if (!fs.existsSync(place.shopPasswordFile)) writePassword(place.shopPasswordFile)
  const password = fs.readFileSync(place.shopPasswordFile, 'utf8')
  const client = new pg.Client({ connectionString: superuserUrlOf(place, port) })
  await client.connect()
  try {
    await client.query(HAND_OVER)
    await client.query(`alter role ${SHOP_ROLE} password '${password}'`)
  } finally {
    await client.end()
  }
}

/**
 * The address of the cluster in `wanted` while it runs and answers; undefined otherwise.
 *
 * @param {string} wanted
 * @returns {Promise<string | undefined>}
 */
export async function clusterUrl(wanted) {
  if (!fs.existsSync(wanted)) return undefined
  const place = findPlace(wanted)
  const running = postmasterOn(place.data)
  const isUp = running !== undefined && (await isReady(running.port, TAKE_OVER_TIMEOUT_MS))
  return isUp && fs.existsSync(place.shopPasswordFile) ? urlOf(place, running.port) : undefined
}

/**
 * Starts the cluster in `wanted`, making it first when there never was one. A server that
 * an earlier, broken-off run left behind is taken over, or ended where it hangs.
 *
 * @param {string} wanted
 * @param {{ port?: number }} [options] `port` asks for one port; otherwise any free one is taken
 * @returns {Promise<{
 *   url: string, superuserUrl: string, port: number, data: string, stop: () => Promise<void>,
 *   keepAlive: () => void
 * }>} `url` is for the shop's role, which owns its tables; `keepAlive` watches over the server and starts it again, on the same port, when it died
 */
export async function startCluster(wanted, options = {}) {
  const place = findPlace(wanted)
  if (isEmpty(place.data)) await makeCluster(place)
  ownPlaceAgain(place)
  recordPlace(place)
  if (!fs.existsSync(place.passwordFile)) await renewPassword(place)
  const port = await ensureServer(place, options.port)
  await ensureShopRole(place, port)
  /** @type {NodeJS.Timeout | undefined} */
  let watch
  /** @type {Promise<unknown>} */
  let starting = Promise.resolve()
  return {
    url: urlOf(place, port),
    superuserUrl: superuserUrlOf(place, port),
    port,
    data: place.data,
    stop: async () => {
      clearInterval(watch)
      await starting
      await stopServer(place)
    },
    keepAlive: () => {
      let isStarting = false
      watch = setInterval(() => {
        if (isStarting || postmasterOn(place.data)) return
        isStarting = true
        console.error('PostgreSQL ended unasked. Starting it again…')
        starting = ensureServer(place, port)
          .then(() => {
            console.error('PostgreSQL is back.')
          })
          .catch((/** @type {unknown} */ error) => {
            console.error(error instanceof Error ? error.message : error)
          })
          .finally(() => {
            isStarting = false
          })
      }, LOOK_AGAIN_MS)
    },
  }
}
