import { ENTRY_STEPS, sentEntrySchema } from './jobEntry.ts'
import { ENTRY_VERSION, broughtUp, newestOf } from './versions.ts'

const STEPS = new Map([
  [1, (text: string) => `${text} two`],
  [2, (text: string) => `${text} three`],
])

test.each([
  [1, 'one two three'],
  [2, 'one three'],
  [3, 'one'],
  [4, null],
  [0, null],
  [1.5, null],
  [Number.NaN, null],
])('content of version %d goes through every step from there on', (version, expected) => {
  expect(broughtUp(STEPS, version, 'one')).toBe(expected)
})

test('without a step there is one version', () => {
  expect(newestOf({ size: 0 })).toBe(1)
  expect(broughtUp(new Map(), 1, 'one')).toBe('one')
})

test('what pages send is of the version that the last step of entries leads to', () => {
  expect(newestOf(ENTRY_STEPS)).toBe(ENTRY_VERSION)
})

const ID = '01a21e0f-068f-7027-befa-f330d2a1bb13'
const sent = {
  jobId: ID,
  entry: {
    id: ID,
    at: '2026-01-05T08:00:00.000Z',
    by: 'AB',
    body: { kind: 'note', text: 'brass' },
  },
}

test('an entry from before entries had a version is read, and one of a newer page is refused in words', () => {
  expect(sentEntrySchema.parse(sent).entry).toEqual(sent.entry)
  expect(sentEntrySchema.parse({ ...sent, version: 1 }).entry).toEqual(sent.entry)
  const newer = sentEntrySchema.safeParse({ ...sent, version: ENTRY_VERSION + 1 })
  expect(newer.error?.issues.map(({ path, message }) => [path, message])).toEqual([
    [
      ['version'],
      'This page is of another version of Udrix than the server. Load it again, then enter this once more.',
    ],
  ])
})
