/** What a part of any list is called. */
import type { BoxDraft, Link, PartRef } from 'core'
import { indexBox, namingEnds, pairsOf } from 'core'

import { precedenceWords } from '~/words/build.ts'
import type { Naming } from '~/words/names.ts'
import { bodyName, capitalize, couplerName, gearName, lineName } from '~/words/names.ts'
import { pieceNameById } from '~/words/pieces.ts'
import { sheetLineName } from '~/words/sheet.ts'
import type { Vocabulary } from '~/words/vocabulary.ts'
import { LINK_WORDS } from '~/words/vocabulary.ts'

function linkTitle(naming: Naming, link: Link): string {
  const ends = namingEnds(link)
  const isPair = pairsOf(link).length === 1 || ends[0]?.expected !== ends[1]?.expected
  const joined = isPair ? ' with ' : ', '
  const names = ends.map(({ expected, id }) => {
    if (expected !== 'gear') return bodyName(naming, id)
    const gear = naming.box.gears.get(id)
    return gear ? gearName(naming, gear) : id
  })
  return `${capitalize(LINK_WORDS[link.kind])}: ${names.join(joined)}`
}

export function partTitle(draft: BoxDraft, words: Vocabulary, { list, id }: PartRef): string {
  const box = indexBox(draft)
  const naming = { box, words }
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
      return link ? linkTitle(naming, link) : id
    }
    case 'positions':
      return `Position ${draft.positions.find((position) => position.id === id)?.label ?? id}`
    case 'axes':
      return `Line of ${lineName(naming, id)}`
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
    case 'clutches':
      return 'Clutch'
    case 'leftWarnings':
      return 'Warning left as it is'
  }
}
