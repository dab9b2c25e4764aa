import { toothHeights, toothMarks } from './toothMarks.ts'

const block = { toothCount: 24, x: 0, width: 10, y: 100, radius: 50, inner: 0 }

test('half of the teeth are on the near side, within the gear', () => {
  const heights = toothHeights(block, 0)
  expect(heights).toHaveLength(12)
  for (const height of heights) expect(Math.abs(height - block.y)).toBeLessThanOrEqual(block.radius)
})

test('a tooth stands at r·sin of its angle, the first half a pitch from the top', () => {
  const [first = NaN] = toothHeights(block, 0)
  expect(first).toBeCloseTo(100 - 50 * Math.cos(Math.PI / 24), 9)
})

test('turned on by a little, every mark has gone down', () => {
  const [before, after] = [toothHeights(block, 0), toothHeights(block, 0.2)]
  expect(after).toHaveLength(before.length)
  after.forEach((height, at) => {
    expect(height).toBeGreaterThan(before[at] ?? Infinity)
  })
})

test.each([1, -1, 3, -7])('turned on by %s whole teeth it looks the same', (phase) => {
  const [before, after] = [toothHeights(block, 0), toothHeights(block, phase)]
  expect(after).toHaveLength(before.length)
  after.forEach((height, at) => {
    expect(height).toBeCloseTo(before[at] ?? NaN, 9)
  })
})

test('nothing is marked within the bore', () => {
  const heights = toothHeights({ ...block, inner: 20 }, 0.3)
  expect(heights.length).toBeGreaterThan(0)
  for (const height of heights) expect(Math.abs(height - block.y)).toBeGreaterThan(20)
})

test('at rest there is a line across the face for each', () => {
  expect(toothMarks(block).match(/h10/g)).toHaveLength(12)
})
