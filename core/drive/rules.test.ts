import type { CourseRow } from './course.ts'
import { courseReader } from './course.ts'
import { USUAL_RULES, guessedGear, wantedGear } from './rules.ts'

const at = (timeS: number, pedal: number, ask = ''): CourseRow => ({
  timeS,
  pedal,
  brake: 0,
  grade: 0,
  ask,
})

test('between two rows of a course the pedal goes evenly, and what is asked for holds until the next', () => {
  const read = courseReader([at(0, 0), at(2, 0.5, '3'), at(4, 0.5)])
  expect(read(1).pedal).toBeCloseTo(0.25, 12)
  expect([read(1.9).ask, read(2).ask, read(3.9).ask, read(9).ask]).toEqual(['', '3', '3', ''])
  // Asked for an earlier time, it looks from the beginning.
  expect(read(0.5).pedal).toBeCloseTo(0.125, 12)
})

test('a course of no rows asks for nothing', () => {
  expect(courseReader([])(3)).toEqual({ pedal: 0, brake: 0, grade: 0, ask: '' })
})

const input = { pedal: 0, brake: 0, at: 2, count: 5, lowerStep: 1.4 }

test('the pedal moves the speeds at which gears change', () => {
  const wanted = (rpm: number, pedal: number) => wantedGear(USUAL_RULES, { ...input, rpm, pedal })
  expect([wanted(2_100, 0), wanted(2_100, 1), wanted(5_600, 1)]).toEqual([3, 1, 3])
  expect([wanted(1_100, 0), wanted(1_500, 0)]).toEqual([1, 2])
  // Half way down, half way between: 3,750 up and 1,875 down.
  expect([wanted(3_700, 0.5), wanted(3_800, 0.5), wanted(1_850, 0.5)]).toEqual([2, 3, 1])
})

test('nobody changes up while braking, past the last gear or below the first', () => {
  expect(wantedGear(USUAL_RULES, { ...input, rpm: 6_000, brake: 0.5 })).toBe(2)
  expect(wantedGear(USUAL_RULES, { ...input, rpm: 6_000, at: 4 })).toBe(4)
  expect(wantedGear(USUAL_RULES, { ...input, rpm: 500, at: 0 })).toBe(0)
})

test('where gears lie far apart none is taken that would be left again at once', () => {
  // 2,300 rev/min with the pedal down would be 5,750 in a gear 2.5 times as low: over the 5,500 to go up.
  expect(wantedGear(USUAL_RULES, { ...input, rpm: 2_300, pedal: 1, lowerStep: 2.5 })).toBe(2)
  expect(wantedGear(USUAL_RULES, { ...input, rpm: 2_100, pedal: 1, lowerStep: 2.5 })).toBe(1)
})

test('the lower gear is made ready for a brake or a floored pedal, else the nearer one', () => {
  const guess = (change: Partial<Parameters<typeof guessedGear>[1]>) =>
    guessedGear(USUAL_RULES, { ...input, rpm: 1_900, ...change })
  expect(guess({})).toBe(3)
  expect(guess({ brake: 0.3 })).toBe(1)
  expect(guess({ rpm: 3_000, pedal: 0.9 })).toBe(1)
  expect(guess({ rpm: 1_300 })).toBe(1)
  expect([guess({ at: 0 }), guess({ at: 4 })]).toEqual([1, 3])
})
