import fc from 'fast-check'

import { checkBox, indexBox } from '../index.ts'
import { movePart, renamePlace } from '../drafting/change.ts'
import { removePart, removePlace } from '../drafting/remove.ts'
import { PATTERNS, buildPattern } from '../patterns/index.ts'
import { draftOf, gear } from '../../testing/boxes.ts'
import { piecesOn } from '../../testing/arbitraries.ts'
import type { BoxDraft, Member, Piece, ShaftEnd } from '../types.ts'
import { proposePieces } from './build.ts'
import { PIECE_DEFINITIONS } from './kinds.ts'
import { bearingsOf, rowOf, seatOf, wayOff } from './stack.ts'

/** A shaft of 100 mm: 20 mm thick to 30, 30 mm to 40 (a collar), 25 mm to 80, 20 mm to its end. */
const STEPPED: Member = {
  id: 'main',
  kind: 'main-shaft',
  axis: 'line',
  fromMm: 0,
  toMm: 100,
  steps: [
    { fromMm: 0, toMm: 30, diameterMm: 20 },
    { fromMm: 30, toMm: 40, diameterMm: 30 },
    { fromMm: 40, toMm: 80, diameterMm: 25 },
    { fromMm: 80, toMm: 100, diameterMm: 20 },
  ],
}

function onShaft(pieces: readonly Piece[], rest: Partial<BoxDraft> = {}): BoxDraft {
  return draftOf({ axes: [{ id: 'line' }], members: [STEPPED], pieces, ...rest })
}

function piece(id: string, rest: Partial<Piece>): Piece {
  return { id, kind: 'spacer', on: 'main', ...rest }
}

describe('over which end a part comes off (facts of the trade: a shoulder stops what is wider)', () => {
  test.each([
    ['a bearing on its seat, before the collar', { stationMm: 10, boreMm: 20 }, ['input-end']],
    ['a gear on the thick middle', { stationMm: 60, boreMm: 25 }, ['output-end']],
    ['a bearing on the seat behind', { stationMm: 90, boreMm: 20 }, ['output-end']],
    [
      'one that is wider than the collar',
      { stationMm: 60, boreMm: 30 },
      ['input-end', 'output-end'],
    ],
    ['one that is smaller than what it sits on', { stationMm: 60, boreMm: 24 }, []],
  ] as const)('%s', (_, where, over) => {
    const part = piece('a', where)
    expect(wayOff(indexBox(onShaft([part])), part)).toEqual({ how: 'along', over })
  })

  test('a snap ring and what is split come off sideways', () => {
    const ring = piece('a', { kind: 'snap-ring', stationMm: 60 })
    const cage = piece('b', { kind: 'needle-bearing', isSplit: true, stationMm: 60 })
    const index = indexBox(onShaft([ring, cage]))
    expect(wayOff(index, ring)).toEqual({ how: 'sideways' })
    expect(wayOff(index, cage)).toEqual({ how: 'sideways' })
  })

  test('a gear that is cut into the shaft is a shoulder too', () => {
    const part = piece('a', { stationMm: 60, boreMm: 30 })
    const integral = gear('cut', 'main', 20, { mount: 'integral', stationMm: 50 })
    const draft = onShaft([part], { gears: [integral] })
    expect(wayOff(indexBox(draft), part)).toEqual({ how: 'along', over: ['output-end'] })
  })

  test('a fork sits on no shaft', () => {
    const fork: Piece = { id: 'a', kind: 'fork' }
    expect(wayOff(indexBox(onShaft([fork])), fork)).toBeUndefined()
  })

  test('the same as pushing the part along the shaft, step by step', () => {
    fc.assert(
      fc.property(piecesOn, ({ member, pieces }) => {
        const draft = draftOf({ axes: [{ id: 'line' }], members: [member], pieces })
        const index = indexBox(draft)
        for (const part of pieces) {
          const way = wayOff(index, part)
          const seat = seatOf(index, part)
          if (way?.how !== 'along' || !seat) continue
          const ends = (['input-end', 'output-end'] as const).filter((end) =>
            isPushedOff(member, seat.boreMm, (seat.fromMm + seat.toMm) / 2, end),
          )
          expect(way.over).toEqual(ends)
        }
      }),
    )
  })
})

/** Moves a ring of this bore by a quarter of a millimetre at a time until it is stopped or off. */
function isPushedOff(member: Member, boreMm: number, fromMm: number, end: ShaftEnd): boolean {
  const by = end === 'input-end' ? -0.25 : 0.25
  const thickAt = (mm: number): number =>
    member.steps?.findLast((step) => step.fromMm < mm && step.toMm > mm)?.diameterMm ?? 16
  for (let mm = fromMm; mm > member.fromMm && mm < member.toMm; mm += by)
    // Between two stretches the ring is over both.
    if (Math.max(thickAt(mm - 0.05), thickAt(mm + 0.05)) > boreMm) return false
  return true
}

test('what a part bears on: its neighbour, a shoulder, or nothing up to the end', () => {
  const bearing = piece('bearing', {
    kind: 'ball-bearing',
    stationMm: 25,
    lengthMm: 10,
    boreMm: 20,
  })
  const ring = piece('ring', { kind: 'snap-ring', stationMm: 18 })
  const index = indexBox(onShaft([bearing, ring]))
  const row = rowOf(index, 'main')
  const [first, second] = row
  expect(row.map(({ ref }) => ref)).toEqual(['piece:ring', 'piece:bearing'])
  if (!first || !second) throw new Error('two parts')
  expect(bearingsOf(row, second)).toEqual([
    { towards: 'input-end', on: { ref: 'piece:ring' } },
    { towards: 'output-end', on: { shoulderMm: 30 } },
  ])
  expect(bearingsOf(row, first)).toEqual([
    { towards: 'input-end', on: null },
    { towards: 'output-end', on: { ref: 'piece:bearing' } },
  ])
})

test('a gear on needles bears on what is wider than the needles, and not on the needles', () => {
  const needles = piece('needles', { kind: 'needle-bearing', carries: ['g'], stationMm: 60 })
  const washer = piece('washer', { kind: 'thrust-washer', stationMm: 50 })
  const draft = onShaft([needles, washer], {
    gears: [gear('g', 'main', 30, { mount: 'free', stationMm: 60 })],
  })
  const row = rowOf(indexBox(draft), 'main')
  const onNeedles = row.find(({ ref }) => ref === 'gear:g')
  if (!onNeedles) throw new Error('the gear is in the row')
  expect(bearingsOf(row, onNeedles)[0]).toEqual({
    towards: 'input-end',
    on: { ref: 'piece:washer' },
  })
})

describe('what cannot be of pieces is told, and keeps nothing from being traced', () => {
  const box = buildPattern('three-shaft', 'box', {})
  const found = (pieces: readonly Piece[], members = box.members) => {
    const checked = checkBox({ ...box, members, pieces })
    expect(checked.ok).toBe(true)
    return checked.ok ? checked.warnings : []
  }

  test.each<readonly [string, Piece, Readonly<Record<string, unknown>>]>([
    [
      'belongs to nothing',
      { id: 'a', kind: 'spacer', on: 'gone' },
      { code: 'piece-nowhere', piece: 'a', id: 'gone' },
    ],
    [
      'a place that its coupler has not',
      { id: 'a', kind: 'ring', coupler: 'coupler-1-2', place: '9' },
      { code: 'piece-nowhere', piece: 'a', id: '9' },
    ],
    [
      'a mark whose other half is nowhere',
      { id: 'a', kind: 'hub', marks: [{ kind: 'matched', with: 'sleeve-9' }] },
      { code: 'piece-nowhere', piece: 'a', id: 'sleeve-9' },
    ],
    [
      'a mark that goes with itself',
      { id: 'a', kind: 'hub', marks: [{ kind: 'matched', with: 'a' }] },
      { code: 'piece-nowhere', piece: 'a', id: 'a' },
    ],
    [
      'a bore wider than its outside',
      { id: 'a', kind: 'spacer', boreMm: 30, outsideMm: 25 },
      { code: 'bore-over-outside', piece: 'a', boreMm: 30, outsideMm: 25 },
    ],
    [
      'a station beyond the shaft',
      { id: 'a', kind: 'spacer', on: 'counter', stationMm: 900 },
      { code: 'piece-off-its-shaft', piece: 'a', stationMm: 900 },
    ],
  ])('%s', (_, part, issue) => {
    expect(found([part])).toEqual([expect.objectContaining({ path: ['pieces', 0], ...issue })])
  })

  const stepped = box.members.map((member) =>
    member.id === 'counter'
      ? { ...member, steps: [{ fromMm: member.fromMm, toMm: member.toMm, diameterMm: 25 }] }
      : member,
  )

  test('a bore smaller than the shaft', () => {
    const part: Piece = { id: 'a', kind: 'spacer', on: 'counter', stationMm: 80, boreMm: 24 }
    expect(found([part], stepped)).toEqual([
      { code: 'bore-under-shaft', path: ['pieces', 0], piece: 'a', boreMm: 24, shaftMm: 25 },
    ])
  })

  test('two rings for one place', () => {
    const ring = { kind: 'ring', coupler: 'coupler-1-2', place: '1' } as const
    expect(
      found([
        { id: 'a', ...ring },
        { id: 'b', ...ring },
      ]),
    ).toEqual([
      {
        code: 'piece-doubled',
        path: ['pieces', 1],
        piece: 'b',
        other: 'a',
        coupler: 'coupler-1-2',
      },
    ])
  })

  test('two parts in one place, by their lengths', () => {
    const long = { kind: 'spacer', on: 'counter', lengthMm: 10 } as const
    const pieces = [
      { id: 'a', stationMm: 71, ...long },
      { id: 'b', stationMm: 76, ...long },
    ]
    expect(found(pieces)).toEqual([
      { code: 'pieces-overlap', path: ['pieces', 0], piece: 'a', other: 'piece:b', byMm: 5 },
    ])
  })

  test('a stack longer than its shaft', () => {
    const counter = box.members.find(({ id }) => id === 'counter')
    const faces = box.gears.filter(({ member }) => member === 'counter')
    const facesMm = faces.reduce((sum, { faceWidthMm = 0 }) => sum + faceWidthMm, 0)
    const shaftMm = (counter?.toMm ?? 0) - (counter?.fromMm ?? 0)
    const stack: Piece = { id: 'a', kind: 'shim', on: 'counter', quantity: 100, lengthMm: 9 }
    expect(
      found([{ ...stack, stationMm: 80 }]).filter(({ code }) => code !== 'pieces-overlap'),
    ).toEqual([
      {
        code: 'stack-longer-than-shaft',
        path: ['members', box.members.findIndex(({ id }) => id === 'counter')],
        member: 'counter',
        stackMm: 900 + facesMm,
        shaftMm,
      },
    ])
  })

  test('a part between two shoulders', () => {
    const steps = [
      { fromMm: 60, toMm: 64, diameterMm: 30 },
      { fromMm: 120, toMm: 124, diameterMm: 30 },
    ]
    const members = box.members.map((each) => (each.id === 'counter' ? { ...each, steps } : each))
    expect(
      found([{ id: 'a', kind: 'spacer', on: 'counter', stationMm: 90, boreMm: 25 }], members),
    ).toEqual([{ code: 'piece-trapped', path: ['pieces', 0], piece: 'a', boreMm: 25 }])
  })
})

describe('the build that a drawing tells of', () => {
  test.each(PATTERNS.map(({ id }) => id))('%s: what every box of its arrangement has', (id) => {
    const draft = buildPattern(id, 'box', {})
    const pieces = draft.pieces ?? []
    // A free gear turns on needles, a ring stands at each place that has one (common practice).
    for (const each of draft.gears.filter(({ mount }) => mount === 'free'))
      expect(pieces.filter(({ carries }) => carries?.includes(each.id))).toHaveLength(1)
    for (const coupler of draft.couplers.filter(({ kind }) => kind === 'synchronizer'))
      expect(
        pieces.filter((each) => each.kind === 'ring' && each.coupler === coupler.id),
      ).toHaveLength(coupler.positions.filter(({ engages }) => engages.length > 0).length)
    expect(pieces.some(({ kind }) => kind === 'case')).toBe(true)
    expect(new Set(pieces.map((each) => each.id)).size).toBe(pieces.length)
    // Nothing is proposed twice.
    expect(proposePieces(draft)).toEqual([])
  })

  test('what was taken out is proposed again, and nothing else', () => {
    const draft = buildPattern('three-shaft', 'box', {})
    const [first] = (draft.pieces ?? []).filter(({ kind }) => kind === 'needle-bearing')
    if (!first) throw new Error('it has needles')
    const without = removePart(draft, { list: 'pieces', id: first.id })
    expect(proposePieces(without)).toEqual([first])
  })

  test('every kind that is drawn has a length and a wall', () => {
    for (const { drawn } of Object.values(PIECE_DEFINITIONS))
      if (drawn) expect(Math.min(drawn.lengthMm, drawn.wallMm)).toBeGreaterThan(0)
  })
})

describe('pieces go with what they belong to', () => {
  const draft = buildPattern('three-shaft', 'box', {})
  const needles = (of: BoxDraft): Piece | undefined =>
    of.pieces?.find(({ carries }) => carries?.includes('main-2'))

  test('a gear that is moved takes its needles along, a coupler its rings', () => {
    const before = needles(draft)?.stationMm ?? 0
    expect(needles(movePart(draft, { list: 'gears', id: 'main-2' }, 7))?.stationMm).toBe(before + 7)
    const rings = (of: BoxDraft) =>
      of.pieces?.filter(({ kind, coupler }) => kind === 'ring' && coupler === 'coupler-1-2')
    const moved = movePart(draft, { list: 'couplers', id: 'coupler-1-2' }, -3)
    expect(rings(moved)?.map(({ stationMm = 0 }) => stationMm + 3)).toEqual(
      rings(draft)?.map(({ stationMm }) => stationMm),
    )
  })

  test('a shaft takes along what is on it, and its steps', () => {
    const moved = movePart(draft, { list: 'members', id: 'main' }, 5)
    const shaft = (of: BoxDraft) => of.members.find(({ id }) => id === 'main')
    expect(needles(moved)?.stationMm).toBe((needles(draft)?.stationMm ?? 0) + 5)
    expect(shaft(moved)?.steps?.map(({ fromMm }) => fromMm - 5)).toEqual(
      shaft(draft)?.steps?.map(({ fromMm }) => fromMm),
    )
  })

  test('what cannot be without a part goes with it', () => {
    expect(needles(removePart(draft, { list: 'gears', id: 'main-2' }))).toBeUndefined()
    const without = removePart(draft, { list: 'couplers', id: 'coupler-1-2' })
    expect(without.pieces?.some(({ coupler }) => coupler === 'coupler-1-2')).toBe(false)
    const ringless = removePlace(draft, 'coupler-1-2', '1')
    expect(
      ringless.pieces?.some(({ coupler, place }) => coupler === 'coupler-1-2' && place === '1'),
    ).toBe(false)
    const inCase = (of: BoxDraft) => of.pieces?.find(({ kind }) => kind === 'case')?.carries
    const shaftless = removePart(draft, { list: 'members', id: 'counter' })
    expect(inCase(shaftless)).toEqual(inCase(draft)?.filter((id) => id !== 'counter'))
  })

  test('a place that is called otherwise keeps its ring', () => {
    const renamed = renamePlace(draft, 'coupler-1-2', '1', 'low')
    const ring = renamed.pieces?.find(({ kind, place }) => kind === 'ring' && place === 'low')
    expect(ring?.coupler).toBe('coupler-1-2')
    const checked = checkBox(renamed)
    expect(checked.ok && checked.warnings).toEqual([])
  })
})

test('balls that were listed for an interlock, whichever of its rods they lie at first, are not proposed twice', () => {
  // As boxes were listed before pins were: one piece for all balls, named for the first coupler of the interlock.
  for (const id of ['three-shaft', 'racing', 'heavy'] as const) {
    const draft = buildPattern(id, 'box', {})
    const [interlock] = draft.interlocks ?? []
    const listed: Piece = {
      id: 'ball-1',
      kind: 'interlock-ball',
      carries: [],
      coupler: interlock?.couplers[0],
      quantity: 3,
    }
    const proposed = proposePieces({ ...draft, pieces: [listed] }).map(({ kind }) => kind)
    expect([id, proposed.includes('interlock-ball')]).toEqual([id, false])
    expect([id, proposed.includes('interlock-pin')]).toEqual([id, true])
  }
})
