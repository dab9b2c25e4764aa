import {
  bigserial,
  boolean,
  index,
  integer,
  jsonb,
  pgTable,
  timestamp,
  uuid,
} from 'drizzle-orm/pg-core'

import { boxes } from './boxes.ts'

/**
 * Every edit of a box that arrived, in order of arrival: those that took effect,
 * with the document before them, and those that came too late to be placed.
 */
export const boxRevisions = pgTable(
  'box_revisions',
  {
    id: bigserial({ mode: 'number' }).primaryKey(),
    boxId: uuid('box_id')
      .notNull()
      .references(() => boxes.id, { onDelete: 'cascade' }),
    /** The revision that the edit found. */
    revision: integer().notNull(),
    edit: jsonb().notNull(),
    isApplied: boolean('is_applied').notNull(),
    /** Who made it, and what else is known of where it comes from. */
    origin: jsonb().notNull().default({}),
    documentBefore: jsonb('document_before').notNull(),
    at: timestamp({ withTimezone: true }).notNull().defaultNow(),
  },
  (table) => [index('box_revisions_of_a_box').on(table.boxId, table.id)],
)
