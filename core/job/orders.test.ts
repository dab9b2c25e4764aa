import type { Entry, EntryBody } from './job.ts'
import { readJob } from './job.ts'
import type { Look } from '../measure/looks.ts'
import type { Measure } from '../measure/measurement.ts'
import { companionsOf, inspectionsOf } from './companions.ts'
import { condemnedParts, needsOf, orderKeys, piecesOfKey } from './orders.ts'
import type { UnitPartKind } from './partKinds.ts'
import { UNIT_PART_DEFINITIONS } from './partKinds.ts'
import { isJudged, neededParts } from './stages.ts'
import { boxOf, fourSpeed } from '../testing/boxes.ts'
import { alongShafts, unitParts } from './unitParts.ts'
import { indexBox } from '../box/box.ts'
import { buildPattern } from '../box/patterns/index.ts'
import type { BoxDraft, Piece } from '../box/types.ts'

const draft = fourSpeed('sliding-idler')
let count = 0
const entry = (body: EntryBody): Entry => ({
  id: `${count}`.padStart(4, '0'),
  at: `2026-01-05T08:${`${Math.floor(count / 60)}`.padStart(2, '0')}:${`${count++ % 60}`.padStart(2, '0')}.000Z`,
  by: '',
  body,
})

const ring = unitParts(draft).find(({ kind }) => kind === 'ring')?.ref ?? ''
const gap = (thou: number, phase: 'found' | 'after'): Entry =>
  entry({
    kind: 'measurement',
    part: ring,
    measure: 'ring-gap',
    readings: [thou, thou, thou].map(String),
    unit: 'thou',
    tool: '',
    limit: { source: 'maker', least: '30', unit: 'thou' },
    phase,
  })
const line = (key: string, state: 'ordered' | 'arrived'): Entry =>
  entry({ kind: 'line', line: { key, what: key, quantity: 1, price: null, state } })
const needed = (...log: readonly Entry[]): readonly string[] =>
  needsOf(draft, readJob(log)).map(({ key }) => key)

test.each([
  // Common practice of the bench.
  { part: 'shaft:counter', what: 'bearing-feel', key: 'bearings:counter' },
  { part: 'shaft:main', what: 'end-play', key: 'shims:main' },
  { part: 'gear:main-2', what: 'end-play', key: 'thrust-washer:main-2' },
  { part: 'sleeve:3-4', what: 'fork-clearance', key: 'fork:3-4' },
  { part: 'sleeve:3-4', what: 'dog-corners', key: 'sleeve:3-4' },
  { part: 'shaft:main', what: 'run-out', key: 'shaft:main' },
] as const)('$what of $part orders $key', ({ part, what, key }) => {
  expect(orderKeys(indexBox(draft), { part, what })).toEqual([key])
})

test('a rough bearing orders bearings, and no shaft, gear or ring (common practice)', () => {
  const rough = entry({
    kind: 'look',
    part: 'shaft:counter',
    look: 'bearing-feel',
    grade: 'replace',
  })
  const parts = neededParts(boxOf(draft), readJob([rough]))
  expect(parts).toEqual(['bearings:counter', 'seals', 'snap-rings', 'pilot-bearing'])
})

test('a ring that measures good after the work stays on the list that it was ordered by', () => {
  expect(needed(gap(20, 'found'))).toEqual([ring])
  expect(needed(gap(20, 'found'), line(ring, 'arrived'), gap(42, 'after'))).toEqual([ring])
  expect(needed(gap(20, 'found'), gap(42, 'after'))).toEqual([ring])
})

test('a ring measured again as found takes its verdict with it, unless it was ordered', () => {
  expect(needed(gap(20, 'found'), gap(42, 'found'))).toEqual([])
  expect(needed(gap(20, 'found'), line(ring, 'ordered'), gap(42, 'found'))).toEqual([ring])
})

describe('of a unit whose parts are listed', () => {
  const whole = buildPattern('three-shaft', 'box', { speeds: '5', reverse: 'constant-mesh' })
  const index = indexBox(whole)
  const pieces = whole.pieces ?? []
  const find = (is: (piece: Piece) => boolean): Piece => {
    const found = pieces.find(is)
    if (!found) throw new Error('the pattern has it')
    return found
  }
  const ref = (is: (piece: Piece) => boolean): string => `piece:${find(is).id}`
  const ofShaft = (kind: string, on: string): readonly string[] =>
    pieces.filter((each) => each.kind === kind && each.on === on).map(({ id }) => `piece:${id}`)

  /** Common practice of the bench, one line for whatever orders something else than itself. */
  const FACTS: readonly (readonly [what: string, found: string, on: string, orders: string])[] = [
    ['a fork wears before the groove of its sleeve', 'fork-clearance', 'sleeve', 'fork'],
    ['a free gear floats between thrust washers', 'end-play', 'gear', 'thrust-washer'],
    ['a free gear turns on needles', 'running-clearance', 'gear', 'runs-on'],
    ['end play of a shaft is set by shims', 'end-play', 'shaft', 'shims'],
    ['so is the preload of its bearings', 'preload', 'shaft', 'shims'],
    ['and when it is felt at the bearing', 'preload', 'taper-bearing', 'shims'],
    ['a shaft that drags has bad bearings', 'bearing-drag', 'shaft', 'bearings'],
    ['so has one that is rough', 'bearing-feel', 'shaft', 'bearings'],
    ['a side gear floats on its washer', 'end-play', 'side-gear', 'thrust-washer'],
    ['a groove is cut into its shaft', 'groove-width', 'snap-ring', 'its-shaft'],
  ]

  test('every kind of part orders itself for whatever is found on it, but for these facts', () => {
    const told = (Object.keys(UNIT_PART_DEFINITIONS) as readonly UnitPartKind[]).flatMap((on) => {
      const { measures, looks, orders = {} } = UNIT_PART_DEFINITIONS[on]
      // None speaks of what nobody can find.
      expect([...measures, ...looks]).toEqual(expect.arrayContaining(Object.keys(orders)))
      return Object.entries(orders).map(([what, target]) => [what, on, target])
    })
    const inOrder = (facts: readonly (readonly string[])[]) =>
      facts.map((fact) => fact.join(' ')).sort()
    expect(inOrder(told)).toEqual(inOrder(FACTS.map(([, ...fact]) => fact)))
  })

  test('a rough shaft orders its very bearings', () => {
    expect(orderKeys(index, { part: 'shaft:counter', what: 'bearing-feel' })).toEqual(
      ofShaft('roller-bearing', 'counter'),
    )
  })

  test('unless they were written down as bearings of the shaft before', () => {
    const written = new Set(['bearings:counter'])
    expect(orderKeys(index, { part: 'shaft:counter', what: 'bearing-feel' }, written)).toEqual([
      'bearings:counter',
    ])
  })

  test('a rough bearing orders itself and nothing of the shaft', () => {
    const rough = ref(({ kind, on }) => kind === 'roller-bearing' && on === 'counter')
    expect(orderKeys(index, { part: rough, what: 'bearing-feel' })).toEqual([rough])
    const companions = companionsOf(whole, [rough]).map(({ key }) => key)
    expect(companions.filter((key) => /^(gear|shaft|ring)/.test(key))).toEqual([])
  })

  test('a fork that is listed is ordered where its clearance was measured', () => {
    expect(orderKeys(index, { part: 'sleeve:coupler-1-2', what: 'fork-clearance' })).toEqual([
      ref(({ kind, coupler }) => kind === 'fork' && coupler === 'coupler-1-2'),
    ])
  })

  test('a gear that rattles on its needles orders them, one without needles itself', () => {
    const needles = ref(({ carries }) => carries?.includes('main-2') === true)
    const found = { part: 'gear:main-2', what: 'running-clearance' } as const
    expect(orderKeys(index, found)).toEqual([needles])
    expect(orderKeys(indexBox({ ...whole, pieces: [] }), found)).toEqual(['gear:main-2'])
  })

  test('a part is condemned by what was found on it, or on what it wears; a shaft not by its play', () => {
    const seen = (part: string, look: Look): Entry =>
      entry({ kind: 'look', part, look, grade: 'replace' })
    const measured = (part: string, measure: Measure, reading: string): Entry =>
      entry({
        ...{ kind: 'measurement', part, measure, readings: [reading], unit: 'mm', tool: '' },
        limit: { source: 'maker', most: '0.05', unit: 'mm' },
        phase: 'found',
      })
    const condemnedBy = (...log: readonly Entry[]) => [...condemnedParts(index, readJob(log))]
    // Common practice: shims set the play of a shaft, and pads wear before the groove.
    expect(condemnedBy(measured('shaft:main', 'end-play', '0.9'))).toEqual(ofShaft('shim', 'main'))
    expect(condemnedBy(measured('sleeve:coupler-1-2', 'fork-clearance', '0.9'))).toEqual([
      ref(({ kind, coupler }) => kind === 'fork' && coupler === 'coupler-1-2'),
    ])
    expect(condemnedBy(seen('gear:main-2', 'pitting'))).toEqual(['gear:main-2'])
    expect(condemnedBy(seen('shaft:counter', 'bearing-feel'))).toEqual(
      ofShaft('roller-bearing', 'counter'),
    )
  })

  test('a groove that is too wide orders the shaft that it is cut into', () => {
    const ring = ref(({ kind, on }) => kind === 'snap-ring' && on === 'main')
    expect(orderKeys(index, { part: ring, what: 'groove-width' })).toEqual(['shaft:main'])
    // A snap ring itself goes in new anyway.
    expect(orderKeys(index, { part: ring, what: 'thickness' })).toEqual(['snap-rings'])
  })

  test.each([
    // Each with its source: common practice.
    ['a worn output spline with its flange', 'shaft:main', 'flange', 'spline-mate'],
    ['a shaft with the needles that ran on it', 'shaft:main', 'needle-bearing', 'runs-on-it'],
    ['a sleeve with its hub', 'sleeve:coupler-1-2', 'hub', 'matched'],
  ] as const)('%s', (_, replaced, kind, why) => {
    const found = companionsOf(whole, [replaced]).filter((each) => each.why === why)
    expect(found.length).toBeGreaterThan(0)
    for (const { key } of found)
      expect(pieces.find(({ id }) => `piece:${id}` === key)?.kind).toBe(kind)
  })

  test('a hub goes with its sleeve, and neither is told twice', () => {
    const hub = ref(({ kind, coupler }) => kind === 'hub' && coupler === 'coupler-1-2')
    const keys = companionsOf(whole, [hub]).map(({ key, why }) => `${key} ${why}`)
    expect(keys).toContain('sleeve:coupler-1-2 matched')
    expect(keys.filter((key) => key.startsWith(hub))).toEqual([])
  })

  test('a bearing goes with its race, a race with its bearing (common practice)', () => {
    const bearing = find(({ kind, on }) => kind === 'roller-bearing' && on === 'counter')
    const race: Piece = {
      id: 'race',
      kind: 'bearing-race',
      on: 'counter',
      stationMm: bearing.stationMm,
    }
    const raced: BoxDraft = { ...whole, pieces: [...pieces, race] }
    const goWith = (ref: string) =>
      companionsOf(raced, [ref]).flatMap(({ key, why }) => (why === 'race' ? [key] : []))
    expect(goWith(`piece:${bearing.id}`)).toEqual(['piece:race'])
    expect(goWith('piece:race')).toEqual([`piece:${bearing.id}`])
  })

  test('what goes in once is ordered together, as many as the unit has', () => {
    const always = companionsOf(whole, ['gear:main-2']).flatMap(({ key, why }) =>
      why === 'always' ? [key] : [],
    )
    expect(always).toEqual(['seals', 'snap-rings', 'pilot-bearing', 'new:nut'])
    expect(piecesOfKey(index, 'snap-rings')).toHaveLength(
      pieces.filter(({ kind }) => kind === 'snap-ring').length,
    )
  })

  test('a new ring asks for a look at its cone, a new fork for one at its sleeve', () => {
    const fork = ref(({ kind, coupler }) => kind === 'fork' && coupler === 'coupler-1-2')
    expect(inspectionsOf(whole, ['ring:coupler-1-2/2', fork])).toEqual([
      { part: 'gear:main-2', because: 'ring:coupler-1-2/2' },
      { part: 'sleeve:coupler-1-2', because: fork },
    ])
    expect(inspectionsOf(whole, ['ring:coupler-1-2/2', 'gear:main-2'])).toEqual([])
  })

  test('a verdict on a part that was taken out since still asks for it', () => {
    const bearing = find(({ kind, on }) => kind === 'roller-bearing' && on === 'counter')
    const rough = entry({
      kind: 'look',
      part: `piece:${bearing.id}`,
      look: 'bearing-feel',
      grade: 'replace',
    })
    const without = { ...whole, pieces: pieces.filter(({ id }) => id !== bearing.id) }
    expect(needsOf(without, readJob([rough])).map(({ key }) => key)).toEqual([
      `piece:${bearing.id}`,
    ])
  })

  test('rings and sleeves that are listed are the ones that the drawing tells of', () => {
    const refs = unitParts(whole).map((part) => part.ref)
    expect(new Set(refs).size).toBe(refs.length)
    expect(refs.filter((each) => each.startsWith('ring:'))).toEqual(
      unitParts({ ...whole, pieces: [] })
        .map((part) => part.ref)
        .filter((each) => each.startsWith('ring:')),
    )
    for (const piece of pieces.filter(({ kind }) => kind === 'ring' || kind === 'sleeve'))
      expect(refs).not.toContain(`piece:${piece.id}`)
  })

  test('along a shaft the parts come as they stand', () => {
    const along: readonly string[] = alongShafts(whole, unitParts(whole)).map((part) => part.ref)
    const needles = ref(({ carries }) => carries?.includes('main-2') === true)
    const at = (of: string): number => along.indexOf(of)
    expect(at('gear:main-3')).toBeLessThan(at('gear:main-2'))
    expect(Math.abs(at('gear:main-2') - at(needles))).toBe(1)
    expect(at('shaft:counter')).toBeGreaterThan(at('gear:main-1'))
    expect(along).toHaveLength(unitParts(whole).length)
  })

  test('a piece is judged by whatever was found of it, a shaft by its end play', () => {
    const part = unitParts(whole).find(({ kind }) => kind === 'needle-bearing')
    if (!part) throw new Error('it has needles')
    const look = (of: string): Entry =>
      entry({ kind: 'look', part: of, look: 'bearing-feel', grade: 'good' })
    expect(isJudged(readJob([look(part.ref)]), part)).toBe(true)
    const shaft = unitParts(whole).find((each) => each.ref === 'shaft:main')
    expect(shaft && isJudged(readJob([look('shaft:main')]), shaft)).toBe(false)
  })
})
