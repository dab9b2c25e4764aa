/** Rods with their forks, fingers, balls and pins over a section, or a drum with its star. */
import clsx from 'clsx'

import type { Drum, InterlockPart, Selector } from 'core'
import { leverOf, padsPerRod } from 'core'

import { useDrag } from '~/components/section/useDrag.ts'
import { GROOVE_MM, HUB_MM, SLEEVE_MM } from '~/views/section/sleeves.ts'
import type { Fork, Movers, Standing } from '~/views/shift/linkage.ts'
import {
  ALONG,
  DRUM_RADIUS,
  drumY,
  NOTCH,
  ROD_HEIGHT,
  ballRise,
  fingerAt,
  forksOf,
  grooveLines,
  lanesOf,
  notchHalf,
  rodPlaces,
  rodShift,
  rodY,
  slotsOfLever,
  starDrawing,
} from '~/views/shift/linkage.ts'
import type { LeverWay } from '~/views/shift/moment.ts'
import type { Naming } from '~/words/names.ts'
import { rodName } from '~/words/shift.ts'

const NO_LEVERS: ReadonlyMap<number, LeverWay> = new Map()
const NONE: ReadonlySet<string> = new Set()

interface LinkageProps {
  readonly naming: Naming
  readonly movers: Movers
  readonly standing: Standing
  /** What keeps rods apart, and which of it is taken out. */
  readonly parts: readonly InterlockPart[]
  readonly out?: ReadonlySet<string> | undefined
  readonly levers?: ReadonlyMap<number, LeverWay> | undefined
  readonly drumDegs?: ReadonlyMap<string, number> | undefined
  /** A rod, by its id, is dragged so far from its middle. */
  readonly onDragRod?: ((rod: string, shift: number, standing: Standing) => void) | undefined
  readonly onTurnDrum?: ((drum: string, angleDeg: number) => void) | undefined
}

export function Linkage(props: LinkageProps) {
  const { movers, standing, drumDegs, onTurnDrum } = props
  const forks = forksOf(movers, standing)
  const moving = new Set(
    standing.onTheWay.flatMap(({ coupler, part }) => (part > 0 && part < 1 ? [coupler] : [])),
  )
  const { drums } = movers
  return (
    <g className="linkage">
      {forks.map((fork) => (
        <ForkShape
          key={fork.coupler.id}
          fork={fork}
          fromY={drums.length > 0 ? drumY(fork.lane) : rodY(fork.lane)}
          isMoving={moving.has(fork.coupler.id)}
          standing={standing}
        />
      ))}
      {drums.map((drum, at) => (
        <DrumShape
          key={drum.id}
          drum={drum}
          drumDeg={drumDegs?.get(drum.id) ?? 0}
          y={drumY(at)}
          forks={forks.filter(({ lane }) => lane === at)}
          standing={standing}
          onTurn={
            onTurnDrum &&
            ((angleDeg) => {
              onTurnDrum(drum.id, angleDeg)
            })
          }
        />
      ))}
      {drums.length === 0 && <Rods {...props} forks={forks} />}
    </g>
  )
}

interface ForkShapeProps {
  readonly fork: Fork
  readonly fromY: number
  readonly isMoving: boolean
  readonly standing: Standing
}

/** Where a fork meets its rod: one that swings is as far on the other side as its arms have it. */
function atRod({ coupler, x, shift }: Fork): number {
  return x - shift + shift / padsPerRod(coupler)
}

/** From its rod down into the groove of its sleeve on both sides, or astride its gear. */
function ForkShape({ fork, fromY, isMoving, standing: { scale } }: ForkShapeProps) {
  const { x, shift, over } = fork
  const perRod = padsPerRod(fork.coupler)
  const y = scale.y(over.drawn.yMm)
  const high = (mm: number): number => mm * scale.perMmY
  const rodX = atRod(fork)
  const stem = (half: number, toY: number): string =>
    `${rodX - half} ${fromY}H${rodX + half}L${x + half} ${toY}`
  const wide = (mm: number): number => mm * scale.perMmX
  const className = clsx('fork', isMoving && 'is-moving')
  const pivot = (toY: number) =>
    perRod < 0 && (
      <circle
        className="linkage-pivot"
        cx={x - shift}
        cy={fromY + (toY - fromY) / (1 - perRod)}
        r={4}
      />
    )
  if (over.kind === 'gear') {
    const { radiusMm, widthMm } = over.drawn
    const [half, top] = [wide(widthMm) / 2 + 2, y - high(radiusMm)]
    return (
      <g className={className} data-fork={fork.coupler.id}>
        <path
          d={`M${stem(3, top - 12)}H${x + half + 6}V${top + 12}h-6V${top - 5}H${x - half}V${top + 12}h-6V${top - 12}H${x - 3}Z`}
        />
        {pivot(top - 12)}
      </g>
    )
  }
  const base = over.drawn.baseRadiusMm
  const [outer, inner] = [high(base + SLEEVE_MM), high(base + SLEEVE_MM - GROOVE_MM)]
  const pad = Math.max(2, wide(HUB_MM / 2) * 0.42)
  return (
    <g className={className} data-fork={fork.coupler.id}>
      <path
        className="fork-horns"
        d={`M${x - pad} ${y - outer}h${2 * pad}V${y + outer}h${-2 * pad}Z`}
      />
      <path
        d={`M${stem(3.5, y - outer - 3)}H${x + pad}V${y - inner - 1}h${-2 * pad}V${y - outer - 3}h${pad - 3.5}Z`}
      />
      <path d={`M${x - pad} ${y + inner + 1}h${2 * pad}V${y + outer + 4}h${-2 * pad}Z`} />
      {pivot(y - outer - 3)}
    </g>
  )
}

interface RodsProps extends LinkageProps {
  readonly forks: readonly Fork[]
}

function Rods(props: RodsProps) {
  const { naming, movers, standing, parts, out = NONE, levers = NO_LEVERS, forks } = props
  const { onDragRod } = props
  const { rods } = movers
  const shifts = new Map(rods.map((rod) => [rod.id, rodShift(rod, standing)]))
  const shiftOf = ({ id }: Selector): number => shifts.get(id) ?? 0
  const laneOf = ({ id }: Selector): number => lanesOf(rods).get(id) ?? 0
  const notches = rods.map((rod) => rodPlaces(rod, standing))
  const reach = Math.max(0, ...notches.flat().map(Math.abs)) + 6
  const left = reach
  return (
    <>
      {[...levers.keys()].map((lever) => (
        <FingerShaft key={lever} rods={rods} lever={lever} x={left + ALONG.jaw} />
      ))}
      {rods.map((rod, lane) => (
        <Rod
          key={rod.id}
          rod={rod}
          name={rodName(naming, rod)}
          y={rodY(laneOf(rod))}
          from={left}
          to={standing.scale.width - reach}
          shift={shiftOf(rod)}
          notches={notches[lane] ?? []}
          forks={forks.filter((fork) => fork.rod?.id === rod.id)}
          eyes={forks.filter(({ coupler }) => rod.passes?.includes(coupler.id))}
          onDrag={
            onDragRod &&
            ((to) => {
              onDragRod(rod.id, to, standing)
            })
          }
        />
      ))}
      {parts.map((part) => (
        <PartBetween
          key={part.id}
          part={part}
          isOut={out.has(part.id)}
          x={left + ALONG.interlock}
          rods={rods}
          shiftOf={shiftOf}
        />
      ))}
      {[...levers].map(([lever, way]) => {
        const at = fingerAt(movers, slotsOfLever(rods, lever), way, shiftOf)
        return at ? (
          <circle key={lever} className="finger" cx={left + ALONG.jaw + at.shift} cy={at.y} r={7} />
        ) : null
      })}
    </>
  )
}

/** What turns the finger of a lever, across its rods. */
function FingerShaft({
  rods,
  lever,
  x,
}: {
  readonly rods: readonly Selector[]
  readonly lever: number
  readonly x: number
}) {
  const lanes = rods
    .flatMap((rod) =>
      rod.switched === undefined && leverOf(rod) === lever ? (lanesOf(rods).get(rod.id) ?? []) : [],
    )
    .sort((one, other) => one - other)
  const [first = 0] = lanes
  const last = lanes.at(-1) ?? first
  return lanes.length === 0 ? null : (
    <path className="finger-shaft" d={`M${x} ${rodY(first) - 18}V${rodY(last) + 14}`} />
  )
}

interface RodProps {
  readonly rod: Selector
  readonly name: string
  readonly y: number
  readonly from: number
  readonly to: number
  readonly shift: number
  readonly notches: readonly number[]
  readonly forks: readonly Fork[]
  /** Forks that it passes through. */
  readonly eyes: readonly Fork[]
  readonly onDrag: ((shift: number) => void) | undefined
}

/** One rod: its jaw or piston, its notches under the ball of its detent, and the bosses of its forks. */
function Rod(props: RodProps) {
  const { rod, name, y, from, to, shift, notches, forks, eyes, onDrag } = props
  const drag = useDrag(
    () => shift,
    onDrag &&
      ((gone, start) => {
        onDrag(start + gone.x)
      }),
  )
  const half = rodHalf(rod)
  const [top, bottom] = [y - half, y + half]
  const isSwitched = rod.switched !== undefined
  const detent = from + ALONG.detent
  const rise = ballRise(notches, shift)
  const jaw = from + ALONG.jaw + shift
  const wide = notchHalf(notches)
  const cut = (x: number): string => `H${x - wide}L${x} ${top + NOTCH.deep}L${x + wide} ${top}`
  // Where its place is under the ball, the notch is as far on the other side of it.
  const cuts = [0, ...notches]
    .map((place) => detent + shift - place)
    .sort((one, other) => one - other)
    .map(cut)
    .join('')
  const start = from + shift
  const jawCut = isSwitched ? '' : `H${jaw - 9}v10h18v-10`
  const nameAt = nameX(from + ALONG.name + (rod.inside === undefined ? 0 : INNER_NAME), name, forks)
  return (
    <g data-rod={rod.id} {...drag}>
      {isSwitched && (
        <path className="cylinder" d={`M${from - 4} ${top - 5}h44v${2 * half + 10}h-44Z`} />
      )}
      <path
        className="rod"
        d={`M${start} ${top}${jawCut}${cuts}H${to + shift}V${bottom}H${start}Z`}
      />
      {isSwitched && (
        <path className="piston" d={`M${start + 8} ${top - 4}h8v${2 * half + 8}h-8Z`} />
      )}
      {forks.map((fork) => (
        <rect
          key={fork.coupler.id}
          className="fork-boss"
          x={atRod(fork) - 12}
          y={top - 3}
          width={24}
          height={2 * half + 6}
        />
      ))}
      {eyes.map((fork) => (
        <rect
          key={fork.coupler.id}
          className="fork-eye"
          x={fork.x - 9}
          y={top - 4}
          width={18}
          height={2 * half + 8}
        />
      ))}
      <path className="detent-spring" d={`M${detent} ${top - 8 - rise}l-4 -2l8 -2l-8 -2l4 -2`} />
      <circle className="rod-part" cx={detent} cy={top - 3 + NOTCH.deep - rise - 2} r={5} />
      <text className="rod-name" x={nameAt + shift} y={y + 6}>
        {name}
      </text>
    </g>
  )
}

/** Half of how high a rod is drawn: one that lies in another is thinner. */
function rodHalf({ inside }: Selector): number {
  return inside === undefined ? ROD_HEIGHT / 2 : ROD_HEIGHT / 4
}

/** The name of a rod in another stands behind that of the outer. */
const INNER_NAME = 130

/** A character of a rod's name. */
const NAME_CHARACTER = 9

/** Where the name of a rod stands clear of its forks. */
function nameX(from: number, name: string, forks: readonly Fork[]): number {
  let x = from
  for (const fork of [...forks].sort((one, other) => one.x - other.x)) {
    const middle = fork.x - fork.shift
    if (middle + 16 > x && middle - 16 < x + name.length * NAME_CHARACTER) x = middle + 20
  }
  return x
}

interface PartBetweenProps {
  readonly part: InterlockPart
  readonly isOut: boolean
  readonly x: number
  readonly rods: readonly Selector[]
  readonly shiftOf: (rod: Selector) => number
}

/** A ball between rods, a pin in one, or a plate over them. */
function PartBetween({ part, isOut, x, rods, shiftOf }: PartBetweenProps) {
  const className = clsx('rod-part', isOut && 'is-out')
  const laneOf = ({ id }: Selector): number => lanesOf(rods).get(id) ?? 0
  const beside = part.selectors
    .flatMap((id) => rods.find((rod) => rod.id === id) ?? [])
    .sort((one, other) => laneOf(one) - laneOf(other))
  const [first] = beside
  const last = beside.at(-1)
  if (first === undefined || last === undefined) return null
  /** How far a rod has pushed what lies beside it out of its notch. */
  const push = (rod: Selector): number => Math.min(1, Math.abs(shiftOf(rod)) / NOTCH.half)
  const [top, bottom] = [rodY(laneOf(first)), rodY(laneOf(last))]
  const middle = (top + bottom) / 2
  if (part.kind === 'ball')
    return (
      <circle className={className} cx={x} cy={middle + (push(first) - push(last)) * 4} r={7.5} />
    )
  if (part.kind === 'pin') {
    return (
      <path
        className={className}
        d={`M${x - 3 + shiftOf(first)} ${middle - ROD_HEIGHT / 2 + 1}h6v${ROD_HEIGHT - 2}h-6Z`}
      />
    )
  }
  return <path className={className} d={`M${x - 6} ${top - 16}h12V${bottom + 16}h-12Z`} />
}

interface DrumShapeProps {
  readonly drum: Drum
  readonly drumDeg: number
  /** Of its middle. */
  readonly y: number
  readonly forks: readonly Fork[]
  readonly standing: Standing
  readonly onTurn: ((angleDeg: number) => void) | undefined
}

/** What a drum turns while its near side goes up by its radius. */
const DEG_PER_RADIUS = 180 / Math.PI

/** A drum from the side, the pins of its forks in its grooves, and its star from the end. */
function DrumShape({ drum, drumDeg, y, forks, standing, onTurn }: DrumShapeProps) {
  const drag = useDrag(
    () => drumDeg,
    onTurn &&
      ((gone, start) => {
        onTurn(start - (gone.y / DRUM_RADIUS) * DEG_PER_RADIUS)
      }),
  )
  const at = forks.map(({ x, shift }) => x - shift)
  const [from, to] = [Math.min(...at) - 44, Math.max(...at) + 44]
  const star = starDrawing(drum, drumDeg)
  const starX =
    to + 30 + star.radius > standing.scale.width ? from - 26 - star.radius : to + 26 + star.radius
  return (
    <g data-drum={drum.id} {...drag}>
      <rect
        className="drum-body"
        x={from}
        y={y - DRUM_RADIUS}
        width={to - from}
        height={2 * DRUM_RADIUS}
      />
      {grooveLines(drum, drumDeg, y, standing).map(({ coupler, path }) => (
        <path key={coupler} className="drum-groove" d={path} />
      ))}
      {forks.map(({ coupler, x }) => (
        <circle key={coupler.id} className="finger" cx={x} cy={y} r={5} />
      ))}
      <g transform={`translate(${starX.toFixed(1)} ${y + 4})`}>
        <path className="drum-body" d={star.path} />
        <circle className="rod-part" cx={star.roller.x} cy={star.roller.y} r={star.rollerRadius} />
        <circle className="linkage-pivot" cx={0} cy={0} r={4} />
      </g>
    </g>
  )
}
