/**
 * Where rods, forks, fingers and balls are drawn over a section, in units of its drawing. A rod lies
 * in a lane of its own above the shafts and has a fork down to each thing that it moves; all of them
 * stand as far from their middle as what they move does. Where they lie in their case nobody states.
 */
import type {
  BoxDraft,
  Coupler,
  CouplerPosition,
  CouplerWay,
  Drum,
  Section,
  SectionCoupler,
  SectionGear,
  Selector,
  SelectorPlace,
  Slot,
} from 'core'
import {
  couplerShift,
  isClutch,
  padsPerRod,
  oncePer,
  placeOf,
  rational,
  slotsOf,
  starByDrum,
  starOf,
  travelAt,
} from 'core'

import { couplerShiftMm } from '~/views/section/onTheWay.ts'
import type { Scale } from '~/views/section/scale.ts'
import { isDrawn } from '~/views/section/sleeves.ts'

import type { LeverWay, Moment } from './moment.ts'

/** How high a rod is, and from one to the next. */
export const ROD_HEIGHT = 18
const ROD_PITCH = 29
/** Over the first rod: its ball and spring. */
const ROD_HEAD = 26
/** Half of a drum, seen from the side. */
export const DRUM_RADIUS = 50
const DRUM_HEAD = 8
/** From one drum to the next. */
const DRUM_PITCH = 2 * (DRUM_HEAD + DRUM_RADIUS)
/** From the left end of where rods lie: jaw, detent and interlock. */
export const ALONG = { jaw: 18, detent: 52, interlock: 84, name: 108 }
/** How deep a notch is, and half of how wide. */
export const NOTCH = { deep: 5, half: 8 }

/** What moves the forks of a box, as a drawing has room for it. */
export interface Movers {
  readonly rods: readonly Selector[]
  readonly drums: readonly Drum[]
}

/** The lane of each rod, by its id: its own, or that of the rod that it lies in. */
export const lanesOf = oncePer((rods: readonly Selector[]): ReadonlyMap<string, number> => {
  const own = rods.filter(({ inside }) => inside === undefined)
  return new Map(
    rods.flatMap(({ id, inside }) => {
      const lane = own.findIndex((rod) => rod.id === (inside ?? id))
      return lane < 0 ? [] : [[id, lane] as const]
    }),
  )
})

/** How many lanes rods lie in. */
function laneCount(rods: readonly Selector[]): number {
  return rods.filter(({ inside }) => inside === undefined).length
}

/** The room that rods, or a drum, take over a section. */
export function linkageHeight({ rods, drums }: Movers): number {
  if (drums.length > 0) return drums.length * DRUM_PITCH
  return rods.length === 0 ? 0 : ROD_HEAD + laneCount(rods) * ROD_PITCH
}

/** The middle of a drum, of several over one another. */
export function drumY(at: number): number {
  return DRUM_HEAD + DRUM_RADIUS + at * DRUM_PITCH
}

/** The middle of a lane of rods. */
export function rodY(lane: number): number {
  return ROD_HEAD + ROD_HEIGHT / 2 + lane * ROD_PITCH
}

/** Where everything that couplers move stands. */
export interface Standing {
  readonly section: Section
  readonly scale: Scale
  readonly places: ReadonlyMap<string, CouplerPosition>
  readonly onTheWay: readonly CouplerWay[]
}

function drawnCoupler({ couplers }: Section, id: string): SectionCoupler | undefined {
  return couplers.find(({ coupler }) => coupler.id === id)
}

function couplersOf({ places }: Selector): readonly string[] {
  return [...new Set(places.flatMap(({ couplers }) => Object.keys(couplers)))]
}

/** How far a rod stands from its middle: as far as what it moves does, or against it where its fork swings. */
export function rodShift(rod: Selector, { section, scale, places, onTheWay }: Standing): number {
  for (const id of couplersOf(rod)) {
    const drawn = drawnCoupler(section, id)
    const shiftMm = drawn ? couplerShiftMm(section, drawn, places.get(id), onTheWay) : 0
    if (drawn && shiftMm !== 0) return (shiftMm * scale.perMmX) / padsPerRod(drawn.coupler)
  }
  return 0
}

/** How far a rod stands from its middle in each of its places. */
export function rodPlaces(
  rod: Selector,
  { section, scale }: Pick<Standing, 'section' | 'scale'>,
): readonly number[] {
  return rod.places.flatMap(({ couplers }) =>
    Object.entries(couplers)
      .slice(0, 1)
      .flatMap(([id, at]) => {
        const drawn = drawnCoupler(section, id)
        const place = drawn?.coupler.positions.find((each) => each.id === at)
        if (!drawn) return []
        const { shiftMm } = couplerShift(section, drawn.coupler, place)
        return [(shiftMm * scale.perMmX) / padsPerRod(drawn.coupler)]
      }),
  )
}

/** The place of a rod that is nearest to where it was dragged; null in its middle. */
export function placeDraggedTo(
  rod: Selector,
  shift: number,
  standing: Pick<Standing, 'section' | 'scale'>,
): SelectorPlace | null {
  const places = rodPlaces(rod, standing)
  const nearest = places.reduce(
    (best, each, at) =>
      Math.abs(each - shift) < Math.abs((places[best] ?? 0) - shift) ? at : best,
    -1,
  )
  return rod.places[nearest] ?? null
}

/** A fork, over the groove of a sleeve or over the rim of a gear that slides. */
export interface Fork {
  readonly coupler: Coupler
  /** The rod that moves it, where none of a drum's grooves does. */
  readonly rod: Selector | undefined
  /** Of its rod, or which of the drums moves it. */
  readonly lane: number
  /** Where it stands now. */
  readonly x: number
  readonly shift: number
  readonly over:
    | { readonly kind: 'sleeve'; readonly drawn: SectionCoupler }
    | { readonly kind: 'gear'; readonly drawn: SectionGear }
}

/** What a fork lies over; undefined where nothing is moved by one. */
function grippedBy(section: Section, drawn: SectionCoupler): Fork['over'] | undefined {
  const { coupler } = drawn
  if (isClutch(coupler)) return undefined
  if (isDrawn(coupler)) return { kind: 'sleeve', drawn }
  const moved = coupler.positions.flatMap((place) => couplerShift(section, coupler, place).gears)
  const gear = section.gears.find((each) => moved.includes(each.gear.id))
  return gear && { kind: 'gear', drawn: gear }
}

function forkOf(
  id: string,
  rod: Selector | undefined,
  lane: number,
  standing: Standing,
): readonly Fork[] {
  const { section, scale, places, onTheWay } = standing
  const drawn = drawnCoupler(section, id)
  const over = drawn && grippedBy(section, drawn)
  if (!over) return []
  const { coupler } = drawn
  const shift = couplerShiftMm(section, drawn, places.get(id), onTheWay) * scale.perMmX
  const stationMm = over.kind === 'sleeve' ? coupler.stationMm : over.drawn.gear.stationMm
  return [{ coupler, rod, lane, shift, x: scale.x(stationMm) + shift, over }]
}

/** Every fork, by the rod or the groove that moves it. */
export function forksOf({ rods, drums }: Movers, standing: Standing): readonly Fork[] {
  return drums.length > 0
    ? drums.flatMap(({ tracks }, at) =>
        tracks.flatMap(({ coupler }) => forkOf(coupler, undefined, at, standing)),
      )
    : rods.flatMap((rod) =>
        couplersOf(rod).flatMap((id) => forkOf(id, rod, lanesOf(rods).get(rod.id) ?? 0, standing)),
      )
}

/** Half of how wide the notches of a rod are: no wider than they lie apart. */
export function notchHalf(places: readonly number[]): number {
  const sorted = [0, ...places].sort((one, other) => one - other)
  const apart = sorted.slice(1).map((each, at) => each - (sorted[at] ?? each))
  return Math.min(NOTCH.half, ...apart.map((gap) => gap / 2))
}

/** How far a ball lies out of the notches of its rod, for a rod that stands so far from its middle. */
export function ballRise(places: readonly number[], shift: number): number {
  const off = Math.min(...[0, ...places].map((place) => Math.abs(shift - place)))
  return Math.min(1, off / Math.max(notchHalf(places), 1e-9)) * NOTCH.deep
}

/** Where the finger of a lever is: the height of its row, and how far it has gone with a rod. */
export function fingerAt(
  { rods }: Pick<Movers, 'rods'>,
  slots: readonly Slot[],
  { from, to, part }: LeverWay,
  shiftOf: (rod: Selector) => number,
): { readonly y: number; readonly shift: number } | undefined {
  const rodIn = ({ row, end }: LeverWay['from']): Selector | undefined =>
    (
      slots.find((slot) => slot.row === row && slot.end === end) ??
      slots.find((slot) => slot.row === row)
    )?.selector
  const [one, other] = [rodIn(from), rodIn(to)]
  const laneOf = ({ id }: Selector): number => lanesOf(rods).get(id) ?? -1
  if (!one || !other || laneOf(one) < 0 || laneOf(other) < 0) return undefined
  const y = rodY(laneOf(one)) + (rodY(laneOf(other)) - rodY(laneOf(one))) * part
  const pushed = to.end === null ? (from.end === null ? undefined : one) : other
  return { y, shift: pushed ? shiftOf(pushed) : 0 }
}

/** The ends of the gate of one lever. */
export function slotsOfLever(rods: readonly Selector[], lever: number): readonly Slot[] {
  return slotsOf(rods).filter((slot) => slot.lever === lever)
}

/** How finely a groove and a star are drawn, in degrees. */
const FINE_DEG = 3

/** The travels of the grooves all round, and at their points. */
const groovesOf = oncePer((drum: Drum) =>
  drum.tracks.map((track) => {
    const angles = new Set(track.points.map(({ angleDeg }) => angleDeg))
    for (let angle = 0; angle < 360; angle += FINE_DEG) angles.add(angle)
    return {
      track,
      mostMm: ([-1, 1] as const).map((side) =>
        Math.max(0, ...track.points.map(({ travelMm }) => travelMm * side)),
      ),
      points: [...angles]
        .sort((one, other) => one - other)
        .map((angleDeg) => ({
          angleDeg,
          mm: travelAt(track, rational(Math.round(angleDeg * 1e6), 1_000_000)).toNumber(),
        })),
    }
  }),
)

/** How far round the near side of a drum goes, as its edge is seen. */
const NEAR_DEG = 84

/** The near side of each groove of a drum that is turned so far, with the pin of its fork in the middle. */
export function grooveLines(
  drum: Drum,
  angleDeg: number,
  middle: number,
  { section, scale }: Standing,
): readonly { readonly coupler: string; readonly path: string }[] {
  return groovesOf(drum).flatMap(({ track, mostMm, points }) => {
    const drawn = drawnCoupler(section, track.coupler)
    const over = drawn && grippedBy(section, drawn)
    if (!over) return []
    const stationMm = over.kind === 'sleeve' ? drawn.coupler.stationMm : over.drawn.gear.stationMm
    const full = ([-1, 1] as const).map((side) => {
      const place = drawn.coupler.positions.find(
        ({ travel }) => travel === (side < 0 ? 'towards-input' : 'towards-output'),
      )
      return couplerShift(section, drawn.coupler, place).shiftMm
    })
    const xOf = (mm: number): number => {
      const at = mm < 0 ? 0 : 1
      const most = mostMm[at] ?? 0
      return scale.x(stationMm + (most > 0 ? (Math.abs(mm) / most) * (full[at] ?? 0) : 0))
    }
    const near = points
      .map(({ angleDeg: angle, mm }) => ({ off: turned(angle - angleDeg), mm }))
      .filter(({ off }) => Math.abs(off) <= NEAR_DEG)
      .sort((one, other) => one.off - other.off)
      .map(
        ({ off, mm }) => `${xOf(mm).toFixed(1)} ${(middle + DRUM_RADIUS * sine(off)).toFixed(1)}`,
      )
    return near.length > 1 ? [{ coupler: track.coupler, path: `M${near.join('L')}` }] : []
  })
}

/** An angle as one between −180° and 180°. */
function turned(angle: number): number {
  return ((((angle + 180) % 360) + 360) % 360) - 180
}

const sine = (deg: number): number => Math.sin((deg * Math.PI) / 180)
const cosine = (deg: number): number => Math.cos((deg * Math.PI) / 180)

/** To the tips of a star, as it is drawn. */
const STAR_RADIUS = 36

const starShapeOf = oncePer((drum: Drum) => {
  const star = starOf(drum)
  const perMm = STAR_RADIUS / (star.figures.tipDiameterMm / 2)
  const rim = Array.from({ length: 360 / FINE_DEG }, (_, at) => {
    const angle = at * FINE_DEG
    return { angle, radius: star.rimMm((angle * Math.PI) / 180) * perMm }
  })
  return { star, perMm, rim, starDeg: starByDrum(drum) }
})

/** A star wheel that turns with its drum, about its middle, and the roller in it where its arm has it. */
export function starDrawing(drum: Drum, angleDeg: number) {
  const { star, perMm, rim, starDeg } = starShapeOf(drum)
  const touched = starDeg(angleDeg)
  const [pitchMm] = star.pitch((touched * Math.PI) / 180)
  const at = (radius: number, deg: number) => ({ x: radius * sine(deg), y: -radius * cosine(deg) })
  const outline = rim.map(({ angle, radius }) => {
    const { x, y } = at(radius, angle - angleDeg)
    return `${x.toFixed(1)} ${y.toFixed(1)}`
  })
  return {
    path: `M${outline.join('L')}Z`,
    roller: at(pitchMm * perMm, touched - angleDeg),
    rollerRadius: (star.figures.rollerDiameterMm / 2) * perMm,
    radius: STAR_RADIUS,
  }
}

/** The couplers that something of these moves by a fork. */
export function forked({ rods, drums }: Movers): ReadonlySet<string> {
  return new Set([
    ...rods.flatMap(couplersOf),
    ...drums.flatMap(({ tracks }) => tracks.map(({ coupler }) => coupler)),
  ])
}

/** Where couplers stand at a moment of a change. */
export function standingAt(
  { couplers }: BoxDraft,
  { places, onTheWay }: Moment,
): Pick<Standing, 'places' | 'onTheWay'> {
  return {
    onTheWay,
    places: new Map(
      couplers.flatMap((coupler) => {
        const place = placeOf(coupler, places)
        return place ? [[coupler.id, place] as const] : []
      }),
    ),
  }
}
