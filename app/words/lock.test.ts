import { checkBox, explainLock, prepareSolver } from 'core'

import { fourSpeed } from '../../core/testing/boxes.ts'
import { lockSentence } from './lock.ts'
import { PLAIN_WORDS } from './vocabulary.ts'

test('two gears at once: both sleeves, the shaft, and the two speeds in figures', () => {
  const checked = checkBox(fourSpeed('constant-mesh'))
  if (!checked.ok) throw new Error('the box does not hang together')
  const cause = explainLock(prepareSolver(checked.box), { 'coupler-1-2': '1', 'coupler-3-4': '3' })
  // 1st is 4 : 1 and 3rd 2 : 1 by hand, so a quarter and a half of a turn.
  expect(cause && lockSentence({ box: checked.box, words: PLAIN_WORDS }, cause)).toBe(
    'The 3–4 sleeve asks the main shaft to turn 0.500 times (1/2) for one turn of the input, the 1–2 sleeve asks it to turn 0.250 times (1/4) for one turn of the input. It cannot do both, so nothing turns.',
  )
})
