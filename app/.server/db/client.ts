import { drizzle } from 'drizzle-orm/node-postgres'
import { migrate } from 'drizzle-orm/node-postgres/migrator'
import pg from 'pg'

import { log } from '../log.ts'

/** The longest that a request waits for a connection before it hears that there is none. */
const CONNECTION_TIMEOUT_MS = 2_000
const POOL_SIZE = 10
/** Any fixed number: whoever migrates holds the advisory lock of this key. */
const MIGRATION_LOCK_KEY = 4700

function databaseUrl(): string {
  const url = process.env.DATABASE_URL
  if (!url) throw new Error('DATABASE_URL is not set')
  return url
}

export const pool = new pg.Pool({
  connectionString: databaseUrl(),
  max: POOL_SIZE,
  connectionTimeoutMillis: CONNECTION_TIMEOUT_MS,
})
pool.on('error', (error) => {
  log.warn({ err: error }, 'an idle database connection broke')
})

export const db = drizzle(pool)

/** Brings the tables up to date; several servers starting at once take turns. */
export async function migrateDatabase(migrationsFolder: string): Promise<void> {
  const connection = await pool.connect()
  try {
    await connection.query('select pg_advisory_lock($1)', [MIGRATION_LOCK_KEY])
    await migrate(drizzle(connection), { migrationsFolder })
    await connection.query('select pg_advisory_unlock($1)', [MIGRATION_LOCK_KEY])
  } finally {
    connection.release()
  }
}

/** Classes of SQLSTATE that mean "no connection", "out of resources" and "operator intervention". */
const OUTAGE_SQLSTATE = /^(08|53|57)/
const OUTAGE_SYSTEM_CODES = new Set([
  'ECONNREFUSED',
  'ECONNRESET',
  'ENOENT',
  'ENOTFOUND',
  'EPIPE',
  'ETIMEDOUT',
])
const OUTAGE_MESSAGES = /timeout exceeded when trying to connect|Connection terminated/

/** Whether an error means that the database does not answer, and not that a query is wrong. */
export function isDatabaseOutage(error: unknown): boolean {
  if (!(error instanceof Error)) return false
  if ('code' in error && typeof error.code === 'string')
    if (OUTAGE_SQLSTATE.test(error.code) || OUTAGE_SYSTEM_CODES.has(error.code)) return true
  return OUTAGE_MESSAGES.test(error.message) || isDatabaseOutage(error.cause)
}

export async function isDatabaseAnswering(): Promise<boolean> {
  try {
    await pool.query('select 1')
    return true
  } catch {
    return false
  }
}
