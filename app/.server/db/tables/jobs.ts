import { index, integer, pgTable, timestamp, unique, uuid } from 'drizzle-orm/pg-core'

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
  },
  (table) => [
    index('jobs_of_a_box').on(table.boxId, table.number),
    unique('one_job_of_a_number').on(table.boxId, table.number),
  ],
)
