import { analyseBox, buildPattern, checkBox, layOutSection } from 'core'
import type { PatternId } from 'core'

import { fourSpeed } from '../../../core/testing/boxes.ts'
import { ribbonPieces } from './ribbon.ts'

const draft = fourSpeed('sliding-idler')

function piecesOf(label: string) {
  const checked = checkBox(draft)
  if (!checked.ok) throw new Error('the box does not hang together')
  const found = analyseBox(checked.box).find(({ position }) => position.label === label)
  if (found?.analysis.state !== 'drive') throw new Error(`${label} does not drive`)
  const section = layOutSection(draft)
  return { section, pieces: ribbonPieces(checked.box, section, found.analysis) }
}

/** Pieces joined where one ends and the next begins. */
function isConnected(pieces: ReturnType<typeof piecesOf>['pieces']): boolean {
  const key = (x: number, y: number): string => `${x.toFixed(3)}/${y.toFixed(3)}`
  const starts = pieces.map((piece) => key(piece.fromXMm, piece.fromYMm))
  const ends = pieces.map((piece) => key(piece.toXMm, piece.toYMm))
  return starts.filter((start) => !ends.includes(start)).length === 1
}

test('direct is one straight run of the input torque', () => {
  const { section, pieces } = piecesOf('4')
  expect(pieces.map(({ torque }) => torque)).toEqual([1, 1])
  expect(new Set(pieces.flatMap(({ fromYMm, toYMm }) => [fromYMm, toYMm]))).toEqual(new Set([0]))
  expect(Math.max(...pieces.map(({ toXMm }) => toXMm))).toBe(section.toMm)
})

test('a reduction fattens the ribbon: 1, 2, 4 (40/20 × 40/20 by hand)', () => {
  const { pieces } = piecesOf('1')
  expect([...new Set(pieces.map(({ torque }) => torque))].sort()).toEqual([1, 2, 4])
})

test.each(['1', '2', '3', '4', 'R'])(
  'the ribbon of %s is one line from input to output',
  (label) => {
    const { section, pieces } = piecesOf(label)
    expect(isConnected(pieces)).toBe(true)
    expect(pieces.some(({ fromXMm }) => fromXMm === section.fromMm)).toBe(true)
    expect(pieces.some(({ toXMm }) => toXMm === section.toMm)).toBe(true)
  },
)

/** The ribbon of a pattern with every gear counted by a rule, in one position. */
function patternPieces(
  id: PatternId,
  chosen: Readonly<Record<string, string>>,
  label: string,
  countOf: (gear: string) => number,
) {
  const pattern = buildPattern(id, 'box', chosen)
  const counted = {
    ...pattern,
    gears: pattern.gears.map((gear) => ({ ...gear, toothCount: countOf(gear.id) })),
  }
  const checked = checkBox(counted)
  if (!checked.ok) throw new Error('the box does not hang together')
  const found = analyseBox(checked.box).find(({ position }) => position.label === label)
  if (found?.analysis.state !== 'drive') throw new Error(`${label} does not drive`)
  const section = layOutSection(counted)
  return { section, pieces: ribbonPieces(checked.box, section, found.analysis) }
}

test('two countershafts split the ribbon evenly, above and below (common practice)', () => {
  const { section, pieces } = patternPieces('heavy', { speeds: '10' }, '6', (gear) =>
    gear === 'input-head' ? 20 : gear.endsWith('-head') ? 40 : gear.includes('ring') ? 80 : 30,
  )
  const lane = (id: string) => section.lanes.find(({ axis }) => axis.id === id)?.yMm
  const on = (y: number | undefined) =>
    pieces.filter(({ fromYMm, toYMm }) => fromYMm === y && toYMm === y).map(({ torque }) => torque)
  // Input torque 1, head 40/20, halved: 1 on each countershaft.
  expect(on(lane('counter-a-line'))).toEqual([1])
  expect(on(lane('counter-b-line'))).toEqual([1])
})

test('a differential splits the ribbon to both sides, half of the case each', () => {
  const { section, pieces } = patternPieces('transverse-transaxle', {}, '1', (gear) =>
    gear === 'final-ring' ? 80 : gear === 'output-1' ? 40 : 20,
  )
  const y = section.lanes.find(({ axis }) => axis.id === 'final-line')?.yMm
  const on = pieces.filter(({ fromYMm, toYMm }) => fromYMm === y && toYMm === y)
  // 40/20 × 80/20 = 8 on the case, 4 to each side.
  expect(new Set(on.map(({ torque }) => torque))).toEqual(new Set([8, 4]))
  const ways = on.filter(({ torque }) => torque === 4).map(({ fromXMm, toXMm }) => toXMm - fromXMm)
  expect(ways.some((way) => way > 0)).toBe(true)
  expect(ways.some((way) => way < 0)).toBe(true)
})

test('a planetary low fattens the ribbon by 1 + zr/zs (Willis)', () => {
  const { pieces } = patternPieces('transfer-case', { transfer: 'one' }, 'L', (gear) =>
    gear.includes('ring') ? 60 : 30,
  )
  expect(Math.min(...pieces.map(({ torque }) => torque))).toBe(1)
  expect(Math.max(...pieces.map(({ torque }) => torque))).toBe(3)
})

test('an overdrive thins the ribbon', () => {
  const { pieces } = patternPieces('racing', { speeds: '4' }, '4', (gear) =>
    gear === 'output-4' ? 15 : 20,
  )
  // 15 on 20: three quarters of the torque at the output.
  expect([...new Set(pieces.map(({ torque }) => torque))].sort()).toEqual([0.75, 1])
})
