/** What the wheels turn, and what runs on a shaft without being thrown any oil. */
import type { BoxIndex, Spin } from 'core'
import { bodyOfGear } from 'core'

export interface Towing {
  /** Members, and gears that are not simply fixed on a member that does the same. */
  readonly turning: readonly string[]
  readonly standing: readonly string[]
  /** Free gears that turn past their shaft. */
  readonly running: readonly string[]
}

/** Parts by id, from what happens when one output or more are turned and nothing is held. */
export function towingOf({ draft }: BoxIndex, { motions }: Spin): Towing {
  const turns = (body: string): boolean => motions.get(body)?.kind === 'turns'
  const own = [
    ...draft.members.map(({ id }) => id),
    ...draft.gears.filter(({ mount }) => mount === 'free').map(({ id }) => id),
  ]
  return {
    turning: own.filter(turns),
    standing: own.filter((id) => !turns(id)),
    running: draft.gears
      .filter((gear) => gear.mount === 'free' && turns(bodyOfGear(gear)) !== turns(gear.member))
      .map(({ id }) => id),
  }
}
