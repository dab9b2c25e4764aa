import {
  centreDistanceMm,
  countsOfArc,
  expectedSizes,
  mateProblems,
  moduleOfOutsideMm,
  moduleOfSpanMm,
  moduleOfTwoSpansMm,
  nearestSizes,
  usualSpan,
} from './gearIdentity.ts'

describe('the module of a gear', () => {
  it.each([
    // Outside diameter m(z + 2); source: Machinery's Handbook, spur gears.
    { outsideMm: 66, teeth: 20, helix: 0, expected: 3 },
    { outsideMm: 88, teeth: 42, helix: 0, expected: 2 },
    // 10 teeth an inch, 30 teeth: 3.2 in outside; source: (z + 2)/P, Machinery's Handbook.
    { outsideMm: 3.2 * 25.4, teeth: 30, helix: 0, expected: 2.54 },
    // cos 60° = 1/2 doubles the pitch diameter: 2·(20·2 + 2) = 84, by hand.
    { outsideMm: 84, teeth: 20, helix: 60, expected: 2 },
  ])(
    '$outsideMm mm over $teeth teeth at $helix° is $expected',
    ({ outsideMm, teeth, helix, expected }) => {
      expect(moduleOfOutsideMm(outsideMm, teeth, helix)).toBeCloseTo(expected, 9)
    },
  )

  it.each([
    // Base tangent lengths for module 1, 20°: W = 1.476065·(2k − 1) + 0.0140055·z, the usual
    // table form (Machinery's Handbook and DIN 3960 span tables, from memory).
    { teeth: 20, spanned: 3 },
    { teeth: 40, spanned: 5 },
    { teeth: 60, spanned: 7 },
  ])('the span over $spanned of $teeth teeth', ({ teeth, spanned }) => {
    const spanMm = 2.5 * (1.476065 * (2 * spanned - 1) + 0.0140055 * teeth)
    expect(moduleOfSpanMm(spanMm, teeth, spanned, 0, 20)).toBeCloseTo(2.5, 5)
    expect(expectedSizes(2.5, teeth, 0, 20).spanned).toBe(spanned)
    expect(expectedSizes(2.5, teeth, 0, 20).spanMm).toBeCloseTo(spanMm, 3)
  })

  it('two spans one tooth apart differ by the base pitch, 2.952 times the module at 20°', () => {
    // π·cos 20° = 2.95213; source: base pitch, Machinery's Handbook.
    expect(moduleOfTwoSpansMm(19, 19 + 2.95213 * 3, 20)).toBeCloseTo(3, 4)
  })

  it('spans so many teeth as the tables have it', () => {
    // 2 teeth from 12 to 18, 3 to 27, 4 to 36, at 20° (Machinery's Handbook, from memory).
    expect([18, 19, 27, 28, 36].map((teeth) => usualSpan(teeth, 0, 20))).toEqual([2, 3, 3, 4, 4])
  })

  it('spans more teeth of a helical gear: its virtual count z/cos³β (Machinery’s Handbook)', () => {
    // 40/cos³30° = 61.6 and 60/cos³30° = 92.4, of which a ninth is 6.8 and 10.3; by hand.
    expect(usualSpan(40, 30, 20)).toBe(7)
    expect(usualSpan(60, 30, 20)).toBe(11)
  })

  it('touches the flanks between root and tip (W² cos² β_b + d_b² is the square of the diameter there)', () => {
    const rad = (deg: number): number => (deg * Math.PI) / 180
    for (const helix of [0, 10, 20, 30, 35])
      for (const pressure of [14.5, 20, 25])
        for (let teeth = 20; teeth <= 90; teeth += 5) {
          const { spanMm } = expectedSizes(1, teeth, helix, pressure)
          const transverse = Math.atan(Math.tan(rad(pressure)) / Math.cos(rad(helix)))
          const pitchMm = teeth / Math.cos(rad(helix))
          const baseMm = pitchMm * Math.cos(transverse)
          const baseHelix = Math.asin(Math.sin(rad(helix)) * Math.cos(rad(pressure)))
          const touchedMm = Math.hypot(baseMm, spanMm * Math.cos(baseHelix))
          expect(Math.abs(touchedMm - pitchMm)).toBeLessThan(2)
        }
  })
})

describe('nearestSizes', () => {
  it.each([
    { moduleMm: 3.02, series: 'module, first series', size: 3 },
    { moduleMm: 2.26, series: 'module, second series', size: 2.25 },
    // 25.4 over 10 is 2.54.
    { moduleMm: 2.545, series: 'diametral pitch', size: 10 },
  ])('$moduleMm is $series $size', ({ moduleMm, series, size }) => {
    const [nearest] = nearestSizes(moduleMm)
    expect(nearest).toMatchObject({ series, size })
    expect(nearest?.offShare).toBeCloseTo(moduleMm / (nearest?.moduleMm ?? NaN) - 1, 12)
  })
})

test('a pair of 20 and 40 teeth of module 3 runs at 90 mm (m(z1 + z2)/2, ISO 21771)', () => {
  expect(centreDistanceMm(3, [20, 40], 0)).toBe(90)
  expect(centreDistanceMm(3, [20, 40], 60)).toBeCloseTo(180, 9)
})

describe('mateProblems', () => {
  const gear = { moduleMm: 3, helixAngleDeg: 25, pressureAngleDeg: 20, hand: 'right' } as const
  // An external pair on parallel shafts has one module, pressure angle and helix, and opposite
  // hands; source: Machinery's Handbook, helical gears on parallel shafts.
  it.each([
    { other: { ...gear, hand: 'left' as const }, expected: [] },
    { other: gear, expected: ['hand'] },
    { other: { ...gear, hand: 'left' as const, moduleMm: 3.25 }, expected: ['module'] },
    { other: { ...gear, hand: 'left' as const, helixAngleDeg: 30 }, expected: ['helix'] },
    {
      other: { ...gear, hand: 'left' as const, pressureAngleDeg: 14.5 },
      expected: ['pressure-angle'],
    },
    { other: { ...gear, hand: null }, expected: [] },
  ])('$expected', ({ other, expected }) => {
    expect(mateProblems(gear, other)).toEqual(expected)
  })
})

describe('countsOfArc', () => {
  it('a sixth of the turn is a chord of one radius: five teeth there are thirty in all', () => {
    // Chord of 60° equals the radius; by hand.
    expect(countsOfArc(100, 50, 5, 0.1)).toEqual([30])
  })

  it('names every count within the error, nearest first', () => {
    const counts = countsOfArc(100, 50, 5, 2)
    expect(counts[0]).toBe(30)
    // 2·asin(0.52)/5 and 2·asin(0.48)/5 give 28.7 and 31.4, by hand.
    expect([...counts].sort((a, b) => a - b)).toEqual([29, 30, 31])
  })

  it('is empty where the chord is longer than the gear is wide', () => {
    expect(countsOfArc(100, 101, 5, 0.1)).toEqual([])
  })
})
