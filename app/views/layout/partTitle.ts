/** What a part of any list is called. */
import type { BoxDraft, PartRef } from 'core'
import { indexBox, namingEnds, pairsOf } from 'core'

import { precedenceWords } from '~/words/build.ts'
import { bodyName, capitalize, couplerName, gearName } from '~/words/names.ts'
import { pieceNameById } from '~/words/pieces.ts'
import { sheetLineName } from '~/words/sheet.ts'
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
      const ends = namingEnds(link)
      const isPair = pairsOf(link).length === 1 || ends[0]?.expected !== ends[1]?.expected
      const joined = isPair ? ' with ' : ', '
      const names = ends.map((end) =>
        end.expected === 'gear' ? gear(end.id) : bodyName(naming, end.id),
      )
      return `${capitalize(LINK_WORDS[link.kind])}: ${names.join(joined)}`
    }
    case 'positions':
      return `Position ${draft.positions.find((position) => position.id === id)?.label ?? id}`
    case 'axes':
      return `Line of ${lineName(draft, words, id)}`
    case 'interlocks':
      return `Interlock: ${(
        draft.interlocks?.find((interlock) => interlock.id === id)?.couplers ?? []
      )
        .map((couplerId) => box.couplers.get(couplerId))
        .map((coupler) => (coupler ? couplerName(naming, coupler) : 'a part that is gone'))
        .join(', ')}`
    case 'rules':
      return `Rule: ${draft.rules?.find((rule) => rule.id === id)?.reason ?? id}`
    case 'pieces':
      return capitalize(pieceNameById(naming, id))
    case 'precedences':
      return capitalize(
        precedenceWords(naming, draft.precedences?.find((each) => each.id === id) ?? {}),
      )
    case 'sheet':
      return capitalize(sheetLineName(naming, draft.sheet?.find((line) => line.id === id) ?? {}))
    case 'selectors':
    case 'interlockParts':
      return 'Rods and interlock'
    case 'drums':
      return 'Drum'
    case 'leftWarnings':
      return 'Warning left as it is'
  }
}

/** A line of shafts, by its name or by the shafts on it. */
export function lineName(draft: BoxDraft, words: Vocabulary, axisId: string): string {
  const naming = { box: indexBox(draft), words }
  const name = draft.axes.find(({ id }) => id === axisId)?.name
  const shafts = draft.members.filter(({ axis }) => axis === axisId)
  return name ?? (shafts.map(({ id }) => bodyName(naming, id)).join(', ') || 'no shaft')
}
