import { contactOf, dogDepthMm } from './contact.ts'

const RING = { hasRing: true, gapMm: 1, travelMm: 9, depthMm: 4 }
const DOGS = { ...RING, hasRing: false }

test('a ring brakes, its teeth wait, then the teeth of the gear, then it is in (common practice)', () => {
  const along = [0, 0.2, 0.5, 0.8, 1].map((part) => contactOf({ ...RING, part }))
  expect(along).toEqual(['free', 'braking', 'blocking', 'entering', 'in'])
})

test('a ring whose gap is gone brakes nothing and grinds (common practice)', () => {
  const along = [0, 0.2, 0.5, 0.8, 1].map((part) => contactOf({ ...RING, gapMm: 0, part }))
  expect(along).toEqual(['free', 'unbraked', 'unbraked', 'grinding', 'in'])
})

test('a ring that nobody measured is taken to brake', () => {
  expect(contactOf({ ...RING, gapMm: null, part: 0.5 })).toBe('blocking')
})

test('dogs meet over the last of the way, as deep as they are', () => {
  // 9 mm of way, 4 mm deep: they touch after 5 mm.
  expect(dogDepthMm({ ...DOGS, part: 5 / 9 })).toBeCloseTo(0, 12)
  expect(dogDepthMm({ ...DOGS, part: 1 })).toBeCloseTo(4, 12)
  const along = [0.5, 6 / 9, 7.5 / 9, 1].map((part) => contactOf({ ...DOGS, part }))
  expect(along).toEqual(['free', 'shallow', 'in', 'in'])
})
