/** Where a part of the drawing is tapped to be measured. */
import type { Section } from 'core'
import { isClutch, SHAFT_RADIUS_MM, SLEEVE_RADIUS_MM, SLEEVE_WIDTH_MM, pathTo } from 'core'

import type { Scale } from '~/views/section/scale.ts'

interface PartHitsProps {
  readonly section: Section
  readonly scale: Scale
  /** The part in hand, which is drawn round. */
  readonly chosen: string
  /** The reference of a piece, which may be one that the drawing has anyway. */
  readonly refOf: (pieceId: string) => string
  readonly onChoose: (ref: string) => void
}

interface Hit {
  readonly ref: string
  readonly x: number
  readonly y: number
  readonly width: number
  readonly height: number
}

/** Shafts, under the gears, which are chosen by themselves. */
export function ShaftHits(props: Omit<PartHitsProps, 'refOf'>) {
  const { section, scale } = props
  const hits = section.members.map(({ member, yMm, radiusMm }): Hit => ({
    ref: pathTo('shaft', member.id),
    x: scale.x(Math.min(member.fromMm, member.toMm)),
    y: scale.y(yMm - radiusMm),
    width: Math.abs(member.toMm - member.fromMm) * scale.perMmX,
    height: 2 * radiusMm * scale.perMmY,
  }))
  return <Hits {...props} hits={hits} />
}

/** Sleeves and pieces, on both sides of their shaft. */
export function PartHits(props: PartHitsProps) {
  const { section, scale, refOf } = props
  const onBothSides = (
    ref: string,
    yMm: number,
    [fromMm, toMm]: readonly [number, number],
    [innerMm, outerMm]: readonly [number, number],
  ): readonly Hit[] =>
    ([-1, 1] as const).map((side) => ({
      ref,
      x: scale.x(fromMm),
      width: (toMm - fromMm) * scale.perMmX,
      y: scale.y(yMm + (side < 0 ? -outerMm : innerMm)),
      height: (outerMm - innerMm) * scale.perMmY,
    }))
  const sleeves = section.couplers
    .filter(({ coupler }) => !isClutch(coupler))
    .flatMap(({ coupler: { id, stationMm }, yMm, baseRadiusMm }) =>
      onBothSides(
        pathTo('sleeve', id),
        yMm,
        [stationMm - SLEEVE_WIDTH_MM / 2, stationMm + SLEEVE_WIDTH_MM / 2],
        [baseRadiusMm, baseRadiusMm + SLEEVE_RADIUS_MM - SHAFT_RADIUS_MM],
      ),
    )
  const pieces = section.pieces.flatMap(({ piece, yMm, fromMm, toMm, innerMm, outerMm }) =>
    onBothSides(refOf(piece.id), yMm, [fromMm, toMm], [innerMm, outerMm]),
  )
  return <Hits {...props} hits={[...sleeves, ...pieces]} />
}

function Hits({
  hits,
  chosen,
  onChoose,
}: Pick<PartHitsProps, 'chosen' | 'onChoose'> & { readonly hits: readonly Hit[] }) {
  // Every part is in the list of parts as well, where the keyboard finds it.
  return (
    <g aria-hidden>
      {hits.map(({ ref, ...at }, which) => (
        <rect
          key={`${ref} ${which}`}
          className={ref === chosen ? 'hit chosen' : 'hit'}
          {...at}
          onClick={() => {
            onChoose(ref)
          }}
        />
      ))}
    </g>
  )
}
