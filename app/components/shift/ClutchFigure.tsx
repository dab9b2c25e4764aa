import type { Clutch, ClutchStage, ClutchWork } from 'core'
import { fullStage } from 'core'

import { CELL, goneOf, platesOf } from '~/views/shift/clutchView.ts'
import { stageName } from '~/words/clutch.ts'
import { formatNumber } from '~/words/format.ts'
import { capitalize } from '~/words/names.ts'

interface ClutchFigureProps {
  readonly clutch: Clutch
  readonly work: ClutchWork
  readonly title: string
}

interface StageProps {
  readonly stage: ClutchStage
  /** How far it is drawn to have gone where it is pushed, and where it pushes. */
  readonly go: number
  readonly out: number
}

const MIDDLE = (CELL.top + CELL.bottom) / 2
const PART = 'fill-(--brass) stroke-ink'
const HOUSING = 'fill-sheet stroke-ink'

/** A lever about its pivot, its two arms as long as they are; the end that is pushed is at its top. */
function Lever({ stage, go }: Pick<StageProps, 'stage' | 'go'>) {
  const { inMm, outMm } = fullStage(stage)
  const long = CELL.bottom - CELL.top
  const pivot = CELL.top + (long * inMm) / (inMm + outMm)
  const up = pivot - CELL.top
  const off = (go * (CELL.bottom - pivot)) / Math.max(up, 1)
  return (
    <>
      <path
        className="stroke-ink fill-none"
        strokeWidth={7}
        strokeLinecap="round"
        d={`M${58 + go} ${CELL.top}L${58 + go - (go + off)} ${CELL.bottom}`}
      />
      <circle className={PART} cx={58} cy={pivot} r={6} />
    </>
  )
}

/** Two pistons with oil between them, as thick as they are to one another. */
function Pistons({ stage, go, out }: StageProps) {
  const { inMm, outMm } = fullStage(stage)
  const tallest = Math.max(inMm, outMm)
  return (
    [
      [8, inMm, go],
      [72, outMm, out],
    ] as const
  ).map(([x, mm, gone]) => {
    const tall = Math.max(12, (70 * mm) / tallest)
    return (
      <g key={x}>
        <rect className={HOUSING} x={x} y={MIDDLE - tall / 2} width={54} height={tall} />
        <rect className={PART} x={x + 4 + gone} y={MIDDLE - tall / 2} width={9} height={tall} />
        <path className="stroke-ink" strokeWidth={4} d={`M${x + 4 + gone} ${MIDDLE}H${x - 6}`} />
      </g>
    )
  })
}

function Cable({ go }: { readonly go: number }) {
  return (
    <>
      <path
        className="stroke-steel fill-none"
        strokeWidth={9}
        d={`M18 ${MIDDLE - 24}C60 ${MIDDLE - 40} 70 ${MIDDLE + 40} 126 ${MIDDLE + 24}`}
      />
      <circle className={PART} cx={14 + go / 2} cy={MIDDLE - 24 - go / 8} r={7} />
      <circle className={PART} cx={124 + go / 2} cy={MIDDLE + 24 - go / 8} r={7} />
    </>
  )
}

function Spindle({ go }: { readonly go: number }) {
  const threads = Array.from({ length: 11 }, (_, at) => `M${20 + at * 10} ${MIDDLE + 8}l8 -16`)
  return (
    <>
      <rect className={HOUSING} x={14} y={MIDDLE - 8} width={120} height={16} />
      <path className="stroke-steel" d={threads.join('')} />
      <rect className={PART} x={40 + go} y={MIDDLE - 20} width={24} height={40} />
    </>
  )
}

function Stage({ stage, go, out }: StageProps) {
  switch (stage.kind) {
    case 'lever':
      return <Lever stage={stage} go={go} />
    case 'hydraulic':
      return <Pistons stage={stage} go={go} out={out} />
    case 'cable':
      return <Cable go={go} />
    case 'spindle':
      return <Spindle go={out} />
  }
}

const PLATES = {
  friction: 'fill-(--brass) stroke-ink',
  steel: 'fill-steel stroke-ink',
  end: 'fill-graphite stroke-ink',
} as const

const CARRYING = 'fill-torque stroke-ink'
/** From one stage to the next. */
const ON = `M${CELL.width - 12} ${MIDDLE - 6}l8 6l-8 6`

interface CellProps {
  readonly name: string
  readonly figures: string
  readonly children: React.ReactNode
}

function Cell({ name, figures, children }: CellProps) {
  return (
    <div className="max-w-[18rem]">
      <p className="font-semibold">{name}</p>
      <svg
        viewBox={`0 ${CELL.top - 8} ${CELL.width} ${CELL.bottom - CELL.top + 16}`}
        aria-hidden
        className="w-full"
      >
        {children}
      </svg>
      <p className="tabular-nums">{figures}</p>
    </div>
  )
}

/** The way of a push from the foot or an actuator, stage by stage, to the plates of a clutch. */
export function ClutchFigure({ clutch, work, title }: ClutchFigureProps) {
  const gone = goneOf(clutch, work)
  return (
    <div
      role="group"
      aria-label={title}
      className="grid grid-cols-[repeat(auto-fit,minmax(7.5rem,1fr))] gap-x-2 gap-y-4"
    >
      {clutch.stages.map((stage, at) => {
        const [go, out] = gone[at] ?? [0, 0]
        const { travelMm = 0, forceN = 0 } = work.stages[at] ?? {}
        return (
          <Cell
            key={stage.id}
            name={capitalize(stageName(stage))}
            figures={`${formatNumber(travelMm, 2)} mm · ${formatNumber(forceN, 0)} N`}
          >
            <Stage stage={stage} go={go} out={out} />
            <path className="stroke-accent fill-none" strokeWidth={2} d={ON} />
          </Cell>
        )
      })}
      <Cell
        name="Plates"
        figures={`${work.isFree ? 'free' : 'carries'} · gap ${formatNumber(work.gapPerFaceMm, 2)} mm a face`}
      >
        {platesOf(clutch, work).map(({ kind, x, width }, at) => (
          <rect
            key={at}
            className={kind === 'friction' && !work.isFree ? CARRYING : PLATES[kind]}
            x={x}
            y={kind === 'end' ? CELL.top : CELL.top + 8}
            width={width}
            height={CELL.bottom - CELL.top - (kind === 'end' ? 0 : 16)}
          />
        ))}
      </Cell>
    </div>
  )
}
