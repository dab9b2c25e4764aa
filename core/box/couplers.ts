/** What there is to say of each kind of coupler, and of each coupler by what is in it. */
import { oncePer } from './oncePer.ts'
import type { BoxDraft, Coupler, CouplerKind, SwitchRule } from './types.ts'

/** See the columns; common practice throughout. */
interface CouplerKindDefinition {
  /** What holds once it is in: friction, dogs, or the teeth of a gear that has slid into mesh. */
  readonly holdsBy: 'plates' | 'dogs' | 'mesh'
  /** Whether it has a hub with a sleeve or a dog ring on it, and is no gear itself. */
  readonly hasHub: boolean
  /** Whether a ring brings both sides to one speed, where nothing in the box says so. */
  readonly hasRings: boolean
  /** Whether gears that it names are teeth on its sleeve; else they are what moves. */
  readonly hasTeethOnSleeve: boolean
  /** When it follows a switch of its own, where no lever moves it. */
  readonly switched?: SwitchRule
}

const GEAR = { hasHub: false, hasRings: false, hasTeethOnSleeve: false } as const
const HUB = { holdsBy: 'dogs', hasHub: true, hasTeethOnSleeve: false } as const

/** Everything about each kind of coupler. */
export const COUPLER_DEFINITIONS: Readonly<Record<CouplerKind, CouplerKindDefinition>> = {
  synchronizer: { ...HUB, hasRings: true, hasTeethOnSleeve: true },
  'dog-ring': { ...HUB, hasRings: false },
  'sliding-gear': { ...GEAR, holdsBy: 'mesh' },
  'sliding-idler': { ...GEAR, holdsBy: 'mesh' },
  'sliding-dog-gear': { ...GEAR, holdsBy: 'dogs' },
  range: { ...HUB, hasRings: true, switched: 'at-neutral' },
  splitter: { ...HUB, hasRings: false, switched: 'without-torque' },
  'friction-clutch': { ...GEAR, holdsBy: 'plates' },
}

/** How far a coupler goes from its centre to a place, in mm, where no rod or drum says; common practice. */
export const USUAL_TRAVEL_MM = 8

/** Whether a coupler is a friction clutch. */
export function isClutch({ kind }: Pick<Coupler, 'kind'>): boolean {
  return COUPLER_DEFINITIONS[kind].holdsBy === 'plates'
}

/** Whether a clutch stands between the engine and the input: not where a clutch of the box does its work. */
export function hasPedal({ couplers, input }: Pick<BoxDraft, 'couplers' | 'input'>): boolean {
  return !couplers.some((coupler) => isClutch(coupler) && coupler.hub === input)
}

/** Whether a coupler turns with a hub and is moved on it. */
export function hasHub({ kind }: Pick<Coupler, 'kind'>): boolean {
  return COUPLER_DEFINITIONS[kind].hasHub
}

/**
 * The couplers of a box that have rings, by their ids: those of a kind that usually has, and those
 * of which a ring is listed or described.
 */
export const couplersWithRings: (draft: BoxDraft) => ReadonlySet<string> = oncePer((draft) => {
  const listed = new Set(
    (draft.pieces ?? []).flatMap(({ kind, coupler }) => (kind === 'ring' ? (coupler ?? []) : [])),
  )
  return new Set(
    draft.couplers.flatMap(({ id, kind, positions }) => {
      const isDescribed = positions.some(({ ring }) => ring !== undefined)
      return COUPLER_DEFINITIONS[kind].hasRings || isDescribed || listed.has(id) ? [id] : []
    }),
  )
})

/** The couplers on whose sleeves gears are cut as teeth, by the ids of those gears. */
export const sleevesOfTeeth: (draft: BoxDraft) => ReadonlyMap<string, Coupler> = oncePer(
  ({ couplers }) =>
    new Map(
      couplers.flatMap((coupler) =>
        COUPLER_DEFINITIONS[coupler.kind].hasTeethOnSleeve
          ? (coupler.gears ?? []).map((gear) => [gear, coupler] as const)
          : [],
      ),
    ),
)
