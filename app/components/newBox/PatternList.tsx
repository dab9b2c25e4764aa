import { PATTERN_IDS } from 'core'
import type { PatternId } from 'core'

import { PATTERN_WORDS } from '~/words/patterns.ts'
import type { Vocabulary } from '~/words/vocabulary.ts'
import { inWords } from '~/words/vocabulary.ts'

interface PatternListProps {
  readonly words: Vocabulary
  readonly selected: PatternId
  readonly onSelect: (id: PatternId) => void
}

/** The arrangements to start from, one large key each. */
export function PatternList({ words, selected, onSelect }: PatternListProps) {
  return (
    <fieldset className="border-rule bg-sheet min-h-0 min-w-0 overflow-auto border-r-2 p-2">
      <legend className="sr-only">Arrangement</legend>
      {PATTERN_IDS.map((id) => (
        <label
          key={id}
          className="has-checked:bg-accent has-checked:text-accent-ink hover:bg-accent-wash border-rule block min-h-[56px] cursor-pointer border-b px-3 py-1 has-focus-visible:outline-3 has-checked:hover:bg-accent"
        >
          <input
            type="radio"
            className="sr-only"
            name="pattern"
            value={id}
            checked={id === selected}
            onChange={() => {
              onSelect(id)
            }}
          />
          <span className="block leading-tight font-bold">
            {inWords(words, PATTERN_WORDS[id].title)}
          </span>
          <span className="block text-[0.8rem] leading-tight">
            {inWords(words, PATTERN_WORDS[id].sentence)}
          </span>
        </label>
      ))}
    </fieldset>
  )
}
