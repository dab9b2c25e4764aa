import { editSchema } from './edits.ts'

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
