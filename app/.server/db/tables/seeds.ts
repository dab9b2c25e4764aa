import { pgTable, text, timestamp } from 'drizzle-orm/pg-core'

/** Which sets of shipped data have been put in, so that deleted ones stay deleted. */
export const seeds = pgTable('seeds', {
  name: text().primaryKey(),
  at: timestamp({ withTimezone: true }).notNull().defaultNow(),
})
