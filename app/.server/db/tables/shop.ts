import { jsonb, pgTable, text } from 'drizzle-orm/pg-core'

/** What the shop has and goes by: a row named "shelf", and one for each rule. */
export const shop = pgTable('shop', {
  name: text().primaryKey(),
  document: jsonb().notNull(),
})
