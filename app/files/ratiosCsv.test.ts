import { analyseBox, checkBox, compareRatios } from 'core'

import { fourSpeed } from '../../core/testing/boxes.ts'

import { formatRatiosCsv } from './ratiosCsv.ts'

test('ratios with their exact value and the teeth that make them', () => {
  const checked = checkBox(fourSpeed('constant-mesh'))
  if (!checked.ok) throw new Error('the box does not hang together')
  const lines = formatRatiosCsv(compareRatios(analyseBox(checked.box), checked.box.draft)).split(
    '\r\n',
  )
  // 40/20 × 40/20 by hand; 2nd 40/20 × 35/25 = 14/5, so the step is 4 ÷ 14/5 − 1 = 3/7.
  expect(lines[1]).toBe('1,"row 1, forward",drive,4,4.000000,0.250000,0.428571,,40/20 x 40/20')
})
