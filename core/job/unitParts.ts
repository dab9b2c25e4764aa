/** The parts of a unit that are looked at and measured, and what must go with one that is replaced. */
import { indexBox } from '../box/box.ts'
import { pairsOf } from '../box/links/index.ts'
import type { Look } from './job.ts'
import type { Measure } from '../measure/measurement.ts'
import type { BoxDraft, CouplerKind } from '../box/types.ts'

export const UNIT_PART_KINDS = ['ring', 'sleeve', 'gear', 'shaft'] as const
/** The kinds of part that are looked at and measured. */
export type UnitPartKind = (typeof UNIT_PART_KINDS)[number]

/** What a reference such as "ring:3-4/towards-output" or "bearings:counter" says. */
export interface PartReference {
  readonly kind: string
  /** The coupler, gear or member. */
  readonly id: string
  /** The place of the coupler that a ring serves. */
  readonly place?: string
}

/** Reads a reference to a part of a unit, or to what is ordered for one; whatever it is, it is taken apart. */
export function readPartReference(ref: string): PartReference {
  const at = ref.indexOf(':')
  const [kind, id] = [ref.slice(0, at), ref.slice(at + 1)]
  const slash = kind === 'ring' ? id.indexOf('/') : -1
  return slash < 0 ? { kind, id } : { kind, id: id.slice(0, slash), place: id.slice(slash + 1) }
}

/** A part of a unit, with what it is measured and looked at for. */
export interface UnitPart {
  /** "ring:3-4/towards-output", "sleeve:3-4", "gear:main-3", "shaft:counter". */
  readonly ref: string
  readonly kind: UnitPartKind
  /** The coupler, gear or member. */
  readonly id: string
  /** The place of the coupler that a ring serves. */
  readonly place?: string
  readonly measures: readonly Measure[]
  readonly looks: readonly Look[]
}

const WITH_RINGS: ReadonlySet<CouplerKind> = new Set<CouplerKind>([
  'synchronizer',
  'range',
  'splitter',
])
const WITHOUT_DOGS: ReadonlySet<CouplerKind> = new Set<CouplerKind>([
  'friction-clutch',
  'sliding-gear',
  'sliding-idler',
])

/** Every part that can be measured: rings in the order of the positions, sleeves, gears, shafts. */
export function unitParts(draft: BoxDraft): readonly UnitPart[] {
  const couplers = draft.couplers.flatMap((coupler): readonly UnitPart[] => {
    if (coupler.kind === 'friction-clutch') return []
    const rings = coupler.positions.flatMap((position): readonly UnitPart[] =>
      WITH_RINGS.has(coupler.kind) && position.engages.some(({ kind }) => kind !== 'mesh')
        ? [
            {
              ref: `ring:${coupler.id}/${position.id}`,
              kind: 'ring',
              id: coupler.id,
              place: position.id,
              measures: ['ring-gap'],
              looks: ['crack', 'grooves', 'tooth-tips'],
            },
          ]
        : [],
    )
    return [
      ...rings,
      {
        ref: `sleeve:${coupler.id}`,
        kind: 'sleeve',
        id: coupler.id,
        measures: WITHOUT_DOGS.has(coupler.kind)
          ? ['fork-clearance']
          : ['fork-clearance', 'dog-engagement'],
        looks: ['dog-corners'],
      },
    ]
  })
  const gears = draft.gears.map(({ id, mount }): UnitPart => ({
    ref: `gear:${id}`,
    kind: 'gear',
    id,
    measures: mount === 'free' ? ['backlash', 'end-play'] : ['backlash'],
    looks: ['tooth-tips'],
  }))
  const shafts = draft.members.map(({ id }): UnitPart => ({
    ref: `shaft:${id}`,
    kind: 'shaft',
    id,
    measures: ['end-play', 'run-out', 'bearing-drag', 'spline-rock'],
    looks: ['bearing-feel'],
  }))
  const inOrder = (part: UnitPart): number => {
    const at = draft.positions.findIndex(
      ({ couplers: places }) => part.place !== undefined && places[part.id] === part.place,
    )
    return at < 0 ? draft.positions.length : at
  }
  return [
    ...couplers
      .filter(({ kind }) => kind === 'ring')
      .sort((one, other) => inOrder(one) - inOrder(other)),
    ...couplers.filter(({ kind }) => kind !== 'ring'),
    ...gears,
    ...shafts,
  ]
}

/** What goes with a part that is replaced, and why. */
export type Companion =
  /** A gear is replaced with its mate. */
  | { readonly key: string; readonly why: 'mate' }
  /** A gear cut into its shaft is replaced with it. */
  | { readonly key: string; readonly why: 'integral' }
  /** A ring beside a new cone. */
  | { readonly key: string; readonly why: 'beside-cone' }
  /** Seals and snap rings with whatever is replaced, the pilot bearing because the clutch is out. */
  | { readonly key: 'seals' | 'snap-rings' | 'pilot-bearing'; readonly why: 'always' }

/** What must go with the parts that are replaced; none of them twice, nor what is replaced anyway. */
export function companionsOf(draft: BoxDraft, replaced: readonly string[]): readonly Companion[] {
  if (replaced.length === 0) return []
  const { gears } = indexBox(draft)
  const known = new Set(replaced)
  const found: Companion[] = []
  const add = (companion: Companion): void => {
    if (known.has(companion.key)) return
    known.add(companion.key)
    found.push(companion)
    follow(companion.key)
  }
  const follow = (ref: string): void => {
    const { kind, id } = readPartReference(ref)
    const gear = kind === 'gear' ? gears.get(id) : undefined
    if (gear) {
      for (const { a, b } of draft.links.flatMap(pairsOf)) {
        const mate = a === id ? b : b === id ? a : undefined
        if (mate !== undefined) add({ key: `gear:${mate}`, why: 'mate' })
      }
      if (gear.mount === 'integral') add({ key: `shaft:${gear.member}`, why: 'integral' })
      for (const coupler of draft.couplers)
        for (const position of coupler.positions)
          if (
            WITH_RINGS.has(coupler.kind) &&
            position.engages.some((each) => each.kind === 'lock' && each.body === id)
          )
            add({ key: `ring:${coupler.id}/${position.id}`, why: 'beside-cone' })
    }
    if (kind === 'shaft')
      for (const other of draft.gears)
        if (other.member === id && other.mount === 'integral')
          add({ key: `gear:${other.id}`, why: 'integral' })
  }
  replaced.forEach(follow)
  for (const key of ['seals', 'snap-rings', 'pilot-bearing'] as const) add({ key, why: 'always' })
  return found
}
