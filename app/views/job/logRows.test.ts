import type { Entry, EntryBody, Seen } from 'core'

import { logRows } from './logRows.ts'

let count = 0
function entry(body: EntryBody, by = 'AB'): Entry {
  count++
  return { id: `e${count}`, at: `2026-01-01T10:00:${`${count}`.padStart(2, '0')}.000Z`, by, body }
}
const tick = (part: string, seen: Seen | null, turned = 'input', by = 'AB'): Entry =>
  entry({ kind: 'spin', places: [], held: ['main'], turned, ticks: [{ part, seen }] }, by)
const told = (entries: readonly Entry[]) =>
  logRows(entries).map(({ entry: { body }, ids }) => [
    ids.length,
    body.kind === 'spin'
      ? body.ticks.map(({ part, seen }) => `${part} ${seen ?? 'out'}`)
      : body.kind,
  ])

test('ticks in a row are one row, in which the last of a part stands', () => {
  expect(
    told([
      tick('counter', 'moved'),
      tick('main-1', 'stood'),
      tick('counter', 'stood'),
      tick('main-1', null),
    ]),
  ).toEqual([[4, ['counter stood', 'main-1 out']]])
})

test('another test, another person, and anything between begin a row of their own', () => {
  const note = entry({ kind: 'note', text: 'a drip at the rear' })
  expect(
    told([
      tick('counter', 'moved'),
      tick('counter', 'moved', 'main'),
      tick('main-1', 'moved', 'main', 'CD'),
      note,
      tick('main-2', 'moved', 'main', 'CD'),
    ]),
  ).toEqual([
    [1, ['counter moved']],
    [1, ['counter moved']],
    [1, ['main-1 moved']],
    [1, 'note'],
    [1, ['main-2 moved']],
  ])
})

test('a row stands for all of its entries, at the time of the last', () => {
  const entries = [tick('a', 'moved'), tick('b', 'moved')]
  expect(logRows(entries)).toMatchObject([
    { ids: entries.map(({ id }) => id), entry: { at: entries[1]?.at } },
  ])
})
