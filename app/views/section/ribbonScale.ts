/** What torque the ribbon shows at its full width, as the address asks for it. */
import type { Analysis } from 'core'

import { mostTorque } from '~/views/box/analysis.ts'

/** The most of the whole box, the most of the position, or a torque in newton-metres. */
type RibbonScale = 'box' | 'position' | number

const LEAST_SCALE_NM = 0.01
const MOST_SCALE_NM = 1_000_000

/** "position" or a whole number of newton-metres; anything else is the whole box. */
export function parseRibbonScale(text: string | null): RibbonScale {
  if (text === 'position') return text
  const torqueNm = Number(text)
  return text !== null && torqueNm >= LEAST_SCALE_NM && torqueNm <= MOST_SCALE_NM ? torqueNm : 'box'
}

/** Torque at full width for one unit of input torque, of a box with this most; what is more is no wider. */
export function ribbonFullTorque(
  scale: RibbonScale,
  fullTorque: number,
  analysis: Analysis,
  inputTorqueNm = 0,
): number {
  if (scale === 'position') return mostTorque(analysis) || fullTorque
  return scale === 'box' || inputTorqueNm <= 0
    ? fullTorque
    : Math.min(scale / inputTorqueNm, fullTorque)
}

/** Round torques below the most, the largest first, in the unit that `unitNm` is one of. */
export function ribbonSteps(mostNm: number, unitNm: number): readonly number[] {
  const most = mostNm / unitNm
  if (!(most >= LEAST_SCALE_NM)) return []
  const steps: number[] = []
  for (let decade = 10 ** Math.floor(Math.log10(most)); steps.length < STEP_COUNT; decade /= 10)
    for (const digit of [5, 2, 1])
      if (digit * decade < most && steps.length < STEP_COUNT) steps.push(digit * decade)
  return steps
}

const STEP_COUNT = 4
