/** Cautions of changes, on boxes whose ratios are known by hand. */
import { dualClutch, fourSpeed } from '../testing/boxes.ts'
import { buildPattern } from '../box/index.ts'
import type { BoxDraft } from '../box/types.ts'
import { checkBox } from '../box/check.ts'
import { rational } from '../number/rational.ts'
import { prepareSolver } from '../train/index.ts'

import type { ChangeOptions, ChangeSchool } from './change.ts'
import { gearChange } from './change.ts'
import { changeCautions } from './cautions.ts'

function told(
  draft: BoxDraft,
  [from, to]: readonly [string, string],
  inputRpm: number,
  school: ChangeSchool = 'clutch',
  options: ChangeOptions = {},
) {
  const checked = checkBox(draft)
  if (!checked.ok) throw new Error('the box hangs together')
  const solver = prepareSolver(checked.box)
  const position = (label: string) => {
    const found = draft.positions.find((each) => each.label === label)
    if (!found) throw new Error(`no ${label}`)
    return found
  }
  const change = gearChange(solver, position(from), position(to), school, options)
  return changeCautions(solver, change, inputRpm)
}

const kinds = (found: ReturnType<typeof told>): readonly string[] => found.map(({ kind }) => kind)

/** Second 2.8 and third 2 turns in for one out. */
const four = fourSpeed('sliding-idler')

test('a change down that turns the engine beyond what it bears is told with both speeds (by hand: 5000 × 2.8 / 2)', () => {
  const at = (mostInputRpm: number | null) => told({ ...four, mostInputRpm }, ['3', '2'], 5_000)
  expect(at(6_500)[0]).toMatchObject({ kind: 'overspeed', mostRpm: 6_500 })
  const [first] = at(6_500)
  expect(first?.kind === 'overspeed' && first.rpm).toBeCloseTo(7_000, 9)
  expect(kinds(at(7_000))).not.toContain('overspeed')
  // Nobody said what it bears.
  expect(kinds(at(null))).not.toContain('overspeed')
})

test('reverse while it rolls is told; at a stand it is not (common practice)', () => {
  expect(kinds(told(four, ['1', 'R'], 2_000))[0]).toBe('backwards')
  expect(kinds(told(four, ['N', 'R'], 800))).not.toContain('backwards')
  const rolling = { outputSpeed: rational(1, 10) }
  expect(kinds(told(four, ['N', 'R'], 800, 'clutch', rolling))).toContain('backwards')
})

test('first while it rolls has the engine come up, which is told; moving off is not (common practice)', () => {
  expect(kinds(told(four, ['2', '1'], 2_000))).toContain('lowest-rolling')
  expect(kinds(told(four, ['N', '1'], 800))).not.toContain('lowest-rolling')
  expect(kinds(told(four, ['3', '2'], 2_000))).not.toContain('lowest-rolling')
})

test('teeth that go in unlike are told where nothing matches them, with a ring only that it may balk', () => {
  const sliding = buildPattern('sliding-gear', 'box', {})
  const counted = {
    ...sliding,
    gears: sliding.gears.map((gear, at) => ({ ...gear, toothCount: 18 + at })),
  }
  expect(kinds(told(counted, ['2', '1'], 2_000))).toContain('unlike')
  expect(kinds(told(counted, ['2', '1'], 2_000, 'double-declutch'))).not.toContain('unlike')
  expect(kinds(told(four, ['2', '3'], 2_000))).toEqual(['may-balk'])
})

test('a clutch of the box is closed as it slips, and is no teeth', () => {
  expect(kinds(told(dualClutch(), ['1', '2'], 2_000))).not.toContain('unlike')
})
