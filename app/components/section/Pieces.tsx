/**
 * Bearings, washers, spacers and the like in section. Each kind is told by its shape: rolling
 * elements between their races, needles as a hatched band, a snap ring sunk into its shaft.
 */
import { pathTo } from 'core'
import { memo } from 'react'

import type { PieceShape, SectionPiece } from 'core'

import type { Scale } from '~/views/section/scale.ts'

/** A ring in section, seen on one side of its axis: from its bore to its outside. */
interface Frame {
  readonly x: number
  readonly width: number
  /** The bore and the outside, and the way from one to the other. */
  readonly inner: number
  readonly outer: number
  readonly out: -1 | 1
}

/** Metal, and the lines drawn over it. */
export interface Figure {
  readonly metal: string
  readonly lines?: string
  /** Drawn dark: what is thin, or sits in a groove. */
  readonly isDark?: boolean
}

/** A snap ring is sunk so deep into the shaft, in viewBox units. */
const GROOVE = 4
const NEEDLE_STEP = 4.5

function box(x: number, width: number, from: number, to: number): string {
  return `M${x.toFixed(1)} ${from.toFixed(1)}h${width.toFixed(1)}V${to.toFixed(1)}h${(-width).toFixed(1)}Z`
}

/** Inner and outer race, with what rolls between them. */
function rolling(frame: Frame, roller: (middle: number, high: number) => string): Figure {
  const { x, width, inner, outer } = frame
  const third = (outer - inner) / 3
  const metal = box(x, width, inner, inner + third) + box(x, width, outer - third, outer)
  return { metal: metal + roller((inner + outer) / 2, Math.abs(third)) }
}

function circle(x: number, y: number, r: number): string {
  return `M${(x - r).toFixed(1)} ${y.toFixed(1)}a${r.toFixed(1)} ${r.toFixed(1)} 0 1 0 ${(2 * r).toFixed(1)} 0a${r.toFixed(1)} ${r.toFixed(1)} 0 1 0 ${(-2 * r).toFixed(1)} 0Z`
}

/** How each shape is drawn. */
const FIGURES: Readonly<Record<PieceShape, (frame: Frame) => Figure>> = {
  balls: (frame) =>
    rolling(frame, (middle, high) =>
      circle(frame.x + frame.width / 2, middle, Math.min(high * 0.95, frame.width * 0.42)),
    ),
  rollers: (frame) =>
    rolling(frame, (middle, high) =>
      box(frame.x + frame.width * 0.15, frame.width * 0.7, middle - high / 2, middle + high / 2),
    ),
  tapers: (frame) =>
    rolling(frame, (middle, high) => {
      const [x, w, half] = [frame.x + frame.width * 0.1, frame.width * 0.8, high / 2]
      return `M${x} ${middle - half}l${w} ${-half * 0.6}v${high * 1.6}l${-w} ${-half * 0.6}Z`
    }),
  needles: ({ x, width, inner, outer }) => ({
    metal: box(x, width, inner, outer),
    lines: Array.from(
      { length: Math.max(1, Math.floor(width / NEEDLE_STEP)) },
      (_, at) =>
        `M${(x + (at + 0.5) * NEEDLE_STEP).toFixed(1)} ${inner.toFixed(1)}V${outer.toFixed(1)}`,
    ).join(''),
  }),
  plain: ({ x, width, inner, outer }) => ({
    metal: box(x, width, inner, outer),
    lines: `M${x} ${inner}L${x + width} ${outer}`,
  }),
  washer: ({ x, width, inner, outer }) => ({ metal: box(x, width, inner, outer), isDark: true }),
  'open-ring': ({ x, width, inner, outer, out }) => ({
    metal: box(x, width, inner - out * GROOVE, outer),
    isDark: true,
  }),
  nut: ({ x, width, inner, outer, out }) => {
    const corner = out * Math.min(4, Math.abs(outer - inner) / 3)
    return {
      metal: `M${x} ${inner}V${outer - corner}l${width * 0.2} ${corner}h${width * 0.6}l${width * 0.2} ${-corner}V${inner}Z`,
      lines: `M${x} ${(inner + outer) / 2}h${width}`,
    }
  },
  flange: ({ x, width, inner, outer }) => {
    const neck = inner + (outer - inner) * 0.35
    return {
      metal: `M${x} ${inner}V${neck}H${x + width * 0.65}V${outer}H${x + width}V${inner}Z`,
    }
  },
  cone: ({ x, width, inner, outer }) => {
    const step = (outer - inner) / 3
    return { metal: `M${x} ${inner}V${outer - step}L${x + width} ${outer}V${inner + step}Z` }
  },
  lip: ({ x, width, inner, outer }) => {
    const lip = inner + (outer - inner) * 0.55
    return {
      metal: `M${x} ${outer}H${x + width}V${lip}H${x + width * 0.6}L${x + width * 0.2} ${inner}L${x + width * 0.1} ${lip}H${x}Z`,
    }
  },
  'toothed-disc': ({ x, width, inner, outer }) => ({
    metal: box(x, width, inner, outer),
    lines: [0.25, 0.5, 0.75]
      .map((share) => `M${x + width * share} ${outer}V${inner + (outer - inner) * 0.6}`)
      .join(''),
  }),
}

/** One side of a piece in section. */
export function pieceFigure(shape: PieceShape, frame: Frame): Figure {
  return FIGURES[shape](frame)
}

/** All pieces that sit on shafts, or those that are shown. */
export const Pieces = memo(function Pieces({
  pieces,
  scale,
  classOf,
}: {
  readonly pieces: readonly SectionPiece[]
  readonly scale: Scale
  readonly classOf?: ((ref: string) => string | undefined) | undefined
}) {
  return pieces.map((drawn) => (
    <g key={drawn.piece.id} className={classOf?.(pathTo('piece', drawn.piece.id))}>
      <PieceShapeOf drawn={drawn} scale={scale} />
    </g>
  ))
})

const PieceShapeOf = memo(function PieceShapeOf({
  drawn,
  scale,
}: {
  readonly drawn: SectionPiece
  readonly scale: Scale
}) {
  const { piece, yMm, shape, fromMm, toMm, innerMm, outerMm } = drawn
  const [above, below] = ([-1, 1] as const).map((out) =>
    pieceFigure(shape, {
      x: scale.x(fromMm),
      width: (toMm - fromMm) * scale.perMmX,
      inner: scale.y(yMm + out * innerMm),
      outer: scale.y(yMm + out * outerMm),
      out,
    }),
  )
  if (!above || !below) return null
  return (
    <g data-piece={piece.id}>
      <path
        className={above.isDark === true ? 'piece dark' : 'piece'}
        d={above.metal + below.metal}
      />
      {above.lines !== undefined && (
        <path className="piece-lines" d={above.lines + (below.lines ?? '')} />
      )}
    </g>
  )
})
