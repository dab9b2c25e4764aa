/** A drum made from stops and travels: every stop holds what it is for, and nothing goes in twice. */
import fc from 'fast-check'

import { PATTERN_IDS, buildPattern, usualCut, withDrum } from '../box/index.ts'
import type { BoxDraft } from '../box/types.ts'
import { checkBox } from '../box/check.ts'
import { rational } from '../number/rational.ts'
import { isLocked, prepareSolver, analyse } from '../train/index.ts'

import type { Depth } from './drum.ts'
import { placesOver, proveDrum, travelAt } from './drum.ts'

const BOXES = PATTERN_IDS.filter((id) => id !== 'heavy' && id !== 'dual-clutch').map(
  (id): BoxDraft => {
    const draft = buildPattern(id, id, {})
    return {
      ...draft,
      gears: draft.gears.map((gear, at) => ({ ...gear, toothCount: 17 + ((at * 7) % 24) })),
    }
  },
)

const anyCut = fc.record({
  which: fc.integer({ min: 0, max: BOXES.length - 1 }),
  step: fc.double({ min: 0.3, max: 1, noNaN: true }),
  travelMm: fc.integer({ min: 3, max: 20 }),
})

interface Cut {
  readonly which: number
  /** Of the widest that there is room for. */
  readonly step: number
  readonly travelMm: number
}

function made({ which, step, travelMm }: Cut) {
  const draft = BOXES[which]
  if (!draft) throw new Error('a box')
  const stepDeg = Math.max(10, usualCut(draft).stepDeg * step)
  const built = withDrum(draft, { stepDeg, travelMm })
  const [drum] = built.drums ?? []
  const checked = checkBox(built)
  if (!drum || !checked.ok) throw new Error('a drum in a box that hangs together')
  const solver = prepareSolver(checked.box)
  return { built, drum, stepDeg, solver, proof: proveDrum(solver, drum) }
}

test('each stop of a drum that was made is what it is named for, and stops stand as far apart as was said', () => {
  fc.assert(
    fc.property(anyCut, (cut) => {
      const { built, drum, stepDeg, proof } = made(cut)
      expect(
        proof.stops.filter(({ isAsNamed }) => !isAsNamed).map(({ stop }) => stop.angleDeg),
      ).toEqual([])
      const named = drum.stops.filter(({ position }) => position !== undefined)
      named.slice(1).forEach(({ angleDeg }, at) => {
        expect(angleDeg - (named[at]?.angleDeg ?? 0)).toBeCloseTo(stepDeg, 1)
      })
      for (const track of drum.tracks)
        for (const point of track.points)
          expect([0, cut.travelMm]).toContain(Math.abs(point.travelMm))
      expect(built.selectors).toBeUndefined()
    }),
    { numRuns: 30 },
  )
})

test('nothing is in twice anywhere round it, by plain scanning of every degree', () => {
  fc.assert(
    fc.property(anyCut, (cut) => {
      const { built, drum, solver, proof } = made(cut)
      const locked = new Map<string, boolean>()
      for (let angle = 0; angle < 360; angle++) {
        const depths = drum.tracks.map((track): Depth => {
          const mm = travelAt(track, rational(angle)).toNumber()
          const side = Math.abs(mm) < track.touchesFromMm ? 0 : mm < 0 ? -1 : 1
          return { coupler: track.coupler, side, isDeep: side !== 0 }
        })
        const places = placesOver(built.couplers, { depths })
        const key = JSON.stringify(places)
        if (!locked.has(key)) locked.set(key, isLocked(analyse(solver, places)))
      }
      expect([...locked.values()]).not.toContain(true)
      expect(proof.stretches.flatMap(({ atFault }) => atFault)).toEqual([])
    }),
    { numRuns: 15 },
  )
})
