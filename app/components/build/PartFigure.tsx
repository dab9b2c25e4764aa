/** One part by itself: in section along its axis, or by a sign of its kind. */
import { memo } from 'react'

import { PIECE_DEFINITIONS } from 'core'

import { pieceFigure } from '~/components/section/Pieces.tsx'
import type { Drawable } from '~/views/build/drawables.ts'
import { extentOf } from '~/views/build/drawables.ts'
import { blockPath } from '~/views/section/outlines.ts'

interface PartFigureProps {
  readonly drawable: Drawable
  /** Its left edge and its axis, in units of the drawing. */
  readonly x: number
  readonly y: number
  readonly perMm: number
}

const TOOTH_PITCH = 5

/** Lines across a face of teeth. */
function teeth(x: number, width: number, from: number, to: number): string {
  const [low, high] = [Math.min(from, to), Math.max(from, to)]
  const count = Math.max(1, Math.floor((high - low) / TOOTH_PITCH))
  return Array.from(
    { length: count },
    (_, at) =>
      `M${x.toFixed(1)} ${(low + (at + 0.5) * TOOTH_PITCH).toFixed(1)}h${width.toFixed(1)}`,
  ).join('')
}

export const PartFigure = memo(function PartFigure({ drawable, x, y, perMm }: PartFigureProps) {
  if (drawable.kind === 'sign') {
    const size = (2 * extentOf(drawable).radiusMm * perMm) / 40
    return (
      <g
        transform={`translate(${x.toFixed(1)} ${(y - 20 * size).toFixed(1)}) scale(${size.toFixed(3)})`}
      >
        <path
          className="piece"
          fillRule="evenodd"
          d={PIECE_DEFINITIONS[drawable.of].sign ?? OTHER_SIGN}
        />
      </g>
    )
  }
  if (drawable.kind === 'shaft')
    return drawable.bars.map((bar, at) => {
      const from = x + bar.fromMm * perMm
      const width = (bar.toMm - bar.fromMm) * perMm
      const high = bar.radiusMm * perMm
      return (
        <g key={at}>
          <path
            className={bar.isGear ? 'solid' : 'shaft'}
            d={blockPath(from, width, y - high, y + high)}
          />
          {bar.isGear && <path className="teeth" d={teeth(from, width, y - high, y + high)} />}
        </g>
      )
    })
  const { shape, lengthMm, boreRadiusMm, radiusMm } = drawable
  const width = lengthMm * perMm
  return ([-1, 1] as const).map((out) => {
    const [inner, outer] = [y + out * boreRadiusMm * perMm, y + out * radiusMm * perMm]
    if (shape === 'gear' || shape === 'hub')
      return (
        <g key={out}>
          <path
            className={shape === 'gear' ? 'open' : 'solid'}
            d={blockPath(x, width, inner, outer)}
          />
          <path
            className="piece-lines"
            d={shape === 'gear' ? teeth(x, width, inner + (outer - inner) * 0.6, outer) : ''}
          />
        </g>
      )
    if (shape === 'sleeve') {
      const groove = inner + (outer - inner) * 0.45
      const third = width / 3
      return (
        <path
          key={out}
          className="sleeve"
          d={`M${x} ${inner}V${outer}h${third}V${groove}h${third}V${outer}h${third}V${inner}Z`}
        />
      )
    }
    const figure = pieceFigure(shape, { x, width, inner, outer, out })
    return (
      <g key={out}>
        <path className={figure.isDark === true ? 'piece dark' : 'piece'} d={figure.metal} />
        {figure.lines !== undefined && <path className="piece-lines" d={figure.lines} />}
      </g>
    )
  })
})

const OTHER_SIGN = 'M6 10h28v20h-28Z'
