import { endPlayOf, shimRange } from './stackUp.ts'

test('three blocks in a slot, as textbooks of dimensioning work it (from memory)', () => {
  // Slot 60.00 ± 0.06; blocks 20.00 ± 0.02, 25.00 ± 0.03, 14.90 ± 0.02.
  const play = endPlayOf({ mm: 60, plusMinusMm: 0.06 }, [
    { mm: 20, plusMinusMm: 0.02 },
    { mm: 25, plusMinusMm: 0.03 },
    { mm: 14.9, plusMinusMm: 0.02 },
  ])
  expect(play.mm).toBeCloseTo(0.1, 12)
  // 0.06 + 0.02 + 0.03 + 0.02; √(0.0036 + 0.0004 + 0.0009 + 0.0004) = √0.0053.
  expect(play.worstMm).toBeCloseTo(0.13, 12)
  expect(play.rootMm).toBeCloseTo(0.0728, 5)
})

test('the root of squares of n alike is √n of one, the worst case n of it', () => {
  const stack = Array.from({ length: 15 }, () => ({ mm: 4, plusMinusMm: 0.01 }))
  const play = endPlayOf({ mm: 60, plusMinusMm: 0.01 }, stack)
  expect(play.rootMm).toBeCloseTo(0.04, 12)
  expect(play.worstMm).toBeCloseTo(0.16, 12)
})

test('a shim takes from the end play what it is thick', () => {
  const both = shimRange({ mm: 0.4 }, 0.05, 0.15)
  expect(both?.leastMm).toBeCloseTo(0.25, 12)
  expect(both?.mostMm).toBeCloseTo(0.35, 12)
  const thin = shimRange({ mm: 0.1 }, 0.05, 0.15)
  expect(thin?.leastMm).toBe(0)
  expect(thin?.mostMm).toBeCloseTo(0.05, 12)
  // Less play than the least: no shim makes it more.
  expect(shimRange({ mm: 0.01 }, 0.05, 0.15)).toBeNull()
})
