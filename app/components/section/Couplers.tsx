/** What moves: sleeves and dog rings on their hubs, clutches, and the names of sliding gears. */
import { memo } from 'react'

import clsx from 'clsx'

import type { CouplerPosition, SectionCoupler } from 'core'
import { centreOf, isClutch, USUAL_TRAVEL_MM, SLEEVE_WIDTH_MM, sleeveShiftMm } from 'core'

import type { Naming } from '~/words/names.ts'
import { capitalize, couplerLabel, couplerName, placeName } from '~/words/names.ts'

import type { Scale } from '~/views/section/scale.ts'
import { HUB_MM, PLATES_MM, SLEEVE_MM, isDrawn } from '~/views/section/sleeves.ts'

/** Of the parts of a coupler, outwards from what it sits on. */
const DOGS_MM = 9.5
const HUB_WIDTH_MM = 9
const DOGS_WIDTH_MM = 8
/** Plates of a clutch. */
const PLATES = [-5, 0, 5] as const
const PLATE_MM = { inner: 4, outer: PLATES_MM, width: 2.4, closed: 3 }

interface CouplerProps {
  readonly drawn: SectionCoupler
  readonly place: CouplerPosition | undefined
  /** How far it stands from its station; where its place has it, unless it is on its way. */
  readonly shiftMm?: number | undefined
  readonly scale: Scale
  readonly naming: Naming
  /** The base line of its name, where it has one. */
  readonly nameY: number | undefined
}

export const CouplerShape = memo(function CouplerShape({
  drawn,
  place,
  shiftMm = sleeveShiftMm(place),
  scale,
  naming,
  nameY,
}: CouplerProps) {
  const { coupler } = drawn
  const isEngaged = place !== undefined && place !== centreOf(coupler)
  if (!isDrawn(coupler)) return null
  const x = scale.x(coupler.stationMm)
  const hasPlates = isClutch(coupler)
  const shift = hasPlates ? 0 : shiftMm * scale.perMmX
  const engaged = place ? placeName(naming, coupler, place) : ''
  const text =
    !isEngaged || hasPlates
      ? couplerLabel(naming, coupler)
      : place.travel === 'towards-input'
        ? `◀ ${engaged}`
        : `${engaged} ▶`
  return (
    <g
      className={clsx(isEngaged && 'sleeve-engaged')}
      data-coupler={coupler.id}
      data-place={place?.id ?? 'centre'}
    >
      <title>
        {`${capitalize(couplerName(naming, coupler))}, ${isEngaged ? `engaged: ${engaged}` : 'at its centre'}`}
      </title>
      {hasPlates ? (
        <Plates drawn={drawn} isClosed={isEngaged} scale={scale} />
      ) : (
        <Sleeve drawn={drawn} shift={shift} scale={scale} />
      )}
      {nameY !== undefined && (
        <text
          className={clsx('sleeve-name moves', coupler.gears !== undefined && 'haloed')}
          x={x}
          y={nameY}
          transform={`translate(${shift.toFixed(1)} 0)`}
        >
          {text}
        </text>
      )}
    </g>
  )
})

function Sleeve({
  drawn: { coupler, yMm, baseRadiusMm },
  shift,
  scale,
}: {
  readonly drawn: SectionCoupler
  readonly shift: number
  readonly scale: Scale
}) {
  const x = scale.x(coupler.stationMm)
  const y = scale.y(yMm)
  const high = (fromBaseMm: number): number => (baseRadiusMm + fromBaseMm) * scale.perMmY
  const wide = (mm: number): number => mm * scale.perMmX
  const sides = coupler.positions.filter(({ engages }) => engages.length > 0)
  return (
    <>
      {sides.map((position) => {
        const toward = sleeveShiftMm(position) < 0 ? -1 : 1
        const near = x + toward * wide(USUAL_TRAVEL_MM)
        const far = x + toward * wide(USUAL_TRAVEL_MM + DOGS_WIDTH_MM)
        const isHeld = position.engages.some(({ kind }) => kind === 'hold')
        return [-1, 1].map((half) => (
          <rect
            key={`${position.id}${half}`}
            className={isHeld ? 'case' : 'solid'}
            x={Math.min(near, far)}
            width={Math.abs(far - near)}
            y={half < 0 ? y - high(DOGS_MM) : y + high(HUB_MM - 3)}
            height={high(DOGS_MM) - high(HUB_MM - 3)}
          />
        ))
      })}
      {[-1, 1].map((half) => (
        <rect
          key={half}
          className="solid"
          x={x - wide(HUB_WIDTH_MM / 2)}
          width={wide(HUB_WIDTH_MM)}
          y={half < 0 ? y - high(HUB_MM) : y + high(0)}
          height={high(HUB_MM) - high(0)}
        />
      ))}
      <g className="moves" transform={`translate(${shift.toFixed(1)} 0)`}>
        {([-1, 1] as const).map((half) => (
          <path
            key={half}
            className="sleeve"
            d={sleeveBand(
              x,
              y + half * high(SLEEVE_MM),
              wide(SLEEVE_WIDTH_MM),
              -half * (high(SLEEVE_MM) - high(HUB_MM)),
            )}
          />
        ))}
      </g>
    </>
  )
}

/** A band of the sleeve's section, with the groove for its fork on the outside. */
function sleeveBand(x: number, outerY: number, width: number, height: number): string {
  const groove = width / 4
  return `M${x - width / 2} ${outerY}H${x - groove / 2}v${height / 2}h${groove}v${-height / 2}H${x + width / 2}v${height}H${x - width / 2}Z`
}

/** Plates apart when the clutch is open, together when it is closed. */
function Plates({
  drawn: { coupler, yMm, baseRadiusMm },
  isClosed,
  scale,
}: {
  readonly drawn: SectionCoupler
  readonly isClosed: boolean
  readonly scale: Scale
}) {
  const spread = isClosed ? PLATE_MM.closed / 5 : 1
  return PLATES.flatMap((offset, at) =>
    [-1, 1].map((half) => (
      <rect
        key={`${offset}${half}`}
        className={at === 1 ? 'sleeve' : 'solid'}
        x={scale.x(coupler.stationMm + offset * spread - PLATE_MM.width / 2)}
        width={PLATE_MM.width * scale.perMmX}
        y={scale.y(
          half < 0 ? yMm - baseRadiusMm - PLATE_MM.outer : yMm + baseRadiusMm + PLATE_MM.inner,
        )}
        height={(PLATE_MM.outer - PLATE_MM.inner) * scale.perMmY}
      />
    )),
  )
}
