/** The blocks of the gears, and what is written on and beside them. */
import { memo } from 'react'

import clsx from 'clsx'

import type { BodyMotion, Gear, SectionGear } from 'core'
import { isDisputed, toNumber } from 'core'

import { formatNumber } from '~/words/format.ts'
import type { Naming } from '~/words/names.ts'
import { capitalize, gearName } from '~/words/names.ts'

import type { GearName } from '~/views/section/gearLabels.ts'
import { placeGearFigures } from '~/views/section/gearLabels.ts'
import type { Layers } from '~/views/section/layers.ts'
import type { Layout } from '~/views/section/layout.ts'
import { gearOutline } from '~/views/section/outlines.ts'
import { restClass } from '~/views/section/rest.ts'
import type { Scale } from '~/views/section/scale.ts'
import { markedBlock, toothMarks } from '~/views/section/toothMarks.ts'

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

interface GearFiguresProps extends GearLinks {
  readonly drawn: SectionGear
  readonly layout: Layout
  readonly naming: Naming
  readonly layers: Layers
  /** Where its name finds room. */
  readonly name: GearName | undefined
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

/** "2nd gear, main shaft: 32 teeth, free". */
function sayGear(naming: Naming, gear: Gear): string {
  const { toothCount, recount, mount } = gear
  const teeth =
    toothCount === null
      ? 'not counted'
      : isDisputed(gear)
        ? `counted as ${toothCount} and ${recount ?? ''}`
        : `${toothCount} teeth`
  return `${capitalize(gearName(naming, gear))}: ${teeth}, ${naming.words.mounts[mount]}`
}

export function GearFigures(props: GearFiguresProps) {
  const { drawn, layout, naming, layers, name } = props
  const { gear } = drawn
  const { x, frame, countY, speedY } = placeGearFigures(drawn, layout)
  const disputed = isDisputed(gear)
  const said = sayGear(naming, gear)
  return (
    <GearLink {...props}>
      {/* It names the link too. */}
      <title>{said}</title>
      <rect className="frame" {...frame} />
      {layers.has('counts') && (
        <text className={clsx('on-gear', disputed && 'disputed')} x={x} y={countY}>
          {`${gear.toothCount ?? '?'}${disputed ? '!' : ''}`}
        </text>
      )}
      {layers.has('speed') && props.speedRpm !== undefined && (
        <text className="on-gear speed" x={x} y={speedY}>
          {speedText(props.motion, props.speedRpm, props.downwards ?? 1)}
        </text>
      )}
      {layers.has('names') && name && (
        <text
          className={clsx(layout.shifts.get(gear.id) && 'slid')}
          x={name.x}
          y={name.y}
          textAnchor={name.textAnchor}
        >
          {name.text}
        </text>
      )}
    </GearLink>
  )
}

interface GearLinkProps extends GearLinks {
  readonly drawn: SectionGear
  readonly children: React.ReactNode
}

/** What leads to a gear where gears lead somewhere, and tells when it is pointed at. */
function GearLink(props: GearLinkProps) {
  const { drawn, gearHref, onChooseGear, onPoint, children } = props
  const { id } = drawn.gear
  const [enter, leave] = [() => onPoint?.(id), () => onPoint?.(undefined)]
  const point = onPoint && {
    onPointerEnter: enter,
    onPointerLeave: leave,
    onFocus: enter,
    onBlur: leave,
  }
  if (!gearHref) return <g {...point}>{children}</g>
  return (
    <a
      href={gearHref(id)}
      {...point}
      onClick={(event) => {
        if (!onChooseGear || event.metaKey || event.ctrlKey) return
        event.preventDefault()
        onChooseGear(id)
      }}
    >
      {children}
    </a>
  )
}
