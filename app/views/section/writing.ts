/** All names of a drawing, each where it finds room. */
import type { Naming } from '~/words/names.ts'
import { bodyName } from '~/words/names.ts'

import type { GearName } from './gearLabels.ts'
import { placeGearNames } from './gearLabels.ts'
import type { Layout } from './layout.ts'
import type { MemberName } from './memberNames.ts'
import { placeMemberNames } from './memberNames.ts'
import { coveredByParts } from './obstacles.ts'
import type { Rectangle } from './rectangles.ts'
import { couplerNames } from './sleeves.ts'

export interface Written {
  readonly gearNames: ReadonlyMap<string, GearName>
  readonly memberNames: readonly MemberName[]
  /** What parts and names cover. */
  readonly covered: readonly Rectangle[]
}

/** Names over and beside the parts: of sleeves first, then of gears, then of what they are on. */
export function placeNames(layout: Layout, naming: Naming): Written {
  const { section, scale } = layout
  const parts = [...coveredByParts(layout), ...couplerNames(section, scale, naming)]
  const gearNames = placeGearNames(layout, parts)
  const taken = [...parts, ...[...gearNames.values()].map(({ covers }) => covers)]
  // A gear that is called as its part is tells of both.
  const isTold = (member: string, name: string): boolean =>
    section.gears.some(
      ({ gear }) =>
        gear.member === member && gearNames.get(gear.id)?.text.toLowerCase() === name.toLowerCase(),
    )
  const memberNames = placeMemberNames(section, scale, taken, (id) => {
    const name = bodyName(naming, id)
    return isTold(id, name) ? null : name
  })
  return { gearNames, memberNames, covered: [...taken, ...memberNames.map(({ covers }) => covers)] }
}
