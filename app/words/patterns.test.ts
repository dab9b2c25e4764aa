import { PATTERNS } from 'core'

import { CHOICE_WORDS, PATTERN_WORDS, optionWords } from './patterns.ts'

test('every pattern, choice and option is said in words of the trade', () => {
  for (const { id, choices } of PATTERNS) {
    expect(PATTERN_WORDS[id].title).toMatch(/^[A-Z]/)
    expect(PATTERN_WORDS[id].sentence).toMatch(/\.$/)
    for (const choice of choices) {
      expect(CHOICE_WORDS[choice.id]).toBeTruthy()
      expect(choice.options).toContain(choice.initial)
      for (const option of choice.options) expect(optionWords(choice.id, option)).not.toMatch(/-/)
    }
  }
})
