import { fourSpeed } from '../../../core/testing/boxes.ts'
import { withPart } from './withPart.ts'

const draft = fourSpeed('constant-mesh')

test('one part of a list is put in the place of the one with its id', () => {
  const gear = draft.gears.find(({ id }) => id === 'main-2')
  if (!gear) throw new Error('the four-speed has a second gear')
  const after = withPart(draft, 'gears', { ...gear, toothCount: 36 })
  expect(after.gears.map(({ id }) => id)).toEqual(draft.gears.map(({ id }) => id))
  expect(after.gears.filter((each) => !draft.gears.includes(each))).toEqual([
    { ...gear, toothCount: 36 },
  ])
  // The draft that was given is as it was, and so is everything else of it.
  expect(gear.toothCount).toBe(35)
  expect({ ...after, gears: draft.gears }).toEqual(draft)
})

test('a part that is not in the list changes nothing', () => {
  const stranger = { id: 'stranger', label: '9', couplers: {} }
  expect(withPart(draft, 'positions', stranger).positions).toEqual(draft.positions)
})
