import { analyseBox, checkBox, layOutSection } from 'core'

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
