import { sql } from 'drizzle-orm'
import { drizzle } from 'drizzle-orm/node-postgres'
import { migrate } from 'drizzle-orm/node-postgres/migrator'
import pg from 'pg'

import { log } from '../log.ts'

/** The longest that a request waits for a connection before it hears that there is none. */
const CONNECTION_TIMEOUT_MS = 5_000
/** The longest that the database may work on one statement; it says so itself. */
const STATEMENT_TIMEOUT_MS = 5_000
/** For a database that says nothing at all any more, such as a frozen one. */
const ANSWER_TIMEOUT_MS = STATEMENT_TIMEOUT_MS + 1_000
/** The health check is to answer within two seconds, whatever the database does. */
const HEALTH_TIMEOUT_MS = 1_500
const POOL_SIZE = 10
/** A new connection costs more than a kept one: its password alone takes thousands of rounds. */
const IDLE_MS = 5 * 60_000
/** Any fixed number: whoever migrates holds the advisory lock of this key. */
const MIGRATION_LOCK_KEY = 4700

export function databaseUrl(): string {
  const url = process.env.DATABASE_URL
  if (!url) throw new Error('DATABASE_URL is not set')
  return url
}

export const pool = new pg.Pool({
  connectionString: databaseUrl(),
  max: POOL_SIZE,
  connectionTimeoutMillis: CONNECTION_TIMEOUT_MS,
  idleTimeoutMillis: IDLE_MS,
  statement_timeout: STATEMENT_TIMEOUT_MS,
  query_timeout: ANSWER_TIMEOUT_MS,
  idle_in_transaction_session_timeout: 4 * STATEMENT_TIMEOUT_MS,
})
// The pool listens to connections that lie idle only; one that is in use and breaks
// between two queries would otherwise end the whole process.
pool.on('connect', (client) => {
  client.on('error', (error) => {
    log.warn({ err: error }, 'a database connection broke')
  })
})
pool.on('error', (error) => {
  log.warn({ err: error }, 'an idle database connection broke')
})

export const db = drizzle(pool)

/** What queries are made with: the pool, or the connection of a transaction. */
export type Queries = Pick<
  typeof db,
  'select' | 'insert' | 'update' | 'delete' | 'execute' | '$count'
>

interface TransactionOptions {
  /** Everything is read as it was at one moment, and nothing is written. */
  readonly isSnapshot?: boolean
  /** Whether it may take as long as it takes, as reading a whole archive does. */
  readonly isLong?: boolean
}

const BEGIN_SNAPSHOT = sql`begin isolation level repeatable read read only`

/** A connection that somebody works with alone, and gives back or closes. */
interface Loan {
  readonly client: pg.PoolClient | pg.Client
  readonly end: (broken: Error | undefined) => void
}

async function borrow(isLong: boolean): Promise<Loan> {
  if (!isLong) {
    const client = await pool.connect()
    return {
      client,
      end: (broken) => {
        client.release(broken)
      },
    }
  }
  const client = await patientClient()
  return {
    client,
    end: () => {
      void client.end().catch(() => undefined)
    },
  }
}

/** A connection without limits of time, outside the pool. */
async function patientClient(): Promise<pg.Client> {
  const client = new pg.Client({
    connectionString: databaseUrl(),
    connectionTimeoutMillis: CONNECTION_TIMEOUT_MS,
  })
  client.on('error', (error) => {
    log.warn({ err: error }, 'the connection of a long piece of work broke')
  })
  await client.connect()
  return client
}

/**
 * Runs work in one transaction on a connection of its own. A connection that broke or
 * does not answer is closed and never used again.
 */
export async function transact<T>(
  work: (tx: Queries) => Promise<T>,
  { isSnapshot = false, isLong = false }: TransactionOptions = {},
): Promise<T> {
  const { client, end } = await borrow(isLong)
  const tx = drizzle(client)
  let broken: Error | undefined
  try {
    await tx.execute(isSnapshot ? BEGIN_SNAPSHOT : sql`begin`)
    const result = await work(tx)
    await tx.execute(sql`commit`)
    return result
  } catch (error) {
    if (isDatabaseOutage(error)) broken = error instanceof Error ? error : new Error(String(error))
    else
      await tx.execute(sql`rollback`).catch((failure: unknown) => {
        broken = failure instanceof Error ? failure : new Error(String(failure))
      })
    throw error
  } finally {
    end(broken)
  }
}

/** Brings the tables up to date; several servers starting at once take turns. */
export async function migrateDatabase(migrationsFolder: string): Promise<void> {
  const client = await patientClient()
  try {
    await client.query('select pg_advisory_lock($1)', [MIGRATION_LOCK_KEY])
    await migrate(drizzle(client), { migrationsFolder })
  } finally {
    // Its end gives the lock back.
    await client.end()
  }
}

/**
 * What tells one state of the whole database from another: the transactions that are over.
 * Where two snapshots are the same, so is everything that can be read in them.
 */
export async function findVersionOfAll(): Promise<string | null> {
  const { rows } = await pool.query<{ version: string }>(
    'select pg_current_snapshot()::text as version',
  )
  return rows[0]?.version ?? null
}

/** Classes of SQLSTATE that mean "no connection", "out of resources" and "operator intervention". */
const OUTAGE_SQLSTATE = /^(08|53|57|58)/
/** A lock that is not given, and a write to a database that only reads for now. */
const PASSING_SQLSTATES = new Set(['55P03', '25006', '25P03', '40001', '40P01'])
const OUTAGE_SYSTEM_CODES = new Set([
  'ECONNREFUSED',
  'ECONNRESET',
  'EHOSTUNREACH',
  'ENETUNREACH',
  'ENOENT',
  'ENOTFOUND',
  'EAI_AGAIN',
  'EPIPE',
  'ETIMEDOUT',
])
const OUTAGE_MESSAGES =
  /timeout exceeded when trying to connect|timeout expired|Connection terminated|Query read timeout|not queryable|Client was closed/

/** Whether an error means that the database does not answer, and not that a query is wrong. */
export function isDatabaseOutage(error: unknown): boolean {
  if (!(error instanceof Error)) return false
  if ('code' in error && typeof error.code === 'string') {
    const { code } = error
    if (OUTAGE_SQLSTATE.test(code) || PASSING_SQLSTATES.has(code)) return true
    if (OUTAGE_SYSTEM_CODES.has(code)) return true
  }
  if (error instanceof AggregateError) return error.errors.some(isDatabaseOutage)
  return OUTAGE_MESSAGES.test(error.message) || isDatabaseOutage(error.cause)
}

/** Where the database is, without its password. */
function databasePlace(): string {
  const { hostname, port, pathname } = new URL(databaseUrl())
  return `${hostname}${port === '' ? '' : `:${port}`}${pathname}`
}

/** SQLSTATEs of a database that answers and will not have us. */
const REFUSALS: Readonly<Record<string, string>> = {
  '28000': 'does not let this user in. Look at the user in DATABASE_URL.',
  '28P01': 'does not accept the password. Look at the password in DATABASE_URL.',
  '3D000': 'does not exist. Create it first, or look at the name in DATABASE_URL.',
  '42501':
    'does not let this user make tables or the extension pg_trgm. Its owner has to grant that.',
}

/** Why the database cannot be used, for the person who starts Udrix; undefined for our own faults. */
export function whyNoDatabase(
  error: unknown,
): { readonly sentence: string; readonly isPassing: boolean } | undefined {
  for (let cause = error; cause instanceof Error; cause = cause.cause) {
    const code = 'code' in cause && typeof cause.code === 'string' ? cause.code : ''
    const refusal = REFUSALS[code]
    if (refusal !== undefined)
      return { sentence: `The database ${databasePlace()} ${refusal}`, isPassing: false }
  }
  return isDatabaseOutage(error)
    ? {
        sentence: `The database ${databasePlace()} does not answer. Start it, or look at DATABASE_URL.`,
        isPassing: true,
      }
    : undefined
}

let probe: Promise<boolean> | undefined

/** One question at a time: a hundred that wait for a frozen database say no more than one. */
function probeDatabase(): Promise<boolean> {
  probe ??= pool
    .query('select 1')
    .then(
      () => true,
      () => false,
    )
    .finally(() => {
      probe = undefined
    })
  return probe
}

/** Whether the database answers a question, within a time that people and scripts wait. */
export async function isDatabaseAnswering(): Promise<boolean> {
  let timer: NodeJS.Timeout | undefined
  const late = new Promise<boolean>((resolve) => {
    timer = setTimeout(() => {
      resolve(false)
    }, HEALTH_TIMEOUT_MS)
  })
  try {
    return await Promise.race([probeDatabase(), late])
  } finally {
    clearTimeout(timer)
  }
}
