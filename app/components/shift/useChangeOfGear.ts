/** The change that the address names, and the moment of it that is looked at. */
import type { Address } from '~/views/addresses.ts'
import { useMemo } from 'react'

import type { BoxPosition, ChangeSchool, GearChange } from 'core'
import { CHANGE_SCHOOLS, gearChange } from 'core'

import { useOpenJob } from '~/components/job/jobContext.ts'
import { chosenPositions } from '~/views/shift/changeView.ts'
import type { Course, Moment } from '~/views/shift/moment.ts'
import { PARTS_OF_A_STEP, courseOf, momentOf } from '~/views/shift/moment.ts'
import { spentRings } from '~/views/shift/contactView.ts'
import { MOST_RPM, figureWithin, rollingSpeed } from '~/views/shift/shiftInput.ts'

import type { OpenShift } from './useShift.ts'

const USUAL_RPM = 3_000

export interface ChangeOfGear {
  readonly from: BoxPosition
  readonly to: BoxPosition
  readonly gear: GearChange
  readonly course: Course
  readonly moment: Moment
  /** In parts of steps, and how many there are. */
  readonly at: number
  readonly last: number
}

export interface AskedChange {
  readonly school: ChangeSchool
  readonly inputRpm: number
  /** As the wheels turn it where nothing drives. */
  readonly outputRpm: number
  /** Nothing while the box does not hang together. */
  readonly shown: ChangeOfGear | undefined
}

export function useChangeOfGear(
  { draft, positions, solver }: OpenShift,
  search: Address<'shift'>,
): AskedChange {
  const { job } = useOpenJob()
  const [from, to] = chosenPositions(positions, search.from, search.to) ?? []
  const school = CHANGE_SCHOOLS.find((each) => each === search.school) ?? 'clutch'
  const inputRpm = figureWithin(search.speed, USUAL_RPM, [1, MOST_RPM])
  const outputRpm = figureWithin(search.rolls, 0, [0, MOST_RPM])
  const gear = useMemo(
    () =>
      solver && from && to
        ? gearChange(solver, from, to, school, {
            outputSpeed: rollingSpeed(solver, outputRpm, inputRpm),
            spentRings: spentRings(job, draft),
          })
        : undefined,
    [solver, from, to, school, outputRpm, inputRpm, job, draft],
  )
  const last = (gear?.steps.length ?? 0) * PARTS_OF_A_STEP
  const at = Math.min(figureWithin(search.at, 0, [0, Infinity]), last)
  const course = useMemo(() => gear && courseOf(draft, gear), [draft, gear])
  const moment = useMemo(() => course && momentOf(course, at), [course, at])
  return {
    school,
    inputRpm,
    outputRpm,
    shown:
      from && to && gear && course && moment
        ? { from, to, gear, course, moment, at, last }
        : undefined,
  }
}
