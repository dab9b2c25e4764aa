/** One part by itself: in section along its axis, or by a sign of its kind. */
import { memo } from 'react'

import type { PieceKind } from 'core'

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
        <path className="piece" fillRule="evenodd" d={SIGNS[drawable.of] ?? OTHER_SIGN} />
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

const PLATE =
  'M4 4h32v32h-32ZM9 9v4h4v-4ZM27 9v4h4v-4ZM9 27v4h4v-4ZM27 27v4h4v-4ZM14 20a6 6 0 1 0 12 0a6 6 0 1 0-12 0Z'
const DISC = 'M20 3a17 17 0 1 0 .1 0ZM20 13a7 7 0 1 1-.1 0Z'
const BALL = 'M20 10a10 10 0 1 0 .1 0Z'
const COIL = 'M6 6h28v4h-28ZM6 14h28v4h-28ZM6 22h28v4h-28ZM6 30h28v4h-28Z'
const ROD = 'M2 16h36v8h-36Z'
const OTHER_SIGN = 'M6 10h28v20h-28Z'

/** Signs for what stands along no shaft, in a square of 40. */
const SIGNS: Readonly<Partial<Record<PieceKind, string>>> = {
  fork: 'M17 0h6v10h-6ZM4 38v-14a16 14 0 0 1 32 0v14h-6v-13a10 9 0 0 0-20 0v13Z',
  rod: 'M2 16h28v8h-28ZM32 16h6v8h-6Z',
  detent: `M20 24a7 7 0 1 0 .1 0ZM10 2h20v4h-20ZM10 9h20v4h-20ZM10 16h20v4h-20Z`,
  'interlock-ball': BALL,
  ball: BALL,
  spring: COIL,
  'hub-key': 'M6 15h10l3-4h2l3 4h10v10h-28Z',
  key: 'M4 16h32a16 14 0 0 1-32 0Z',
  'friction-plate': DISC,
  'steel-plate': DISC,
  piston: 'M4 6h32v28h-8v-20h-16v20h-8Z',
  'clutch-disc': DISC,
  'release-bearing': DISC,
  'clutch-fork': 'M17 0h6v20h-6ZM6 38v-10a14 10 0 0 1 28 0v10h-6v-9a8 6 0 0 0-16 0v9Z',
  case: 'M2 6h36v28h-36ZM7 11v18h26v-18Z',
  'end-plate': PLATE,
  'intermediate-plate': PLATE,
  'bearing-carrier': PLATE,
  'tail-housing': 'M2 8h12l22 8v10l-22 8h-12ZM8 14v12h6v-12Z',
  cover: 'M2 14h6v-6h24v6h6v8h-36Z',
  'dummy-shaft': ROD,
  'idler-pin': ROD,
  'bearing-race': DISC,
  gasket: 'M3 3h34v34h-34ZM8 8v24h24v-24Z',
  bolt: 'M12 2h16v9h-16ZM16 13h8v25h-8Z',
  switch: 'M12 4h16v14h-16ZM16 20h8v14h-8ZM18 0h4v4h-4Z',
  'oil-guide': 'M2 12h4v12h28v-12h4v16h-36Z',
  seal: DISC,
}
