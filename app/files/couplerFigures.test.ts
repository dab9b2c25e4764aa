import { DOG_FIELDS, RING_FIELDS, dogsFault } from './couplerFigures.ts'

test('dogs and the angles between them go round once', () => {
  // Six dogs stand 60° apart, whatever their width.
  expect(dogsFault({ count: 6, freeAngleDeg: 59.9 })).toBeNull()
  expect(dogsFault({ count: 6, freeAngleDeg: 60 })).toBe(
    '6 dogs come round every 60°: the angle free between them is less than that.',
  )
  expect(dogsFault({ count: 7, freeAngleDeg: 80 })).toMatch(/every 51\.43°/)
})

test('nothing is said of dogs of which one figure is missing', () => {
  expect(dogsFault({ count: 6 })).toBeNull()
  expect(dogsFault({ freeAngleDeg: 350 })).toBeNull()
})

test('every figure has a title of its own and a range', () => {
  for (const fields of [RING_FIELDS, DOG_FIELDS]) {
    expect(new Set(fields.map(({ title }) => title)).size).toBe(fields.length)
    for (const { least, most } of fields) expect(least).toBeLessThan(most)
  }
})
