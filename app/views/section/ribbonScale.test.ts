import { analyseDraft } from '~/views/box/analysis.ts'

import { fourSpeed } from '../../../core/testing/boxes.ts'
import { parseRibbonScale, ribbonFullTorque, ribbonSteps } from './ribbonScale.ts'

const draft = fourSpeed('constant-mesh')

type Scale = ReturnType<typeof parseRibbonScale>

function fullAt(scale: Scale, label: string, inputTorqueNm?: number): number {
  const { fullTorque, positions } = analyseDraft(draft)
  const found = positions.find(({ position }) => position.label === label)
  if (!found) throw new Error(`no position ${label}`)
  return ribbonFullTorque(scale, fullTorque, found.analysis, inputTorqueNm)
}

test('the address names the position, a torque, or nothing for the whole box', () => {
  expect(parseRibbonScale('position')).toBe('position')
  expect(parseRibbonScale('200')).toBe(200)
  for (const text of [null, '', '0', '-5', 'wide', '1e99', '1e-9', 'NaN'])
    expect(parseRibbonScale(text)).toBe('box')
})

test('first carries four times the torque of direct, so direct alone fills the width at its own scale', () => {
  // 40/20 × 40/20 by hand.
  expect(fullAt('box', '4', 100)).toBeCloseTo(4)
  expect(fullAt('position', '4', 100)).toBeCloseTo(1)
  expect(fullAt(200, '4', 100)).toBeCloseTo(2)
  // No wider than the box needs, and no division by nothing.
  expect(fullAt(5000, '4', 100)).toBeCloseTo(4)
  expect(fullAt(200, '4', 0)).toBeCloseTo(4)
  expect(fullAt('position', 'N', 100)).toBeCloseTo(4)
  // Where nothing says what goes in, the position is told all the same.
  expect(fullAt('position', '4')).toBeCloseTo(1)
})

test('round torques to choose from, below the most', () => {
  expect(ribbonSteps(1420, 1)).toEqual([1000, 500, 200, 100])
  expect(ribbonSteps(400, 1)).toEqual([200, 100, 50, 20])
  for (const most of [0, -1, NaN, 1e-300]) expect(ribbonSteps(most, 1)).toEqual([])
})
