import { analyseBox } from '../../train/analysis.ts'
import { formatFraction } from '../../number/rational.ts'
import { boxOf, withCounts } from '../../testing/boxes.ts'
import { ordinal } from './rows.ts'
import { REVERSE_KINDS, threeShaftBox } from './threeShaft.ts'

const PATTERNS = ([3, 4, 5, 6] as const).flatMap((forwardCount) =>
  Array.from({ length: forwardCount }, (_, at) => at + 1).flatMap((directAt) =>
    REVERSE_KINDS.map((reverse) => [forwardCount, directAt, reverse] as const),
  ),
)

test.each(PATTERNS)(
  '%d speeds, direct in %d, reverse by %s: every position drives, one is direct, reverse turns back',
  (forwardCount, directAt, reverse) => {
    const pattern = threeShaftBox({ name: 'box', forwardCount, directAt, reverse })
    // Counts that make a position's ratio smaller the higher it is: head 20/40, pair n has 20 + n driving.
    const counts = Object.fromEntries(
      pattern.gears.map(({ id }) => {
        const [shaft, place] = id.split('-')
        const position = Number(place)
        if (id === 'input-head') return [id, 20]
        if (id === 'counter-head') return [id, 40]
        if (Number.isNaN(position)) return [id, 25]
        return [id, shaft === 'counter' ? 20 + 2 * position : 60 - 2 * position]
      }),
    )
    const results = new Map(
      analyseBox(boxOf(withCounts(pattern, counts))).map(({ position, analysis }) => [
        position.label,
        analysis,
      ]),
    )
    for (let position = 1; position <= forwardCount; position++) {
      const analysis = results.get(`${position}`)
      // By hand: 40/20 × (60 − 2n)/(20 + 2n); direct is 1.
      const expected = position === directAt ? 1 : (2 * (60 - 2 * position)) / (20 + 2 * position)
      expect(analysis?.state === 'drive' && analysis.ratio.toNumber()).toBeCloseTo(expected, 12)
      expect(analysis?.engaged).toHaveLength(1)
    }
    const back = results.get('R')
    expect(back?.state === 'drive' && formatFraction(back.ratio)).toBe('-2')
    expect(results.get('N')?.state).toBe('neutral')
  },
)

test('a direct position that the box does not have is refused', () => {
  expect(() =>
    threeShaftBox({ name: 'box', forwardCount: 4, directAt: 5, reverse: 'constant-mesh' }),
  ).toThrow('no position 5 in a box of 4')
})

test.each([
  [1, '1st'],
  [2, '2nd'],
  [3, '3rd'],
  [4, '4th'],
  [6, '6th'],
])('%d is the %s', (number, text) => {
  expect(ordinal(number)).toBe(text)
})
