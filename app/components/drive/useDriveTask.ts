/** What is driven: the course, the way of changing and all figures, as the address and this device have them. */
import type { Address } from '~/views/addresses.ts'
import { useMemo } from 'react'

import type { BoxDraft, Car, CourseRow, DriveWay, Solver } from 'core'

import { useOwnCourse } from '~/client/courseStore.ts'
import type { ParsedCourse } from '~/files/driveCsv.ts'
import { parseDriveCsv } from '~/files/driveCsv.ts'
import type { DriveJob } from '~/views/drive/driveJob.ts'
import type { UnitBeside } from '~/views/drive/besideUnits.ts'
import { usualUnit } from '~/views/drive/besideUnits.ts'
import {
  carOf,
  rulesOf,
  timesOf,
  topRatioOf,
  usualCar,
  usualWay,
  waysOf,
} from '~/views/drive/driveView.ts'

import { COURSES } from './courses.ts'

/** In the address, for the course of this device. */
export const OWN_COURSE = 'own'

interface ChosenCourse {
  /** In the address. */
  readonly id: string
  readonly title: string
  readonly csv: string
  readonly parsed: ParsedCourse
  readonly rows: readonly CourseRow[] | undefined
}

export type DriveFiguresOfPage = Pick<DriveJob, 'car' | 'rules' | 'times'>

export interface DriveTaskOfPage {
  readonly course: ChosenCourse
  /** The courses that can be chosen, by what stands in the address. */
  readonly courses: readonly (readonly [id: string, title: string])[]
  /** Ways of changing that this box has. */
  readonly ways: readonly DriveWay[]
  readonly way: DriveWay
  readonly figures: DriveFiguresOfPage
  /** Nothing where the course cannot be read or the box does not hang together. */
  readonly job: DriveJob | undefined
}

interface OpenedBox {
  readonly draft: BoxDraft
  readonly solver: Solver | undefined
}

function useCourse(asked: string | null): Pick<DriveTaskOfPage, 'course' | 'courses'> {
  const own = useOwnCourse()
  const shipped = COURSES.find(({ id }) => id === asked) ?? COURSES[0]
  const { id, title, csv } =
    asked === OWN_COURSE && own
      ? { id: OWN_COURSE, title: own.name, csv: own.csv }
      : { ...shipped, id: shipped.id as string }
  const parsed = useMemo(() => parseDriveCsv(csv), [csv])
  return {
    course: { id, title, csv, parsed, rows: parsed.ok ? parsed.rows : undefined },
    courses: [
      ...COURSES.map((each) => [each.id as string, each.title] as const),
      ...(own ? [[OWN_COURSE, own.name] as const] : []),
    ],
  }
}

export function useDriveTask(
  { draft, solver }: OpenedBox,
  units: readonly UnitBeside[],
  search: Address<'drive'>,
): DriveTaskOfPage {
  const { course, courses } = useCourse(search.drive)
  const ways = useMemo(() => waysOf(solver), [solver])
  const way = ways.find((each) => each === search.way) ?? usualWay(draft, ways)
  const topRatio = useMemo(() => solver && topRatioOf(solver), [solver])
  const car = carOf(search, usualCar(draft, topRatio))
  const figures = {
    car,
    rules: rulesOf(search, car),
    times: timesOf(search),
  }
  const usual = useMemo(() => units.map(usualUnit), [units])
  const toldBeside = JSON.stringify(usual.map(({ car }) => carOf(search, car)))
  // The address changes with every moment that is looked at; the drive only with its figures.
  const told = JSON.stringify(figures)
  const { rows } = course
  const job = useMemo(
    (): DriveJob | undefined =>
      solver && rows
        ? {
            draft,
            course: rows,
            way,
            others: ways.filter((each) => each !== way),
            beside: (JSON.parse(toldBeside) as readonly Car[]).flatMap((car, at) => {
              const unit = usual[at]
              return unit ? [{ ...unit, car }] : []
            }),
            ...(JSON.parse(told) as DriveFiguresOfPage),
          }
        : undefined,
    [solver, draft, rows, way, ways, told, usual, toldBeside],
  )
  return { course, courses, ways, way, figures, job }
}
