import { checkBounds, checkReadings, coneWearMm, figuresOf, judge } from './measurement.ts'

/** Thousandths of an inch in mm. */
const thou = (count: number): number => count * 0.0254

describe('checkReadings', () => {
  it.each([
    { readings: [0.9, 0.9], radius: null, issues: [{ code: 'too-few', needed: 3, given: 2 }] },
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
    expect(checkReadings('ring-gap', readings, radius)).toEqual(issues)
  })

  it('takes no hundred thousand readings', () => {
    expect(
      checkReadings(
        'ring-gap',
        Array.from({ length: 100_000 }, () => 1),
        null,
      ),
    ).toEqual([{ code: 'too-many', most: 36, given: 100_000 }])
  })

  it('a dial may run below nothing, and a rock needs its radius', () => {
    expect(checkReadings('run-out', [-0.02, 0.01], null)).toEqual([])
    expect(checkReadings('spline-rock', [0.3], null)).toEqual([{ code: 'radius-missing' }])
    expect(checkReadings('spline-rock', [0.3], 0)).toEqual([{ code: 'radius-missing' }])
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
    const figures = figuresOf('ring-gap', [0.9, 0.8, 1], null)
    expect(figures.figure).toBe(0.8)
    expect(figures.mean).toBeCloseTo(0.9, 12)
    expect(figures.spread).toBeCloseTo(0.2, 12)
  })

  it('of a dial takes all that it ran', () => {
    expect(figuresOf('run-out', [-0.02, 0.03, 0.01], null).figure).toBeCloseTo(0.05, 12)
  })

  it('of a rock takes the angle of its chord', () => {
    // A chord as long as the radius is 60°; geometry.
    expect(figuresOf('spline-rock', [10], 10).figure).toBeCloseTo(60, 9)
    // For small angles, s/r radians: 1 mm at 57.29578 mm is a degree.
    expect(figuresOf('spline-rock', [1], 57.29578).figure).toBeCloseTo(1, 4)
  })
})

describe('judge', () => {
  const thumb = { least: thou(30) }

  it.each([
    // Worn under about 0.030 in, a new ring 0.040 to 0.050 in; source: common practice.
    { gaps: [29, 35, 36], verdict: 'replace', code: 'below-least' },
    { gaps: [31, 32, 33], verdict: 'watch', code: 'near-least' },
    { gaps: [40, 41, 42], verdict: 'good', code: 'within' },
    { gaps: [50, 50, 50], verdict: 'good', code: 'within' },
  ])('a ring of $gaps thousandths: $verdict', ({ gaps, verdict, code }) => {
    const judgement = judge('ring-gap', gaps.map(thou), null, thumb)
    expect(judgement.verdict).toBe(verdict)
    expect(judgement.reasons[0]?.code).toBe(code)
  })

  it('an uneven ring is watched, though its least gap is good', () => {
    const judgement = judge('ring-gap', [38, 50, 52].map(thou), null, thumb)
    expect(judgement.verdict).toBe('watch')
    expect(judgement.reasons.map(({ code }) => code)).toEqual(['within', 'uneven'])
  })

  it('without a limit there is no verdict', () => {
    const judgement = judge('end-play', [0.2], null, null)
    expect(judgement.verdict).toBeNull()
    expect(judgement.reasons).toEqual([{ code: 'no-limit', figure: 0.2 }])
  })

  it.each([
    { play: 0.04, verdict: 'replace', code: 'below-least' },
    { play: 0.05, verdict: 'good', code: 'within' },
    { play: 0.3, verdict: 'good', code: 'within' },
    { play: 0.31, verdict: 'replace', code: 'above-most' },
  ])('an end play of $play mm in 0.05 to 0.30: $verdict', ({ play, verdict, code }) => {
    const judgement = judge('end-play', [play], null, { least: 0.05, most: 0.3 })
    expect(judgement.verdict).toBe(verdict)
    expect(judgement.reasons[0]?.code).toBe(code)
  })
})

test('a ring that sits 1 mm lower on a cone of 7° has lost 0.123 mm of radius (geometry)', () => {
  // tan 7° = 0.122785.
  expect(coneWearMm(1.2, 0.2, 7)).toBeCloseTo(0.122785, 6)
  // Three cones that wear alike share it.
  expect(coneWearMm(1.2, 0.2, 7, 3)).toBeCloseTo(0.0409283, 6)
})
