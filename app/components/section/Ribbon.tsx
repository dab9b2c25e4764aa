import { useMemo } from 'react'

import type { BoxIndex, Drive, Section } from 'core'

import { formatTorque, torqueUnitNm } from '~/words/format.ts'
import type { Input } from '~/words/sentences.ts'

import { ribbonPieces } from '~/views/section/ribbon.ts'
import type { Scale } from '~/views/section/scale.ts'

/** Width of the ribbon at full torque, and the least that can be seen, in viewBox units. */
const FULL_WIDTH = 30
const LEAST_WIDTH = 3
/** A piece shorter than this has no room for a mark of direction. */
const SHORTEST_MARKED = 40

/** Never too thin to be seen, nor wider than at full torque. */
function ribbonWidth(torque: number, fullTorque: number, { share }: Scale): number {
  const full = FULL_WIDTH * share
  return Math.min(full, Math.max(LEAST_WIDTH, (full * torque) / fullTorque))
}

interface RibbonProps {
  readonly box: BoxIndex
  readonly section: Section
  readonly scale: Scale
  readonly drive: Drive
  readonly fullTorque: number
}

/** Where the power goes; as wide as the torque there. */
export function Ribbon({ box, section, scale, drive, fullTorque }: RibbonProps) {
  const pieces = useMemo(() => ribbonPieces(box, section, drive), [box, section, drive])
  return (
    <g className="ribbon" opacity={0.88} aria-hidden>
      {pieces.map((piece, at) => (
        <line
          key={at}
          x1={scale.x(piece.fromXMm)}
          y1={scale.y(piece.fromYMm)}
          x2={scale.x(piece.toXMm)}
          y2={scale.y(piece.toYMm)}
          strokeWidth={ribbonWidth(piece.torque, fullTorque, scale).toFixed(1)}
          data-torque={piece.torque}
        />
      ))}
      {pieces.map((piece, at) => {
        const [fromX, fromY] = [scale.x(piece.fromXMm), scale.y(piece.fromYMm)]
        const [dx, dy] = [scale.x(piece.toXMm) - fromX, scale.y(piece.toYMm) - fromY]
        if (Math.hypot(dx, dy) < SHORTEST_MARKED) return null
        const angle = (Math.atan2(dy, dx) * 180) / Math.PI
        return (
          <path
            key={at}
            d="M-4 -6L4 0L-4 6"
            transform={`translate(${(fromX + dx / 2).toFixed(1)} ${(fromY + dy / 2).toFixed(1)}) rotate(${angle.toFixed(0)})`}
          />
        )
      })}
    </g>
  )
}

/** Room that the stated scale takes, in viewBox units. */
export const SCALE_SIZE = { width: 196, height: 34 }
/** Kept free at its left, since names reach beyond their gears. */
const SCALE_MARGIN = 12
const SAMPLE_LENGTH = 34

/** The largest of 1, 2, 5, 10, 20 … that is no more than `most`. */
function roundFigure(most: number): number {
  const decade = 10 ** Math.floor(Math.log10(most))
  return [5, 2, 1].map((digit) => digit * decade).find((figure) => figure <= most) ?? decade
}

interface TorqueScaleProps {
  readonly at: { readonly x: number; readonly y: number }
  readonly scale: Scale
  readonly fullTorque: number
  readonly input: Input
  /** Whether some of the ribbon carries more than its full width shows. */
  readonly isExceeded: boolean
}

/** A piece of ribbon as wide as a round torque, with that torque. */
export function TorqueScale({ at, scale, fullTorque, input, isExceeded }: TorqueScaleProps) {
  const unitNm = torqueUnitNm(input.torqueUnit)
  const full = (fullTorque * input.torqueNm) / unitNm
  // Where pieces are no wider than at full torque, that is the torque to be told.
  const figure = isExceeded ? full : roundFigure(full)
  const x = at.x + SCALE_MARGIN
  const middle = at.y + SCALE_SIZE.height / 2
  return (
    <g className="ribbon-scale">
      <line
        x1={x}
        x2={x + SAMPLE_LENGTH}
        y1={middle}
        y2={middle}
        strokeWidth={((FULL_WIDTH * scale.share * figure) / full).toFixed(1)}
      />
      <text x={x + SAMPLE_LENGTH + 8} y={middle + 6}>
        {`this wide: ${formatTorque(figure * unitNm, input.torqueUnit)}${isExceeded ? ' or more' : ''}`}
      </text>
    </g>
  )
}
