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
    at: timestamp({ withTimezone: true, precision: 3 }).notNull(),
    by: text().notNull(),
    body: jsonb().notNull(),
  },
  (table) => [index('entries_of_a_job').on(table.jobId, table.seq)],
)
