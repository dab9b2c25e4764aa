import { bigserial, index, jsonb, pgTable, text, timestamp, uuid } from 'drizzle-orm/pg-core'

import { jobs } from './jobs.ts'

/** Everything entered in a job. Rows are added and never changed. */
export const jobEntries = pgTable(
  'job_entries',
  {
    seq: bigserial({ mode: 'number' }).primaryKey(),
    /** Made where it was entered, so that an entry sent twice is kept once. */
    id: uuid().notNull().unique(),
    jobId: uuid('job_id')
      .notNull()
      .references(() => jobs.id, { onDelete: 'cascade' }),
    /** When it was entered, by the server's clock: what a job is follows from this order. */
    at: timestamp({ withTimezone: true, precision: 3 }).notNull(),
    /** What the clock of the device said, where that was another time. */
    deviceAt: timestamp('device_at', { withTimezone: true, precision: 3 }),
    receivedAt: timestamp('received_at', { withTimezone: true, precision: 3 })
      .notNull()
      .defaultNow(),
    by: text().notNull(),
    body: jsonb().notNull(),
  },
  (table) => [index('entries_of_a_job').on(table.jobId, table.seq)],
)
