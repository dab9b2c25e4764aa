/** What a part of any list is called. */
import type { BoxDraft, PartRef } from 'core'
import { indexBox } from 'core'

import { bodyName, capitalize, couplerName, gearName } from '~/words/names.ts'
import type { Vocabulary } from '~/words/vocabulary.ts'
import { LINK_WORDS } from '~/words/vocabulary.ts'

export function partTitle(draft: BoxDraft, words: Vocabulary, { list, id }: PartRef): string {
  const box = indexBox(draft)
  const naming = { box, words }
  const gear = (gearId: string): string => {
    const found = box.gears.get(gearId)
    return found ? gearName(naming, found) : gearId
  }
  switch (list) {
    case 'gears': {
      const found = box.gears.get(id)
      const teeth = found?.toothCount === null ? 'not counted' : `${found?.toothCount ?? 0} teeth`
      return found
        ? `${capitalize(gearName(naming, found))}: ${teeth}, ${words.mounts[found.mount]}`
        : id
    }
    case 'members':
      return capitalize(bodyName(naming, id))
    case 'couplers': {
      const found = box.couplers.get(id)
      return found ? capitalize(couplerName(naming, found)) : id
    }
    case 'links': {
      const link = box.links.get(id)
      if (!link) return id
      const word = capitalize(LINK_WORDS[link.kind])
      switch (link.kind) {
        case 'planetary':
          return `${word}: ${gear(link.sun)}, ${gear(link.ring)}`
        case 'differential':
          return `${word}: ${bodyName(naming, link.case)}`
        case 'held':
          return `${word}: ${bodyName(naming, link.body)}`
        case 'joined':
          return `${word}: ${bodyName(naming, link.a)}, ${bodyName(naming, link.b)}`
        default:
          return `${word}: ${gear(link.a)} with ${gear(link.b)}`
      }
    }
    case 'positions':
      return `Position ${draft.positions.find((position) => position.id === id)?.label ?? id}`
    case 'axes':
      return `Line "${draft.axes.find((axis) => axis.id === id)?.name ?? id}"`
    case 'interlocks':
      return `Interlock "${id}"`
    case 'rules':
      return `Rule: ${draft.rules?.find((rule) => rule.id === id)?.reason ?? id}`
    case 'leftWarnings':
      return 'Warning left as it is'
  }
}
