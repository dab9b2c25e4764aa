import type { AssemblyPart, BoxIndex, Section } from 'core'

import { drawableOf, extentOf } from '~/views/build/drawables.ts'

import { PartFigure } from './PartFigure.tsx'

/** Nothing is drawn larger than a part of this height would be. */
const LEAST_HEIGHT_MM = 24
const MARGIN = 4

/** One part by itself, as large as it fits into a frame of these proportions. */
export function PartPicture({
  index,
  section,
  part,
  width,
  height,
}: {
  readonly index: BoxIndex
  readonly section: Section
  readonly part: AssemblyPart
  readonly width: number
  readonly height: number
}) {
  const drawable = drawableOf(index, section, part)
  const { lengthMm, radiusMm } = extentOf(drawable)
  const perMm = Math.min(
    (width - 2 * MARGIN) / lengthMm,
    (height - 2 * MARGIN) / (2 * radiusMm),
    drawable.kind === 'sign' ? Infinity : (height - 2 * MARGIN) / LEAST_HEIGHT_MM,
  )
  const middle = height / 2
  return (
    <svg className="section" viewBox={`0 0 ${width} ${height}`} aria-hidden>
      {drawable.kind !== 'sign' && <path className="centre-line" d={`M0 ${middle}H${width}`} />}
      <PartFigure drawable={drawable} x={(width - lengthMm * perMm) / 2} y={middle} perMm={perMm} />
    </svg>
  )
}
