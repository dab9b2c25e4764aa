/** A database with its tables up to date and nothing on the bench before each test of a file. */
import path from 'node:path'

import pg from 'pg'

import { databaseUrl, migrateDatabase, pool } from '../db/client.ts'

/**
 * Nothing on the bench and in the shop. On a connection of its own, without the limits of time
 * that the services have: how long the machine takes for it is no test's business.
 */
export async function emptyTables(): Promise<void> {
  const client = new pg.Client({ connectionString: databaseUrl() })
  await client.connect()
  try {
    await client.query('truncate boxes, box_revisions, shop, seeds restart identity cascade')
  } finally {
    await client.end()
  }
}

/** Called once at the head of a file of tests that ask the database. */
export function onEmptyBench(): void {
  beforeAll(async () => {
    await migrateDatabase(path.resolve('app/.server/db/migrations'))
  })
  beforeEach(emptyTables)
  afterAll(async () => {
    await pool.end()
  })
}
