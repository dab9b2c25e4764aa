/**
 * What changed, told to whoever has it open: every change of a box or of its jobs is
 * announced in its own transaction with NOTIFY, and each server process on the database
 * hears it with LISTEN, whichever of them made the change.
 */
import { sql } from 'drizzle-orm'
import pg from 'pg'

import type { Queries } from './db/client.ts'
import { databaseUrl } from './db/client.ts'
import { log } from './log.ts'

const CHANNEL = 'udrix'
/** Announced where everything may have changed. */
export const EVERYTHING = '*'
const RECONNECT_MS = 1_000
const CONNECTION_TIMEOUT_MS = 2_000

/** Hears the id of each box that changed, or `EVERYTHING`. */
type Listener = (boxId: string) => void

const listeners = new Set<Listener>()
let client: pg.Client | undefined
let isEnding = false

/** Tells everybody of a change of this box, as soon as the transaction is committed. */
export async function announce(tx: Pick<Queries, 'execute'>, boxId: string): Promise<void> {
  await tx.execute(sql`select pg_notify(${CHANNEL}, ${boxId})`)
}

function tell(boxId: string): void {
  for (const listener of listeners) listener(boxId)
}

function reconnect(): void {
  client = undefined
  if (isEnding) return
  setTimeout(() => {
    if (!isEnding && listeners.size > 0) listen()
  }, RECONNECT_MS).unref()
}

function listen(): void {
  if (client) return
  const next = new pg.Client({
    connectionString: databaseUrl(),
    connectionTimeoutMillis: CONNECTION_TIMEOUT_MS,
    keepAlive: true,
  })
  client = next
  next.on('notification', ({ payload }) => {
    if (payload !== undefined) tell(payload)
  })
  next.on('error', (error) => {
    log.warn({ err: error }, 'the connection that hears of changes broke')
  })
  next.on('end', reconnect)
  next
    .connect()
    .then(async () => {
      await next.query(`listen ${CHANNEL}`)
      // Until now nobody heard what was announced.
      tell(EVERYTHING)
    })
    .catch(() => {
      // Ended before it began; "end" is not told then.
      void next.end().catch(() => undefined)
      if (client === next) reconnect()
    })
}

/** Hears of changes until the function that comes back is called. */
export function onChange(listener: Listener): () => void {
  listeners.add(listener)
  listen()
  return () => {
    listeners.delete(listener)
  }
}

/** Stops listening for good, when the server ends. */
export async function stopListening(): Promise<void> {
  isEnding = true
  listeners.clear()
  await client?.end().catch(() => undefined)
}
