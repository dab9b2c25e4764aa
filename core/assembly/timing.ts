/**
 * The timing of countershafts that carry one gear between them: which teeth to mark, when the
 * marks meet again, and what one tooth off does. Everything follows from the tooth counts.
 */
import type { BoxIndex } from '../box/box.ts'
import { indexBox } from '../box/box.ts'
import type { BoxDraft, Gear } from '../box/types.ts'

/** A pair of teeth numbers in lowest terms; what is over of whole teeth. */
interface ToothShare {
  readonly numerator: number
  readonly denominator: number
}

/** One gear that the shafts carry between them. */
interface TimedPair {
  /** The gear between the shafts. */
  readonly gear: string
  /** Those on the shafts, in the order of the shafts. */
  readonly on: readonly string[]
  /**
   * How far from a gap its teeth stand, in teeth, where one shaft was put in one tooth off at
   * the gear that the marks are on: from −1/2 to 1/2. 0 goes together and is noticed by
   * nothing.
   */
  readonly offTeeth: ToothShare
}

/** How shafts that one gear drives are set to one another by marks. */
export interface Timing {
  /** Members that are timed to one another. */
  readonly shafts: readonly string[]
  /** The gear that drives them all, on which the marks are. */
  readonly driver: string
  readonly driverToothCount: number
  readonly shaftToothCount: number
  /**
   * Teeth from one mark to the next on the driver, with the shafts spread evenly round it;
   * null where that is no whole number, so that no two teeth are right for shafts alike.
   */
  readonly marksApart: number | null
  /** Turns of the driver until every mark is at its tooth again. */
  readonly meetAfterTurns: number
  /** The other gears that the shafts carry between them. */
  readonly pairs: readonly TimedPair[]
}

function gcd(one: number, other: number): number {
  return other === 0 ? one : gcd(other, one % other)
}

/** What is over of whole teeth, nearest to 0. */
function over(numerator: number, denominator: number): ToothShare {
  const rest = numerator % denominator
  const near = 2 * rest > denominator ? rest - denominator : rest
  const common = gcd(Math.abs(near), denominator)
  return { numerator: near / common, denominator: denominator / common }
}

/** Gears that a gear is in mesh with. */
function matesOf({ draft, gears }: BoxIndex, id: string): readonly Gear[] {
  return draft.links.flatMap((link) => {
    if (link.kind !== 'external-mesh') return []
    const mate = link.a === id ? link.b : link.b === id ? link.a : undefined
    return mate === undefined ? [] : (gears.get(mate) ?? [])
  })
}

/** Gears that are counted as one, each on a shaft of its own. */
function twinsOf({ draft }: BoxIndex, gear: Gear): readonly Gear[] {
  const lead = gear.twinOf ?? gear.id
  return draft.gears.filter(({ id, twinOf }) => id === lead || twinOf === lead)
}

/** Every set of countershafts that carries gears between its shafts, of those counted. */
export function timingsOf(draft: BoxDraft): readonly Timing[] {
  const index = indexBox(draft)
  const seen = new Set<string>()
  return draft.gears.flatMap((driver): readonly Timing[] => {
    const sets = setsOf(index, driver)
    if (driver.mount === 'free') return []
    return sets.flatMap((on): readonly Timing[] => {
      const shafts = on.map(({ member }) => member)
      const key = [...shafts].sort().join('\n')
      const [first] = on
      const { toothCount: z } = driver
      const zShaft = first?.toothCount ?? null
      if (seen.has(key) || z === null || zShaft === null) return []
      seen.add(key)
      return [
        {
          shafts,
          driver: driver.id,
          driverToothCount: z,
          shaftToothCount: zShaft,
          marksApart: z % shafts.length === 0 ? z / shafts.length : null,
          meetAfterTurns: zShaft / gcd(z, zShaft),
          pairs: draft.gears
            .filter((gear) => gear !== driver)
            .flatMap((gear): readonly TimedPair[] => {
              const carried = setsOf(index, gear).find((each) =>
                each.every(({ member }, at) => member === shafts[at]),
              )
              const teeth = carried?.[0]?.toothCount ?? null
              return carried && teeth !== null
                ? [
                    {
                      gear: gear.id,
                      on: carried.map(({ id }) => id),
                      offTeeth: over(teeth, zShaft),
                    },
                  ]
                : []
            }),
        },
      ]
    })
  })
}

/** Sets of twins that a gear is in mesh with all of, each in the order of its shafts. */
function setsOf(index: BoxIndex, gear: Gear): readonly (readonly Gear[])[] {
  const mates = matesOf(index, gear.id)
  const order = (each: Gear): number =>
    index.draft.members.findIndex(({ id }) => id === each.member)
  const sets = mates
    .filter(({ twinOf }) => twinOf === undefined)
    .map((mate) => twinsOf(index, mate).filter((twin) => mates.includes(twin)))
    .filter((set) => set.length > 1)
  return sets.map((set) => [...set].sort((one, other) => order(one) - order(other)))
}
