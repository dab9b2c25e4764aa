import { withBuild } from '../box/pieces/index.ts'
import type { Entry, EntryBody } from '../job/job.ts'
import { readJob } from '../job/job.ts'
import { fourSpeed } from '../testing/boxes.ts'
import { differencesOf } from './differs.ts'

const draft = withBuild(fourSpeed('sliding-idler'))

function jobOf(...bodies: readonly EntryBody[]) {
  return readJob(
    bodies.map((body, at): Entry => ({
      id: `${at}`.padStart(3, '0'),
      at: new Date(Date.UTC(2026, 0, 5, 8, 0, at)).toISOString(),
      by: '',
      body,
    })),
  )
}

const step = (part: string): EntryBody => ({ kind: 'step', part, is: 'in' })

test('an assembly does not differ from itself', () => {
  const one = { draft, job: jobOf(step('shaft:main'), step('shaft:input')) }
  expect(differencesOf(one, one)).toEqual([])
})

test('parts, sizes, shims, end play, new parts and the order are told, each with both sides', () => {
  const other = {
    ...draft,
    pieces: draft.pieces
      ?.filter(({ id }) => id !== 'seal-1')
      .map((piece) => (piece.id === 'nut-1' ? { ...piece, partNumber: 'N 2' } : piece)),
    gears: draft.gears.map((gear) => (gear.id === 'main-2' ? { ...gear, toothCount: 36 } : gear)),
  }
  const play = (text: string): EntryBody => ({
    kind: 'measurement',
    part: 'shaft:main',
    measure: 'end-play',
    readings: [text],
    unit: 'mm',
    tool: '',
    limit: null,
    phase: 'after',
  })
  const line = (key: string): EntryBody => ({
    kind: 'line',
    line: { key, what: key, quantity: 1, price: null, state: 'arrived' },
  })
  const found = differencesOf(
    {
      draft,
      job: jobOf(
        { kind: 'shims', part: 'shaft:main', thicknesses: [3_000, 1_000], expected: 1_000 },
        play('0.10'),
        line('piece:ball-bearing-1'),
        step('shaft:counter'),
        step('shaft:main'),
        step('shaft:input'),
      ),
    },
    {
      draft: other,
      job: jobOf(play('0.14'), step('shaft:main'), step('shaft:counter'), step('shaft:input')),
    },
  )
  expect(found).toEqual([
    { kind: 'only', ref: 'piece:seal-1', on: 'one' },
    { kind: 'field', ref: 'gear:main-2', field: 'toothCount', one: 35, other: 36 },
    { kind: 'field', ref: 'piece:nut-1', field: 'partNumber', one: undefined, other: 'N 2' },
    { kind: 'shims', ref: 'shaft:main', one: [1_000, 3_000], other: [] },
    { kind: 'end-play', ref: 'shaft:main', one: 0.1, other: 0.14 },
    {
      kind: 'renewed',
      key: 'piece:ball-bearing-1',
      what: 'piece:ball-bearing-1',
      on: 'one',
    },
    { kind: 'order', first: 'shaft:counter', then: 'shaft:main' },
  ])
})
