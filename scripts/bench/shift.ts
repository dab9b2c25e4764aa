/** Changing gear: every change of a large box, and a drum proven beside one that is sampled. */
import type { BoxDraft, Drum, Solver } from 'core'
import {
  analyse,
  buildPattern,
  checkBox,
  gearChange,
  placesOver,
  prepareSolver,
  proveDrum,
  proveInterlock,
  rational,
  travelAt,
} from 'core'

import { counted } from './boxes.ts'
import { medianMs, ms, report } from './measure.ts'

const STEPS_A_DEGREE = 100

function solverOf(draft: BoxDraft): Solver {
  const checked = checkBox(draft)
  if (!checked.ok) throw new Error(JSON.stringify(checked.issues))
  return prepareSolver(checked.box)
}

/** Every change between all listed positions of an eighteen-speed. */
export function benchChanges(): void {
  const draft = counted(buildPattern('heavy', 'changes', { speeds: '18', range: 'countershaft' }))
  const { positions } = draft
  const pairs = positions.flatMap((from) =>
    positions.flatMap((to) => (from === to ? [] : [{ from, to }])),
  )
  report(
    `Core: all ${pairs.length} changes between the positions of an eighteen-speed`,
    ms(
      medianMs(5, () => {
        // Nothing is known of the box yet, as on a page that has just been opened.
        const solver = solverOf(draft)
        for (const { from, to } of pairs) gearChange(solver, from, to, 'clutch')
      }),
    ),
    `all positions traced once ${ms(
      medianMs(5, () => {
        const solver = solverOf(draft)
        for (const { couplers } of positions) analyse(solver, couplers)
      }),
    )}`,
    'under 50 ms',
  )
}

/** What a look at each hundredth of a degree finds, and at which angles it is something else. */
function sampled(solver: Solver, drum: Drum): readonly string[] {
  const { couplers } = solver.box.draft
  const found: string[] = []
  const known = new Map<string, string>()
  for (let at = 0; at < 360 * STEPS_A_DEGREE; at++) {
    const angle = rational(at, STEPS_A_DEGREE)
    const depths = drum.tracks.map((track) => {
      const mm = travelAt(track, angle).toNumber()
      const size = Math.abs(mm)
      const side = size < track.touchesFromMm ? 0 : mm < 0 ? -1 : 1
      return { coupler: track.coupler, side, isDeep: size >= track.carriesFromMm } as const
    })
    const key = depths.map(({ side, isDeep }) => `${side}${isDeep}`).join()
    if (!known.has(key))
      known.set(
        key,
        analyse(
          solver,
          placesOver(couplers, {
            fromDeg: angle,
            toDeg: angle,
            depths,
            state: 'neutral',
            position: null,
            atFault: [],
          }),
        ).state,
      )
    if (found.at(-1) !== key) found.push(key)
  }
  return found
}

/** The proof of a six-speed drum beside a look at every hundredth of a degree. */
export function benchDrum(): void {
  const draft = counted(buildPattern('motorcycle', 'drum', { speeds: '6' }))
  const solver = solverOf(draft)
  const [drum] = draft.drums ?? []
  if (!drum) throw new Error('the pattern has a drum')
  const proof = proveDrum(solver, drum)
  const looked = sampled(solver, drum)
  const stretches = new Set(
    proof.stretches.map(({ depths }) =>
      depths.map(({ side, isDeep }) => `${side}${isDeep}`).join(),
    ),
  )
  report(
    `Core: a six-speed drum proven over its turn, in ${proof.stretches.length} stretches`,
    ms(medianMs(9, () => proveDrum(solver, drum))),
    `looked at every 0.01° ${ms(medianMs(1, () => sampled(solver, drum)))}, which finds ${looked.filter((key) => !stretches.has(key)).length} states more`,
    'under 5 ms',
  )
}

/** The interlock of a five-speed, with all parts and without each. */
export function benchInterlock(): void {
  const solver = solverOf(counted(buildPattern('three-shaft', 'interlock', {})))
  report(
    'Core: an interlock proven, with all of its parts and without each',
    ms(medianMs(9, () => proveInterlock(solver))),
    `one position traced ${ms(
      medianMs(9, () => analyse(solver, solver.box.draft.positions[1]?.couplers ?? {})),
    )}`,
    'no aim is set',
  )
}
