import { sql } from 'drizzle-orm'

import { db, pool } from './db/client.ts'
import { plainError } from './log.ts'

afterAll(() => pool.end())

test('a failed query is told by its code and place, without what people wrote', async () => {
  const words = 'the customer owes us'
  const error: unknown = await db
    .execute(sql`select ${words}::int`)
    .then(() => undefined)
    .catch((failure: unknown) => failure)
  const told = plainError(error)
  expect(JSON.stringify(told)).not.toContain(words)
  // 22P02 is invalid_text_representation: PostgreSQL's documentation, appendix A.
  expect(told).toMatchObject({
    message: 'a query failed',
    cause: { code: '22P02', message: 'a query failed' },
  })
})

test('an error of our own keeps its message', () => {
  expect(plainError(new Error('box 7 vanished'))).toMatchObject({ message: 'box 7 vanished' })
})
