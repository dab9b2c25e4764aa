/** What of a box is outside its case: what power leaves by over a chain alone, such as a driven wheel. */
import { pairsOf } from './links/index.ts'
import { oncePer } from './oncePer.ts'
import type { BoxDraft } from './types.ts'

export interface Outside {
  /** Members, by their ids. */
  readonly members: ReadonlySet<string>
  /** Sprockets whose chain leads there, by their ids: they sit on shafts of the case, beyond its seal. */
  readonly sprockets: ReadonlySet<string>
}

/** Found once for each box. */
export const outsideOf: (draft: BoxDraft) => Outside = oncePer((draft) => {
  const pairs = draft.links.flatMap(pairsOf)
  const members = new Set(
    draft.members.flatMap(({ id, kind }) => {
      const own = new Set(draft.gears.flatMap((gear) => (gear.member === id ? [gear.id] : [])))
      const met = pairs.filter(({ a, b }) => own.has(a) || own.has(b))
      const isByChain = met.length > 0 && met.every(({ touch }) => touch === 'sprockets')
      return kind === 'flange' && draft.outputs.includes(id) && isByChain ? [id] : []
    }),
  )
  const isThere = (gearId: string): boolean =>
    draft.gears.some(({ id, member }) => id === gearId && members.has(member))
  return {
    members,
    sprockets: new Set(
      pairs.flatMap(({ a, b, touch }) =>
        touch !== 'sprockets' ? [] : isThere(a) ? [b] : isThere(b) ? [a] : [],
      ),
    ),
  }
})
