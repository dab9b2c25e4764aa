import { Plus, X } from 'lucide-react'

import type { DrumPoint, DrumTrack } from 'core'
import { DRUM_POINT, LARGEST } from 'core'

import { FieldEntries } from '~/components/FieldEntry.tsx'
import type { Naming } from '~/words/names.ts'

interface DrumPointsProps {
  readonly naming: Naming
  readonly track: DrumTrack
  readonly onPoints: (points: readonly DrumPoint[]) => void
}

/** The points of a groove, to type over. */
export function DrumPoints({ naming, track, onPoints }: DrumPointsProps) {
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
            <FieldEntries
              naming={naming}
              fields={DRUM_POINT}
              of={point}
              names={['angleDeg', 'travelMm']}
              shown={{
                angleDeg: { label: `Angle ${at + 1}` },
                travelMm: { label: `Travel ${at + 1}` },
              }}
              onChange={(change) => set(at, { ...point, ...change })}
            />
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
        disabled={points.length >= LARGEST.drumPoints}
        onClick={add}
      >
        <Plus aria-hidden /> Add a point
      </button>
    </>
  )
}
