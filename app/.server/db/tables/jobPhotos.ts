import { customType, index, integer, pgTable, text, uuid } from 'drizzle-orm/pg-core'

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
  },
  (table) => [index('photos_of_a_job').on(table.jobId)],
)
