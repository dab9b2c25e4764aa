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

export type DriveAnswer =
  | {
      readonly ok: true
      readonly result: DriveResult
      readonly figures: readonly (readonly [DriveWay, DriveFigures])[]
      readonly beside: readonly BesideAnswer[]
    }
  | NotDriven

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

export function runDrive(job: DriveJob): DriveAnswer {
  const { draft, car, course, way, others, beside, rules, times } = job
  const found = powertrainOfDraft(draft)
  if (!found.ok) return found
  const how = { car, course, rules, times }
  const result = driveCourse({
    ...how,
    way,
    powertrain: found.powertrain,
    stepsATick: stepsFor(car),
    isSampled: true,
  })
  return {
    ok: true,
    result,
    figures: [
      [way, figuresOfDrive(result)],
      ...others.map((other) => [other, drive(found, { ...how, way: other })] as const),
    ],
    beside: beside.map((unit): BesideAnswer => {
      const theirs = powertrainOfDraft(unit.draft)
      const answer = theirs.ok
        ? ({ ok: true, figures: drive(theirs, { ...how, car: unit.car, way: unit.way }) } as const)
        : theirs
      return { id: unit.id, name: unit.name, way: unit.way, answer }
    }),
  }
}
