import { analyseDraft } from '~/views/box/analysis.ts'

import { fourSpeed } from '../../../core/testing/boxes.ts'
import { parseRibbonScale, ribbonFullTorque, ribbonSteps } from './ribbonScale.ts'
import { readAddress } from '../addresses.ts'
import { readTraceState } from './traceState.ts'

const draft = fourSpeed('constant-mesh')

function traced(position: string) {
  const address = readAddress('trace', new URLSearchParams({ position }))
  const state = readTraceState(draft, analyseDraft(draft), address)
  if (!state) throw new Error('the box cannot be traced')
  return state
}

test('the address names the position, a torque, or nothing for the whole box', () => {
  expect(parseRibbonScale('position')).toBe('position')
  expect(parseRibbonScale('200')).toBe(200)
  for (const text of [null, '', '0', '-5', 'wide', '1e99', '1e-9', 'NaN'])
    expect(parseRibbonScale(text)).toBe('box')
})

test('first carries four times the torque of direct, so direct alone fills the width at its own scale', () => {
  const direct = traced('4')
  // 40/20 × 40/20 by hand.
  expect(ribbonFullTorque('box', direct, 100)).toBeCloseTo(4)
  expect(ribbonFullTorque('position', direct, 100)).toBeCloseTo(1)
  expect(ribbonFullTorque(200, direct, 100)).toBeCloseTo(2)
  // No wider than the box needs, and no division by nothing.
  expect(ribbonFullTorque(5000, direct, 100)).toBeCloseTo(4)
  expect(ribbonFullTorque(200, direct, 0)).toBeCloseTo(4)
  expect(ribbonFullTorque('position', traced('N'), 100)).toBeCloseTo(4)
})

test('round torques to choose from, below the most', () => {
  expect(ribbonSteps(1420, 1)).toEqual([1000, 500, 200, 100])
  expect(ribbonSteps(400, 1)).toEqual([200, 100, 50, 20])
  for (const most of [0, -1, NaN, 1e-300]) expect(ribbonSteps(most, 1)).toEqual([])
})
