import {
  PATTERN_IDS,
  analyse,
  analyseBox,
  buildPattern,
  checkBox,
  layOutSection,
  prepareSolver,
} from 'core'
import type { PatternId } from 'core'

import { fourSpeed } from '../../../core/testing/boxes.ts'
import { ribbonPieces } from './ribbon.ts'

const draft = fourSpeed('sliding-idler')

function piecesOf(label: string, isOverrun = false) {
  const checked = checkBox(draft)
  if (!checked.ok) throw new Error('the box does not hang together')
  const position = draft.positions.find((each) => each.label === label)
  const found = analyse(prepareSolver(checked.box), position?.couplers ?? {}, { isOverrun })
  if (found.state !== 'drive') throw new Error(`${label} does not drive`)
  const section = layOutSection(draft)
  return { section, pieces: ribbonPieces(checked.box, section, found) }
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
  expect(new Set(pieces.map(({ torque }) => torque))).toEqual(new Set([1, 2, 4]))
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

test.each(['1', '4', 'R'])('on the overrun the ribbon of %s runs the other way', (label) => {
  const { pieces: driving } = piecesOf(label)
  const { pieces: overrun } = piecesOf(label, true)
  const ends = ({ fromXMm, fromYMm, toXMm, toYMm, torque }: (typeof driving)[number]) => ({
    fromXMm: toXMm,
    fromYMm: toYMm,
    toXMm: fromXMm,
    toYMm: fromYMm,
    torque,
  })
  expect(overrun).toHaveLength(driving.length)
  expect(overrun).toEqual(expect.arrayContaining(driving.map(ends)))
})

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
  // 40/20 × 80/20 = 8 in the wall of the case and in to its middle, 4 to each side.
  expect(new Set(on.map(({ torque }) => torque))).toEqual(new Set([4]))
  expect(pieces.filter(({ torque }) => torque === 8).length).toBeGreaterThan(1)
  expect(
    pieces.some(({ torque, fromYMm, toYMm }) => torque === 8 && fromYMm !== y && toYMm === y),
  ).toBe(true)
  const ways = on.filter(({ torque }) => torque === 4).map(({ fromXMm, toXMm }) => toXMm - fromXMm)
  expect(ways.some((way) => way > 0)).toBe(true)
  expect(ways.some((way) => way < 0)).toBe(true)
})

test('a planetary low goes by way of a planet: 1 from the sun, 1 + zr/zs to the carrier (Willis)', () => {
  const { section, pieces } = patternPieces('transfer-case', { transfer: 'one' }, 'L', (gear) =>
    gear.includes('ring') ? 60 : 30,
  )
  expect(Math.min(...pieces.map(({ torque }) => torque))).toBe(1)
  expect(Math.max(...pieces.map(({ torque }) => torque))).toBe(3)
  const [set] = section.planetaries
  if (!set) throw new Error('no planetary set is drawn')
  const pin = [set.stationMm, set.yMm - (set.sunRadiusMm + set.ringRadiusMm) / 2]
  expect(
    pieces.filter(({ toXMm, toYMm }) => toXMm === pin[0] && toYMm === pin[1]).map((p) => p.torque),
  ).toEqual([1])
  expect(
    pieces
      .filter(({ fromXMm, fromYMm }) => fromXMm === pin[0] && fromYMm === pin[1])
      .map((p) => p.torque),
  ).toEqual([3])
})

test('an overdrive thins the ribbon', () => {
  const { pieces } = patternPieces('racing', { speeds: '4' }, '4', (gear) =>
    gear === 'output-4' ? 15 : 20,
  )
  // 15 on 20: three quarters of the torque at the output.
  expect(new Set(pieces.map(({ torque }) => torque))).toEqual(new Set([0.75, 1]))
})

/** A pattern with every gear counted alike on both countershafts, by a made-up rule. */
function countedPattern(id: PatternId) {
  const pattern = buildPattern(id, 'box', {})
  const counts = new Map<string, number>()
  return {
    ...pattern,
    gears: pattern.gears.map((gear, at) => {
      const kin = gear.id.replace('-b-', '-a-')
      const toothCount = counts.get(kin) ?? 17 + ((at * 11) % 29) + (kin.includes('ring') ? 70 : 0)
      counts.set(kin, toothCount)
      return { ...gear, toothCount }
    }),
  }
}

describe.each(PATTERN_IDS)('the ribbon of every position of %s', (id) => {
  const counted = countedPattern(id)
  const checked = checkBox(counted)
  if (!checked.ok) throw new Error(`${id} does not hang together`)
  const { box } = checked
  const solver = prepareSolver(box)
  const section = layOutSection(counted)
  const driven = counted.positions.flatMap((position) => {
    const analysis = analyse(solver, position.couplers)
    return analysis.state === 'drive' ? [[position.label, position, analysis] as const] : []
  })

  test.each(driven)(
    '%s begins with the torque put in and ends with that of each output',
    (_, __, drive) => {
      const pieces = ribbonPieces(box, section, drive)
      const input = box.members.get(counted.input)
      const starts = pieces.filter(({ fromXMm }) => fromXMm === input?.fromMm)
      expect(starts.some(({ torque }) => torque === 1)).toBe(true)
      for (const { body, torque } of drive.outputs) {
        const end = box.members.get(body)?.toMm
        const arriving = pieces.filter(({ toXMm }) => toXMm === end).map((piece) => piece.torque)
        expect(arriving).toContain(Math.abs(torque.toNumber()))
      }
    },
  )

  test.each(driven)(
    '%s leaves nowhere but at an output: what comes to a place goes on from it',
    (_, __, drive) => {
      const pieces = ribbonPieces(box, section, drive)
      const key = (x: number, y: number): string => `${x.toFixed(3)}/${y.toFixed(3)}`
      const starts = new Set(pieces.map(({ fromXMm, fromYMm }) => key(fromXMm, fromYMm)))
      const loose = pieces.filter(({ toXMm, toYMm }) => !starts.has(key(toXMm, toYMm)))
      const ends = new Set(loose.map(({ toXMm, toYMm }) => key(toXMm, toYMm)))
      expect(ends.size).toBe(drive.outputs.length)
    },
  )

  test.each(driven)('%s is the same backwards when the wheels drive', (_, position, drive) => {
    const overrun = analyse(solver, position.couplers, { isOverrun: true })
    if (overrun.state !== 'drive') throw new Error('the overrun does not drive')
    const text = (x1: number, y1: number, x2: number, y2: number, torque: number): string =>
      [x1, y1, x2, y2, torque].map((value) => value.toFixed(4)).join(' ')
    const forwards = ribbonPieces(box, section, drive).map((piece) =>
      text(piece.fromXMm, piece.fromYMm, piece.toXMm, piece.toYMm, piece.torque),
    )
    const backwards = ribbonPieces(box, section, overrun).map((piece) =>
      text(piece.toXMm, piece.toYMm, piece.fromXMm, piece.fromYMm, piece.torque),
    )
    expect(backwards.sort()).toEqual(forwards.sort())
  })
})
