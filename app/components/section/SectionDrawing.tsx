/**
 * The section along the shafts, to scale. Solid gears turn with their shaft, open
 * ones are free on it; a sleeve stands where the selected position puts it.
 */
import clsx from 'clsx'
import { useMemo } from 'react'

import type { Analysis, CouplerPosition, SectionCoupler, SectionGear, SectionMember } from 'core'
import {
  SHAFT_RADIUS_MM,
  SLEEVE_RADIUS_MM,
  SLEEVE_TRAVEL_MM,
  SLEEVE_WIDTH_MM,
  centreOf,
  indexBox,
  isDisputed,
  layOutSection,
  sleeveShiftMm,
  slidShiftsMm,
} from 'core'
import type { BoxDraft, Section } from 'core'

import type { Naming } from '~/words/names.ts'
import { bodyName, capitalize, couplerName, gearName } from '~/words/names.ts'
import type { Vocabulary } from '~/words/vocabulary.ts'

import { Ribbon } from './Ribbon.tsx'
import type { Scale } from './scale.ts'
import { scaleOf } from './scale.ts'
import { toothMarks } from './toothMarks.ts'

/** Air drawn between a free gear and its shaft. */
const FREE_GAP_MM = 3
const HUB_WIDTH_MM = 9
const HUB_RADIUS_MM = 14
const DOG_RING_RADIUS_MM = 17.5
/** A name goes to a member's far end only when that is freer than the near one by this much. */
const NAME_SLACK_MM = 4
/** Width to reserve for a character of a name, in viewBox units. */
const NAME_CHARACTER = 8.4
/** Clear of the centre line that runs on beyond a member's end. */
const NAME_OFFSET = 16

interface SectionDrawingProps {
  readonly draft: BoxDraft
  readonly words: Vocabulary
  /** The state shown; without it the couplers stand at their centres. */
  readonly analysis?: Analysis | undefined
  /** Torque that the ribbon shows at its full width, for one unit of input torque. */
  readonly ribbonFullTorque?: number | undefined
  /** The gear to light up. */
  readonly litGear?: string | undefined
  /** Where a gear leads when it is chosen. */
  readonly gearHref?: ((gearId: string) => string) | undefined
  readonly onChooseGear?: ((gearId: string) => void) | undefined
  /** Told which gear is pointed at, and undefined when none is. */
  readonly onPoint?: ((gearId: string | undefined) => void) | undefined
  /** What the drawing shows, in words. */
  readonly title: string
}

export function SectionDrawing(props: SectionDrawingProps) {
  const { draft, words, analysis, litGear, title } = props
  const box = useMemo(() => indexBox(draft), [draft])
  const section = useMemo(() => layOutSection(draft), [draft])
  const scale = useMemo(() => scaleOf(section), [section])
  const naming: Naming = { box, words }
  const places = new Map(analysis?.engaged.map(({ coupler, place }) => [coupler.id, place]) ?? [])
  const shifts = slidShiftsMm(section, [...places.values()])
  const isPresent = (link: string): boolean =>
    !box.slidingLinks.has(link) ||
    [...places.values()].some(({ engages }) =>
      engages.some((engagement) => engagement.kind === 'mesh' && engagement.link === link),
    )

  return (
    <svg
      className="section"
      viewBox={`0 0 ${scale.width.toFixed(0)} ${scale.height.toFixed(0)}`}
      role="group"
      aria-label={title}
    >
      <Lanes section={section} scale={scale} />
      {section.members.map((drawn) => (
        <Shaft key={drawn.member.id} drawn={drawn} scale={scale} />
      ))}
      {section.meshes
        .filter(({ link, isTouching }) => !isTouching && isPresent(link.id))
        .map(({ link, a, b, stationMm }) => {
          const roundX = scale.x(stationMm + Math.max(a.widthMm, b.widthMm) / 2 + 5)
          const ends = [a, b].map(
            (gear) => [scale.x(stationMm + gear.widthMm / 2), scale.y(gear.yMm)] as const,
          )
          const [from, to] = ends
          return from && to ? (
            <path
              key={link.id}
              className="apart"
              d={`M${from[0]} ${from[1]}H${roundX}V${to[1]}H${to[0]}`}
            />
          ) : null
        })}
      {section.gears.map((drawn) => (
        <GearBlock
          key={drawn.gear.id}
          drawn={drawn}
          shiftMm={shifts.get(drawn.gear.id) ?? 0}
          scale={scale}
          isLit={litGear === drawn.gear.id}
        />
      ))}
      {section.couplers.map((drawn) => (
        <Sleeve
          key={drawn.coupler.id}
          drawn={drawn}
          place={places.get(drawn.coupler.id)}
          scale={scale}
          naming={naming}
        />
      ))}
      {analysis?.state === 'drive' && (
        <Ribbon
          box={box}
          section={section}
          scale={scale}
          drive={analysis}
          fullTorque={props.ribbonFullTorque ?? 1}
        />
      )}
      {section.members.map((drawn) => (
        <ShaftName
          key={drawn.member.id}
          drawn={drawn}
          section={section}
          scale={scale}
          naming={naming}
        />
      ))}
      {section.gears.map((drawn) => (
        <GearFigures
          key={drawn.gear.id}
          drawn={drawn}
          section={section}
          shifts={shifts}
          scale={scale}
          naming={naming}
          props={props}
        />
      ))}
    </svg>
  )
}

function Lanes({ section, scale }: { readonly section: Section; readonly scale: Scale }) {
  return section.lanes.map(({ axis, yMm }) => {
    const along = section.members.filter(({ member }) => member.axis === axis.id)
    const from = Math.min(...along.map(({ member }) => member.fromMm))
    const to = Math.max(...along.map(({ member }) => member.toMm))
    return along.length > 0 ? (
      <line
        key={axis.id}
        className="centre-line"
        x1={scale.x(from - 3)}
        x2={scale.x(to + 3)}
        y1={scale.y(yMm)}
        y2={scale.y(yMm)}
      />
    ) : null
  })
}

function Shaft({ drawn, scale }: { readonly drawn: SectionMember; readonly scale: Scale }) {
  const { fromMm, toMm } = drawn.member
  return (
    <rect
      className="shaft"
      x={scale.x(fromMm)}
      width={(toMm - fromMm) * scale.perMm}
      y={scale.y(drawn.yMm - SHAFT_RADIUS_MM)}
      height={2 * SHAFT_RADIUS_MM * scale.perMm}
    />
  )
}

/** A member's name stands over its free end, where no gear is in the way. */
function ShaftName({
  drawn,
  section,
  scale,
  naming,
}: {
  readonly drawn: SectionMember
  readonly section: Section
  readonly scale: Scale
  readonly naming: Naming
}) {
  const { member, yMm } = drawn
  const name = capitalize(bodyName(naming, member.id))
  const y = scale.y(yMm - SHAFT_RADIUS_MM) - 9
  const gears = section.gears.filter(({ gear }) => gear.member === member.id)
  const lastEdgeMm = Math.max(
    member.fromMm,
    ...gears.map(({ gear, widthMm }) => gear.stationMm + widthMm / 2),
  )
  const firstEdgeMm = Math.min(
    member.toMm,
    ...gears.map(({ gear, widthMm }) => gear.stationMm - widthMm / 2),
  )
  if (member.toMm - lastEdgeMm > firstEdgeMm - member.fromMm + NAME_SLACK_MM)
    return (
      <text x={scale.x(member.toMm)} y={y} textAnchor="end">
        {name}
      </text>
    )
  const roomAfter = scale.x(section.toMm) - scale.x(member.toMm)
  const isLastOnLane = section.members.every(
    (other) => other.yMm !== yMm || other.member.toMm <= member.toMm,
  )
  if (isLastOnLane && roomAfter > name.length * NAME_CHARACTER + NAME_OFFSET)
    return (
      <text x={scale.x(member.toMm) + NAME_OFFSET} y={scale.y(yMm) + 6}>
        {name}
      </text>
    )
  const latest = scale.x(firstEdgeMm) - 8 - name.length * NAME_CHARACTER
  return (
    <text x={Math.max(2, Math.min(scale.x(member.fromMm), latest))} y={y}>
      {name}
    </text>
  )
}

interface GearBlockProps {
  readonly drawn: SectionGear
  readonly shiftMm: number
  readonly scale: Scale
  readonly isLit: boolean
}

function GearBlock({ drawn, shiftMm, scale, isLit }: GearBlockProps) {
  const { gear, widthMm, radiusMm, yMm, isCounted } = drawn
  const x = scale.x(gear.stationMm - widthMm / 2)
  const width = widthMm * scale.perMm
  const radius = radiusMm * scale.perMm
  const inner = gear.mount === 'free' ? (SHAFT_RADIUS_MM + FREE_GAP_MM) * scale.perMm : 0
  const y = scale.y(yMm)
  const shape = clsx(
    isLit ? 'lit' : !isCounted ? 'guessed' : gear.mount === 'free' ? 'open' : 'solid',
  )
  const shaft = SHAFT_RADIUS_MM * scale.perMm
  return (
    <g
      className="moves"
      transform={`translate(${(shiftMm * scale.perMm).toFixed(1)} 0)`}
      data-gear={gear.id}
    >
      {gear.mount === 'free' ? (
        <>
          <rect className={shape} x={x} width={width} y={y - radius} height={radius - inner} />
          <rect className={shape} x={x} width={width} y={y + inner} height={radius - inner} />
        </>
      ) : (
        <rect className={shape} x={x} width={width} y={y - radius} height={2 * radius} />
      )}
      {isCounted && !isLit && (
        <path
          className="teeth"
          d={toothMarks({ toothCount: gear.toothCount ?? 0, x, width, y, radius, inner })}
        />
      )}
      {gear.mount === 'fixed' && !isLit && isCounted && (
        <path className="seat" d={`M${x} ${y - shaft}h${width}M${x} ${y + shaft}h${width}`} />
      )}
      {gear.mount === 'sliding' && !isLit && isCounted && (
        <path
          className="seat"
          strokeDasharray="5 4"
          d={`M${x} ${y - shaft}h${width}M${x} ${y + shaft}h${width}`}
        />
      )}
    </g>
  )
}

/** On which side of its axis a gear carries its figures: away from the next lane where it can. */
function outwards(section: Section, yMm: number): -1 | 1 {
  return section.lanes[0]?.yMm === yMm ? -1 : 1
}

/** Whether another gear stands where this one's name would. */
function isCovered(
  section: Section,
  { gear, yMm, radiusMm }: SectionGear,
  side: -1 | 1,
  shifts: ReadonlyMap<string, number>,
): boolean {
  const edgeMm = yMm + side * radiusMm
  const stationMm = (id: string, restMm: number): number => restMm + (shifts.get(id) ?? 0)
  return section.gears.some(
    (other) =>
      other.gear.id !== gear.id &&
      Math.abs(
        stationMm(other.gear.id, other.gear.stationMm) - stationMm(gear.id, gear.stationMm),
      ) < other.widthMm &&
      Math.sign(other.yMm - yMm) === side &&
      Math.abs(other.yMm - edgeMm) < other.radiusMm + 2 * NAME_SLACK_MM,
  )
}

function GearFigures({
  drawn,
  section,
  shifts,
  scale,
  naming,
  props,
}: {
  readonly drawn: SectionGear
  readonly section: Section
  readonly shifts: ReadonlyMap<string, number>
  readonly scale: Scale
  readonly naming: Naming
  readonly props: SectionDrawingProps
}) {
  const { gear, radiusMm, yMm, widthMm } = drawn
  const shiftMm = shifts.get(gear.id) ?? 0
  const side = outwards(section, yMm)
  const x = scale.x(gear.stationMm + shiftMm)
  const y = scale.y(yMm)
  const radius = radiusMm * scale.perMm
  const innerMm = SHAFT_RADIUS_MM + (gear.mount === 'free' ? FREE_GAP_MM : 0)
  const figureY = y + (side * (radius + innerMm * scale.perMm)) / 2 + 8
  const count = gear.toothCount === null ? '?' : `${gear.toothCount}`
  const disputed = isDisputed(gear)
  const teeth =
    gear.toothCount === null
      ? 'not counted'
      : disputed
        ? `counted as ${gear.toothCount} and ${gear.recount ?? ''}`
        : `${gear.toothCount} teeth`
  const name = `${capitalize(gearName(naming, gear))}: ${teeth}, ${naming.words.mounts[gear.mount]}`
  const label = gear.label.replace(/ (gear|idler)$/, '')
  const content = (
    <>
      <title>{name}</title>
      <rect
        className="frame"
        x={x - (widthMm / 2) * scale.perMm}
        width={widthMm * scale.perMm}
        y={y - radius}
        height={2 * radius}
      />
      <text className={clsx('on-gear', disputed && 'disputed')} x={x} y={figureY}>
        {disputed ? `${count}!` : count}
      </text>
      {!isCovered(section, drawn, side, shifts) && (
        <text
          className={clsx(shiftMm !== 0 && 'slid')}
          x={x}
          y={side < 0 ? y - radius - 8 : y + radius + 20}
          textAnchor="middle"
        >
          {shiftMm < 0 ? `◀ ${label}` : shiftMm > 0 ? `${label} ▶` : label}
        </text>
      )}
    </>
  )
  const point = props.onPoint && {
    onPointerEnter: () => props.onPoint?.(gear.id),
    onPointerLeave: () => props.onPoint?.(undefined),
    onFocus: () => props.onPoint?.(gear.id),
    onBlur: () => props.onPoint?.(undefined),
  }
  if (!props.gearHref) return <g {...point}>{content}</g>
  return (
    <a
      href={props.gearHref(gear.id)}
      aria-label={name}
      {...point}
      onClick={(event) => {
        if (!props.onChooseGear || event.metaKey || event.ctrlKey) return
        event.preventDefault()
        props.onChooseGear(gear.id)
      }}
    >
      {content}
    </a>
  )
}

function Sleeve({
  drawn,
  place,
  scale,
  naming,
}: {
  readonly drawn: SectionCoupler
  readonly place: CouplerPosition | undefined
  readonly scale: Scale
  readonly naming: Naming
}) {
  const { coupler, yMm } = drawn
  const sides = coupler.positions.filter((position) =>
    position.engages.some(({ kind }) => kind === 'lock'),
  )
  if (sides.length === 0) return null
  const isEngaged = place !== undefined && place !== centreOf(coupler)
  const shift = sleeveShiftMm(place) * scale.perMm
  const x = scale.x(coupler.stationMm)
  const y = scale.y(yMm)
  const mm = (length: number): number => length * scale.perMm
  const bandTop = mm(SLEEVE_RADIUS_MM)
  const band = mm(SLEEVE_RADIUS_MM - HUB_RADIUS_MM)
  const name = couplerName(naming, coupler).replace(/ [^ ]+$/, '')
  const made = naming.box.draft.positions.find(
    (position) => position.couplers[coupler.id] === place?.id,
  )
  const arrow =
    place?.travel === 'towards-input' ? '◀ ' : place?.travel === 'towards-output' ? ' ▶' : ''
  const engagedLabel =
    place?.travel === 'towards-input'
      ? `${arrow}${made?.label ?? ''}`
      : `${made?.label ?? ''}${arrow}`
  return (
    <g
      className={clsx(isEngaged && 'sleeve-engaged')}
      data-coupler={coupler.id}
      data-place={place?.id ?? 'centre'}
    >
      <title>
        {`${capitalize(couplerName(naming, coupler))}, ${isEngaged ? 'engaged' : 'at its centre'}`}
      </title>
      {sides.map((position) => {
        const toward = sleeveShiftMm(position) < 0 ? -1 : 1
        const near = x + toward * mm(SLEEVE_TRAVEL_MM)
        const far = x + toward * mm(SLEEVE_TRAVEL_MM + 8)
        const left = Math.min(near, far)
        return [-1, 1].map((half) => (
          <rect
            key={`${position.id}${half}`}
            className="solid"
            x={left}
            width={Math.abs(far - near)}
            y={half < 0 ? y - mm(DOG_RING_RADIUS_MM) : y + mm(HUB_RADIUS_MM - 3)}
            height={mm(DOG_RING_RADIUS_MM - HUB_RADIUS_MM + 3)}
          />
        ))
      })}
      <rect
        className="solid"
        x={x - mm(HUB_WIDTH_MM / 2)}
        width={mm(HUB_WIDTH_MM)}
        y={y - mm(HUB_RADIUS_MM)}
        height={mm(2 * HUB_RADIUS_MM)}
      />
      <g className="moves" transform={`translate(${shift.toFixed(1)} 0)`}>
        {[-1, 1].map((half) => (
          <path
            key={half}
            className="sleeve"
            d={sleeveBand(
              x,
              half < 0 ? y - bandTop : y + bandTop,
              mm(SLEEVE_WIDTH_MM),
              band * (half < 0 ? 1 : -1),
            )}
          />
        ))}
        <text className="sleeve-name" x={x} y={y - bandTop - 9}>
          {isEngaged ? engagedLabel : name}
        </text>
      </g>
    </g>
  )
}

/** A band of the sleeve's section, with the groove for its fork on the outside. */
function sleeveBand(x: number, outerY: number, width: number, height: number): string {
  const groove = width / 4
  return `M${x - width / 2} ${outerY}H${x - groove / 2}v${height / 2}h${groove}v${-height / 2}H${x + width / 2}v${height}H${x - width / 2}Z`
}
