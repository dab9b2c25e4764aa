import fc from 'fast-check'
import { bignumber, compare as compareNumbers } from 'mathjs'

import type { EnteredLimit } from './entered.ts'
import { exactBoundsOf, spanOf } from './entered.ts'
import type { Judgement, Measure } from './measurement.ts'
import { checkBounds, checkReadings, coneWearMm, figuresOf, judge } from './measurement.ts'
import { rational } from '../number/rational.ts'
import type { Span } from '../number/reading.ts'
import type { ReadingUnit } from '../number/units.ts'

/** Readings as they are written in a unit. */
function read(texts: readonly (string | number)[], unit: ReadingUnit = 'mm'): readonly Span[] {
  return texts.map((text) => {
    const span = spanOf(`${text}`, unit)
    if (!span) throw new Error(`${text} is no reading`)
    return span
  })
}

function verdictOf(
  measure: Measure,
  texts: readonly (string | number)[],
  limit: Omit<EnteredLimit, 'source'>,
  unit: ReadingUnit = limit.unit,
): Judgement {
  return judge(measure, read(texts, unit), null, exactBoundsOf({ source: 'maker', ...limit }))
}

describe('checkReadings', () => {
  it.each([
    { readings: [], radius: null, issues: [{ code: 'too-few', needed: 1, given: 0 }] },
    { readings: [0.9], radius: null, issues: [] },
    {
      readings: [40, 0.9, 0.9],
      radius: null,
      issues: [{ code: 'implausible', at: 0, value: 40, most: 5 }],
    },
    {
      readings: [0.9, -0.1, 0.9],
      radius: null,
      issues: [{ code: 'negative', at: 1, value: -0.1 }],
    },
    { readings: [0.9, 0.9, 0.9], radius: null, issues: [] },
  ])('a ring gap of $readings', ({ readings, radius, issues }) => {
    expect(checkReadings('ring-gap', read(readings), radius)).toEqual(issues)
  })

  it('one stack at one place is a reading, with what it is worth (common practice: three places)', () => {
    const limit = { least: '0.5', unit: 'mm' } as const
    const [one, two, three] = [1, 2, 3].map((count) =>
      verdictOf('ring-gap', Array<string>(count).fill('0.9'), limit),
    )
    for (const judgement of [one, two, three]) expect(judgement?.verdict).toBe('good')
    expect(one?.reasons.at(-1)).toEqual({ code: 'few', given: 1, sound: 3 })
    expect(two?.reasons.at(-1)).toEqual({ code: 'few', given: 2, sound: 3 })
    expect(three?.reasons.map(({ code }) => code)).toEqual(['within'])
    // A run is between two readings: of one there is none.
    expect(checkReadings('run-out', read([0.1]), null)).toEqual([
      { code: 'too-few', needed: 2, given: 1 },
    ])
  })

  it('takes no hundred thousand readings', () => {
    expect(
      checkReadings(
        'ring-gap',
        Array.from({ length: 100_000 }, () => ({ low: rational(1), high: rational(1) })),
        null,
      ),
    ).toEqual([{ code: 'too-many', most: 36, given: 100_000 }])
  })

  it('a dial may run below nothing, and a rock needs its radius', () => {
    expect(checkReadings('run-out', read([-0.02, 0.01]), null)).toEqual([])
    expect(checkReadings('spline-rock', read([0.3]), null)).toEqual([{ code: 'radius-missing' }])
    expect(checkReadings('spline-rock', read([0.3]), rational(0))).toEqual([
      { code: 'radius-missing' },
    ])
  })
})

test('a limit has an end, and its ends in order', () => {
  expect(checkBounds({})).toEqual([{ code: 'limit-missing' }])
  expect(checkBounds({ least: 2, most: 1 })).toEqual([
    { code: 'limit-reversed', least: 2, most: 1 },
  ])
  expect(checkBounds({ least: 1, most: 2 })).toEqual([])
})

describe('figuresOf', () => {
  it('of a ring takes the least gap', () => {
    // (0.8 + 0.9 + 1.0)/3, by hand.
    const figures = figuresOf('ring-gap', read([0.9, 0.8, 1]), null)
    expect(figures.figure).toBe(0.8)
    expect(figures.mean).toBeCloseTo(0.9, 12)
    expect(figures.spread).toBeCloseTo(0.2, 12)
  })

  it('of a dial takes all that it ran', () => {
    expect(figuresOf('run-out', read([-0.02, 0.03, 0.01]), null).figure).toBeCloseTo(0.05, 12)
  })

  it('of a rock takes the angle of its chord', () => {
    // A chord as long as the radius is 60°; geometry.
    expect(figuresOf('spline-rock', read([10]), rational(10)).figure).toBeCloseTo(60, 9)
    // For small angles, s/r radians: 1 mm at 57.29578 mm is a degree.
    expect(figuresOf('spline-rock', read([1]), rational(5729578, 100000)).figure).toBeCloseTo(1, 4)
  })
})

describe('judge', () => {
  const thumb = { least: '30', unit: 'thou' } as const

  it.each([
    // Worn under about 0.030 in, a new ring 0.040 to 0.050 in; source: common practice.
    { gaps: [29, 35, 36], verdict: 'replace', code: 'below-least' },
    { gaps: [31, 32, 33], verdict: 'watch', code: 'near-least' },
    { gaps: [40, 41, 42], verdict: 'good', code: 'within' },
    { gaps: [50, 50, 50], verdict: 'good', code: 'within' },
  ])('a ring of $gaps thousandths: $verdict', ({ gaps, verdict, code }) => {
    const judgement = verdictOf('ring-gap', gaps, thumb)
    expect(judgement.verdict).toBe(verdict)
    expect(judgement.reasons[0]?.code).toBe(code)
  })

  it('an uneven ring is watched, though its least gap is good', () => {
    const judgement = verdictOf('ring-gap', [38, 50, 52], thumb)
    expect(judgement.verdict).toBe('watch')
    expect(judgement.reasons.map(({ code }) => code)).toEqual(['within', 'uneven'])
  })

  it('without a limit there is no verdict', () => {
    const judgement = judge('end-play', read([0.2]), null, null)
    expect(judgement.verdict).toBeNull()
    expect(judgement.reasons).toEqual([{ code: 'no-limit', figure: 0.2 }])
  })

  it.each([
    { play: 0.04, verdict: 'replace', code: 'below-least' },
    { play: 0.05, verdict: 'good', code: 'within' },
    { play: 0.3, verdict: 'good', code: 'within' },
    { play: 0.31, verdict: 'replace', code: 'above-most' },
  ])('an end play of $play mm in 0.05 to 0.30: $verdict', ({ play, verdict, code }) => {
    const judgement = verdictOf('end-play', [play], {
      least: '0.05',
      most: '0.3',
      unit: 'mm',
    })
    expect(judgement.verdict).toBe(verdict)
    expect(judgement.reasons[0]?.code).toBe(code)
  })
})

describe('at the limit itself', () => {
  it.each([
    // By hand: (0.1 + 0.2)/2 = 0.15; 0.17 − 0.12 = 0.05. What lies on a limit is within it.
    { measure: 'end-play', texts: ['0.1', '0.2'], least: '0.05', most: '0.15', verdict: 'good' },
    { measure: 'end-play', texts: ['0.05'], least: '0.05', most: '0.15', verdict: 'good' },
    { measure: 'run-out', texts: ['0.12', '0.17'], most: '0.05', verdict: 'watch' },
    { measure: 'run-out', texts: ['0.12', '0.171'], most: '0.05', verdict: 'replace' },
    // Preload is end play below nothing.
    { measure: 'end-play', texts: ['-0.05'], least: '-0.05', most: '0', verdict: 'good' },
    { measure: 'end-play', texts: ['-0.051'], least: '-0.05', most: '0', verdict: 'replace' },
  ] as const)('$measure of $texts: $verdict', ({ measure, texts, verdict, ...limit }) => {
    expect(verdictOf(measure, texts, { ...limit, unit: 'mm' }).verdict).toBe(verdict)
  })

  it('two thousandths of an inch of run-out are the most that the rule of thumb lets pass', () => {
    const limit = { most: '0.0508', unit: 'mm' } as const
    expect(verdictOf('run-out', ['0', '0.002'], limit, 'in').verdict).toBe('watch')
    expect(verdictOf('run-out', ['0', '0.0021'], limit, 'in').verdict).toBe('replace')
  })

  it('every figure on a limit is within it, in every unit, and one step beyond is not (mathjs decimals)', () => {
    const units = fc.constantFrom<ReadingUnit>('mm', 'um', 'in', 'thou')
    const steps = fc.integer({ min: 1, max: 400 })
    const decimals = fc.integer({ min: 1, max: 4 })
    const parts = fc.array(fc.integer({ min: -30, max: 30 }), { minLength: 1, maxLength: 5 })
    fc.assert(
      fc.property(steps, decimals, units, parts, (step, digits, unit, around) => {
        const text = (value: number): string => (value / 10 ** digits).toFixed(digits)
        // Readings whose mean is the limit: pairs that lie as far above it as below.
        const texts = around.flatMap((apart) => [text(step + apart), text(step - apart)])
        const sum = texts.reduce((total, each) => total.plus(each), bignumber(0))
        expect(compareNumbers(sum.div(texts.length), bignumber(text(step))).toString()).toBe('0')
        for (const limit of [{ least: text(step) }, { most: text(step) }])
          expect(verdictOf('end-play', texts, { ...limit, unit }).verdict).not.toBe('replace')
        const beyond = [...texts.slice(1), text(step + (around[0] ?? 0) + 1)]
        expect(verdictOf('end-play', beyond, { most: text(step), unit }).verdict).toBe('replace')
      }),
      { numRuns: 275 },
    )
  })
})

describe('leaves', () => {
  const least = { least: '30', unit: 'thou' } as const

  it.each([
    // 0.015 and 0.016 stacked are 0.031; 31 went in and 35 did not; source: common practice.
    { texts: ['0.015+0.016', '0.031', '0.031'], unit: 'in', verdict: 'watch', between: null },
    { texts: ['31..35', '33', '40'], unit: 'thou', verdict: 'watch', between: [31, 33] },
    { texts: ['40..45', '41', '42'], unit: 'thou', verdict: 'good', between: [40, 41] },
    { texts: ['28..32', '33', '34'], unit: 'thou', verdict: 'watch', between: [28, 32] },
    { texts: ['20..25', '33', '34'], unit: 'thou', verdict: 'replace', between: [20, 25] },
  ] as const)('$texts $unit: $verdict', ({ texts, unit, verdict, between }) => {
    const judgement = verdictOf('ring-gap', texts, least, unit)
    expect(judgement.verdict).toBe(verdict)
    expect(judgement.figures.between?.map((mm) => Math.round((mm / 0.0254) * 1e6) / 1e6)).toEqual(
      between ?? undefined,
    )
  })

  it('says so where the limit lies between what went in and what did not', () => {
    const [reason] = verdictOf('ring-gap', ['28..32', '33', '34'], least).reasons
    expect(reason?.code).toBe('straddles')
  })

  it('tell the end that is nearer to the limit', () => {
    const [near] = verdictOf('ring-gap', ['31..32', '33', '34'], least).reasons
    expect(near).toMatchObject({ code: 'near-least' })
    expect(near && 'figure' in near && near.figure / 0.0254).toBeCloseTo(31, 9)
    const [below] = verdictOf('ring-gap', ['20..25', '33', '34'], least).reasons
    expect(below && 'figure' in below && below.figure / 0.0254).toBeCloseTo(25, 9)
  })

  it('run from the least to the most that they can', () => {
    // From 3 − 2 to 4 − 1, by hand.
    expect(figuresOf('run-out', read(['1..2', '3..4']), null).between).toEqual([1, 3])
  })
})

test('a ring that sits 1 mm lower on a cone of 7° has lost 0.123 mm of radius (geometry)', () => {
  // tan 7° = 0.122785.
  expect(coneWearMm(1.2, 0.2, 7)).toBeCloseTo(0.122785, 6)
  // Three cones that wear alike share it.
  expect(coneWearMm(1.2, 0.2, 7, 3)).toBeCloseTo(0.0409283, 6)
})

describe('what is measured on bearings, washers, plates and cones', () => {
  it('a bore less its journal is the clearance, exactly', () => {
    // Bore 32.060 and 32.055, journal 32.000: 0.060 mm at most (common practice: the widest counts).
    const limit = exactBoundsOf({ source: 'maker', most: '0.06', unit: 'mm' })
    const judgement = judge('running-clearance', read(['32.060', '32.055']), rational(32), limit)
    expect(judgement.figures.figure).toBeCloseTo(0.06, 12)
    // On the limit, and not beyond it by a float: 32.060 − 32 = 0.060000000000002274 in floats.
    expect(judgement.verdict).toBe('watch')
    expect(judgement.reasons[0]?.code).toBe('near-most')
    const over = judge('running-clearance', read(['32.061']), rational(32), limit)
    expect(over.verdict).toBe('replace')
  })

  it('a journal is asked for, and is not larger than its bore', () => {
    expect(checkReadings('running-clearance', read([32]), null)).toEqual([
      { code: 'journal-missing' },
    ])
    expect(checkReadings('running-clearance', read([32]), rational(33))).toEqual([
      { code: 'journal-over-bore', journal: 33, bore: 32 },
    ])
  })

  it('a stack is as high as its plates together, exactly', () => {
    // 4 × 1.6 + 5 × 1.8 = 15.4 mm, by hand; in floats 15.400000000000002.
    const plates = [...Array<number>(4).fill(1.6), ...Array<number>(5).fill(1.8)]
    const { figures, verdict } = verdictOf('stack-height', plates, {
      least: '15.4',
      most: '15.7',
      unit: 'mm',
    })
    expect(figures.figure).toBeCloseTo(15.4, 12)
    expect(verdict).toBe('good')
  })

  it.each([
    // The thinnest, the widest, the thickest leaf, the shortest: what is worst counts.
    ['thickness', [2.98, 2.91, 2.95], { least: '2.9' }, 2.91, 'watch'],
    ['groove-width', [2.05, 2.12], { most: '2.1' }, 2.12, 'replace'],
    ['flatness', [0.05, 0.15], { most: '0.2' }, 0.15, 'good'],
    ['free-length', [41.2, 40.6], { least: '41' }, 40.6, 'replace'],
    ['pack-clearance', [1.0, 1.2], { least: '0.8', most: '1.4' }, 1.1, 'good'],
  ] as const)('%s of %j', (measure, texts, limit, figure, verdict) => {
    const judgement = verdictOf(measure, texts, { ...limit, unit: 'mm' })
    expect(judgement.figures.figure).toBeCloseTo(figure, 12)
    expect(judgement.verdict).toBe(verdict)
  })

  it('blue on less than three quarters of a cone is too little (common practice)', () => {
    expect(verdictOf('cone-contact', [80, 70], { least: '75', unit: 'percent' }).verdict).toBe(
      'replace',
    )
    expect(checkReadings('cone-contact', read([120], 'percent'), null)).toEqual([
      { code: 'implausible', at: 0, value: 120, most: 100 },
    ])
  })

  it('preload has a least and a most', () => {
    const limit = { least: '1.2', most: '2.0', unit: 'Nm' } as const
    expect(verdictOf('preload', [0.9], limit).verdict).toBe('replace')
    expect(verdictOf('preload', [1.6], limit).verdict).toBe('good')
    expect(verdictOf('preload', [2.4], limit).verdict).toBe('replace')
  })
})
