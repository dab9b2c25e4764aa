import { readPath } from '../box/partPath.ts'
import { threeShaftBox } from '../box/patterns/threeShaft.ts'
import { unitParts } from './unitParts.ts'

test('a reference is taken apart into what it is of', () => {
  expect(readPath('ring:3-4/towards-output')).toEqual({
    kind: 'ring',
    id: '3-4',
    place: 'towards-output',
  })
  expect(readPath('gear:a:b/c')).toEqual({ kind: 'gear', id: 'a:b/c' })
  expect(readPath('bearings:counter')).toEqual({ kind: 'bearings', id: 'counter' })
})

test('the reference of every part of a unit says what the part says', () => {
  const box = { name: 'four', forwardCount: 4, directAt: 4, reverse: 'constant-mesh' } as const
  for (const { ref, kind, id, place } of unitParts(threeShaftBox(box)))
    expect(readPath(ref)).toEqual(place === undefined ? { kind, id } : { kind, id, place })
})
