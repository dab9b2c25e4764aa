/**
 * The section along the shafts. Solid gears turn with their shaft, open ones are
 * free on it; a sleeve stands where the selected position puts it. Heights are to
 * scale, so gears in mesh touch at their pitch line.
 */
import type { RefObject } from 'react'
import { memo, useMemo, useRef } from 'react'

import clsx from 'clsx'

import type {
  Analysis,
  BodyMotion,
  BoxDraft,
  CouplerPosition,
  CouplerWay,
  Drive,
  Forces,
  Section,
  SectionMesh,
} from 'core'
import { bodyOfGear, indexBox, layOutSection, pathTo } from 'core'

import type { Naming } from '~/words/names.ts'
import { bodyName, capitalize } from '~/words/names.ts'
import type { Input } from '~/words/sentences.ts'
import type { Vocabulary } from '~/words/vocabulary.ts'
import { analyseDraft, mostTorque } from '~/views/box/analysis.ts'
import { placeGearNames } from '~/views/section/gearLabels.ts'
import type { Layers } from '~/views/section/layers.ts'
import { USUAL_LAYERS } from '~/views/section/layers.ts'
import type { Layout } from '~/views/section/layout.ts'
import { movingBlocks } from '~/views/section/layout.ts'
import { findRoom } from '~/views/section/memberNames.ts'
import { ARM_MM, CHAIN_AT, coveredByParts } from '~/views/section/obstacles.ts'
import type { Pace } from '~/views/section/pace.ts'
import { AT_THEIR_PLACES, sleeveOnTheWayMm, slidOnTheWay } from '~/views/section/onTheWay.ts'
import type { Scale } from '~/views/section/scale.ts'
import { scaleOf } from '~/views/section/scale.ts'
import { couplerNameY, couplerNames } from '~/views/section/sleeves.ts'
import { gearSeats } from '~/views/section/toothMarks.ts'
import { placeNames } from '~/views/section/writing.ts'

import { CouplerShape } from './Couplers.tsx'
import { ForceMarks } from './ForceMarks.tsx'
import type { GearLinks } from './Gears.tsx'
import { GearBlock, GearFigures } from './Gears.tsx'
import { DifferentialShape, Lanes, MemberShapeOf, PlanetaryShape, WormShape } from './Members.tsx'
import { MotionMarks } from './MotionMarks.tsx'
import { Pieces } from './Pieces.tsx'
import { Ribbon, SCALE_SIZE, TorqueScale } from './Ribbon.tsx'
import { Zoomable } from './Zoomable.tsx'
import { useMayMove } from './useMayMove.ts'
import { useRoom } from './useRoom.ts'

/** What is drawn above a section and down into it. */
export interface Above {
  /** The room that it takes, in units. */
  readonly height: number
  /** Couplers whose names it tells. */
  readonly named: ReadonlySet<string>
  readonly draw: (section: Section, scale: Scale) => React.ReactNode
}

interface SectionDrawingProps extends GearLinks {
  readonly draft: BoxDraft
  readonly words: Vocabulary
  /** Where the couplers stand and how everything moves; without it they stand at their centres. */
  readonly state?: Pick<Analysis, 'engaged' | 'motions'> | undefined
  /** Couplers between two of their places. */
  readonly onTheWay?: readonly CouplerWay[] | undefined
  /** The way of the power to draw. */
  readonly drive?: Drive | undefined
  /** Torque that the ribbon shows at its full width, for one unit of input torque; the most of the box where it is not given. */
  readonly ribbonFullTorque?: number | undefined
  /** What is put in, for figures and the scale of the ribbon. */
  readonly input?: Input | undefined
  readonly forces?: Forces | undefined
  readonly layers?: Layers | undefined
  /** How fast turning gears are seen to turn; still where it is not given. */
  readonly pace?: Pace | undefined
  /** The gear to light up. */
  readonly litGear?: string | undefined
  /** How parts are told from others, by their references. */
  readonly classOf?: ((ref: string) => string | undefined) | undefined
  /** What the drawing shows, in words. */
  readonly title: string
  /** Whether it stays as it is laid out: one of many on a sheet, a file, or what is dragged as a whole. */
  readonly isFixed?: boolean
  /** Drawn over the section, in room of its own, with the names of couplers that it makes needless. */
  readonly above?: Above | undefined
  /** Drawn under what is written on the gears, in the same scale. */
  readonly underlay?: ((section: Section, scale: Scale) => React.ReactNode) | undefined
  /** Drawn over everything, in the same scale. */
  readonly overlay?: ((section: Section, scale: Scale) => React.ReactNode) | undefined
}

const NO_SHIFTS: ReadonlyMap<string, number> = new Map()

type Places = ReadonlyMap<string, CouplerPosition>

/** The section laid out for couplers at these places, from the same parts while those are the same. */
function useLayout(
  draft: BoxDraft,
  hasPieces: boolean,
  places: Places,
  onTheWay: readonly CouplerWay[],
  above: number,
  drawing: RefObject<SVGSVGElement | null>,
): Layout {
  const whole = useMemo(() => {
    const laidOut = layOutSection(draft)
    const section = hasPieces ? laidOut : { ...laidOut, pieces: [] }
    return { section, usual: scaleOf(section, undefined, above), seats: gearSeats(section) }
  }, [draft, hasPieces, above])
  const room = useRoom(drawing, whole.usual)
  const still = useMemo(() => {
    const { section, seats } = whole
    return { section, scale: scaleOf(section, room, above), seats }
  }, [whole, room, above])
  const shifts = slidOnTheWay(still.section, places, onTheWay)
  const slid = [...shifts].flat().join()
  return useMemo(
    () => ({ ...still, shifts: shifts.size > 0 ? shifts : NO_SHIFTS }),
    // eslint-disable-next-line react-hooks/exhaustive-deps -- the same shifts are the same layout
    [still, slid],
  )
}

/** The links that couplers at these places bring into mesh. */
function linksIn(places: Places): ReadonlySet<string> {
  const links = new Set<string>()
  for (const { engages } of places.values())
    for (const engagement of engages) if (engagement.kind === 'mesh') links.add(engagement.link)
  return links
}

export function SectionDrawing({ classOf, ...props }: SectionDrawingProps) {
  const { onTheWay = AT_THEIR_PLACES, above, ...written } = props
  const { draft, words, state, litGear, title, layers = USUAL_LAYERS, pace } = props
  const naming: Naming = useMemo(() => ({ box: indexBox(draft), words }), [draft, words])
  const places = useMemo(
    () => new Map(state?.engaged.map(({ coupler, place }) => [coupler.id, place]) ?? []),
    [state],
  )
  const drawing = useRef<SVGSVGElement>(null)
  const layout = useLayout(
    draft,
    layers.has('parts'),
    places,
    onTheWay,
    above?.height ?? 0,
    drawing,
  )
  const presentLinks = useMemo(() => linksIn(places), [places])
  const motions = state?.motions
  const shownMotions = layers.has('rest') ? motions : undefined
  const downwards = draft.inputSense === 'counterclockwise' ? -1 : 1
  const moving = useMemo(
    () => movingBlocks(layout, motions, downwards),
    [layout, motions, downwards],
  )
  const mayMove = useMayMove()
  const isMoving = pace !== undefined && mayMove
  const movingGears = useMemo(
    () => new Set(isMoving ? moving.map(({ gear }) => gear) : []),
    [isMoving, moving],
  )
  const size = { width: Math.round(layout.scale.width), height: Math.round(layout.scale.height) }
  const parts = (
    <Parts
      naming={naming}
      layout={layout}
      presentLinks={presentLinks}
      motions={shownMotions}
      litGear={litGear}
      movingGears={movingGears}
      classOf={classOf}
    />
  )
  const writing = (
    <>
      <CouplerShapes
        naming={naming}
        layout={layout}
        places={places}
        onTheWay={onTheWay}
        hasNames={layers.has('names')}
        named={above?.named}
        classOf={classOf}
      />
      {above?.draw(layout.section, layout.scale)}
      <Writing {...written} naming={naming} layout={layout} layers={layers} downwards={downwards} />
    </>
  )
  return (
    <Sheets
      drawing={drawing}
      size={size}
      title={title}
      isFixed={props.isFixed === true}
      follows={above !== undefined}
      parts={parts}
      marks={
        isMoving ? (
          <MotionMarks blocks={moving} pace={pace} {...size} />
        ) : (
          pace !== undefined && null
        )
      }
      writing={writing}
    />
  )
}

interface SheetsProps {
  readonly drawing: RefObject<SVGSVGElement | null>
  readonly size: { readonly width: number; readonly height: number }
  readonly title: string
  readonly isFixed: boolean
  /** Whether sleeves stand at once where something drawn with them does. */
  readonly follows: boolean
  readonly parts: React.ReactNode
  /** What moves between parts and writing; false where all is one drawing. */
  readonly marks: React.ReactNode
  readonly writing: React.ReactNode
}

/** One drawing, or two with what moves between them. */
function Sheets(props: SheetsProps) {
  const { drawing, size, title, isFixed, follows, parts, marks, writing } = props
  const viewBox = `0 0 ${size.width} ${size.height}`
  const upper = { ref: drawing, viewBox, role: 'group', 'aria-label': title } as const
  if (marks === false) {
    const whole = (
      <svg className={clsx('section', follows && 'follows')} {...upper}>
        {parts}
        {writing}
      </svg>
    )
    return isFixed ? whole : <Zoomable>{whole}</Zoomable>
  }
  const layers = (
    <div className="section-layers">
      <svg className="section" viewBox={viewBox} aria-hidden>
        {parts}
      </svg>
      {marks}
      <svg className="section upper" {...upper}>
        {writing}
      </svg>
    </div>
  )
  return isFixed ? layers : <Zoomable>{layers}</Zoomable>
}

interface CouplerShapesProps {
  readonly naming: Naming
  readonly layout: Layout
  readonly places: Places
  readonly onTheWay: readonly CouplerWay[]
  readonly hasNames: boolean
  readonly named: ReadonlySet<string> | undefined
  readonly classOf: SectionDrawingProps['classOf']
}

function CouplerShapes({ naming, layout, places, onTheWay, ...rest }: CouplerShapesProps) {
  const { section, scale } = layout
  const shiftOf = (id: string): number | undefined => {
    const way = onTheWay.find(({ coupler }) => coupler === id)
    return way && sleeveOnTheWayMm(way)
  }
  return section.couplers.map((drawn) => (
    <g key={drawn.coupler.id} className={rest.classOf?.(pathTo('sleeve', drawn.coupler.id))}>
      <CouplerShape
        drawn={drawn}
        place={places.get(drawn.coupler.id)}
        shiftMm={shiftOf(drawn.coupler.id)}
        scale={scale}
        naming={naming}
        nameY={
          rest.hasNames && rest.named?.has(drawn.coupler.id) !== true
            ? couplerNameY(drawn, section, scale)
            : undefined
        }
      />
    </g>
  ))
}

interface PartsProps {
  readonly naming: Naming
  readonly layout: Layout
  readonly presentLinks: ReadonlySet<string>
  /** Where parts that stand are to be told from those that turn. */
  readonly motions: ReadonlyMap<string, BodyMotion> | undefined
  readonly litGear: string | undefined
  /** Gears whose teeth drift, and are marked elsewhere. */
  readonly movingGears: ReadonlySet<string>
  readonly classOf: SectionDrawingProps['classOf']
}

/** What is of metal and stays where it is while shafts turn. */
const Parts = memo(function Parts(props: PartsProps) {
  const { naming, layout, presentLinks, motions, litGear, movingGears, classOf } = props
  const { section, scale, seats, shifts } = layout
  return (
    <>
      <Lanes section={section} scale={scale} />
      {section.members.map((drawn) => (
        <g key={drawn.member.id} className={classOf?.(pathTo('shaft', drawn.member.id))}>
          <MemberShapeOf drawn={drawn} scale={scale} motion={motions?.get(drawn.member.id)} />
        </g>
      ))}
      {section.differentials.map((drawn) => (
        <DifferentialShape key={drawn.link.id} drawn={drawn} scale={scale} />
      ))}
      {section.meshes
        .filter(
          ({ link, isTouching }) =>
            !isTouching && (!naming.box.slidingLinks.has(link.id) || presentLinks.has(link.id)),
        )
        .map((mesh) => (
          <ApartMesh key={mesh.link.id} mesh={mesh} scale={scale} />
        ))}
      {section.arms.map(({ link, fromYMm, toYMm, stationMm, planetMm }) => (
        <path
          key={link.id}
          className="arm"
          strokeWidth={ARM_MM * scale.perMmY}
          d={`M${scale.x(stationMm)} ${scale.y(fromYMm)}V${scale.y(toYMm)}H${scale.x(planetMm)}`}
        />
      ))}
      {section.worms.map((drawn) => (
        <WormShape key={drawn.link.id} drawn={drawn} scale={scale} />
      ))}
      {section.planetaries.map((drawn) => (
        <PlanetaryShape key={drawn.link.id} drawn={drawn} scale={scale} />
      ))}
      {section.gears.map((drawn) => (
        <g key={drawn.gear.id} className={classOf?.(pathTo('gear', drawn.gear.id))}>
          <GearBlock
            drawn={drawn}
            memberRadiusMm={seats.radiusMm(drawn.gear.member)}
            isOnSleeve={seats.isOnSleeve(drawn.gear.id)}
            shiftMm={shifts.get(drawn.gear.id) ?? 0}
            scale={scale}
            isLit={litGear === drawn.gear.id}
            motion={motions?.get(bodyOfGear(drawn.gear))}
            isMarkedElsewhere={movingGears.has(drawn.gear.id)}
          />
        </g>
      ))}
      <Pieces pieces={section.pieces} scale={scale} classOf={classOf} />
    </>
  )
})

interface WritingProps extends Omit<SectionDrawingProps, 'classOf' | 'onTheWay' | 'above'> {
  readonly naming: Naming
  readonly layout: Layout
  readonly layers: Layers
  readonly downwards: 1 | -1
}

/** Where names and the scale of the ribbon stand; those of members stay as gears slide. */
function useNames(layout: Layout, naming: Naming) {
  const { section, scale, seats, shifts } = layout
  const atRest = useMemo(() => {
    const names = placeNames({ section, scale, seats, shifts: NO_SHIFTS }, naming)
    return { ...names, scaleAt: findRoom(scale, names.covered, SCALE_SIZE) }
  }, [section, scale, seats, naming])
  return useMemo(() => {
    if (shifts.size === 0) return atRest
    const parts = [...coveredByParts(layout), ...couplerNames(section, scale, naming)]
    return { ...atRest, gearNames: placeGearNames(layout, parts) }
  }, [atRest, layout, section, scale, shifts, naming])
}

/** The torque, and what is written over the parts. */
const Writing = memo(function Writing(props: WritingProps) {
  const { naming, layout, layers, state, drive, forces, input, overlay } = props
  const { section, scale } = layout
  const fullTorque =
    props.ribbonFullTorque ?? (drive ? analyseDraft(naming.box.draft).fullTorque : 1)
  const { gearNames, memberNames, scaleAt } = useNames(layout, naming)
  const hasRibbon = drive !== undefined && layers.has('torque')
  return (
    <>
      {hasRibbon && (
        <Ribbon
          box={naming.box}
          section={section}
          scale={scale}
          drive={drive}
          fullTorque={fullTorque}
        />
      )}
      {hasRibbon && input && scaleAt && (
        <TorqueScale
          at={scaleAt}
          scale={scale}
          fullTorque={fullTorque}
          input={input}
          isExceeded={mostTorque(drive) > fullTorque * (1 + 1e-9)}
        />
      )}
      {layers.has('names') &&
        memberNames.map(({ member, x, y }) => (
          <text key={member} x={x} y={y}>
            {capitalize(bodyName(naming, member))}
          </text>
        ))}
      {props.underlay?.(section, scale)}
      {section.gears.map((drawn) => (
        <GearFigures
          key={drawn.gear.id}
          drawn={drawn}
          layout={layout}
          naming={naming}
          layers={layers}
          name={gearNames.get(drawn.gear.id)}
          motion={state?.motions.get(bodyOfGear(drawn.gear))}
          speedRpm={input?.speedRpm}
          downwards={props.downwards}
          gearHref={props.gearHref}
          onChooseGear={props.onChooseGear}
          onPoint={props.onPoint}
        />
      ))}
      {forces && layers.has('forces') && (
        <ForceMarks section={section} scale={scale} forces={forces} />
      )}
      {overlay?.(section, scale)}
    </>
  )
})

/** A chain, or a mesh of gears that the drawing cannot bring together. */
function ApartMesh({ mesh, scale }: { readonly mesh: SectionMesh; readonly scale: Scale }) {
  const { touch, a, b, stationMm } = mesh
  const [upper, lower] = a.yMm < b.yMm ? [a, b] : [b, a]
  if (touch === 'sprockets') {
    const [from, to] = [scale.y(upper.yMm), scale.y(lower.yMm)]
    return [-CHAIN_AT, CHAIN_AT].map((side) => {
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
