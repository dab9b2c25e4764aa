import { analyseBox } from './analysis.ts'
import { formatFraction } from '../number/rational.ts'
import { findSlips } from './slips.ts'
import { boxOf, fourSpeed } from '../testing/boxes.ts'

function slipsIn(label: string): Readonly<Record<string, string>> {
  const box = boxOf(fourSpeed('sliding-idler'))
  const found = analyseBox(box).find(({ position }) => position.label === label)
  if (!found) throw new Error(`no position ${label}`)
  return Object.fromEntries(
    findSlips(box, found.analysis).map((slip) => [
      slip.kind === 'coupler' ? `${slip.coupler.id} ${slip.place.id}` : slip.gear.id,
      formatFraction(slip.speed),
    ]),
  )
}

test('in 1st every other gear slips on the main shaft by the difference of their speeds', () => {
  // Main shaft 20/40 · 20/40 = 1/4. 2nd gear 1/2 · 25/35 = 5/14, so 5/14 − 1/4 = 3/28;
  // 3rd gear 1/2 − 1/4 = 1/4; the input against the main shaft 1 − 1/4 = 3/4.
  expect(slipsIn('1')).toMatchObject({
    'main-1': '0',
    'main-2': '3/28',
    'main-3': '1/4',
    'coupler-1-2 2': '3/28',
    'coupler-3-4 3': '1/4',
    'coupler-3-4 4': '3/4',
  })
})

test('the coupler that is engaged does not slip and is not listed', () => {
  expect(slipsIn('1')).not.toHaveProperty('coupler-1-2 1')
})

test('in neutral the main shaft coasts, so no slip on it is settled', () => {
  expect(slipsIn('N')).toEqual({})
})
