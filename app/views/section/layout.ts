/** How a section is laid out on the page, with what has slid where its couplers stand. */
import type { BodyMotion, Section } from 'core'
import { bodyOfGear, toNumber } from 'core'

import type { Scale } from './scale.ts'
import type { GearSeats, MovingBlock } from './toothMarks.ts'
import { markedBlock } from './toothMarks.ts'

/** What the parts of the drawing have in common. */
export interface Layout {
  readonly section: Section
  readonly scale: Scale
  readonly seats: GearSeats
  /** How far gears have slid, in millimetres, by their ids. */
  readonly shifts: ReadonlyMap<string, number>
}

/** The gears that turn, as blocks whose teeth drift. */
export function movingBlocks(
  { section, scale, seats, shifts }: Layout,
  motions: ReadonlyMap<string, BodyMotion> | undefined,
  downwards: 1 | -1,
): readonly MovingBlock[] {
  return section.gears.flatMap((drawn): MovingBlock[] => {
    const { gear } = drawn
    const motion = motions?.get(bodyOfGear(gear))
    const block = markedBlock(
      drawn,
      scale,
      seats.radiusMm(gear.member),
      seats.isOnSleeve(gear.id),
      shifts.get(gear.id) ?? 0,
    )
    if (motion?.kind !== 'turns' || !block) return []
    return [
      {
        ...block,
        gear: gear.id,
        downwards: toNumber(motion.speed) * downwards,
        isSolid: gear.mount !== 'free',
      },
    ]
  })
}

/** On which side of its axis a gear carries its figures: away from the middle of the drawing. */
export function outwards(section: Section, yMm: number): -1 | 1 {
  return yMm < (section.topMm + section.bottomMm) / 2 ? -1 : 1
}
