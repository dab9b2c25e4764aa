/** Limits typed by a person, and the sentences about a search; the four-speed is made up. */
import type { CountSearch, TurnCheck } from 'core'
import { buildPattern, rational, withToothCounts } from 'core'

import {
  USUAL_LIMITS,
  aheadWords,
  askSearch,
  filledIn,
  formatMany,
  foundWords,
  parseLimits,
} from './closedBox.ts'

const draft = buildPattern('three-shaft', 'unit', { forward: '4', overdrives: 'none' })
const first = draft.positions.find(({ label }) => label === '1')

/** Four turns of the input for one of the output, read to a fiftieth. */
function checkIn(position = ''): TurnCheck {
  return {
    id: position,
    position,
    inputTurns: rational(4),
    outputTurns: rational(1),
    readAt: 'input',
    errorTurns: rational(1, 50),
  }
}

describe('the limits', () => {
  test('are whole numbers of teeth', () => {
    expect(parseLimits(USUAL_LIMITS)).toEqual({
      ok: true,
      limits: { leastTeeth: 12, mostTeeth: 60, leastSum: 50, mostSum: 70 },
    })
    for (const leastTeeth of ['', 'x', '12.5', '-12', '1000'])
      expect(parseLimits({ ...USUAL_LIMITS, leastTeeth })).toEqual({
        ok: false,
        sentence: 'Every limit is a whole number of teeth.',
      })
  })

  test('may have blanks around them', () => {
    expect(parseLimits({ ...USUAL_LIMITS, leastTeeth: ' 14 ' })).toMatchObject({
      limits: { leastTeeth: 14 },
    })
  })

  test('a least above its most is told, of gears and of sums', () => {
    for (const wrong of [{ leastTeeth: '61' }, { leastSum: '71' }])
      expect(parseLimits({ ...USUAL_LIMITS, ...wrong })).toEqual({
        ok: false,
        sentence: 'A least is more than its most. Exchange the two.',
      })
  })

  test('no gear has fewer teeth than a gear can have', () => {
    const parsed = parseLimits({ ...USUAL_LIMITS, leastTeeth: '1' })
    expect(parsed.ok ? '' : parsed.sentence).toMatch(/^Gears have \d+ to \d+ teeth\.$/)
  })
})

describe('what is asked', () => {
  test('nothing, before a turn check was made', () => {
    expect(askSearch(draft, [], USUAL_LIMITS, true)).toEqual({
      ok: false,
      sentence: 'No turn check has been made yet. Make one in each position first.',
    })
  })

  test('a wrong limit comes before everything else', () => {
    expect(askSearch(draft, [], { ...USUAL_LIMITS, mostSum: 'many' }, true)).toEqual({
      ok: false,
      sentence: 'Every limit is a whole number of teeth.',
    })
  })

  test('a position that drives nothing is named as the person names it', () => {
    const neutral = draft.positions.find(({ couplers }) => Object.keys(couplers).length === 0)
    expect(neutral).toBeDefined()
    const asked = askSearch(draft, [checkIn(neutral?.id)], USUAL_LIMITS, true)
    expect(asked.ok ? '' : asked.sentence).toBe(
      `Position ${neutral?.label ?? ''} drives nothing in the drawing, so its turns say nothing of the counts.`,
    )
  })
})

describe('how much there is', () => {
  test('is written out up to ten million millions, and rounded from there', () => {
    expect([0, 1, 8_031_224, 9_999_999_999_999].map(formatMany)).toEqual([
      '0',
      '1',
      '8,031,224',
      '9,999,999,999,999',
    ])
    expect(formatMany(3.52e13)).toBe('about 3.5 × 10¹³')
    expect(formatMany(49 ** 10)).toBe('about 8.0 × 10¹⁶')
  })

  test('ahead is the product of what each gear may have', () => {
    const asked = askSearch(draft, [checkIn(first?.id)], USUAL_LIMITS, true)
    if (!asked.ok) throw new Error(asked.sentence)
    // Every gear in the way may have 12 to 60 teeth, which are 49 counts.
    const { gears } = asked.search
    expect(gears).toHaveLength(4)
    expect(aheadWords(asked.search)).toBe(
      '5,764,801 combinations of the counts of 4 gears to look through.',
    )
  })

  test('a gear that is counted has one count, where what is counted is gone by', () => {
    const counted = draft.gears.map(({ id }) => id)
    const known = withToothCounts(draft, new Map(counted.map((id) => [id, 30])))
    const [one, other] = [true, false].map((isFromScratch) =>
      askSearch(known, [checkIn(first?.id)], USUAL_LIMITS, isFromScratch),
    )
    expect(one?.ok && aheadWords(one.search)).toContain('5,764,801')
    expect(other?.ok && aheadWords(other.search)).not.toContain('5,764,801')
  })
})

describe('what was found', () => {
  const set = { counts: [20, 30], score: 0 }

  test.each([
    [
      { total: 0, likeliest: [], combinations: 2401 },
      'None of 2,401 combinations fits. A limit is too narrow, or a turn check is misread.',
    ],
    [
      { total: 0, likeliest: [], combinations: 1 },
      'The counts as they stand do not fit. A limit is too narrow, or a turn check is misread.',
    ],
    [{ total: 1, likeliest: [set], combinations: 1 }, '1 set fits, of 1 combination.'],
    [{ total: 1, likeliest: [set], combinations: 2401 }, '1 set fits, of 2,401 combinations.'],
    [
      { total: 12, likeliest: [set, set], combinations: 2401 },
      '12 sets fit, of 2,401 combinations. The 2 likeliest are listed; more turns of the output, or narrower sums, leave fewer.',
    ],
  ])('%o', (found, sentence) => {
    expect(foundWords(found)).toBe(sentence)
  })

  test('fills the drawing, over a box that is empty or as it was counted', () => {
    const [a = '', b = '', rest = ''] = draft.gears.map(({ id }) => id)
    const known = withToothCounts(draft, new Map([[rest, 41]]))
    const range = { least: 12, most: 60 }
    const search: CountSearch = {
      gears: [
        { gear: a, ...range },
        { gear: b, ...range },
      ],
      sums: [],
      products: [],
    }
    const countsOf = (isFromScratch: boolean, counts?: readonly number[]) => {
      const { gears } = filledIn(known, isFromScratch, search, counts)
      return [a, b, rest].map((id) => gears.find((gear) => gear.id === id)?.toothCount)
    }
    expect(countsOf(true, [20, 30])).toEqual([20, 30, null])
    expect(countsOf(false, [20, 30])).toEqual([20, 30, 41])
    expect(countsOf(true)).toEqual([null, null, null])
  })
})
