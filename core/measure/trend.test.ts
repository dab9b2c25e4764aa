import fc from 'fast-check'
import jstat from 'jstat'
import { linearRegression } from 'simple-statistics'

import { studentT90, trendOf } from './trend.ts'

const { jStat } = jstat

const points = (pairs: readonly (readonly [number, number])[]) =>
  pairs.map(([distanceKm, figure]) => ({ distanceKm, figure }))

test('the quantiles are those of a statistics package', () => {
  for (const freedoms of [...Array(60).keys(), 99, 999])
    expect(studentT90(freedoms + 1)).toBeCloseTo(jStat.studentt.inv(0.95, freedoms + 1), 3)
})

/** Whole thousands of kilometres: the package subtracts large sums, which closer figures would swamp. */
const wear = fc
  .array(fc.tuple(fc.integer({ min: 0, max: 300 }), fc.integer({ min: 60, max: 130 })), {
    minLength: 3,
    maxLength: 8,
  })
  .map((pairs) =>
    pairs.map(([thousandKm, hundredths]) => [thousandKm * 1000, hundredths / 100] as const),
  )
  .filter((pairs) => new Set(pairs.map(([km]) => km)).size > 2)

test('slope and start are those of a statistics package', () => {
  fc.assert(
    fc.property(wear, (pairs) => {
      const trend = trendOf(points(pairs), 0.762)
      const { m, b } = linearRegression(pairs.map(([x, y]) => [x, y]))
      expect(trend?.slopePerKm).toBeCloseTo(m, 9)
      expect(trend?.atZero).toBeCloseTo(b, 6)
    }),
  )
})

test('at the ends of the range the limit lies on the edge of the confidence band', () => {
  let checked = 0
  fc.assert(
    fc.property(wear, (pairs) => {
      const trend = trendOf(points(pairs), 0.5)
      if (typeof trend?.earliestKm !== 'number' || trend.latestKm === null) return
      checked++
      const n = pairs.length
      const { m, b } = linearRegression(pairs.map(([x, y]) => [x, y]))
      const mean = pairs.reduce((sum, [x]) => sum + x, 0) / n
      const sxx = pairs.reduce((sum, [x]) => sum + (x - mean) ** 2, 0)
      const s = Math.sqrt(pairs.reduce((sum, [x, y]) => sum + (y - b - m * x) ** 2, 0) / (n - 2))
      for (const x of [trend.earliestKm, trend.latestKm]) {
        const half = jStat.studentt.inv(0.95, n - 2) * s * Math.sqrt(1 / n + (x - mean) ** 2 / sxx)
        // The quantiles of the table have three decimals.
        expect(Math.abs(Math.abs(b + m * x - 0.5) - half)).toBeLessThan(half * 0.002 + 1e-9)
      }
    }),
    { numRuns: 400, seed: 20261125 },
  )
  expect(checked).toBeGreaterThan(5)
})

describe('trendOf', () => {
  it('meets the limit where a straight line does', () => {
    // 1.0 mm at 0, 0.9 mm at 50,000 km: 0.762 mm at 119,000 km, by hand.
    const trend = trendOf(
      points([
        [0, 1],
        [50_000, 0.9],
      ]),
      0.762,
    )
    expect(trend?.limitKm).toBeCloseTo(119_000, 6)
    // Two points settle a line and say nothing of how sure it is.
    expect(trend?.earliestKm).toBeNull()
  })

  it('is undefined of one distance', () => {
    expect(
      trendOf(
        points([
          [80_000, 1],
          [80_000, 0.9],
        ]),
        0.762,
      ),
    ).toBeUndefined()
    expect(trendOf([], 0.762)).toBeUndefined()
  })

  it('meets nothing where the gap grows, as it does after a new ring', () => {
    expect(
      trendOf(
        points([
          [0, 0.8],
          [50_000, 1.1],
        ]),
        0.762,
      )?.limitKm,
    ).toBeNull()
  })
})
