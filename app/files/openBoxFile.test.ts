/** Box files as they come from outside: read, checked, and told in words what is wrong. */
import { buildPattern } from 'core'

import { formatBoxFile } from './boxFile.ts'
import { openBoxFile } from './openBoxFile.ts'

const draft = buildPattern('three-shaft', 'unit', { forward: '4', overdrives: 'none' })

test('a box that goes out comes back the same', () => {
  const opened = openBoxFile(formatBoxFile(draft))
  expect(opened).toMatchObject({ ok: true, draft: { name: 'unit' } })
})

test('what is no file of a box says so', () => {
  for (const text of ['', 'no json', '[]', '{}', '{"format":"another"}'])
    expect(openBoxFile(text).ok).toBe(false)
})

test('a box that does not hang together is told where, in words and by a code', () => {
  const opened = openBoxFile(formatBoxFile({ ...draft, input: 'nowhere' }))
  if (opened.ok) throw new Error('it was taken')
  expect(opened.issues).toHaveLength(1)
  expect(opened.issues[0]).toMatchObject({ path: ['input'], code: 'unknown-id' })
  expect(opened.issues[0]?.message).toContain('nowhere')
})

test('an id that stands twice is told at the second place', () => {
  const [first, second, ...rest] = draft.gears
  if (!first || !second) throw new Error('too few gears')
  const twice = { ...draft, gears: [first, { ...second, id: first.id }, ...rest] }
  const opened = openBoxFile(formatBoxFile(twice))
  const paths = opened.ok ? [] : opened.issues.map(({ path }) => path.join('/'))
  expect(paths).toContain('gears/1/id')
})
