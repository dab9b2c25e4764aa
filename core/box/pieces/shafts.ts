/** How thick a member is along its length. */
import type { Member } from '../types.ts'

/** Half the height of a shaft whose diameter nobody has stated. */
export const SHAFT_RADIUS_MM = 8
/** How far a hollow shaft stands out over the one inside it. */
export const HOLLOW_WALL_MM = 5

/** The diameter where no step of the shaft says another. */
export function plainDiameterMm({ isHollow }: Member): number {
  return 2 * (SHAFT_RADIUS_MM + (isHollow === true ? HOLLOW_WALL_MM : 0))
}

/** A stretch of a shaft that is as thick all along. */
export interface Stretch {
  readonly fromMm: number
  readonly toMm: number
  readonly diameterMm: number
  /** Whether somebody stated it; else it is as the drawing has it. */
  readonly isStated: boolean
}

/** A shaft from its input end to its output end; where steps lie over one another the last counts. */
export function stretchesOf(member: Member): readonly Stretch[] {
  const { fromMm, toMm, steps = [] } = member
  const cuts = [...new Set([fromMm, toMm, ...steps.flatMap((step) => [step.fromMm, step.toMm])])]
    .filter((mm) => mm >= fromMm && mm <= toMm)
    .sort((one, other) => one - other)
  return cuts.slice(1).map((endMm, at): Stretch => {
    const startMm = cuts[at] ?? fromMm
    const middleMm = (startMm + endMm) / 2
    const step = steps.findLast((each) => each.fromMm < middleMm && each.toMm > middleMm)
    return {
      fromMm: startMm,
      toMm: endMm,
      diameterMm: step?.diameterMm ?? plainDiameterMm(member),
      isStated: step !== undefined,
    }
  })
}

/** The thickest that a shaft is between two stations; as it is where they are one. */
export function thickestMm(member: Member, fromMm: number, toMm: number): number {
  const met = stretchesOf(member).filter((each) => each.fromMm <= toMm && each.toMm >= fromMm)
  const within = met.filter((each) => each.fromMm < toMm && each.toMm > fromMm)
  const counted = within.length > 0 ? within : met
  return counted.length > 0
    ? Math.max(...counted.map(({ diameterMm }) => diameterMm))
    : plainDiameterMm(member)
}
