import clsx from 'clsx'
import { useRef } from 'react'

import type { BoxDraft, Coupler, CouplerPlaces, Section } from 'core'
import { COUPLER_DEFINITIONS, indexBox, isClutch, namedPlace, sleeveShiftMm } from 'core'

import type { Scale } from '~/views/section/scale.ts'
import { capitalize, couplerName, placeName } from '~/words/names.ts'
import type { Vocabulary } from '~/words/vocabulary.ts'

import { stepPlace } from '~/views/trace/movedPlaces.ts'

/** A grip is at least this large, so that a glove can take it, in viewBox units. */
const GRIP = { width: 46, height: 46 }
/** A pull is longer than this, in pixels; anything shorter is a press. */
const PULL_PX = 8

interface SleeveGripsProps {
  readonly draft: BoxDraft
  readonly words: Vocabulary
  readonly section: Section
  readonly scale: Scale
  readonly places: CouplerPlaces
  /** The coupler that holds another one at its centre just now. */
  readonly holding: string | undefined
  readonly onMove: (coupler: string, place: string) => void
}

/** Grips by which the sleeves in the drawing are pulled, or moved with the arrow keys. */
export function SleeveGrips(props: SleeveGripsProps) {
  const { draft, words, section, scale, places, holding, onMove } = props
  const naming = { box: indexBox(draft), words }
  return section.couplers.map(({ coupler, yMm, baseRadiusMm }) => {
    const slid = section.gears.find(
      ({ gear }) =>
        coupler.gears?.[0] === gear.id ||
        (coupler.kind === 'sliding-idler' && gear.member === coupler.hub),
    )
    const isSlider = slid !== undefined && !COUPLER_DEFINITIONS[coupler.kind].hasTeethOnSleeve
    const place = coupler.positions.find(({ id }) => id === namedPlace(places, coupler.id))
    const restMm = isSlider ? slid.gear.stationMm : coupler.stationMm
    // Plates of a clutch close where they stand.
    const shiftMm = isClutch(coupler) ? 0 : sleeveShiftMm(place)
    const x = scale.x(restMm) + shiftMm * scale.perMmX
    const top = isSlider
      ? scale.y(slid.yMm + slid.radiusMm) - GRIP.height / 2
      : scale.y(yMm - baseRadiusMm) - GRIP.height
    const state =
      !place || place.engages.length === 0
        ? 'at its centre'
        : `engaged: ${placeName(naming, coupler, place)}`
    return (
      <Grip
        key={coupler.id}
        coupler={coupler}
        place={namedPlace(places, coupler.id) ?? ''}
        x={x}
        y={top + GRIP.height / 2}
        title={`${capitalize(couplerName(naming, coupler))}, ${state}. Pull it, or move it with the arrow keys`}
        isHolding={holding === coupler.id}
        onMove={onMove}
      />
    )
  })
}

interface GripProps {
  readonly coupler: Coupler
  readonly place: string
  readonly x: number
  readonly y: number
  readonly title: string
  readonly isHolding: boolean
  readonly onMove: (coupler: string, place: string) => void
}

function Grip({ coupler, place, x, y, title, isHolding, onMove }: GripProps) {
  const startX = useRef<number>(null)
  const step = (by: -1 | 1): void => {
    onMove(coupler.id, stepPlace(coupler, place, by))
  }
  return (
    <g
      role="button"
      tabIndex={0}
      aria-label={title}
      data-grip={coupler.id}
      className={clsx('grip', isHolding && 'holding')}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId)
        startX.current = event.clientX
      }}
      onPointerUp={(event) => {
        const pulled = startX.current === null ? 0 : event.clientX - startX.current
        startX.current = null
        if (Math.abs(pulled) > PULL_PX) step(pulled < 0 ? -1 : 1)
      }}
      onKeyDown={(event) => {
        if (event.key !== 'ArrowLeft' && event.key !== 'ArrowRight') return
        step(event.key === 'ArrowLeft' ? -1 : 1)
        event.preventDefault()
      }}
    >
      <title>{title}</title>
      <rect
        x={x - GRIP.width / 2}
        y={y - GRIP.height / 2}
        width={GRIP.width}
        height={GRIP.height}
      />
    </g>
  )
}
