/**
 * The section along the shafts. Solid gears turn with their shaft, open ones are
 * free on it; a sleeve stands where the selected position puts it. Heights are to
 * scale, so gears in mesh touch at their pitch line.
 */
import { useMemo } from 'react'

import type { Analysis, BoxDraft, Section, SectionMesh } from 'core'
import { SHAFT_RADIUS_MM, indexBox, layOutSection, slidShiftsMm } from 'core'

import type { Naming } from '~/words/names.ts'
import { bodyName, capitalize } from '~/words/names.ts'
import type { Vocabulary } from '~/words/vocabulary.ts'

import { CouplerShape } from './Couplers.tsx'
import type { GearLinks } from './Gears.tsx'
import { GearBlock, GearFigures } from './Gears.tsx'
import { DifferentialShape, Lanes, MemberShapeOf, PlanetaryShape } from './Members.tsx'
import { placeMemberNames } from './memberNames.ts'
import { Ribbon } from './Ribbon.tsx'
import type { Scale } from './scale.ts'
import { scaleOf } from './scale.ts'

interface SectionDrawingProps extends GearLinks {
  readonly draft: BoxDraft
  readonly words: Vocabulary
  /** The state shown; without it the couplers stand at their centres. */
  readonly analysis?: Analysis | undefined
  /** Torque that the ribbon shows at its full width, for one unit of input torque. */
  readonly ribbonFullTorque?: number | undefined
  /** The gear to light up. */
  readonly litGear?: string | undefined
  /** What the drawing shows, in words. */
  readonly title: string
  /** Drawn over everything, in the same scale. */
  readonly overlay?: ((section: Section, scale: Scale) => React.ReactNode) | undefined
}

export function SectionDrawing(props: SectionDrawingProps) {
  const { draft, words, analysis, litGear, title } = props
  const box = useMemo(() => indexBox(draft), [draft])
  const section = useMemo(() => layOutSection(draft), [draft])
  const scale = useMemo(() => scaleOf(section), [section])
  const naming: Naming = useMemo(() => ({ box, words }), [box, words])
  const names = useMemo(
    () => placeMemberNames(section, scale, (id) => bodyName(naming, id)),
    [section, scale, naming],
  )
  const places = new Map(analysis?.engaged.map(({ coupler, place }) => [coupler.id, place]) ?? [])
  const shifts = slidShiftsMm(section, places)
  const isPresent = (link: string): boolean =>
    !box.slidingLinks.has(link) ||
    [...places.values()].some(({ engages }) =>
      engages.some((engagement) => engagement.kind === 'mesh' && engagement.link === link),
    )
  const radiusOf = new Map(
    section.members.map(({ member, radiusMm, shape }) => [
      member.id,
      shape === 'ring' ? SHAFT_RADIUS_MM : radiusMm,
    ]),
  )
  const onSleeves = new Set(
    draft.couplers.flatMap(({ kind, gears }) => (kind === 'synchronizer' ? (gears ?? []) : [])),
  )

  return (
    <svg
      className="section"
      viewBox={`0 0 ${scale.width.toFixed(0)} ${scale.height.toFixed(0)}`}
      role="group"
      aria-label={title}
    >
      <Lanes section={section} scale={scale} />
      {section.members.map((drawn) => (
        <MemberShapeOf key={drawn.member.id} drawn={drawn} scale={scale} />
      ))}
      {section.differentials.map((drawn) => (
        <DifferentialShape key={drawn.link.id} drawn={drawn} scale={scale} />
      ))}
      {section.meshes
        .filter(({ link, isTouching }) => !isTouching && isPresent(link.id))
        .map((mesh) => (
          <ApartMesh key={mesh.link.id} mesh={mesh} scale={scale} />
        ))}
      {section.planetaries.map((drawn) => (
        <PlanetaryShape key={drawn.link.id} drawn={drawn} scale={scale} />
      ))}
      {section.gears.map((drawn) => (
        <GearBlock
          key={drawn.gear.id}
          drawn={drawn}
          memberRadiusMm={radiusOf.get(drawn.gear.member) ?? SHAFT_RADIUS_MM}
          isOnSleeve={onSleeves.has(drawn.gear.id)}
          shiftMm={shifts.get(drawn.gear.id) ?? 0}
          scale={scale}
          isLit={litGear === drawn.gear.id}
        />
      ))}
      {section.couplers.map((drawn) => (
        <CouplerShape
          key={drawn.coupler.id}
          drawn={drawn}
          place={places.get(drawn.coupler.id)}
          scale={scale}
          naming={naming}
        />
      ))}
      {analysis?.state === 'drive' && (
        <Ribbon
          box={box}
          section={section}
          scale={scale}
          drive={analysis}
          fullTorque={props.ribbonFullTorque ?? 1}
        />
      )}
      {names.map(({ member, x, y }) => (
        <text key={member} x={x} y={y}>
          {capitalize(bodyName(naming, member))}
        </text>
      ))}
      {section.gears.map((drawn) => (
        <GearFigures
          key={drawn.gear.id}
          drawn={drawn}
          section={section}
          memberRadiusMm={radiusOf.get(drawn.gear.member) ?? SHAFT_RADIUS_MM}
          isOnSleeve={onSleeves.has(drawn.gear.id)}
          shifts={shifts}
          scale={scale}
          naming={naming}
          gearHref={props.gearHref}
          onChooseGear={props.onChooseGear}
          onPoint={props.onPoint}
        />
      ))}
      {props.overlay?.(section, scale)}
    </svg>
  )
}

/** A chain, or a mesh of gears that the drawing cannot bring together. */
function ApartMesh({ mesh, scale }: { readonly mesh: SectionMesh; readonly scale: Scale }) {
  const { link, a, b, stationMm } = mesh
  const [upper, lower] = a.yMm < b.yMm ? [a, b] : [b, a]
  if (link.kind === 'chain') {
    const [from, to] = [scale.y(upper.yMm), scale.y(lower.yMm)]
    return [-0.3, 0.3].map((side) => {
      const x = scale.x(stationMm + side * upper.widthMm)
      return <path key={side} className="chain" d={`M${x} ${from}V${to}`} />
    })
  }
  const roundX = scale.x(stationMm + Math.max(a.widthMm, b.widthMm) / 2 + 5)
  const [from, to] = [a, b].map((gear) => [
    scale.x(stationMm + gear.widthMm / 2),
    scale.y(gear.yMm),
  ])
  return from && to ? (
    <path className="apart" d={`M${from[0]} ${from[1]}H${roundX}V${to[1]}H${to[0]}`} />
  ) : null
}
