import fc from 'fast-check'

import { findSuspects, judgeChecks, ratioRange, suggestCheck, withMiscounts } from './turnCheck.ts'
import type { TurnCheck } from './turnCheck.ts'
import { analyseBox } from '../train/analysis.ts'
import { checkBox } from '../box/check.ts'
import { parseReading } from '../number/reading.ts'
import { rational, toNumber } from '../number/rational.ts'
import { buildPattern } from '../box/patterns/index.ts'
import { threeShaftBox } from '../box/patterns/threeShaft.ts'
import type { BoxDraft } from '../box/types.ts'
import { boxOf, trainDraft } from '../testing/boxes.ts'

function turns(text: string) {
  const reading = parseReading(text)
  if (!reading.ok) throw new Error(text)
  return reading.value
}

function check(
  position: string,
  inputTurns: string,
  outputTurns: number,
  error = '1/8',
): TurnCheck {
  return {
    id: `${position} ${outputTurns}`,
    position,
    inputTurns: turns(inputTurns),
    outputTurns: rational(outputTurns),
    readAt: 'input',
    errorTurns: turns(error),
  }
}

/** A six-speed with invented counts. */
function sixSpeed(): BoxDraft {
  const draft = threeShaftBox({
    name: 'six-speed',
    forwardCount: 6,
    directAt: 5,
    reverse: 'sliding-idler',
  })
  let next = 18
  return { ...draft, gears: draft.gears.map((gear) => ({ ...gear, toothCount: next++ })) }
}

describe('judgeChecks', () => {
  it.each([
    // 12 driving 24 is 2 : 1; source: common practice.
    { teeth: [12, 24] as const, read: '2', output: 1, isAgreed: true },
    { teeth: [12, 24] as const, read: '2 1/8', output: 1, isAgreed: true },
    { teeth: [12, 24] as const, read: '2 1/7', output: 1, isAgreed: false },
    // 33 on 32 falls a little short of a turn: ten turns show it; source: common practice.
    { teeth: [32, 33] as const, read: '1', output: 1, isAgreed: true },
    { teeth: [32, 33] as const, read: '10', output: 10, isAgreed: false },
    { teeth: [32, 33] as const, read: '10 5/16', output: 10, isAgreed: true },
  ])('$teeth read as $read for $output turns: $isAgreed', ({ teeth, read, output, isAgreed }) => {
    const box = boxOf(trainDraft([teeth]))
    const [judged] = judgeChecks(box, [check('only', read, output)])
    expect(judged?.isAgreed).toBe(isAgreed)
    // N·z2/z1, by hand.
    expect(judged?.expectedTurns?.equals(rational(output * teeth[1], teeth[0]))).toBe(true)
  })

  it.each([
    // One turn in at 2.5 : 1 turns the output 0.4; source: common practice.
    { input: '1', read: '2/5', isAgreed: true },
    { input: '1', read: '21/40', isAgreed: true },
    { input: '1', read: '0.53', isAgreed: false },
    { input: '10', read: '4', isAgreed: true },
    { input: '10', read: '4 1/4', isAgreed: false },
  ])('$input in and $read out, read at the output: $isAgreed', ({ input, read, isAgreed }) => {
    const box = boxOf(trainDraft([[20, 50]]))
    const one = { ...check('only', input, 1), outputTurns: turns(read), readAt: 'output' as const }
    const [judged] = judgeChecks(box, [one])
    expect(judged?.isAgreed).toBe(isAgreed)
    expect(judged?.expectedTurns?.toString()).toBe(input === '1' ? '2/5' : '4')
    // The same said of the ratio: 5/2 lies in its range or does not.
    const { least, most } = ratioRange(one)
    const size = rational(5, 2)
    expect(!least.isGreaterThan(size) && (!most || !size.isGreaterThan(most))).toBe(isAgreed)
  })

  it('read at a shaft on the way, the counts behind it have no part in it', () => {
    // 20 on 50, then 10 on 37: 2.5 at the second shaft, 9.25 at the third, by hand.
    const box = boxOf(
      trainDraft([
        [20, 50],
        [10, 37],
      ]),
    )
    const [there, end] = judgeChecks(box, [
      { ...check('only', '25', 10), id: 'there', at: 'shaft-1' },
      { ...check('only', '92 1/2', 10), id: 'end' },
    ])
    expect([there?.isAgreed, end?.isAgreed]).toEqual([true, true])
    expect(there?.expectedTurns?.toString()).toBe('25')
    // 26 for 10 at the second shaft is 52/20, and nothing of the second pair's.
    const off = { ...check('only', '26', 10), at: 'shaft-1' }
    const suspects = findSuspects(box, [off])
    const named = suspects.flatMap(({ miscounts }) => miscounts.map(({ gear }) => gear.id))
    expect(named).toContain('driven-0')
    expect(named.some((id) => id.endsWith('-1'))).toBe(false)
    expect(suggestCheck(suspects, rational(1, 8), 'shaft-1')?.expectedTurns[0]).toBeDefined()
  })

  it('says nothing where the position lacks a count', () => {
    const draft = trainDraft([[12, 24]])
    const [first, ...rest] = draft.gears
    if (!first) throw new Error('a train has gears')
    const box = boxOf({ ...draft, gears: [{ ...first, toothCount: null }, ...rest] })
    expect(judgeChecks(box, [check('only', '2', 1)])[0]).toMatchObject({
      expectedTurns: null,
      isAgreed: null,
    })
  })
})

describe('findSuspects', () => {
  it('is empty where counts and turns agree', () => {
    expect(findSuspects(boxOf(trainDraft([[12, 24]])), [check('only', '2', 1)])).toEqual([])
  })

  // 31 on 22 turns 2.28 with a pair of 35 on 21.6; from the sentence: 33 on 22 would turn more.
  it('names every single count that explains what was read, and the misreading', () => {
    // 22 : 31 read as 10 turns for 15: 33/22 = 1.5 exactly; 31/22 = 1.409 would be 14.09.
    const suspects = findSuspects(boxOf(trainDraft([[22, 31]])), [check('only', '15', 10)])
    const named = suspects.map(({ miscounts }) =>
      miscounts.map(({ gear, toothCount }) => `${gear.id} ${toothCount}`).join(' and '),
    )
    // By hand: 33/22 = 1.5; 31/21 = 1.476 is 14.76 and 31/20 = 1.55 is 15.5: both too far from 15.
    // 32/22 = 14.55 too far.
    expect([...named].sort()).toEqual(['', 'driven-0 33'])
    expect(named[0]).toBe('driven-0 33')
  })

  it('ranks one tooth before two, the larger gear before the smaller, the confirmed last', () => {
    // 50 on 25 is 2. Read 2.05 ± 0.03: 51/25 = 2.04 and 50/24 = 2.083 (no), 52/25 = 2.08 (edge, no).
    const box = boxOf(
      trainDraft([
        [25, 50],
        [25, 50],
      ]),
    )
    // Overall 4; read 41 for 10 ± 0.5: 51 in either pair gives 40.8.
    const confirmed = boxOf({
      ...box.draft,
      gears: box.draft.gears.map((gear) =>
        gear.id === 'driven-0' ? { ...gear, recount: 50 } : gear,
      ),
    })
    const singles = findSuspects(confirmed, [check('only', '41', 10, '1/2')])
      .flatMap(({ miscounts }) => (miscounts.length === 1 ? miscounts : []))
      .map(({ gear, toothCount }) => `${gear.id} ${toothCount}`)
    expect(singles).toEqual(['driven-1 51', 'driven-0 51'])
  })

  it('a second count that says so makes a gear the first suspect', () => {
    const draft = trainDraft([
      [25, 50],
      [25, 50],
    ])
    const box = boxOf({
      ...draft,
      gears: draft.gears.map((gear) => (gear.id === 'driven-0' ? { ...gear, recount: 51 } : gear)),
    })
    const [first] = findSuspects(box, [check('only', '41', 10, '1/2')])
    expect(first?.miscounts.map(({ gear }) => gear.id)).toEqual(['driven-0'])
  })

  it('other turn checks clear a gear that they share', () => {
    const draft = sixSpeed()
    const truth = analyseBox(boxOf(draft))
    const drives = truth.flatMap(({ position, analysis }) =>
      analysis.state === 'drive' ? [{ position, ratio: analysis.ratio.abs() }] : [],
    )
    const [one] = drives
    const pair = draft.gears.find(({ id }) => id.startsWith('main-1'))
    if (!one || !pair) throw new Error('the pattern has no first gear')
    const wrong = withMiscounts(draft, [{ gear: pair, toothCount: (pair.toothCount ?? 0) + 1 }])
    const checks = drives.map(({ position, ratio }) => ({
      id: position.id,
      position: position.id,
      inputTurns: ratio.mul(rational(10)),
      outputTurns: rational(10),
      readAt: 'input' as const,
      errorTurns: rational(1, 8),
    }))
    const suspects = findSuspects(boxOf(wrong), checks)
    expect(suspects[0]?.miscounts[0]?.gear.id).toBe(pair.id)
    expect(suspects[0]?.agreeing).toBe(checks.length)
    // The head pair would put every other position wrong.
    const head = suspects.find(({ miscounts }) => miscounts[0]?.gear.id.startsWith('input'))
    expect(head?.agreeing ?? 0).toBeLessThan(checks.length)
  })

  it('two counts off are found together where no single one explains all', () => {
    const draft = sixSpeed()
    const checks = analyseBox(boxOf(draft)).flatMap(({ position, analysis }) =>
      analysis.state === 'drive'
        ? [
            {
              id: position.id,
              position: position.id,
              inputTurns: analysis.ratio.abs().mul(rational(20)),
              outputTurns: rational(20),
              readAt: 'input' as const,
              errorTurns: rational(1, 16),
            },
          ]
        : [],
    )
    const off = ['main-1', 'main-3'].map((id) => {
      const gear = draft.gears.find((each) => each.id === id)
      if (typeof gear?.toothCount !== 'number') throw new Error(id)
      return { gear, toothCount: gear.toothCount + 1 }
    })
    const [first] = findSuspects(boxOf(withMiscounts(draft, off)), checks)
    expect(
      first?.miscounts.map(({ gear, toothCount }) => `${gear.id} ${toothCount}`).sort(),
    ).toEqual(off.map(({ gear }) => `${gear.id} ${gear.toothCount ?? ''}`).sort())
    expect(first?.agreeing).toBe(checks.length)
  })

  it.each([
    ['each counted by itself, is found though it locks them to one another', false],
    ['counted once, is found as one of both', true],
  ])('a miscount on one of two countershafts, %s', (_, areTwins) => {
    const built = buildPattern('heavy', 'heavy', { speeds: '10', range: 'planetary' })
    let next = 20
    // Alike, as their ids are but for the side.
    const counts = new Map<string, number>()
    const draft: BoxDraft = {
      ...built,
      gears: built.gears.map(({ twinOf, ...gear }) => {
        const key = gear.id.replace(/-[ab](?=-|$)/, '')
        if (!counts.has(key)) counts.set(key, next++)
        return { ...gear, toothCount: counts.get(key) ?? null, ...(areTwins && { twinOf }) }
      }),
    }
    const truth = analyseBox(boxOf(draft)).find(({ analysis }) => analysis.state === 'drive')
    if (truth?.analysis.state !== 'drive') throw new Error('the pattern does not drive')
    const twin = [...truth.analysis.multipliers].flatMap(([{ terms }, multiplier]) =>
      multiplier.isZero()
        ? []
        : terms.flatMap(({ gear }) => (gear && /-a(-|$)/.test(gear.id) ? [gear] : [])),
    )[0]
    if (typeof twin?.toothCount !== 'number') throw new Error('there are no twins')
    const off = { gear: twin, toothCount: twin.toothCount + 1 }
    const wrong = boxOf(withMiscounts(draft, [off]))
    const reading: TurnCheck = {
      id: 'read',
      position: truth.position.id,
      inputTurns: truth.analysis.ratio.abs().mul(rational(20)),
      outputTurns: rational(20),
      readAt: 'input' as const,
      errorTurns: rational(1, 8),
    }
    const [judged] = judgeChecks(wrong, [reading])
    expect(judged?.isAgreed).toBe(false)
    // Counted once the box still turns, by another ratio.
    expect(judged?.expectedTurns !== null).toBe(areTwins)
    const found = findSuspects(wrong, [reading]).find(
      ({ miscounts: [one, ...more] }) =>
        one?.gear.id === twin.id && one.toothCount === twin.toothCount && more.length === 0,
    )
    expect(found?.agreeing).toBe(1)
    expect(found?.draft).toEqual(draft)
  })

  it('a miscount of one or two that the turns can show is always among the suspects', () => {
    const draft = sixSpeed()
    const gears = draft.gears.length
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 14, max: 60 }), { minLength: gears, maxLength: gears }),
        fc.nat(gears - 1),
        fc.constantFrom(-2, -1, 1, 2),
        fc.nat(7),
        fc.integer({ min: 1, max: 20 }),
        fc.integer({ min: -100, max: 100 }),
        (counts, at, off, which, outputTurns, misreadPercent) => {
          const truth: BoxDraft = {
            ...draft,
            gears: draft.gears.map((gear, index) => ({ ...gear, toothCount: counts[index] ?? 20 })),
          }
          const position = truth.positions[which % truth.positions.length]
          const analysed = analyseBox(boxOf(truth)).find(
            (each) => each.position.id === position?.id,
          )?.analysis
          if (!position || analysed?.state !== 'drive') return
          const gear = truth.gears[at]
          if (typeof gear?.toothCount !== 'number') return
          const wrong = boxOf(withMiscounts(truth, [{ gear, toothCount: gear.toothCount + off }]))
          const errorTurns = rational(1, 8)
          const reading: TurnCheck = {
            id: 'read',
            position: position.id,
            readAt: 'input',
            outputTurns: rational(outputTurns),
            // Read from the true box, as far off as the reading may be.
            inputTurns: analysed.ratio
              .abs()
              .mul(rational(outputTurns))
              .add(errorTurns.mul(rational(misreadPercent, 100))),
            errorTurns,
          }
          const [judged] = judgeChecks(wrong, [reading])
          const suspects = findSuspects(wrong, [reading])
          if (judged?.isAgreed !== false) expect(suspects).toEqual([])
          else
            expect(
              suspects.some(
                ({ miscounts }) =>
                  miscounts.length === 1 &&
                  miscounts[0]?.gear.id === gear.id &&
                  miscounts[0].toothCount === gear.toothCount,
              ),
            ).toBe(true)
        },
      ),
      { numRuns: 150, seed: 20261125 },
    )
  })

  it('stays a number where sums of teeth between two axes lie far apart', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 13, max: 59 }), { minLength: 20, maxLength: 20 }),
        (teeth) => {
          const draft = sixSpeed()
          const unrelated = {
            ...draft,
            gears: draft.gears.map((gear, at) => ({ ...gear, toothCount: teeth[at] ?? 13 })),
          }
          const suspects = findSuspects(boxOf(unrelated), [check('1', '99', 9)])
          // Some counts are so far off that no one miscount, nor two, makes 99/9 of them.
          fc.pre(suspects.length > 0)
          const sum = suspects.reduce((total, { share }) => total + share, 0)
          expect(sum).toBeCloseTo(1, 9)
        },
      ),
      { numRuns: 40 },
    )
  })

  it('finds two gears that only together explain what was read', () => {
    // Two teeth too many on one, two on the other: 22/40 × 22/40 of the true 20/40 × 20/40.
    const counted = trainDraft([
      [22, 40],
      [22, 40],
    ])
    const suspects = findSuspects(boxOf(counted), [check('only', '40', 10, '1/8')])
    const pair = suspects.find(({ miscounts }) =>
      ['driving-0', 'driving-1'].every((id) =>
        miscounts.some(({ gear, toothCount }) => gear.id === id && toothCount === 20),
      ),
    )
    expect(pair?.agreeing).toBe(1)
    // No single count one or two off gives 4 : 1; by enumeration.
    for (const gear of counted.gears)
      for (const off of [-2, -1, 1, 2]) {
        const tried = withMiscounts(counted, [{ gear, toothCount: (gear.toothCount ?? 0) + off }])
        const [entry] = analyseBox(boxOf(tried))
        if (entry?.analysis.state !== 'drive') throw new Error('does not drive')
        expect(Math.abs(toNumber(entry.analysis.ratio) * 10 - 40)).toBeGreaterThan(1 / 8)
      }
  })

  it('the shares make one', () => {
    const suspects = findSuspects(boxOf(trainDraft([[22, 31]])), [check('only', '15', 10)])
    expect(suspects.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 12)
  })
})

describe('suggestCheck', () => {
  it('tells the suspects apart by the fewest turns, shown by trying every check there is', () => {
    const box = boxOf(
      trainDraft([
        [25, 50],
        [25, 50],
      ]),
    )
    const checks = [check('only', '41', 10, '1/2')]
    const suspects = findSuspects(box, checks)
    const next = suggestCheck(suspects, rational(1, 2))
    // Both driven gears at 51 read the same, whatever is turned: the position cannot part them.
    expect(next?.tellsAll).toBe(false)
    const apart = (outputTurns: number): boolean => {
      const asIs = 4 * outputTurns
      const mended = 4.08 * outputTurns
      return Math.abs(mended - asIs) > 1
    }
    // 0.08·N > 1 first holds at N = 13, by hand.
    expect(apart(12)).toBe(false)
    expect(next?.outputTurns).toBe(13)
  })

  it('is none where no check within twenty turns tells any two apart', () => {
    const box = boxOf(trainDraft([[50, 50]]))
    const suspects = findSuspects(box, [check('only', '21', 20, '1/2')])
    expect(suspects.length).toBeGreaterThan(1)
    expect(suggestCheck(suspects, rational(2))).toBeUndefined()
  })

  it('an expected reading is the number of turns times the ratio', () => {
    const box = boxOf(trainDraft([[22, 31]]))
    const suspects = findSuspects(box, [check('only', '15', 10)])
    const next = suggestCheck(suspects, rational(1, 8))
    next?.expectedTurns.forEach((expected, at) => {
      const checked = checkBox(suspects[at]?.draft ?? box.draft)
      if (!checked.ok || !expected) throw new Error('a suspect has no ratio')
      const [only] = analyseBox(checked.box)
      const ratio = only?.analysis.state === 'drive' ? toNumber(only.analysis.ratio) : NaN
      expect(toNumber(expected)).toBeCloseTo(Math.abs(ratio) * next.outputTurns, 10)
    })
  })
})
