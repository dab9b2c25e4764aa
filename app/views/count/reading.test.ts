/** Two counts of each gear, and the way from one gear to the next. */
import type { BoxDraft, Gear } from 'core'
import { applyEdit, buildPattern, countedGears } from 'core'

import { editOfCount, isOpenFor, nextGear, readingOf } from './reading.ts'

const draft = buildPattern('three-shaft', 'unit', { forward: '4', overdrives: 'none' })
const order = countedGears(draft)

/** The box with some first and second counts, by the places of the gears in the order. */
function counted(
  counts: readonly (readonly [at: number, first: number | null, second: number | null])[],
): BoxDraft {
  return {
    ...draft,
    gears: draft.gears.map((gear) => {
      const own = counts.find(([at]) => order[at]?.id === gear.id)
      return own ? { ...gear, toothCount: own[1], recount: own[2] } : gear
    }),
  }
}

function gearOf(box: BoxDraft, at: number): Gear {
  const gear = box.gears.find(({ id }) => id === order[at]?.id)
  if (!gear) throw new Error(`no gear ${at}`)
  return gear
}

/** The place in the order of the gear that comes after one. */
function after(box: BoxDraft, at: number, reading: 'first' | 'second'): number {
  const next = nextGear(box, order, order[at]?.id ?? '', reading)
  return order.findIndex(({ id }) => id === next?.id)
}

test('a gear wants each count until it has it', () => {
  const box = counted([[0, 31, null]])
  expect([readingOf(gearOf(box, 0), 'first'), readingOf(gearOf(box, 0), 'second')]).toEqual([
    31,
    null,
  ])
  expect(isOpenFor(gearOf(box, 0), 'first')).toBe(false)
  expect(isOpenFor(gearOf(box, 0), 'second')).toBe(true)
  expect(isOpenFor(gearOf(box, 1), 'first')).toBe(true)
})

test('two counts that differ want settling in either pass', () => {
  const box = counted([[2, 31, 30]])
  expect(isOpenFor(gearOf(box, 2), 'first')).toBe(true)
  expect(isOpenFor(gearOf(box, 2), 'second')).toBe(true)
  expect(isOpenFor(gearOf(counted([[2, 31, 31]]), 2), 'second')).toBe(false)
})

test('a count is entered upon what stood there, so that another’s is not written over', () => {
  const box = counted([[0, 31, null]])
  const edit = editOfCount(gearOf(box, 0), 'first', 32)
  expect(applyEdit(box, edit)).toMatchObject({ ok: true })
  const meanwhile = counted([[0, 33, null]])
  const result = applyEdit(meanwhile, edit)
  // Either it is told as a conflict, or the other count still stands.
  if (result.ok)
    expect(result.draft.gears.find(({ id }) => id === order[0]?.id)?.toothCount).toBe(33)
})

describe('after a gear comes', () => {
  test('the next one that is open, over those that are counted', () => {
    expect(after(draft, 0, 'first')).toBe(1)
    const some = counted([
      [1, 20, null],
      [2, 21, null],
    ])
    expect(after(some, 0, 'first')).toBe(3)
    expect(after(some, 0, 'second')).toBe(1)
  })

  test('from the last one the first that is still open', () => {
    expect(after(counted([[0, 20, null]]), order.length - 1, 'first')).toBe(1)
  })

  test('simply the next where all are counted, and nothing after the last', () => {
    const all = counted(order.map((_, at) => [at, 20 + at, null]))
    expect(after(all, 1, 'first')).toBe(2)
    expect(after(all, order.length - 1, 'first')).toBe(-1)
  })
})
