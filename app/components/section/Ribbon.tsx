import { useMemo } from 'react'

import type { BoxIndex, Drive, Section } from 'core'

import { ribbonPieces } from './ribbon.ts'
import type { Scale } from './scale.ts'

/** Width of the ribbon at full torque, and the least that can be seen, in viewBox units. */
const FULL_WIDTH = 30
const LEAST_WIDTH = 3
/** A piece shorter than this has no room for a mark of direction. */
const SHORTEST_MARKED = 40

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
          strokeWidth={Math.max(LEAST_WIDTH, (FULL_WIDTH * piece.torque) / fullTorque).toFixed(1)}
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
