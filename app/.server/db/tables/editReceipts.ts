import { jsonb, pgTable, text, timestamp, uuid } from 'drizzle-orm/pg-core'

import { boxes } from './boxes.ts'

/** Every edit that was answered, by the id that its page gave it: sent again, it does nothing. */
export const editReceipts = pgTable('edit_receipts', {
  id: uuid().primaryKey(),
  boxId: uuid('box_id')
    .notNull()
    .references(() => boxes.id, { onDelete: 'cascade' }),
  /** Of what was sent, to tell it from something else under its id; null of edits from before. */
  digest: text(),
  /** What its author was told of somebody else's change; null where there was none. */
  conflict: jsonb(),
  at: timestamp({ withTimezone: true }).notNull().defaultNow(),
})
