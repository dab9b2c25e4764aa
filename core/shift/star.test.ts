/**
 * A star and its roller: closed forms for a circular notch (statics, from memory), a plain minimum of
 * energy over 10⁵ angles of a profile that is made of points, and facts of the trade about wear.
 */
import fc from 'fast-check'

import type { Drum, DrumStop, StarFigures } from '../box/types.ts'

import { fullStar, pullOf, starOf, starRests } from './star.ts'

const RAD = Math.PI / 180

type Star = Pick<Drum, 'star' | 'stops'>

/** So many stops, evenly. */
function even(count: number, star: StarFigures = {}, change: Partial<DrumStop> = {}): Star {
  return {
    star,
    stops: Array.from({ length: count }, (_, at) => ({
      angleDeg: (at * 360) / count,
      ...(at === 0 && change),
    })),
  }
}

/** The rim of half a notch as a circle through three points: its bottom, its tip, and the tip mirrored. */
function rimByHand(bottomMm: number, tipMm: number, widthRad: number, atRad: number): number {
  const [x, y] = [tipMm * Math.cos(widthRad), tipMm * Math.sin(widthRad)]
  // The middle of the circle lies on the ray of the stop, as far from the bottom as from the tip.
  const middle = (x * x + y * y - bottomMm * bottomMm) / (2 * (x - bottomMm))
  const radius = Math.abs(middle - bottomMm)
  // Walked out along the ray until the circle is met.
  const b = middle * Math.cos(atRad)
  const root = Math.sqrt(radius * radius - (middle * Math.sin(atRad)) ** 2)
  return [b - root, b + root].reduce((best, each) =>
    each >= bottomMm - 1e-9 && each <= tipMm + 1e-9 ? each : best,
  )
}

describe('a notch that is an arc of a circle', () => {
  const star = even(6, { frictionNmm: 0 })
  const { tipDiameterMm, bottomDiameterMm, rollerDiameterMm } = fullStar(star)
  const [tip, bottom, roller] = [tipDiameterMm / 2, bottomDiameterMm / 2, rollerDiameterMm / 2]
  const middle = (tip ** 2 - bottom ** 2) / (2 * (tip * Math.cos(30 * RAD) - bottom))

  test('carries the roller on a circle about its own middle', () => {
    const { pitch } = starOf(star)
    for (const deg of [0, 2, 5, 10, 15]) {
      const [radius] = pitch(deg * RAD)
      const [x, y] = [radius * Math.cos(deg * RAD) - middle, radius * Math.sin(deg * RAD)]
      expect(Math.hypot(x, y)).toBeCloseTo(middle - bottom - roller, 9)
    }
  })

  test('over a tip the roller is its own radius from the edge', () => {
    const { pitch } = starOf(star)
    expect(pitch(30 * RAD)[0]).toBeCloseTo(tip + roller, 9)
    const [radius] = pitch(28 * RAD)
    const [x, y] = [radius * Math.cos(2 * RAD) - tip, radius * Math.sin(2 * RAD)]
    expect(Math.hypot(x, y)).toBeCloseTo(roller, 9)
  })

  test('about its bottom the spring turns it back by force × radius × middle ÷ what is left of the arc, for a radian', () => {
    const { springForceN, armLengthMm, pivotMm } = fullStar(star)
    const rest = bottom + roller
    // How far the roller goes along the way across its arm for 1 mm off the axis, by the law of sines.
    const cosine = (armLengthMm ** 2 + pivotMm ** 2 - rest ** 2) / (2 * armLengthMm * pivotMm)
    const along = rest / (pivotMm * Math.sqrt(1 - cosine ** 2))
    const stiffness = (springForceN * along * rest * middle) / (middle - bottom - roller)
    const [one, other] = [1e-4, -1e-4].map((at) => pullOf(starOf(star))(at))
    if (!one || !other) throw new Error('two pulls')
    const measured = -(one.torqueNmm - other.torqueNmm) / ((one.drumDeg - other.drumDeg) * RAD)
    expect(measured / stiffness).toBeCloseTo(1, 5)
  })

  test('friction holds it as far from the bottom as its torque ÷ that stiffness', () => {
    const frictionNmm = 1
    const held = starRests({ ...star, star: { frictionNmm } }).find(
      ({ restDeg }) => Math.abs(Math.sin(restDeg * RAD)) < 0.01 && Math.cos(restDeg * RAD) > 0,
    )
    if (!held) throw new Error('a rest')
    expect(Math.sin(held.restDeg * RAD)).toBeCloseTo(0, 8)
    const half = ((held.toDeg - held.fromDeg) / 2) * RAD
    const pull = pullOf(starOf(star))
    const slope = (pull(1e-4).torqueNmm - pull(-1e-4).torqueNmm) / 2e-4
    expect(half / (frictionNmm / -slope)).toBeCloseTo(1, 2)
  })

  test('the rim is the arc through bottom and tips', () => {
    for (const deg of [0, 5, 12, 20, 29.5])
      expect(starOf(star).rimMm(deg * RAD)).toBeCloseTo(
        rimByHand(bottom, tip, 30 * RAD, deg * RAD),
        6,
      )
  })
})

const anyStar = fc
  .record({
    count: fc.integer({ min: 4, max: 8 }),
    tip: fc.double({ min: 16, max: 24, noNaN: true }),
    depth: fc.double({ min: 1, max: 5, noNaN: true }),
    roller: fc.double({ min: 3, max: 8, noNaN: true }),
    worn: fc.array(fc.double({ min: 0, max: 0.9, noNaN: true }), { minLength: 8, maxLength: 8 }),
    shifts: fc.array(fc.double({ min: -0.25, max: 0.25, noNaN: true }), {
      minLength: 8,
      maxLength: 8,
    }),
  })
  .map(({ count, tip, depth, roller, worn, shifts }): Star => ({
    star: {
      tipDiameterMm: 2 * tip,
      bottomDiameterMm: 2 * (tip - depth),
      rollerDiameterMm: 2 * roller,
      armLengthMm: 45,
      pivotMm: 50,
      frictionNmm: 0,
    },
    stops: Array.from({ length: count }, (_, at) => ({
      angleDeg: ((at + 0.4 + (shifts[at] ?? 0)) * 360) / count,
      tipWearMm: (worn[at] ?? 0) * depth * 0.8,
    })),
  }))

/** The roller let down on a rim of points at each of 10⁵ angles: between every two tips, where its drum stands when it lies lowest. */
function plainMinima(star: Star): readonly number[] {
  const ANGLES = 100_000
  const POINTS = 3_600
  const { rimMm } = starOf(star)
  const roller = fullStar(star).rollerDiameterMm / 2
  const [xs, ys] = [new Float64Array(POINTS), new Float64Array(POINTS)]
  let least = Infinity
  for (let at = 0; at < POINTS; at++) {
    const turn = (at * 2 * Math.PI) / POINTS
    const rim = rimMm(turn)
    least = Math.min(least, rim)
    xs[at] = rim * Math.cos(turn)
    ys[at] = rim * Math.sin(turn)
  }
  // A tip may be narrower than the points are apart, where a notch is cut under it.
  const angles = star.stops.map(({ angleDeg }) => angleDeg).sort((one, other) => one - other)
  const tips = angles.map((angle, which) => {
    const next = angles[which + 1] ?? (angles[0] ?? 0) + 360
    const turn = ((angle + next) / 2) * RAD
    return { x: rimMm(turn) * Math.cos(turn), y: rimMm(turn) * Math.sin(turn) }
  })
  const window = Math.ceil((Math.asin(Math.min(1, roller / least)) / (2 * Math.PI)) * POINTS)
  // Looked up once: a global costs a test more than the sum does.
  const { abs, sqrt } = Math
  const heightAt = (angle: number): number => {
    const [cosine, sine] = [Math.cos(angle), Math.sin(angle)]
    const nearest = Math.round((angle / (2 * Math.PI)) * POINTS)
    let best = 0
    for (const { x, y } of tips) {
      const across = y * cosine - x * sine
      const along = x * cosine + y * sine
      if (abs(across) <= roller && along > 0)
        best = Math.max(best, along + sqrt(roller * roller - across * across))
    }
    for (let off = -window; off <= window; off++) {
      const at = (nearest + off + 2 * POINTS) % POINTS
      const [x, y] = [xs[at] ?? 0, ys[at] ?? 0]
      const across = y * cosine - x * sine
      if (abs(across) > roller) continue
      const height = x * cosine + y * sine + sqrt(roller * roller - across * across)
      if (height > best) best = height
    }
    return best
  }
  const lowest = star.stops.map(() => ({ deg: NaN, height: Infinity }))
  for (let at = 0; at < ANGLES; at++) {
    const deg = (at * 360) / ANGLES
    const far = star.stops.map(({ angleDeg }) => Math.abs(((deg - angleDeg + 540) % 360) - 180))
    const basin = lowest[far.indexOf(Math.min(...far))]
    const height = heightAt(deg * RAD)
    if (basin && height < basin.height) Object.assign(basin, { deg, height })
  }
  // By the law of cosines: where the roller of an arm is seen from the axis, so far out.
  const { armLengthMm, pivotMm, bottomDiameterMm } = fullStar(star)
  const seen = (out: number): number =>
    Math.acos((pivotMm ** 2 + out ** 2 - armLengthMm ** 2) / (2 * pivotMm * out)) / RAD
  return lowest.map(({ deg, height }) => deg - (seen(height) - seen(bottomDiameterMm / 2 + roller)))
}

test('without friction it rests where the energy of 10⁵ angles is least, worn or not', () => {
  fc.assert(
    fc.property(anyStar, (star) => {
      const found = starRests(star).filter(({ kind }) => kind === 'notch')
      expect(found.length).toBe(star.stops.length)
      // The plain rim has a point every tenth of a degree.
      for (const plain of plainMinima(star)) {
        const off = found.map(({ restDeg }) => Math.abs(((plain - restDeg + 540) % 360) - 180))
        expect(Math.min(...off)).toBeLessThan(0.3)
      }
    }),
    { numRuns: 5, endOnFailure: true },
  )
}, 60_000)

test('the torque is the fall of energy for a radian of the drum, everywhere', () => {
  fc.assert(
    fc.property(anyStar, fc.double({ min: 0, max: 6.28, noNaN: true }), (star, at) => {
      const pull = pullOf(starOf(star))
      const step = 1e-5
      const [one, here, other] = [pull(at - step), pull(at), pull(at + step)]
      const [before, after] = [here.torqueNmm - one.torqueNmm, other.torqueNmm - here.torqueNmm]
      // Not across a corner of the profile.
      fc.pre(Math.abs(before) < 1 && Math.abs(after) < 1)
      const fall = -(other.energyNmm - one.energyNmm) / ((other.drumDeg - one.drumDeg) * RAD)
      expect(Math.abs(fall - here.torqueNmm)).toBeLessThan(0.5)
    }),
  )
})

describe('wear (common practice)', () => {
  test('a new star rests in its notches and nowhere else that counts', () => {
    const rests = starRests(even(6))
    expect(rests.filter(({ holds }) => holds).map(({ kind }) => kind)).toEqual(
      Array.from({ length: 6 }, () => 'notch'),
    )
  })

  test('a tip that is worn flat is a place to rest, between its own stops alone', () => {
    const flats = starRests(even(6, {}, { tipWearMm: 2 })).filter(({ kind }) => kind === 'flat')
    expect(flats).toHaveLength(1)
    expect(flats[0]?.fromDeg).toBeGreaterThan(10)
    expect(flats[0]?.toDeg).toBeLessThan(50)
  })

  test('the weaker the spring, the further from its stop the drum hangs, until it is held anywhere', () => {
    const widths = [60, 30, 12].map((springForceN) => {
      const [first] = starRests(even(6, { springForceN, springRateNPerMm: 0 }))
      return first ? first.toDeg - first.fromDeg : 0
    })
    expect([...widths].sort((one, other) => one - other)).toEqual(widths)
    const slack = starRests(even(6, { springForceN: 0.5, springRateNPerMm: 0 }))
    expect(slack.map(({ kind }) => kind)).toEqual(['held'])
  })

  test('a roller that lies on the edges of a notch goes to the side whose edge is worn', () => {
    const star = (tipWearMm: number): Star => ({
      star: { frictionNmm: 0, rollerDiameterMm: 20 },
      stops: [0, 15, 60, 120, 180, 240, 300].map((angleDeg) => ({
        angleDeg,
        ...(angleDeg === 15 && { reachDeg: 4, tipWearMm }),
      })),
    })
    const restOf = (each: Star): number =>
      starRests(each).find(({ kind, restDeg }) => kind === 'notch' && restDeg > 10 && restDeg < 30)
        ?.restDeg ?? NaN
    expect(restOf(star(0.5))).toBeGreaterThan(restOf(star(0)))
  })
})

const faultOf = (star: Star) => starOf(star).fault

test('what is entered of a larger or a smaller star can be entered in any order, one figure at a time', () => {
  const figures = {
    tipDiameterMm: 150,
    bottomDiameterMm: 130,
    rollerDiameterMm: 40,
    armLengthMm: 110,
    pivotMm: 140,
  } as const
  const names = Object.keys(figures) as readonly (keyof typeof figures)[]
  for (const scale of [1, 0.12])
    for (const first of names)
      for (const second of names) {
        const star = { [first]: figures[first] * scale, [second]: figures[second] * scale }
        expect([first, second, faultOf(even(6, star))]).toEqual([first, second, null])
      }
})

test('a star without notches, an arm that does not reach, one that jams: each is said', () => {
  expect(faultOf(even(6, { tipDiameterMm: 28, bottomDiameterMm: 28 }))).toBe('no-notches')
  expect(faultOf({ stops: [] })).toBe('no-stops')
  expect(faultOf(even(6, { tipDiameterMm: 36, armLengthMm: 10, pivotMm: 12 }))).toBe(
    'arm-too-short',
  )
  expect(starRests(even(6, { tipDiameterMm: 36, armLengthMm: 10, pivotMm: 12 }))).toEqual([])
  // All but in line with the axis of the drum, the arm swings faster than the star turns.
  expect(
    faultOf(
      even(6, {
        tipDiameterMm: 44,
        bottomDiameterMm: 28,
        rollerDiameterMm: 12,
        armLengthMm: 60,
        pivotMm: 79.9,
      }),
    ),
  ).toBe('arm-jams')
  expect(faultOf(even(6))).toBeNull()
})
