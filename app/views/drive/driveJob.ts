/** One drive with all that it hangs on, as it goes to a worker and comes back. */
import type {
  BoxDraft,
  Car,
  CourseRow,
  DriveResult,
  DriveWay,
  Powertrain,
  PowertrainResult,
  ShiftRules,
  ShiftTimes,
} from 'core'
import { checkBox, driveCourse, powertrainOf, prepareSolver, stepsFor } from 'core'

import type { UsualUnit } from './besideUnits.ts'
import type { DriveFigures } from './driveView.ts'
import { figuresOfDrive } from './driveView.ts'

export interface DriveJob {
  readonly draft: BoxDraft
  readonly car: Car
  readonly course: readonly CourseRow[]
  readonly way: DriveWay
  /** Driven besides, for their figures. */
  readonly others: readonly DriveWay[]
  /** Other units, each in the way that is usual for it. */
  readonly beside: readonly UsualUnit[]
  readonly rules: ShiftRules
  readonly times: ShiftTimes
}

/** Why a box is not driven. */
type NotDriven = Extract<PowertrainResult, { readonly ok: false }>

/** What came of another unit. */
export interface BesideAnswer {
  readonly id: string
  readonly name: string
  readonly way: DriveWay
  readonly answer: { readonly ok: true; readonly figures: DriveFigures } | NotDriven
}

interface Driven {
  readonly ok: true
  readonly result: DriveResult
  readonly figures: readonly (readonly [DriveWay, DriveFigures])[]
  readonly beside: readonly BesideAnswer[]
}

export type DriveAnswer = Driven | NotDriven

/** What a job ends with: the drive itself was told before, and is much to send. */
export type LastOfDrive = Omit<Driven, 'result'> | NotDriven

function powertrainOfDraft(draft: BoxDraft): PowertrainResult {
  const checked = checkBox(draft)
  return checked.ok ? powertrainOf(prepareSolver(checked.box)) : { ok: false, kind: 'none-drives' }
}

type Drive = Pick<DriveJob, 'car' | 'course' | 'rules' | 'times' | 'way'>

function drive({ powertrain }: { readonly powertrain: Powertrain }, how: Drive): DriveFigures {
  const { car, course, rules, times, way } = how
  return figuresOfDrive(
    driveCourse({
      car,
      course,
      rules,
      times,
      way,
      powertrain,
      stepsATick: stepsFor(car),
      isSampled: false,
    }),
  )
}

/** Hears the part of a job that is done, 0 to 1, and once what came of the box itself. */
export type TellDrive = (done: number, answer?: DriveAnswer) => void

/** Drives the box first, then in other ways, then what stands beside it. */
export function runDrive(job: DriveJob, onTell?: TellDrive): LastOfDrive {
  const { draft, car, course, way, others, beside, rules, times } = job
  const found = powertrainOfDraft(draft)
  if (!found.ok) return found
  const how = { car, course, rules, times }
  const total = 1 + others.length + beside.length
  const result = driveCourse(
    { ...how, way, powertrain: found.powertrain, stepsATick: stepsFor(car), isSampled: true },
    (done) => onTell?.(done / total),
  )
  const own = [way, figuresOfDrive(result)] as const
  onTell?.(1 / total, { ok: true, result, figures: [own], beside: [] })
  const figures = others.map((other, at) => {
    const driven = [other, drive(found, { ...how, way: other })] as const
    onTell?.((2 + at) / total)
    return driven
  })
  return {
    ok: true,
    figures: [own, ...figures],
    beside: beside.map((unit, at): BesideAnswer => {
      const theirs = powertrainOfDraft(unit.draft)
      const answer = theirs.ok
        ? ({ ok: true, figures: drive(theirs, { ...how, car: unit.car, way: unit.way }) } as const)
        : theirs
      onTell?.((2 + others.length + at) / total)
      return { id: unit.id, name: unit.name, way: unit.way, answer }
    }),
  }
}
