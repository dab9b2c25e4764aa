import { boolean, customType, index, integer, pgTable, text, uuid } from 'drizzle-orm/pg-core'

import { jobs } from './jobs.ts'

const bytea = customType<{ data: Buffer }>({ dataType: () => 'bytea' })

/** The pictures of a job; what they show is told by entries that name them. */
export const jobPhotos = pgTable(
  'job_photos',
  {
    id: uuid().primaryKey(),
    jobId: uuid('job_id')
      .notNull()
      .references(() => jobs.id, { onDelete: 'cascade' }),
    contentType: text('content_type').notNull(),
    width: integer().notNull(),
    height: integer().notNull(),
    bytes: bytea().notNull(),
    /** Taken back: kept for the log, and not counted. */
    isWithdrawn: boolean('is_withdrawn').notNull().default(false),
  },
  (table) => [index('photos_of_a_job').on(table.jobId)],
)
