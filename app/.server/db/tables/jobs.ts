import { sql } from 'drizzle-orm'
import {
  index,
  integer,
  jsonb,
  pgTable,
  text,
  timestamp,
  unique,
  uniqueIndex,
  uuid,
} from 'drizzle-orm/pg-core'

import { boxes } from './boxes.ts'

/** One visit of a unit to the bench. What it is, is told by its entries. */
export const jobs = pgTable(
  'jobs',
  {
    id: uuid().primaryKey(),
    boxId: uuid('box_id')
      .notNull()
      .references(() => boxes.id, { onDelete: 'cascade' }),
    /** Counts the jobs of a unit, from 1. */
    number: integer().notNull(),
    openedAt: timestamp('opened_at', { withTimezone: true }).notNull().defaultNow(),
    /** Null while the job is open; its log says so too. */
    closedAt: timestamp('closed_at', { withTimezone: true }),
    /** What the bench shows of it, worked out for the box and its entries as `summaryOf` says. */
    summary: jsonb(),
    summaryOf: text('summary_of'),
  },
  (table) => [
    uniqueIndex('one_open_job_of_a_box')
      .on(table.boxId)
      .where(sql`${table.closedAt} is null`),
    index('jobs_of_a_box').on(table.boxId, table.number),
    unique('one_job_of_a_number').on(table.boxId, table.number),
  ],
)
