import { Plus, X } from 'lucide-react'

import type { DrumPoint, DrumTrack } from 'core'

import { EntryField } from '~/components/Fields.tsx'
import { parseWithin } from '~/views/layout/numbers.ts'

interface DrumPointsProps {
  readonly track: DrumTrack
  readonly onPoints: (points: readonly DrumPoint[]) => void
}

const MOST_POINTS = 200

interface PointFieldsProps {
  readonly number: number
  readonly point: DrumPoint
  /** Says what is wrong with it, or null. */
  readonly onSet: (point: DrumPoint) => string | null
}

function PointFields({ number, point, onSet }: PointFieldsProps) {
  return (
    <>
      <EntryField
        key={`angle ${point.angleDeg}`}
        label={`Angle ${number}`}
        unit="°"
        inputMode="decimal"
        value={`${point.angleDeg}`}
        onCommit={(text) => {
          const angle = parseWithin(text, 0, 359.99, 'An angle in degrees')
          return angle.ok ? onSet({ ...point, angleDeg: angle.value }) : angle.sentence
        }}
      />
      <EntryField
        key={`travel ${point.travelMm}`}
        label={`Travel ${number}`}
        unit="mm"
        value={`${point.travelMm}`}
        onCommit={(text) => {
          const travel = parseWithin(text, -60, 60, 'A travel in millimetres')
          return travel.ok ? onSet({ ...point, travelMm: travel.value }) : travel.sentence
        }}
      />
    </>
  )
}

/** The points of a groove, to type over. */
export function DrumPoints({ track, onPoints }: DrumPointsProps) {
  const { points } = track
  const set = (at: number, next: DrumPoint): string | null => {
    const isTaken = points.some(({ angleDeg }, index) => index !== at && angleDeg === next.angleDeg)
    if (isTaken) return `There is a point at ${next.angleDeg}° already. Take another angle.`
    onPoints(points.map((point, index) => (index === at ? next : point)))
    return null
  }
  const add = (): void => {
    const last = points.at(-1)
    const angleDeg = last ? Math.min(359.5, last.angleDeg + 5) : 0
    const free = points.some((point) => point.angleDeg === angleDeg) ? angleDeg - 2.5 : angleDeg
    onPoints([...points, { angleDeg: free, travelMm: last?.travelMm ?? 0 }])
  }
  return (
    <>
      <ol aria-label="Points of the groove" className="flex flex-col gap-1">
        {points.map((point, at) => (
          <li key={at} className="grid grid-cols-[1fr_1fr_44px] items-end gap-2">
            <PointFields number={at + 1} point={point} onSet={(next) => set(at, next)} />
            <button
              type="button"
              className="button-quiet min-h-[44px] min-w-[44px]"
              aria-label={`Take out point ${at + 1}`}
              disabled={points.length < 2}
              onClick={() => {
                onPoints(points.filter((each) => each !== point))
              }}
            >
              <X aria-hidden />
            </button>
          </li>
        ))}
      </ol>
      <button
        type="button"
        className="button self-start"
        disabled={points.length >= MOST_POINTS}
        onClick={add}
      >
        <Plus aria-hidden /> Add a point
      </button>
    </>
  )
}
