/** The gear in question as it is drawn from the front, from what is known of it so far. */
import type { GearIdentity } from './gearFigures.ts'

/** Teeth that are drawn while nobody said how many there are. */
const USUAL_TEETH = 24
/** Teeth under the caliper, and steps from tip to tip, until they are known. */
const USUAL_SPAN = 3
const USUAL_STEPS = 5
/** Heights of a tooth over and under its pitch circle, in modules (ISO 53). */
const ADDENDUM = 1
const DEDENDUM = 1.25
/** How much of a tooth's pitch it fills at its tip and at its root: near enough to be seen as one. */
const TIP_SHARE = 0.22
const ROOT_SHARE = 0.62

type Point = readonly [x: number, y: number]

/** A wheel in modules of its own, with its middle where it stands. */
export interface PicturedGear {
  readonly toothCount: number
  readonly centre: Point
  readonly tipRadius: number
  readonly pitchRadius: number
  readonly rootRadius: number
  /** Turned by so much, so that its teeth stand in the gaps of the other one. */
  readonly turnedBy: number
}

export interface GearPicture {
  readonly gear: PicturedGear
  readonly mate: PicturedGear | undefined
  /** The extent of both, in modules. */
  readonly width: number
  readonly height: number
  /** Teeth that the caliper spans. */
  readonly spanned: number
  /** Steps from tip to tip. */
  readonly steps: number
  /** Whether the count is a guess of the drawing. */
  readonly isCountGuessed: boolean
}

function wheel(toothCount: number, centre: Point, turnedBy: number): PicturedGear {
  const pitchRadius = toothCount / 2
  return {
    toothCount,
    centre,
    pitchRadius,
    tipRadius: pitchRadius + ADDENDUM,
    rootRadius: pitchRadius - DEDENDUM,
    turnedBy,
  }
}

/** What to draw, in modules; the mate stands at the right once its teeth are known. */
export function pictureGear(found: GearIdentity): GearPicture {
  const { mateTeeth, spanned = USUAL_SPAN, pitches = USUAL_STEPS } = found
  const known = found.teeth ?? found.counts[0]
  const teeth = known ?? USUAL_TEETH
  const gear = wheel(teeth, [0, 0], 0)
  const apart = (teeth + (mateTeeth ?? 0)) / 2
  const mate =
    mateTeeth === undefined
      ? undefined
      : // A tooth of the one points along the line of centres, so a gap of the other has to.
        wheel(mateTeeth, [apart, 0], Math.PI + Math.PI / mateTeeth)
  return {
    gear,
    mate,
    width: mate ? gear.tipRadius + apart + mate.tipRadius : 2 * gear.tipRadius,
    height: 2 * Math.max(gear.tipRadius, mate?.tipRadius ?? 0),
    spanned: Math.min(spanned, teeth),
    steps: Math.min(pitches, teeth - 1),
    isCountGuessed: known === undefined,
  }
}

/** A point on a circle about the middle of a wheel, at so many pitches from its first tooth. */
export function onWheel(
  { centre, toothCount, turnedBy }: PicturedGear,
  radius: number,
  at: number,
): Point {
  const angle = turnedBy + (2 * Math.PI * at) / toothCount
  return [centre[0] + radius * Math.cos(angle), centre[1] + radius * Math.sin(angle)]
}

/** The outline of a wheel: root, flank, tip, flank of every tooth in turn. */
export function outline(gear: PicturedGear): readonly Point[] {
  return Array.from({ length: gear.toothCount }, (_, tooth) =>
    (
      [
        [gear.rootRadius, -ROOT_SHARE / 2],
        [gear.tipRadius, -TIP_SHARE / 2],
        [gear.tipRadius, TIP_SHARE / 2],
        [gear.rootRadius, ROOT_SHARE / 2],
      ] as const
    ).map(([radius, share]) => onWheel(gear, radius, tooth + share)),
  ).flat()
}
