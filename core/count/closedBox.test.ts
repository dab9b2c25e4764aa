import fc from 'fast-check'

import type { CountSearch } from './closedBox.ts'
import { poseSearch, searchCounts } from './closedBox.ts'
import { analyseBox } from '../train/analysis.ts'
import { buildPattern } from '../box/patterns/index.ts'
import { threeShaftBox } from '../box/patterns/threeShaft.ts'
import { rational } from '../number/rational.ts'
import type { TurnCheck } from './turnCheck.ts'
import type { BoxDraft } from '../box/types.ts'
import { boxOf, planetaryDraft, trainDraft } from '../testing/boxes.ts'

/** Every set of counts within the limits, one after another, each tested as it stands. */
function plainSearch({ gears, sums, products }: CountSearch): readonly string[] {
  const found: string[] = []
  const counts = new Map<string, number>()
  const of = (gear: string): number => counts.get(gear) ?? NaN
  const product = (factors: readonly (readonly string[])[]): bigint =>
    factors.reduce((all, each) => all * BigInt(each.reduce((sum, gear) => sum + of(gear), 0)), 1n)
  const visit = (at: number): void => {
    const range = gears[at]
    if (!range) {
      const fits =
        sums.every(({ a, b, least, most }) => of(a) + of(b) >= least && of(a) + of(b) <= most) &&
        products.every(({ driven, driving, least, most }) => {
          const [over, under] = [product(driven), product(driving)]
          return (
            over * BigInt(least[1]) >= under * BigInt(least[0]) &&
            over * BigInt(most[1]) <= under * BigInt(most[0])
          )
        })
      if (fits) found.push(gears.map(({ gear }) => of(gear)).join(' '))
      return
    }
    for (let count = range.least; count <= range.most; count++) {
      counts.set(range.gear, count)
      visit(at + 1)
    }
  }
  visit(0)
  return found.sort()
}

function readTurns(draft: BoxDraft, outputTurns: number, errorTurns = rational(1, 8)): TurnCheck[] {
  return analyseBox(boxOf(draft)).flatMap(({ position, analysis }) => {
    if (analysis.state !== 'drive') return []
    // To the nearest eighth, as it is read.
    const turned = Math.round(analysis.ratio.abs().toNumber() * outputTurns * 8)
    return [
      {
        id: position.id,
        position: position.id,
        inputTurns: rational(turned, 8),
        outputTurns: rational(outputTurns),
        readAt: 'input',
        errorTurns,
      },
    ]
  })
}

const uncounted = (draft: BoxDraft): BoxDraft => ({
  ...draft,
  gears: draft.gears.map((gear) => ({ ...gear, toothCount: null })),
})

describe('searchCounts', () => {
  it('finds 12 on 24 and every other pair of 36 teeth that turns twice for one', () => {
    const posed = poseSearch(
      uncounted(trainDraft([[12, 24]])),
      readTurns(trainDraft([[12, 24]]), 1),
      {
        leastTeeth: 8,
        mostTeeth: 40,
        leastSum: 36,
        mostSum: 36,
      },
    )
    if (!posed.ok) throw new Error(posed.code)
    const found = searchCounts(posed.search)
    // By hand: (36 − z)/z within 1 7/8 and 2 1/8 is 12 ± nothing: 11 gives 2.27, 13 gives 1.77.
    expect(found.likeliest.map(({ counts }) => counts)).toEqual([[12, 24]])
    expect(found.total).toBe(1)
  })

  it('finds exactly what a plain search finds, on searches of every shape', () => {
    const names = ['a', 'b', 'c', 'd', 'e', 'f'] as const
    const gearSet = fc.uniqueArray(fc.constantFrom(...names), { minLength: 1, maxLength: 2 })
    const side = fc.array(gearSet, { minLength: 1, maxLength: 2 })
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 8, max: 30 }), fc.nat(4)), {
          minLength: names.length,
          maxLength: names.length,
        }),
        fc.array(
          fc.tuple(fc.constantFrom(...names), fc.constantFrom(...names), fc.nat(40), fc.nat(12)),
          {
            maxLength: 3,
          },
        ),
        fc.array(
          fc.tuple(side, side, fc.integer({ min: 1, max: 40 }), fc.integer({ min: 1, max: 16 })),
          {
            maxLength: 3,
          },
        ),
        (ranges, sums, products) => {
          const search: CountSearch = {
            gears: ranges.map(([least, more], at) => ({
              gear: names[at] ?? 'a',
              least,
              most: least + more,
            })),
            sums: sums.flatMap(([a, b, least, more]) =>
              a === b ? [] : [{ a, b, least: least + 16, most: least + 16 + more }],
            ),
            products: products.map(([driven, driving, eighths, wide]) => ({
              driven,
              driving,
              least: [eighths, 8],
              most: [eighths + wide, 8],
            })),
          }
          const plain = plainSearch(search)
          const found = searchCounts(search, 20_000)
          expect(found.total).toBe(plain.length)
          expect(found.likeliest.map(({ counts }) => counts.join(' ')).sort()).toEqual(plain)
          const scores = found.likeliest.map(({ score }) => score)
          expect([...scores].sort((one, other) => other - one)).toEqual(scores)
        },
      ),
      { numRuns: 60, seed: 20261125 },
    )
  })

  it('lists the best of all sets, however few are asked for', () => {
    const draft = trainDraft([
      [15, 20],
      [15, 25],
    ])
    const posed = poseSearch(uncounted(draft), readTurns(draft, 4), {
      leastTeeth: 12,
      mostTeeth: 26,
      leastSum: 30,
      mostSum: 42,
    })
    if (!posed.ok) throw new Error(posed.code)
    const all = searchCounts(posed.search, 100_000)
    const few = searchCounts(posed.search, 7)
    expect(all.likeliest.length).toBe(all.total)
    expect(few.likeliest.map(({ score }) => score)).toEqual(
      all.likeliest.slice(0, 7).map(({ score }) => score),
    )
  })

  it('keeps the true counts of a closed four-speed among what fits', () => {
    const built = threeShaftBox({
      name: 'closed',
      forwardCount: 4,
      directAt: 4,
      reverse: 'sliding-idler',
    })
    const counts: Record<string, number> = {}
    const draft: BoxDraft = {
      ...built,
      gears: built.gears.map((gear, at) => {
        const toothCount = counts[gear.id] ?? 18 + ((at * 5) % 17)
        return { ...gear, toothCount }
      }),
    }
    const posed = poseSearch(uncounted(draft), readTurns(draft, 10), {
      leastTeeth: 12,
      mostTeeth: 60,
      leastSum: 24,
      mostSum: 100,
    })
    if (!posed.ok) throw new Error(posed.code)
    // What the person knows for certain of all gears but two is put in as known.
    const fixed = {
      ...posed.search,
      gears: posed.search.gears.map((range, at) => {
        const toothCount = draft.gears.find(({ id }) => id === range.gear)?.toothCount ?? 0
        return at < 2 ? range : { ...range, least: toothCount, most: toothCount }
      }),
    }
    const truth = fixed.gears.map(
      ({ gear }) => draft.gears.find(({ id }) => id === gear)?.toothCount,
    )
    const found = searchCounts(fixed, 10_000)
    expect(found.likeliest.map(({ counts: each }) => each)).toContainEqual(truth)
    // The idler of reverse only turns the sense round.
    expect(posed.untold.map(({ id }) => id)).toContain('idler-reverse')
  })

  it('takes a planetary set as (sun + ring) over sun (Willis equation)', () => {
    const draft = planetaryDraft({ sun: 20, ring: 80 }, 'ring', 'sun', 'carrier')
    const posed = poseSearch(uncounted(draft), readTurns(draft, 1), {
      leastTeeth: 18,
      mostTeeth: 82,
      leastSum: 0,
      mostSum: 1000,
    })
    if (!posed.ok) throw new Error(posed.code)
    const { search } = posed
    // 1 + zr/zs = 5 to within an eighth, counted by hand with two loops.
    let fits = 0
    for (let sun = 18; sun <= 82; sun++)
      for (let ring = 18; ring <= 82; ring++)
        if (8 * (sun + ring) >= 39 * sun && 8 * (sun + ring) <= 41 * sun) fits++
    expect(searchCounts(search).total).toBe(fits)
    expect(searchCounts(search, 1000).likeliest.map(({ counts }) => counts)).toContainEqual([
      20, 80,
    ])
  })

  it('tells how far it is, from 0 to 1', () => {
    const heard: number[] = []
    const gears = ['a', 'b'].map((gear) => ({ gear, least: 10, most: 20 }))
    searchCounts({ gears, sums: [], products: [] }, 5, (done) => heard.push(done))
    expect(heard.at(-1)).toBe(1)
    expect(heard.every((done) => done >= 0 && done <= 1)).toBe(true)
  })
})

describe('poseSearch', () => {
  const limits = { leastTeeth: 12, mostTeeth: 60, leastSum: 30, mostSum: 90 }

  it('says what it lacks', () => {
    const draft = trainDraft([[12, 24]])
    expect(poseSearch(draft, [], limits)).toEqual({ ok: false, code: 'no-checks' })
    const [check] = readTurns(draft, 1)
    if (!check) throw new Error('no check')
    expect(poseSearch(draft, [{ ...check, position: 'none' }], limits)).toEqual({
      ok: false,
      code: 'does-not-drive',
      position: 'none',
    })
  })

  it('a check read at a shaft on the way asks for the counts up to there', () => {
    const train = trainDraft([
      [20, 50],
      [10, 37],
    ])
    const at = { ...readTurns(train, 10)[0], at: 'shaft-1' } as TurnCheck
    const posed = poseSearch(uncounted(train), [at], limits)
    if (!posed.ok) throw new Error(posed.code)
    expect(posed.search.gears.map(({ gear }) => gear)).toEqual(['driving-0', 'driven-0'])
    expect(posed.untold.map(({ id }) => id)).toEqual(['driving-1', 'driven-1'])
  })

  it('twins of two countershafts are searched once', () => {
    const heavy = buildPattern('heavy', 'heavy', { speeds: '10', range: 'countershaft' })
    const counted = {
      ...heavy,
      gears: heavy.gears.map((gear) => {
        const kin = heavy.gears.findIndex(({ id }) => id === (gear.twinOf ?? gear.id))
        return { ...gear, toothCount: 20 + kin }
      }),
    }
    const posed = poseSearch(uncounted(heavy), readTurns(counted, 10), limits)
    if (!posed.ok) throw new Error(posed.code)
    const searched = new Set(posed.search.gears.map(({ gear }) => gear))
    for (const { id, twinOf } of heavy.gears)
      if (twinOf !== undefined) expect([id, searched.has(id)]).toEqual([id, false])
    expect(searched.has('counter-a-1')).toBe(true)
    expect(posed.untold.some(({ twinOf }) => twinOf !== undefined && searched.has(twinOf))).toBe(
      false,
    )
  })

  it('takes every position of every pattern, or says why it cannot', () => {
    const heavy = buildPattern('heavy', 'closed', { speeds: '10', range: 'countershaft' })
    const position = heavy.positions.find(({ label }) => label === '1')
    const posed = poseSearch(
      heavy,
      [
        {
          id: 'first',
          position: position?.id ?? '',
          inputTurns: rational(11),
          outputTurns: rational(1),
          readAt: 'input' as const,
          errorTurns: rational(1, 8),
        },
      ],
      limits,
    )
    expect(posed.ok).toBe(true)
  })
})
