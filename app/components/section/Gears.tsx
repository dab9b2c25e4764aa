/** The blocks of the gears, and what is written on and beside them. */
import { memo } from 'react'

import clsx from 'clsx'

import type { BodyMotion, Section, SectionGear } from 'core'
import { SLEEVE_WIDTH_MM, isDisputed, toNumber } from 'core'

import { formatNumber } from '~/words/format.ts'
import type { Naming } from '~/words/names.ts'
import { capitalize, gearName } from '~/words/names.ts'

import type { Layers } from '~/views/section/layers.ts'
import { gearOutline } from '~/views/section/outlines.ts'
import { restClass } from '~/views/section/rest.ts'
import type { Scale } from '~/views/section/scale.ts'
import { markedBlock, metalMm, toothMarks } from '~/views/section/toothMarks.ts'

/** A name keeps this far from gears that are none of its own. */
const NAME_SLACK_MM = 4
/** A sleeve and its name reach so far beyond what it sits on. */
const SLEEVE_ROOM_MM = 24
/** The height of a count written on its gear, in viewBox units. */
const FIGURE_HEIGHT = 24

export interface GearLinks {
  /** Where a gear leads when it is chosen. */
  readonly gearHref?: ((gearId: string) => string) | undefined
  readonly onChooseGear?: ((gearId: string) => void) | undefined
  /** Told which gear is pointed at, and undefined when none is. */
  readonly onPoint?: ((gearId: string | undefined) => void) | undefined
}

interface GearBlockProps {
  readonly drawn: SectionGear
  /** The radius of the member that the gear is on. */
  readonly memberRadiusMm: number
  /** Cut on the outside of a sleeve. */
  readonly isOnSleeve: boolean
  readonly shiftMm: number
  readonly scale: Scale
  readonly isLit?: boolean
  /** How the gear moves, where parts that do not turn are to be told from the others. */
  readonly motion?: BodyMotion | undefined
  /** Whether its teeth are marked by somebody else. */
  readonly isMarkedElsewhere?: boolean
}

export const GearBlock = memo(function GearBlock(props: GearBlockProps) {
  const { drawn, memberRadiusMm, isOnSleeve, shiftMm, scale, isLit = false } = props
  const { gear, widthMm, yMm, isCounted, isInternal } = drawn
  const outline = gearOutline(drawn, memberRadiusMm, isOnSleeve, scale)
  const x = scale.x(gear.stationMm - widthMm / 2).toFixed(1)
  const width = (widthMm * scale.perMmX).toFixed(1)
  const y = scale.y(yMm)
  const shaft = memberRadiusMm * scale.perMmY
  const marked =
    isLit || props.isMarkedElsewhere
      ? undefined
      : markedBlock(drawn, scale, memberRadiusMm, isOnSleeve, 0)
  const seat = gear.mount === 'fixed' ? '' : gear.mount === 'sliding' ? '5 4' : null
  return (
    <g
      className={clsx('moves', restClass(props.motion))}
      transform={`translate(${(shiftMm * scale.perMmX).toFixed(1)} 0)`}
      data-gear={gear.id}
    >
      <path className={isLit ? 'lit' : outline.className} d={outline.d} />
      {marked && <path className="teeth" d={toothMarks(marked)} />}
      {isCounted && !isLit && seat !== null && !isInternal && !isOnSleeve && (
        <path
          className="seat"
          strokeDasharray={seat === '' ? undefined : seat}
          d={`M${x} ${(y - shaft).toFixed(1)}h${width}M${x} ${(y + shaft).toFixed(1)}h${width}`}
        />
      )}
    </g>
  )
})

/** On which side of its axis a gear carries its figures: away from the middle of the drawing. */
function outwards(section: Section, yMm: number): -1 | 1 {
  return yMm < (section.topMm + section.bottomMm) / 2 ? -1 : 1
}

/** Whether a planet that is drawn as a gear stands within a ring on this side of its axis. */
function isFilled(section: Section, ring: SectionGear, side: -1 | 1): boolean {
  return section.gears.some(
    ({ gear, yMm }) =>
      Math.abs(gear.stationMm - ring.gear.stationMm) < ring.widthMm &&
      Math.abs(yMm - ring.yMm) < ring.radiusMm &&
      Math.sign(yMm - ring.yMm) === side,
  )
}

/** Whether something else stands where this gear's name would. */
function isCovered(
  section: Section,
  { gear, yMm, radiusMm }: SectionGear,
  side: -1 | 1,
  shifts: ReadonlyMap<string, number>,
): boolean {
  const edgeMm = yMm + side * radiusMm
  const stationMm = (id: string, restMm: number): number => restMm + (shifts.get(id) ?? 0)
  const own = stationMm(gear.id, gear.stationMm)
  return (
    section.gears.some(
      (other) =>
        other.gear.id !== gear.id &&
        Math.abs(stationMm(other.gear.id, other.gear.stationMm) - own) < other.widthMm &&
        (Math.sign(other.yMm - yMm) === side || other.yMm === yMm) &&
        Math.abs(other.yMm - edgeMm) < other.radiusMm + 2 * NAME_SLACK_MM,
    ) ||
    section.couplers.some(
      ({ coupler, yMm: laneMm, baseRadiusMm }) =>
        laneMm !== yMm &&
        Math.abs(coupler.stationMm - own) < SLEEVE_WIDTH_MM &&
        Math.abs(laneMm - edgeMm) < baseRadiusMm + SLEEVE_ROOM_MM,
    ) ||
    section.members.some(
      (other) =>
        other.yMm !== yMm &&
        other.member.fromMm < own &&
        other.member.toMm > own &&
        Math.abs(other.yMm - (edgeMm + side * NAME_SLACK_MM)) < other.radiusMm + NAME_SLACK_MM,
    )
  )
}

interface GearFiguresProps extends GearLinks {
  readonly drawn: SectionGear
  readonly section: Section
  readonly memberRadiusMm: number
  readonly isOnSleeve: boolean
  readonly shifts: ReadonlyMap<string, number>
  readonly scale: Scale
  readonly naming: Naming
  readonly layers: Layers
  /** How the gear moves, where its speed is to be written on it. */
  readonly motion?: BodyMotion | undefined
  /** Speed of the input, and 1 where the near side of a gear that turns with it goes down, else −1. */
  readonly speedRpm?: number | undefined
  readonly downwards?: 1 | -1 | undefined
}

/** "↓ 412", the way the near side goes, in rev/min. */
function speedText(motion: BodyMotion | undefined, speedRpm: number, downwards: 1 | -1): string {
  switch (motion?.kind) {
    case 'turns': {
      const rpm = toNumber(motion.speed) * speedRpm
      return `${rpm * downwards > 0 ? '↓' : '↑'} ${formatNumber(Math.abs(rpm), 0)}`
    }
    case 'still':
      return '0'
    case 'coasts':
      return 'coasts'
    default:
      return '?'
  }
}

export function GearFigures(props: GearFiguresProps) {
  const { drawn, section, memberRadiusMm, isOnSleeve, shifts, scale, naming, layers } = props
  const { gear, yMm, widthMm } = drawn
  const shiftMm = shifts.get(gear.id) ?? 0
  const outside = outwards(section, yMm)
  const isTurned = drawn.isInternal && isFilled(section, drawn, outside)
  const side = isTurned ? (outside < 0 ? 1 : -1) : outside
  const x = scale.x(gear.stationMm + shiftMm)
  const y = scale.y(yMm)
  const [innerMm, outerMm] = metalMm(drawn, memberRadiusMm, isOnSleeve)
  const outer = outerMm * scale.perMmY
  const fromMm = Math.max(innerMm, memberRadiusMm)
  const middle = ((outerMm + fromMm) / 2) * scale.perMmY
  const hasRoom = (outerMm - fromMm) * scale.perMmY > FIGURE_HEIGHT * 0.8
  // A figure that has no room on its side of the shaft goes across the shaft's middle.
  const isBeside = hasRoom || drawn.isInternal
  // The rim of a ring is thin: its count stands inside it, over the planets, and its name beside it.
  const figureMm = drawn.isInternal ? innerMm - FIGURE_HEIGHT / 2 / scale.perMmY : null
  const figureAt = figureMm === null ? middle : figureMm * scale.perMmY
  const figureY = y + (isBeside ? side * figureAt : 0) + 8
  const count = gear.toothCount === null ? '?' : `${gear.toothCount}`
  const disputed = isDisputed(gear)
  const teeth =
    gear.toothCount === null
      ? 'not counted'
      : disputed
        ? `counted as ${gear.toothCount} and ${gear.recount ?? ''}`
        : `${gear.toothCount} teeth`
  const name = `${capitalize(gearName(naming, gear))}: ${teeth}, ${naming.words.mounts[gear.mount]}`
  const label = gear.label.replace(/ (gear|idler)$/, '').replace(/^(chain|primary) sprocket$/, '$1')
  const content = (
    <>
      <title>{name}</title>
      <rect
        className="frame"
        x={x - (widthMm / 2) * scale.perMmX}
        width={widthMm * scale.perMmX}
        y={y - outer}
        height={2 * outer}
      />
      {layers.has('counts') && (
        <text className={clsx('on-gear', disputed && 'disputed')} x={x} y={figureY}>
          {disputed ? `${count}!` : count}
        </text>
      )}
      {layers.has('speed') && props.speedRpm !== undefined && (
        <text className="on-gear speed" x={x} y={y + (isBeside ? -side * middle : side * 26) + 5}>
          {speedText(props.motion, props.speedRpm, props.downwards ?? 1)}
        </text>
      )}
      {layers.has('names') &&
        !isCovered(section, { ...drawn, radiusMm: outerMm }, side, shifts) && (
          <text
            className={clsx(shiftMm !== 0 && 'slid')}
            {...(drawn.isInternal
              ? {
                  x: x + (widthMm / 2) * scale.perMmX + 8,
                  y: y + side * middle + 5,
                  textAnchor: 'start',
                }
              : { x, y: side < 0 ? y - outer - 8 : y + outer + 20, textAnchor: 'middle' })}
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
