/** Changing gear: every change of a large box, and a drum proven beside one that is sampled. */
import { readFileSync } from 'node:fs'
import path from 'node:path'

import type { BoxDraft, CourseRow, DriveResult, Drum, Solver } from 'core'
import {
  USUAL_CAR,
  USUAL_RULES,
  USUAL_STEPS,
  USUAL_TIMES,
  analyse,
  buildPattern,
  checkBox,
  driveCourse,
  gearChange,
  placesOver,
  powertrainOf,
  prepareSolver,
  proveDrum,
  proveInterlock,
  rational,
  travelAt,
  pullOf,
  starOf,
  starRests,
} from 'core'

import { parseDriveCsv } from '../../app/files/driveCsv.ts'
import { PARTS_OF_A_STEP, courseOf, momentOf } from '../../app/views/shift/moment.ts'
import { ROOT } from '../paths.mjs'
import { counted } from './boxes.ts'
import { medianMs, ms, report, times, under } from './measure.ts'

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
  const changesMs = medianMs(5, () => {
    // Nothing is known of the box yet, as on a page that has just been opened.
    const solver = solverOf(draft)
    for (const { from, to } of pairs) gearChange(solver, from, to, 'clutch')
  })
  report(
    `Core: all ${pairs.length} changes between the positions of an eighteen-speed`,
    ms(changesMs),
    `all positions traced once ${ms(
      medianMs(5, () => {
        const solver = solverOf(draft)
        for (const { couplers } of positions) analyse(solver, couplers)
      }),
    )}`,
    under(50, changesMs),
  )
}

/** An eighteen-speed up through its gears and down again, to every step of it, as it is played. */
export function benchRun(): void {
  const draft = counted(buildPattern('heavy', 'run', { speeds: '18', range: 'countershaft' }))
  const { positions } = draft
  const upAndDown = [...positions, ...positions.slice(0, -1).reverse()]
  const runMs = medianMs(5, () => {
    const solver = solverOf(draft)
    upAndDown.slice(1).forEach((to, at) => {
      const course = courseOf(draft, gearChange(solver, upAndDown[at] ?? to, to, 'clutch'))
      course.change.steps.forEach((_, step) => momentOf(course, (step + 1) * PARTS_OF_A_STEP))
    })
  })
  report(
    `Core: an eighteen-speed up and down, ${upAndDown.length - 1} changes to every step`,
    ms(runMs),
    `all positions traced once ${ms(
      medianMs(5, () => {
        const solver = solverOf(draft)
        for (const { couplers } of positions) analyse(solver, couplers)
      }),
    )}`,
    under(200, runMs),
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
    if (!known.has(key)) known.set(key, analyse(solver, placesOver(couplers, { depths })).state)
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
  const [provenMs, sampledMs] = [
    medianMs(9, () => proveDrum(solver, drum)),
    medianMs(1, () => sampled(solver, drum)),
  ]
  const missing = looked.filter((key) => !stretches.has(key)).length
  report(
    `Core: a six-speed drum proven over its turn, in ${proof.stretches.length} stretches`,
    `${times(sampledMs, provenMs)} as fast, ${ms(provenMs)}`,
    `looked at every 0.01° ${ms(sampledMs)}, which finds ${missing} states more`,
    { ...under(5, provenMs), 'no state missed': missing === 0 },
  )
}

/** Where the energy of a star is least about each stop, at so many angles. */
function plainRests(drum: Drum, angles: number): readonly number[] {
  const energyAt = pullOf(starOf(drum))
  const best = drum.stops.map(() => ({ deg: NaN, energyNmm: Infinity }))
  for (let at = 0; at < angles; at++) {
    const deg = (at * 360) / angles
    const { energyNmm, drumDeg } = energyAt((deg * Math.PI) / 180)
    drum.stops.forEach(({ angleDeg }, stop) => {
      const kept = best[stop]
      const isNear = Math.abs(((deg - angleDeg + 540) % 360) - 180) < NEAR_STOP_DEG
      if (kept && isNear && energyNmm < kept.energyNmm) best[stop] = { deg: drumDeg, energyNmm }
    })
  }
  return best.map(({ deg }) => deg)
}

/** The rest angles of a star beside a plain minimum of energy over 10⁵ angles. */
export function benchStar(): void {
  const draft = counted(buildPattern('motorcycle', 'star', { speeds: '6' }))
  const [drum] = draft.drums ?? []
  if (!drum) throw new Error('the pattern has a drum')
  const frictionless: Drum = { ...drum, star: { frictionNmm: 0 } }
  const ANGLES = 100_000
  const rests = starRests(frictionless).filter(({ kind }) => kind === 'notch')
  const offDeg = plainRests(frictionless, ANGLES).map((deg) =>
    Math.min(...rests.map(({ restDeg }) => Math.abs(((deg - restDeg + 540) % 360) - 180))),
  )
  const [foundMs, plainMs] = [
    medianMs(15, () => starRests(drum)),
    medianMs(1, () => plainRests(frictionless, ANGLES)),
  ]
  report(
    `Core: where a star of ${drum.stops.length} stops rests`,
    `${times(plainMs, foundMs)} as fast, ${ms(foundMs)}`,
    `the least energy of 10⁵ angles ${ms(plainMs)}, at most ${Math.max(...offDeg).toFixed(4)}° beside`,
    {
      ...under(5, foundMs),
      'as the plain minimum':
        rests.length === drum.stops.length && Math.max(...offDeg) < 360 / ANGLES,
    },
  )
}

/** Of a stop, in which no other lies. */
const NEAR_STOP_DEG = 5

/** The interlock of a five-speed, with all parts and without each. */
export function benchInterlock(): void {
  const solver = solverOf(counted(buildPattern('three-shaft', 'interlock', {})))
  report(
    'Core: an interlock proven, with all of its parts and without each',
    ms(medianMs(9, () => proveInterlock(solver))),
    `one position traced ${ms(
      medianMs(9, () => analyse(solver, solver.box.draft.positions[1]?.couplers ?? {})),
    )}`,
    {},
  )
}

const MINUTES = 10

/** Ten minutes of town, country and hill, one after another. */
function longCourse(): readonly CourseRow[] {
  const parts = ['town', 'overtaking', 'hill'].map((name) => {
    const parsed = parseDriveCsv(readFileSync(path.join(ROOT, `app/drives/${name}.csv`), 'utf8'))
    if (!parsed.ok) throw new Error(parsed.problems.join(' '))
    return parsed.rows
  })
  const rows: CourseRow[] = []
  for (let part = 0; (rows.at(-1)?.timeS ?? 0) < MINUTES * 60; part++) {
    const from = (rows.at(-1)?.timeS ?? -1) + 1
    rows.push(
      ...(parts[part % parts.length] ?? []).map((row) => ({ ...row, timeS: row.timeS + from })),
    )
  }
  return rows.filter(({ timeS }) => timeS <= MINUTES * 60)
}

/** Figures of a drive that a person reads. */
function told({ changes, energy, distanceM }: DriveResult): readonly number[] {
  const { engineJ, clutchJ, ringJ, airJ } = energy
  const takes = changes.reduce((sum, { startS, endS }) => sum + endS - startS, 0)
  const gaps = changes.reduce((sum, { gapS }) => sum + gapS, 0)
  return [distanceM, engineJ, airJ, ringJ, takes, gaps, ...clutchJ]
}

/** Ten minutes driven with two clutches, beside the same with steps of half the length. */
export function benchDrive(): void {
  const found = powertrainOf(solverOf(counted(buildPattern('dual-clutch', 'drive', {}))))
  if (!found.ok) throw new Error(found.kind)
  const course = longCourse()
  for (const way of ['ready', 'clutch'] as const) {
    const drive = (stepsATick: number): DriveResult =>
      driveCourse({
        powertrain: found.powertrain,
        car: { ...USUAL_CAR, finalRatio: 1 },
        course,
        way,
        rules: USUAL_RULES,
        times: USUAL_TIMES,
        stepsATick,
      })
    const [usual, fine] = [drive(USUAL_STEPS), drive(2 * USUAL_STEPS)]
    const gears = ({ changes }: DriveResult): string =>
      changes.map(({ from, to }) => `${from}-${to}`).join(' ')
    const [figures, finer] = [told(usual), told(fine)]
    const apart = Math.max(
      ...figures
        .map((figure, at) => Math.abs(figure / (finer[at] ?? 0) - 1))
        .filter(Number.isFinite),
    )
    const usualMs = medianMs(3, () => drive(USUAL_STEPS))
    report(
      `Core: ${MINUTES} minutes driven, ${way === 'ready' ? 'clutch to clutch' : 'by hand'}, ${usual.changes.length} changes`,
      ms(usualMs),
      `at half the step ${ms(medianMs(3, () => drive(2 * USUAL_STEPS)))}: ${
        gears(usual) === gears(fine) ? 'the same changes' : 'OTHER CHANGES'
      }, figures at most ${(100 * apart).toFixed(2)} % apart`,
      {
        ...under(1_000, usualMs),
        'the same changes': gears(usual) === gears(fine),
        'figures within 1 %': apart < 0.01,
      },
    )
  }
}
