import { analyseBox, checkBox, compareRatios } from 'core'

import { dualClutch, fourSpeed } from '../../core/testing/boxes.ts'

import { PLAIN_WORDS } from '../words/vocabulary.ts'
import { formatRatiosCsv } from './ratiosCsv.ts'

test('ratios with their exact value and the teeth that make them', () => {
  const checked = checkBox(fourSpeed('constant-mesh'))
  if (!checked.ok) throw new Error('the box does not hang together')
  const naming = { box: checked.box, words: PLAIN_WORDS }
  const lines = formatRatiosCsv(
    naming,
    compareRatios(analyseBox(checked.box), checked.box.draft),
  ).split('\r\n')
  // 40/20 × 40/20 by hand; 2nd 40/20 × 35/25 = 14/5, so the step is 4 ÷ 14/5 − 1 = 3/7.
  expect(lines[1]).toBe('1,"row 1, forward",drive,4,4.000000,0.250000,0.428571,,40/20 x 40/20,')
})

test('a ratio that hangs on both wheels turning alike says so in its line', () => {
  const checked = checkBox(dualClutch())
  if (!checked.ok) throw new Error('the box does not hang together')
  const naming = { box: checked.box, words: PLAIN_WORDS }
  const text = formatRatiosCsv(naming, compareRatios(analyseBox(checked.box), checked.box.draft))
  const driving = text.split('\r\n').filter((line) => line.includes(',drive,'))
  expect(driving).toHaveLength(8)
  for (const line of driving) expect(line).toMatch(/An open differential: .* turning alike\.$/)
})
