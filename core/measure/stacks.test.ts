import fc from 'fast-check'

import type { SizedPiece } from './stacks.ts'
import { STACK_UNITS_PER_MM, allStacks, nearestStacks, planShims, stacksRound } from './stacks.ts'

/** Of `thou` thousandths of an inch, in tenths of a micrometre: 254 each. */
const thou = (count: number): number => count * 254
const leaves = (...counts: number[]): SizedPiece[] =>
  counts.map((count) => ({ thickness: thou(count), quantity: 1 }))

/** Every way to take pieces, one after another, by counting in binary. */
function enumerate(pieces: readonly SizedPiece[], most: number): readonly number[] {
  const single = pieces.flatMap(({ thickness, quantity }) =>
    Array.from({ length: quantity }, () => thickness),
  )
  const totals: number[] = []
  for (let mask = 1; mask < 2 ** single.length; mask++) {
    const taken = single.filter((_, at) => (mask >> at) & 1)
    if (taken.length <= most) totals.push(taken.reduce((sum, each) => sum + each, 0))
  }
  return totals
}

const pieces = fc.array(
  fc.record({
    thickness: fc.integer({ min: 100, max: 9_000 }),
    quantity: fc.integer({ min: 1, max: 2 }),
  }),
  { minLength: 1, maxLength: 5 },
)

test('leaves of 15 and 16 thousandths make 31 (common practice)', () => {
  const [best] = nearestStacks(leaves(8, 12, 15, 16, 20), thou(31), 3, 1)
  expect(best).toEqual({ thicknesses: [thou(16), thou(15)], total: thou(31) })
})

test('leaves of one thickness in two sets go together', () => {
  expect(nearestStacks(leaves(15, 15), thou(30), 3, 1)[0]?.total).toBe(thou(30))
})

test('one leaf is taken before two of the same thickness together', () => {
  expect(nearestStacks(leaves(10, 20, 30), thou(30), 3, 1)[0]?.thicknesses).toEqual([thou(30)])
})

test('the nearest is as near as any of all there are', () => {
  fc.assert(
    fc.property(pieces, fc.integer({ min: 100, max: 20_000 }), (set, target) => {
      const [best] = nearestStacks(set, target, 3, 1)
      const least = Math.min(...enumerate(set, 3).map((total) => Math.abs(total - target)))
      expect(Math.abs((best?.total ?? Infinity) - target)).toBe(least)
      const fewest = allStacks(set, 3)
        .filter(({ total }) => Math.abs(total - target) === least)
        .map(({ thicknesses }) => thicknesses.length)
      expect(best?.thicknesses.length).toBe(Math.min(...fewest))
    }),
  )
})

test('all stacks are all there are', () => {
  fc.assert(
    fc.property(pieces, (set) => {
      const totals = new Set(allStacks(set, 3).map(({ total }) => total))
      expect(totals).toEqual(new Set(enumerate(set, 3)))
    }),
  )
})

test('the stacks round a limit have nothing between them and it', () => {
  fc.assert(
    fc.property(pieces, fc.integer({ min: 100, max: 20_000 }), (set, limit) => {
      const { go, next } = stacksRound(set, limit, 3)
      const all = enumerate(set, 3)
      expect(go?.total ?? -Infinity).toBe(
        Math.max(-Infinity, ...all.filter((each) => each <= limit)),
      )
      expect(next?.total ?? Infinity).toBe(
        Math.min(Infinity, ...all.filter((each) => each > limit)),
      )
    }),
  )
})

describe('planShims', () => {
  const mm = (value: number): number => Math.round(value * STACK_UNITS_PER_MM)
  const shelf = [0.1, 0.15, 0.2, 0.5].map((each) => ({ thickness: mm(each), quantity: 2 }))

  it('takes from the end play what the shims are thick', () => {
    // 0.62 mm without a shim, wanted 0.05 to 0.15: 0.52 would land in the middle, by hand.
    const plan = planShims(
      shelf,
      { measured: mm(0.62), fitted: 0, least: mm(0.05), most: mm(0.15) },
      3,
      3,
    )
    expect(plan.ideal).toBe(mm(0.52))
    expect(plan.choices[0]).toEqual({
      stack: { thicknesses: [mm(0.5)], total: mm(0.5) },
      expected: mm(0.12),
      isWithin: true,
    })
  })

  it('says what to buy where the shelf has nothing that lands within', () => {
    const plan = planShims(
      [{ thickness: mm(0.1), quantity: 1 }],
      { measured: mm(0.5), fitted: mm(0.2), least: mm(0), most: mm(0.05) },
      3,
      3,
    )
    expect(plan.choices.some(({ isWithin }) => isWithin)).toBe(false)
    // 0.7 in all, less 0 to 0.05, by hand.
    expect(plan.buy).toEqual({ least: mm(0.65), most: mm(0.7) })
  })

  it('preload is an end play below nothing', () => {
    const plan = planShims(
      shelf,
      { measured: mm(0.12), fitted: 0, least: mm(-0.1), most: mm(-0.06) },
      3,
      1,
    )
    expect(plan.choices[0]).toMatchObject({ expected: mm(-0.08), isWithin: true })
  })
})
