/** One drive with all that it hangs on, as it goes to a worker and comes back. */
import type {
  BoxDraft,
  Car,
  CourseRow,
  DriveResult,
  DriveWay,
  PowertrainResult,
  ShiftRules,
  ShiftTimes,
} from 'core'
import { checkBox, driveCourse, powertrainOf, prepareSolver, stepsFor } from 'core'

import type { DriveFigures } from './driveView.ts'
import { figuresOfDrive } from './driveView.ts'

export interface DriveJob {
  readonly draft: BoxDraft
  readonly car: Car
  readonly course: readonly CourseRow[]
  readonly way: DriveWay
  /** Driven besides, for their figures. */
  readonly others: readonly DriveWay[]
  readonly rules: ShiftRules
  readonly times: ShiftTimes
}

export type DriveAnswer =
  | {
      readonly ok: true
      readonly result: DriveResult
      readonly figures: readonly (readonly [DriveWay, DriveFigures])[]
    }
  | Extract<PowertrainResult, { readonly ok: false }>

export function runDrive({ draft, others, ...task }: DriveJob): DriveAnswer {
  const checked = checkBox(draft)
  if (!checked.ok) return { ok: false, kind: 'none-drives' }
  const found = powertrainOf(prepareSolver(checked.box))
  if (!found.ok) return found
  const stepsATick = stepsFor(task.car)
  const drive = (way: DriveWay, isSampled: boolean): DriveResult =>
    driveCourse({ ...task, way, powertrain: found.powertrain, stepsATick, isSampled })
  const result = drive(task.way, true)
  return {
    ok: true,
    result,
    figures: [
      [task.way, figuresOfDrive(result)],
      ...others.map((way) => [way, figuresOfDrive(drive(way, false))] as const),
    ],
  }
}
