/** A database with its tables up to date and nothing on the bench before each test of a file. */
import path from 'node:path'
import { sql } from 'drizzle-orm'

import { db, migrateDatabase, pool } from '../db/client.ts'

/** Called once at the head of a file of tests that ask the database. */
export function onEmptyBench(): void {
  beforeAll(async () => {
    await migrateDatabase(path.resolve('app/.server/db/migrations'))
  })
  beforeEach(async () => {
    await db.execute(sql`truncate boxes, box_revisions, seeds restart identity cascade`)
  })
  afterAll(async () => {
    await pool.end()
  })
}
