import { jsonb, pgTable, text } from 'drizzle-orm/pg-core'

/** What the shop has: one row, named "shelf". */
export const shop = pgTable('shop', {
  name: text().primaryKey(),
  document: jsonb().notNull(),
})
