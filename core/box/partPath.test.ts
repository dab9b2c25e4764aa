import fc from 'fast-check'

import { pathTo, pathToRing, readPath } from './partPath.ts'

test('a path is read as it was written, whatever the ids are', () => {
  const id = fc.string({ minLength: 1, maxLength: 60 })
  fc.assert(
    fc.property(fc.constantFrom('shaft', 'gear', 'piece', 'sleeve'), id, (kind, of) => {
      expect(readPath(pathTo(kind, of))).toEqual({ kind, id: of })
    }),
  )
  // An id of a coupler with a stroke in it would be read as far as that.
  const coupler = id.filter((each) => !each.includes('/'))
  fc.assert(
    fc.property(coupler, id, (of, place) => {
      expect(readPath(pathToRing(of, place))).toEqual({ kind: 'ring', id: of, place })
    }),
  )
})

test('what is ordered for a part is read by the same rule', () => {
  expect(readPath('bearings:counter')).toEqual({ kind: 'bearings', id: 'counter' })
  expect(readPath('shims:a/b')).toEqual({ kind: 'shims', id: 'a/b' })
})
