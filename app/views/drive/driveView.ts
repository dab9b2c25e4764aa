/** A drive as the page's address has it: on which course, in which car, by which rules. */
import type {
  BoxDraft,
  BoxPosition,
  Car,
  CouplerPlaces,
  CourseRow,
  DriveResult,
  DriveSample,
  DriveWay,
  ShiftRules,
  ShiftTimes,
  Solver,
} from 'core'
import {
  CHANGE_SCHOOLS,
  SAMPLE_S,
  USUAL_CAR,
  USUAL_RULES,
  USUAL_TIMES,
  analyse,
  finalDriveRatio,
  findPreselections,
  placesAtRest,
  toNumber,
} from 'core'

import type { DriveAddress, DriveField, DriveFieldsOf, DriveKey } from './driveFields.ts'
import { CAR_FIELDS, ENGINE_FIELDS, RULE_FIELDS, TIME_FIELDS } from './driveFields.ts'

/** What an address says of some figures; what it leaves out, or says beyond their limits, is as usual. */
function figuresOf<Figures extends object>(
  search: DriveAddress,
  fields: DriveFieldsOf<Figures>,
  usual: Figures,
): Figures {
  const entries = (Object.entries(fields) as [keyof Figures, DriveField][]).map(([name, field]) => {
    const { key, least, most, scale = 1 } = field
    const text = search[key as DriveKey] ?? null
    const value = text === null ? NaN : Number(text)
    return [name, value >= least && value <= most ? value * scale : usual[name]]
  })
  return Object.fromEntries(entries) as Figures
}

/** Below so many turns for one of the output in the top gear, an axle behind the box is taken to be there. */
const WITH_FINAL_DRIVE = 2

/** The least that the input turns for one turn of the output, in any position that drives. */
export function topRatioOf(solver: Solver): number | undefined {
  const ratios = solver.box.draft.positions.flatMap(({ couplers }) => {
    const analysis = analyse(solver, couplers)
    return analysis.state === 'drive' ? [Math.abs(toNumber(analysis.ratio))] : []
  })
  return ratios.length > 0 ? Math.min(...ratios) : undefined
}

/** The ways in which the gears of a box can be changed: made ready only where one can wait behind its clutch. */
export function waysOf(solver: Solver | undefined): readonly DriveWay[] {
  const canWait = solver?.box.draft.positions.some(
    (position) => position.isHidden !== true && findPreselections(solver, position).length > 0,
  )
  return canWait === true ? ['ready', ...CHANGE_SCHOOLS] : CHANGE_SCHOOLS
}

/** What a drum turns is changed without the clutch; everything else in the first way that it has. */
export function usualWay({ drums = [] }: BoxDraft, ways: readonly DriveWay[]): DriveWay {
  return drums.length > 0 ? 'without-clutch' : (ways[0] ?? 'clutch')
}

/** Where the couplers stand at one instant: in the gear that carries, with what waits beside it. */
export function placesOf(
  solver: Solver,
  labels: readonly string[],
  { selected, ready }: DriveSample,
): CouplerPlaces {
  const { positions, couplers } = solver.box.draft
  const labelled = (at: number): BoxPosition | undefined =>
    positions.find(({ label, isHidden }) => label === labels[at] && isHidden !== true)
  const position = labelled(selected)
  if (!position) return placesAtRest(couplers)
  const waiting = labelled(ready)
  return (
    (waiting &&
      findPreselections(solver, position).find((each) => each.position === waiting)?.places) ??
    position.couplers
  )
}

/** Gears that a course asks for and the box has not. */
export function unknownAsks(
  course: readonly CourseRow[],
  positions: readonly BoxPosition[],
): readonly string[] {
  const labels = new Set(positions.map(({ label }) => label))
  return [...new Set(course.map(({ ask }) => ask))].filter((ask) => ask !== '' && !labels.has(ask))
}

/** The usual engine, with what the unit’s own bears. */
function engineBearing(mostRpm: number | null | undefined): Car['engine'] {
  const { engine } = USUAL_CAR
  return mostRpm === null || mostRpm === undefined
    ? engine
    : { ...engine, mostRpm, peakRpm: Math.min(engine.peakRpm, mostRpm) }
}

/** A car as it would be with this box: what the box says of wheels and axle goes before what is usual. */
export function usualCar(
  { finalDrive, rollingRadiusMm, mostInputRpm }: BoxDraft,
  topRatio: number | undefined,
): Car {
  return {
    ...USUAL_CAR,
    rollingRadiusMm: rollingRadiusMm ?? USUAL_CAR.rollingRadiusMm,
    engine: engineBearing(mostInputRpm),
    finalRatio: finalDrive
      ? toNumber(finalDriveRatio(finalDrive))
      : topRatio !== undefined && topRatio > WITH_FINAL_DRIVE
        ? 1
        : USUAL_CAR.finalRatio,
  }
}

export function carOf(search: DriveAddress, usual: Car): Car {
  return {
    ...figuresOf<Omit<Car, 'engine'>>(search, CAR_FIELDS, usual),
    engine: figuresOf(search, ENGINE_FIELDS, usual.engine),
  }
}

/** The usual rules are of the usual engine: one that bears less is changed sooner. */
export function rulesOf(search: DriveAddress, { engine }: Pick<Car, 'engine'>): ShiftRules {
  const share = Math.min(1, engine.mostRpm / USUAL_CAR.engine.mostRpm)
  const { upLightRpm, upFullRpm, downLightRpm, downFullRpm, ...rest } = USUAL_RULES
  return figuresOf(search, RULE_FIELDS, {
    ...rest,
    upLightRpm: upLightRpm * share,
    upFullRpm: upFullRpm * share,
    downLightRpm: downLightRpm * share,
    downFullRpm: downFullRpm * share,
  })
}

export function timesOf(search: DriveAddress): ShiftTimes {
  return figuresOf(search, TIME_FIELDS, USUAL_TIMES)
}

/** The instant of a drive that is nearest before a time. */
export function sampleAt({ samples }: DriveResult, timeS: number): DriveSample | undefined {
  const at = Math.round(timeS / SAMPLE_S)
  return samples[Math.min(Math.max(at, 0), samples.length - 1)]
}

/** What the engine puts into the box at an instant, through all clutches. */
function inputNm({ clutchNm }: DriveSample): number {
  return clutchNm.reduce((sum, each) => sum + each, 0)
}

/** The most that the engine puts in, or takes back, in a drive. */
export function mostInputNm({ samples }: Pick<DriveResult, 'samples'>): number {
  return samples.reduce((most, sample) => Math.max(most, Math.abs(inputNm(sample))), 0)
}

/** A torque below this drives nothing that could be seen. */
const LEAST_SEEN_NM = 1

/** How the torque goes at an instant: none, from the engine, or back to it, and its part of the most of the drive. */
export interface Flow {
  readonly isOverrun: boolean
  /** Over 0, up to 1. */
  readonly part: number
}

export function flowAt(sample: DriveSample, mostNm: number): Flow | null {
  const torqueNm = inputNm(sample)
  return Math.abs(torqueNm) < LEAST_SEEN_NM
    ? null
    : { isOverrun: torqueNm < 0, part: Math.min(Math.abs(torqueNm) / mostNm, 1) }
}

/** What is told of a drive in one line, to be set beside others. */
export interface DriveFigures {
  readonly changes: number
  /** How long a change takes, half of them less. */
  readonly medianS: number | null
  readonly gapS: number
  readonly clutchJ: number
  /** With what the balance of the work does not have: see `DrivenChange.betweenJ`. */
  readonly ringJ: number
  readonly distanceM: number
}

export function figuresOfDrive({ changes, energy, distanceM }: DriveResult): DriveFigures {
  const times = changes.map(({ startS, endS }) => endS - startS).sort((one, other) => one - other)
  return {
    changes: changes.length,
    medianS: times[Math.floor(times.length / 2)] ?? null,
    gapS: changes.reduce((sum, { gapS }) => sum + gapS, 0),
    clutchJ: energy.clutchJ.reduce((sum, each) => sum + each, 0),
    ringJ: changes.reduce((sum, { betweenJ }) => sum + betweenJ, energy.ringJ),
    distanceM,
  }
}
