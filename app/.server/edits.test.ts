import { editSchema, sentEditSchema } from './edits.ts'

const count = { kind: 'count', gear: 'main-1', reading: 'first', toothCount: 31, base: null }

test('an edit as the browser sends it is read as it is', () => {
  for (const edit of [
    count,
    { ...count, toothCount: null, base: 31 },
    { kind: 'settle', gear: 'main-1', toothCount: 31, base: { first: 31, second: 32 } },
    { kind: 'rename', name: 'new', base: 'old' },
    { kind: 'final-drive', finalDrive: null, base: { drivingToothCount: 9, drivenToothCount: 40 } },
  ])
    expect(editSchema.parse(edit)).toEqual(edit)
})

test('an edit says whose it is; one from before anybody asked is nobody’s', () => {
  const { by } = sentEditSchema.parse({ edit: count, origin: { by: ' AB ' } }).origin
  expect(by).toBe('AB')
  expect(sentEditSchema.parse({ edit: count }).origin).toEqual({ by: '' })
  expect(sentEditSchema.parse(count)).toEqual({ edit: count, origin: { by: '' } })
  expect(sentEditSchema.safeParse({ edit: count, origin: { by: 'ABCDE' } }).success).toBe(false)
})

test.each([
  ['a kind that there is not', { ...count, kind: 'paint' }],
  ['a count as text', { ...count, toothCount: '31' }],
  ['half a tooth', { ...count, toothCount: 30.5 }],
  ['four teeth', { ...count, toothCount: 4 }],
  ['401 teeth', { ...count, toothCount: 401 }],
  ['a third reading', { ...count, reading: 'third' }],
  ['a field too many', { ...count, colour: 'red' }],
  ['no base', { kind: 'count', gear: 'main-1', reading: 'first', toothCount: 31 }],
  ['an empty name', { kind: 'rename', name: '  ', base: 'old' }],
  ['a name of 121 characters', { kind: 'rename', name: 'x'.repeat(121), base: 'old' }],
  ['nothing', undefined],
])('%s is refused', (_name, edit) => {
  expect(editSchema.safeParse(edit).success).toBe(false)
})

describe('changes of parts', () => {
  const gear = {
    id: 'g',
    label: 'gear',
    member: 'm',
    mount: 'free',
    toothCount: null,
    stationMm: 10,
  }
  const part = { kind: 'part', list: 'gears', id: 'g', before: null, after: gear, at: 0 }
  const change = (...changes: readonly unknown[]) => ({ kind: 'change', changes })

  test('are read as they are', () => {
    for (const edit of [
      change(part),
      change({ ...part, before: gear, after: null }),
      change({ kind: 'field', field: 'outputs', before: ['a'], after: ['a', 'b'] }),
      change({ kind: 'field', field: 'notes', before: 'x', after: null }),
      change({
        kind: 'part',
        list: 'leftWarnings',
        id: `tooth-sum-differs ${'p'.repeat(60)} 63 60`,
        before: null,
        after: {
          id: `tooth-sum-differs ${'p'.repeat(60)} 63 60`,
          by: 'AB',
          at: '2026-01-31T12:00:00.000Z',
        },
        at: 0,
      }),
      change({ kind: 'order', list: 'axes', before: ['a', 'b'], after: ['b', 'a'] }),
    ])
      expect(editSchema.parse(edit)).toEqual(edit)
  })

  test.each([
    ['a part of no list', { ...part, list: 'wheels' }],
    ['a part of another shape', { ...part, after: { ...gear, mount: 'glued' } }],
    ['a part with a field too many', { ...part, after: { ...gear, colour: 'red' } }],
    ['a part that takes another id', { ...part, after: { ...gear, id: 'h' } }],
    ['a part without an id', { ...part, after: { ...gear, id: '' } }],
    ['a tooth count of four', { ...part, after: { ...gear, toothCount: 4 } }],
    ['a field that there is not', { kind: 'field', field: 'colour', before: null, after: 'red' }],
    ['no outputs at all', { kind: 'field', field: 'outputs', before: ['a'], after: [] }],
    ['an empty name', { kind: 'field', field: 'name', before: 'a', after: ' ' }],
    ['an order of numbers', { kind: 'order', list: 'axes', before: [1], after: [2] }],
    ['a kind that there is not', { kind: 'paint' }],
  ])('%s is refused', (_name, bad) => {
    expect(editSchema.safeParse(change(bad)).success).toBe(false)
  })

  test('thousands at once come from no page of ours', () => {
    expect(editSchema.safeParse(change(...new Array<unknown>(2_001).fill(part))).success).toBe(
      false,
    )
  })
})
