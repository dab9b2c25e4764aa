/** Drums: the usual one of six speeds, faults by hand, and sampling of random ones. */
import fc from 'fast-check'

import { buildPattern } from '../box/patterns/index.ts'
import type { BoxDraft, Drum } from '../box/types.ts'
import { rational } from '../number/rational.ts'
import { boxOf } from '../testing/boxes.ts'
import type { Solver } from '../train/analysis.ts'
import { prepareSolver } from '../train/analysis.ts'
import type { DrumStretch } from './drum.ts'
import { proveDrum, settlesAt, travelAt } from './drum.ts'

function counted(draft: BoxDraft): BoxDraft {
  return {
    ...draft,
    gears: draft.gears.map((gear, at) => ({ ...gear, toothCount: 18 + ((at * 5) % 23) })),
  }
}

const six = counted(buildPattern('motorcycle', 'six', {}))
const solver: Solver = prepareSolver(boxOf(six))
const drum = six.drums?.[0]
if (!drum) throw new Error('the pattern has a drum')

describe('a drum of six speeds', () => {
  const proof = proveDrum(solver, drum)

  test('goes round without a gap and never locks', () => {
    proof.stretches.forEach(({ toDeg }, at) => {
      const next = proof.stretches[at + 1]
      if (next) expect(next.fromDeg.equals(toDeg)).toBe(true)
    })
    const turn = proof.stretches.reduce(
      (sum, { fromDeg, toDeg }) => sum.add(toDeg.sub(fromDeg)),
      rational(0),
    )
    expect(turn.equals(rational(360))).toBe(true)
    expect(proof.stretches.some(({ atFault }) => atFault.length > 0)).toBe(false)
  })

  test('has first, neutral, then second to sixth, each at its stop (common practice)', () => {
    expect(proof.stops.every(({ isAsNamed }) => isAsNamed)).toBe(true)
    const labels = proof.stops.map(({ stretch }) =>
      stretch?.state === 'neutral' ? 'N' : stretch?.position?.label,
    )
    expect(labels).toEqual(['1', 'N', '2', '3', '4', '5', '6'])
  })

  test('has a false neutral between every two gears but first and second, in which the star cannot rest', () => {
    // Between 2–3, 3–4, 4–5, 5–6 and, where the drum has its end stop, 6–1.
    expect(proof.falseNeutrals.length).toBe(5)
    expect(proof.falseNeutrals.some(({ canRest }) => canRest)).toBe(false)
  })

  test('the star settles at the nearest notch, and in neutral only from within its reach', () => {
    const at = (angle: number) => settlesAt(proof.stops, rational(angle * 10, 10))?.stop
    expect(at(3)?.position).toBe(drum.stops[0]?.position)
    expect(at(30)?.position).toBeUndefined()
    expect(at(23)?.position).toBe(drum.stops[0]?.position)
    expect(at(37)?.position).toBe(drum.stops[2]?.position)
    expect(at(359)?.position).toBe(drum.stops[0]?.position)
  })
})

test('a groove that is cut too long locks the box, and both grooves are named', () => {
  // The fork of first stays in until second is in as well.
  const [first] = drum.tracks.filter(({ points }) =>
    points.some(({ angleDeg, travelMm }) => angleDeg < 30 && travelMm !== 0),
  )
  if (!first) throw new Error('no groove of first')
  const wrong: Drum = {
    ...drum,
    tracks: drum.tracks.map((track) =>
      track === first
        ? {
            ...track,
            points: [
              { angleDeg: 0, travelMm: -8 },
              { angleDeg: 70, travelMm: -8 },
              { angleDeg: 80, travelMm: 0 },
              { angleDeg: 330, travelMm: 0 },
              { angleDeg: 350, travelMm: -8 },
            ],
          }
        : track,
    ),
  }
  const locked = proveDrum(solver, wrong).stretches.filter(({ atFault }) => atFault.length > 0)
  expect(locked.length).toBeGreaterThan(0)
  for (const { atFault } of locked) {
    expect(atFault).toContain(first.coupler)
    expect(atFault.length).toBe(2)
  }
})

test('a groove is straight between its points and goes on over the end of the turn', () => {
  const track = {
    coupler: 'a',
    points: [
      { angleDeg: 30, travelMm: 0 },
      { angleDeg: 90, travelMm: 6 },
      { angleDeg: 330, travelMm: 6 },
    ],
    touchesFromMm: 2,
    carriesFromMm: 5,
  }
  expect(travelAt(track, rational(60)).equals(rational(3))).toBe(true)
  expect(travelAt(track, rational(200)).equals(rational(6))).toBe(true)
  // From 330° to 30° of the next turn it falls by 6 mm over 60°.
  expect(travelAt(track, rational(0)).equals(rational(3))).toBe(true)
  expect(travelAt(track, rational(345)).equals(rational(9, 2))).toBe(true)
})

/** Random grooves on the couplers of the box, in half degrees and half millimetres. */
const randomDrum: fc.Arbitrary<Drum> = fc
  .tuple(
    ...drum.tracks.map(({ coupler }) =>
      fc
        .uniqueArray(fc.integer({ min: 0, max: 719 }), { minLength: 1, maxLength: 8 })
        .chain((angles) =>
          fc.tuple(
            fc.constant([...angles].sort((one, other) => one - other)),
            fc.array(fc.integer({ min: -16, max: 16 }), {
              minLength: angles.length,
              maxLength: angles.length,
            }),
          ),
        )
        .map(([angles, travels]) => ({
          coupler,
          points: angles.map((half, at) => ({
            angleDeg: half / 2,
            travelMm: (travels[at] ?? 0) / 2,
          })),
          touchesFromMm: 2,
          carriesFromMm: 5,
        })),
    ),
  )
  .map((tracks) => ({ id: 'drum', tracks, stops: [] }))

/** How deep a fork is at an angle, from the points alone and in floats. */
function sampled({ points }: Drum['tracks'][number], angle: number): number {
  const before = points.findLast(({ angleDeg }) => angleDeg <= angle) ?? points.at(-1)
  const after = points.find(({ angleDeg }) => angleDeg > angle) ?? points[0]
  if (!before || !after) return 0
  const span = (after.angleDeg - before.angleDeg + 360) % 360 || 360
  const gone = (angle - before.angleDeg + 360) % 360
  return before.travelMm + ((after.travelMm - before.travelMm) * gone) / span
}

test('at every sampled angle a random drum is what its stretch says', () => {
  fc.assert(
    fc.property(randomDrum, (any) => {
      const { stretches } = proveDrum(solver, any)
      const at = (angle: number): DrumStretch | undefined =>
        stretches.find(
          ({ fromDeg, toDeg }) =>
            (angle >= fromDeg.toNumber() && angle <= toDeg.toNumber()) ||
            angle + 360 <= toDeg.toNumber(),
        )
      // No angle that a point stands at, so that floats decide nothing.
      for (let angle = 0.123; angle < 360; angle += 3.137) {
        const stretch = at(angle)
        any.tracks.forEach((track, which) => {
          const mm = sampled(track, angle)
          const size = Math.abs(mm)
          if (Math.abs(size - 2) < 1e-6 || Math.abs(size - 5) < 1e-6) return
          const depth = stretch?.depths[which]
          expect(depth?.side).toBe(size < 2 ? 0 : Math.sign(mm))
          expect(depth?.isDeep).toBe(size >= 5)
        })
      }
    }),
    { numRuns: 40 },
  )
})
