/** A drum unrolled over one turn: a lane for each groove, its stops above, what the box does below. */
import { useRef, useState } from 'react'

import type { Drum, DrumProof, DrumTrack } from 'core'

import {
  DRUM_WIDTH,
  LANE,
  barsOf,
  groovePath,
  movedPoint,
  shownMm,
  xOfAngle,
  yOfTravel,
} from '~/views/shift/drumView.ts'
import { couplerLabel } from '~/words/names.ts'
import type { Naming } from '~/words/names.ts'
import { stretchLabel } from '~/words/drum.ts'
import { stopName } from '~/words/shift.ts'

const TOP = 30
const BAR = 26
const LEFT = 64

interface DrumFigureProps {
  readonly naming: Naming
  readonly drum: Drum
  readonly proof: DrumProof
  readonly angleDeg: number
  readonly title: string
  readonly onAngle: (angleDeg: number) => void
  /** A point of a groove was dragged. */
  readonly onPoints: (track: number, points: DrumTrack['points']) => void
}

interface Dragged {
  readonly track: number
  readonly point: number
  readonly points: DrumTrack['points']
}

interface GrooveProps {
  readonly naming: Naming
  readonly track: DrumTrack
  /** Which lane it lies in. */
  readonly at: number
  /** A point was taken hold of. */
  readonly onGrip: (point: number, pointerId: number) => void
}

/** A groove in its lane, with the depths that carry its fork along and points to drag. */
function Groove({ naming, track, at, onGrip }: GrooveProps) {
  const coupler = naming.box.couplers.get(track.coupler)
  return (
    <g>
      <path
        className="drum-middle"
        d={`M0 ${at * LANE + LANE / 2}H${DRUM_WIDTH}M0 ${at * LANE}H${DRUM_WIDTH}`}
      />
      {[-1, 1].map((side) => (
        <path
          key={side}
          className="drum-depth"
          d={`M0 ${yOfTravel(track, at, side * track.carriesFromMm)}H${DRUM_WIDTH}`}
        />
      ))}
      <path className="drum-groove" d={groovePath(track, at)} />
      {track.points.map((point, index) => (
        <circle
          key={index}
          className="drum-point"
          cx={xOfAngle(point.angleDeg)}
          cy={yOfTravel(track, at, point.travelMm)}
          r={5}
          onPointerDown={(event) => {
            onGrip(index, event.pointerId)
          }}
        />
      ))}
      <text className="drum-fork" x={-8} y={at * LANE + LANE / 2 + 5}>
        {coupler ? couplerLabel(naming, coupler) : '?'}
      </text>
    </g>
  )
}

interface StateBarsProps extends Pick<DrumFigureProps, 'proof' | 'onAngle'> {
  /** Where the lanes end. */
  readonly topPx: number
}

/** What the box does over the turn of the drum. */
function StateBars({ proof, topPx, onAngle }: StateBarsProps) {
  return proof.stretches.flatMap((stretch) =>
    barsOf(stretch).map(([from, to]) => (
      <g key={from}>
        <rect
          className={`drum-state ${stretch.atFault.length > 0 ? 'locked' : stretch.state}`}
          x={xOfAngle(from)}
          y={topPx + 4}
          width={Math.max(0.5, xOfAngle(to) - xOfAngle(from))}
          height={BAR}
          onClick={() => {
            onAngle(Math.round((from + to) * 5) / 10)
          }}
        />
        {xOfAngle(to) - xOfAngle(from) > 22 && (
          <text className="drum-name" x={(xOfAngle(from) + xOfAngle(to)) / 2} y={topPx + 22}>
            {stretchLabel(stretch)}
          </text>
        )}
      </g>
    )),
  )
}

export function DrumFigure(props: DrumFigureProps) {
  const { naming, drum, proof, angleDeg, title, onAngle, onPoints } = props
  const svg = useRef<SVGSVGElement>(null)
  const [dragged, setDragged] = useState<Dragged>()
  const lanes = drum.tracks.length * LANE
  const height = TOP + lanes + BAR + 8
  /** Where a pointer is, in the drawing's own units. */
  const pointOf = (event: React.PointerEvent): { readonly x: number; readonly y: number } => {
    const matrix = svg.current?.getScreenCTM()?.inverse()
    const point = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix ?? undefined)
    return { x: point.x - LEFT, y: point.y - TOP }
  }
  return (
    <svg
      ref={svg}
      className="drum"
      viewBox={`0 0 ${LEFT + DRUM_WIDTH + 10} ${height}`}
      role="group"
      aria-label={title}
      onPointerMove={(event) => {
        if (!dragged) return
        const track = drum.tracks[dragged.track]
        if (!track) return
        const { x, y } = pointOf(event)
        const middle = dragged.track * LANE + LANE / 2
        setDragged({
          ...dragged,
          points: movedPoint(
            track,
            dragged.point,
            (x / DRUM_WIDTH) * 360,
            ((y - middle) / (LANE / 2)) * shownMm(track),
          ),
        })
      }}
      onPointerUp={() => {
        if (dragged) onPoints(dragged.track, dragged.points)
        setDragged(undefined)
      }}
      onPointerCancel={() => {
        setDragged(undefined)
      }}
    >
      <g transform={`translate(${LEFT} ${TOP})`}>
        {drum.stops.map((stop) => (
          <g key={stop.angleDeg}>
            <path className="drum-stop" d={`M${xOfAngle(stop.angleDeg)} 0V${lanes}`} />
            <text className="drum-name" x={xOfAngle(stop.angleDeg)} y={-9}>
              {stopName(naming, stop.position)}
            </text>
          </g>
        ))}
        {drum.tracks.map((track, at) => (
          <Groove
            key={track.coupler}
            naming={naming}
            track={dragged?.track === at ? { ...track, points: dragged.points } : track}
            at={at}
            onGrip={(point, pointerId) => {
              svg.current?.setPointerCapture(pointerId)
              setDragged({ track: at, point, points: track.points })
            }}
          />
        ))}
        <StateBars proof={proof} topPx={lanes} onAngle={onAngle} />
        <path
          className="drum-angle"
          d={`M${xOfAngle(angleDeg)} -4V${lanes + BAR + 6}`}
          aria-hidden="true"
        />
      </g>
    </svg>
  )
}
