import type { ChangeAddress } from '~/views/addresses.ts'
import { useState } from 'react'

import type { BoxPosition, DriveResult } from 'core'

import { keepCourse } from '~/client/courseStore.ts'
import { SelectField } from '~/components/Fields.tsx'
import { FileButton } from '~/components/FileButton.tsx'
import { Warning } from '~/components/Warning.tsx'
import { MOST_CSV_BYTES, TOO_LONG, formatDriveCsv, parseDriveCsv } from '~/files/driveCsv.ts'
import { unknownAsks } from '~/views/drive/driveView.ts'
import { WAY_NAMES } from '~/words/drive.ts'
import { listed } from '~/words/sentences.ts'

import { SaveButton } from './SaveButton.tsx'
import type { DriveTaskOfPage } from './useDriveTask.ts'
import { OWN_COURSE } from './useDriveTask.ts'

const NOT_KEPT = 'It is driven, but this browser keeps nothing: choose the file again next time.'

interface CourseControlsProps {
  readonly task: DriveTaskOfPage
  readonly positions: readonly BoxPosition[]
  readonly result: DriveResult | undefined
  readonly change: ChangeAddress<'drive'>
}

interface CourseTaken {
  readonly isDriven: boolean
  readonly problems: readonly string[]
}

/** Reads a course from a file and keeps it, or tells what is wrong with it. */
async function takeCourse(file: File): Promise<CourseTaken> {
  if (file.size > MOST_CSV_BYTES) return { isDriven: false, problems: [TOO_LONG] }
  const csv = await file.text()
  const read = parseDriveCsv(csv)
  if (!read.ok) return { isDriven: false, problems: read.problems }
  const isKept = keepCourse({ name: file.name, csv })
  return { isDriven: true, problems: isKept ? [] : [NOT_KEPT] }
}

/** Which course is driven and how gears are changed; courses come from files and results go into them. */
export function CourseControls({ task, positions, result, change }: CourseControlsProps) {
  const { course, courses, ways, way } = task
  const [problems, setProblems] = useState<readonly string[]>([])
  const choose = async (file: File): Promise<void> => {
    const { isDriven, problems: found } = await takeCourse(file)
    setProblems(found)
    if (isDriven) change({ drive: OWN_COURSE, at: '', change: '' })
  }
  const unknown = unknownAsks(course.rows ?? [], positions)
  const told = [...problems, ...(course.parsed.ok ? [] : course.parsed.problems)]
  return (
    <>
      <div className="no-print grid grid-cols-2 gap-2">
        <SelectField
          label="Course"
          value={course.id}
          options={courses}
          onChange={(drive) => {
            setProblems([])
            change({ drive, at: '', change: '' })
          }}
        />
        <SelectField
          label="Gears changed"
          value={way}
          options={ways.map((each) => [each, WAY_NAMES[each]] as const)}
          onChange={(next) => {
            change({ way: next, change: '' })
          }}
        />
      </div>
      <div className="no-print flex flex-wrap gap-2">
        <FileButton
          title="CSV"
          accept=".csv,text/csv"
          onChoose={(file) => {
            void choose(file)
          }}
        />
        <SaveButton title="Course" name="course.csv" textOf={() => course.csv} />
        {result && (
          <SaveButton title="Result" name="drive.csv" textOf={() => formatDriveCsv(result)} />
        )}
      </div>
      {told.map((problem) => (
        <Warning key={problem}>{problem}</Warning>
      ))}
      {unknown.length > 0 && (
        <p className="text-graphite">
          The course asks for {listed(unknown)}, which this box has not: there the rules decide.
        </p>
      )}
    </>
  )
}
