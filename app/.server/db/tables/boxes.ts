import { sql } from 'drizzle-orm'
import { boolean, index, integer, jsonb, pgTable, text, timestamp, uuid } from 'drizzle-orm/pg-core'

/** One gearbox. The document is a box file without its heading; see docs/format.md. */
export const boxes = pgTable(
  'boxes',
  {
    id: uuid().primaryKey(),
    name: text().notNull(),
    isDemo: boolean('is_demo').notNull().default(false),
    document: jsonb().notNull(),
    /** Counts the edits that took effect. */
    revision: integer().notNull().default(1),
    /** Counts what was entered in its jobs. */
    jobsRevision: integer('jobs_revision').notNull().default(0),
    /** When somebody confirmed the cautions for this box. */
    cautionsReadAt: timestamp('cautions_read_at', { withTimezone: true }),
    createdAt: timestamp('created_at', { withTimezone: true }).notNull().defaultNow(),
    updatedAt: timestamp('updated_at', { withTimezone: true }).notNull().defaultNow(),
    /** Set while the box is deleted and can still be brought back. */
    deletedAt: timestamp('deleted_at', { withTimezone: true }),
  },
  (table) => [
    index('boxes_on_the_bench')
      .on(table.updatedAt.desc().nullsFirst(), table.id.desc().nullsFirst())
      .where(sql`${table.deletedAt} is null`),
    index('boxes_kept_for_parts')
      .on(table.id)
      .where(sql`${table.document} ->> 'isSpare' = 'true'`),
    // Any part of a name is found by its groups of three letters.
    index('boxes_by_name').using('gin', table.name.op('gin_trgm_ops')),
  ],
)
