import { analyse, analyseBox, prepareSolver } from '../../train/analysis.ts'
import { alikeKinds, linkAs } from '../links/index.ts'
import { checkBox } from '../check.ts'
import { freshId } from './ids.ts'
import {
  addCoupler,
  addDifferential,
  addGear,
  addIdler,
  addMember,
  addPlanetary,
  addWorm,
  duplicatePart,
} from './add.ts'
import {
  moveLane,
  movePart,
  renamePlace,
  setMount,
  setTwins,
  toggleMesh,
  toggleOutput,
} from './change.ts'
import { positionsOfPlace, removePart, removePlace } from './remove.ts'
import { PART_LISTS, partsOf } from '../parts.ts'
import { withBuild } from '../pieces/index.ts'
import { PATTERNS, buildPattern } from '../patterns/index.ts'
import { formatFraction } from '../../number/rational.ts'
import { boxOf, draftOf, fourSpeed, shaft, withCounts } from '../../testing/boxes.ts'
import type { BoxDraft } from '../types.ts'

/** Ids that lead nowhere, but for input and outputs, which a person has to choose anew. */
function loose(draft: BoxDraft): readonly string[] {
  const checked = checkBox(draft)
  return checked.ok
    ? []
    : checked.issues.flatMap((issue) =>
        issue.code === 'unknown-id' && issue.path[0] !== 'input' && issue.path[0] !== 'outputs'
          ? [issue.path.join('/')]
          : [],
      )
}

test.each(PATTERNS.map(({ id }) => id))(
  'whatever is taken out of %s, nothing is left that leads nowhere',
  (id) => {
    const draft = buildPattern(id, 'box', {})
    for (const list of PART_LISTS)
      for (const part of partsOf(draft, list)) {
        const without = removePart(draft, { list, id: part.id })
        expect(partsOf(without, list).some((other) => other.id === part.id)).toBe(false)
        expect([list, part.id, loose(without)]).toEqual([list, part.id, []])
      }
  },
)

test('a gear taken out takes its mesh, its lock and the position that needed it', () => {
  const without = removePart(fourSpeed('constant-mesh'), { list: 'gears', id: 'main-3' })
  expect(without.links.some(({ id }) => id === 'pair-3')).toBe(false)
  expect(without.positions.map(({ label }) => label)).toEqual(['1', '2', '4', 'N', 'R'])
  const coupler = without.couplers.find(({ id }) => id === 'coupler-3-4')
  expect(coupler?.positions.map(({ id }) => id)).toEqual(['4', 'centre'])
})

test('a box drawn from nothing: two shafts, two gears, one mesh', () => {
  let draft = draftOf({ members: [shaft('one')], axes: [{ id: 'one' }], input: 'one' })
  const second = addMember(draft, 'output-shaft', null)
  draft = { ...second.draft, outputs: [second.added.id] }
  const a = addGear(draft, 'one')
  const b = addGear(a.draft, second.added.id)
  draft = withCounts(toggleMesh(b.draft, a.added.id, b.added.id, 'external-mesh'), {
    [a.added.id]: 12,
    [b.added.id]: 24,
  })
  const [only] = analyseBox(boxOf(draft))
  // 12 teeth driving 24: 2 : 1, the other way round (common practice).
  expect(only?.analysis.state === 'drive' && formatFraction(only.analysis.ratio)).toBe('-2')
  const apart = toggleMesh(draft, b.added.id, a.added.id, 'external-mesh')
  expect(apart.links).toEqual([])
})

test('a coupler goes between the nearest free gears and locks them', () => {
  const draft = removePart(fourSpeed('constant-mesh'), { list: 'couplers', id: 'coupler-1-2' })
  const { draft: after, added } = addCoupler(draft, 'dog-ring', 'main')
  const coupler = after.couplers.find(({ id }) => id === added.id)
  const bodies = coupler?.positions.flatMap(({ engages }) =>
    engages.flatMap((engagement) => ('body' in engagement ? [engagement.body] : [])),
  )
  expect(bodies?.length).toBeGreaterThan(0)
  expect(loose(after)).toEqual([])
})

test('a clutch closes on to the other member of its line', () => {
  const { draft, added } = addCoupler(fourSpeed('constant-mesh'), 'friction-clutch', 'input')
  const closed = draft.couplers.find(({ id }) => id === added.id)?.positions.at(-1)
  expect(closed?.engages).toEqual([{ kind: 'lock', body: 'main' }])
})

test('a planetary set on the main shaft, ring held: carrier at 1 + zr/zs (Willis)', () => {
  const { draft: grown, added } = addPlanetary(fourSpeed('constant-mesh'), 'main')
  const set = grown.links.find(({ id }) => id === added.id)
  if (set?.kind !== 'planetary') throw new Error('no set was added')
  const draft: BoxDraft = {
    ...grown,
    outputs: [set.carrier],
    gears: grown.gears.map((gear) =>
      gear.id === set.sun
        ? { ...gear, toothCount: 20 }
        : gear.id === set.ring
          ? { ...gear, toothCount: 60 }
          : gear,
    ),
  }
  const direct = analyse(prepareSolver(boxOf(draft)), { 'coupler-3-4': '4' })
  expect(direct.state === 'drive' && formatFraction(direct.ratio)).toBe('4')
})

test.each([
  // 20/60 in between: 1 − zr/zs, and 1 + (30·60)/(20·15) with the steps.
  ['double-planetary', '-2'],
  ['stepped-planetary', '7'],
] as const)('a %s on the main shaft, ring held, gives its carrier %s', (kind, ratio) => {
  const { draft: grown, added } = addPlanetary(fourSpeed('constant-mesh'), 'main', kind)
  const set = grown.links.find(({ id }) => id === added.id)
  if (set?.kind !== kind) throw new Error('no set was added')
  const steps: (readonly [string, number])[] =
    set.kind === 'stepped-planetary'
      ? [
          [set.sunPlanet, 30],
          [set.ringPlanet, 15],
        ]
      : []
  const counts = new Map([[set.sun, 20], [set.ring, 60], ...steps])
  const draft: BoxDraft = {
    ...grown,
    outputs: [set.carrier],
    gears: grown.gears.map((gear) => {
      const toothCount = counts.get(gear.id)
      return toothCount === undefined ? gear : { ...gear, toothCount }
    }),
  }
  const direct = analyse(prepareSolver(boxOf(draft)), { 'coupler-3-4': '4' })
  expect(direct.state === 'drive' && formatFraction(direct.ratio)).toBe(ratio)
})

test('a worm on a shaft turns its wheel once for teeth over starts; taken out, the wheel stays', () => {
  const { draft: grown, added } = addWorm(fourSpeed('constant-mesh'), 'main')
  const worm = grown.links.find(({ id }) => id === added.id)
  if (worm?.kind !== 'worm') throw new Error('no worm was added')
  const wheel = grown.gears.find(({ id }) => id === worm.wheel)
  const draft: BoxDraft = {
    ...grown,
    outputs: [wheel?.member ?? ''],
    gears: grown.gears.map((gear) => (gear === wheel ? { ...gear, toothCount: 20 } : gear)),
  }
  const direct = analyse(prepareSolver(boxOf(draft)), { 'coupler-3-4': '4' })
  expect(direct.state === 'drive' && formatFraction(direct.ratio)).toBe('20')
  const without = removePart(draft, added)
  expect(without.links).toHaveLength(draft.links.length - 1)
  expect(without.gears).toHaveLength(draft.gears.length)
  expect(removePart(draft, { list: 'gears', id: worm.wheel }).links).not.toContain(worm)
})

test('a link becomes another kind between the same parts, and keeps what both have', () => {
  const set = {
    id: 'set',
    kind: 'planetary',
    sun: 's',
    ring: 'r',
    carrier: 'c',
    planetCount: 3,
  } as const
  expect(alikeKinds('planetary')).toEqual(['planetary', 'double-planetary'])
  const { planetCount: _planetCount, ...bare } = set
  expect(linkAs(set, 'double-planetary')).toEqual({ ...bare, kind: 'double-planetary' })
  expect(alikeKinds('chain')).toEqual(['external-mesh', 'internal-mesh', 'chain', 'bevel'])
  expect(linkAs({ id: 'm', kind: 'chain', a: 'x', b: 'y' }, 'bevel')).toEqual({
    id: 'm',
    kind: 'bevel',
    a: 'x',
    b: 'y',
    aNarrows: 'output-end',
    bNarrows: 'output-end',
  })
})

test('a differential in the place of the output halves the torque of each side', () => {
  const { draft } = addDifferential(fourSpeed('constant-mesh'), 'main')
  expect(draft.outputs).toHaveLength(2)
  const first = analyse(prepareSolver(boxOf(draft)), { 'coupler-1-2': '1' })
  // 1st is 4 : 1, so each side takes 2 for 1 put in.
  expect(
    first.state === 'drive' && first.outputs.map(({ torque }) => formatFraction(torque)),
  ).toEqual(['2', '2'])
})

test('an idler comes on a line of its own at the station that is named', () => {
  const { draft, added } = addIdler(fourSpeed('constant-mesh'), 120)
  expect(draft.axes).toHaveLength(4)
  expect(draft.gears.find(({ id }) => id === added.id)).toMatchObject({ stationMm: 120 })
})

test('a free gear that is fixed is let go by its coupler', () => {
  const fixed = setMount(fourSpeed('constant-mesh'), 'main-1', 'fixed')
  expect(loose(fixed)).toEqual([])
  expect(fixed.positions.some(({ label }) => label === '1')).toBe(false)
  expect(setMount(fixed, 'main-1', 'fixed')).toBe(fixed)
})

test('a shaft moves with its gears and couplers', () => {
  const draft = fourSpeed('constant-mesh')
  const moved = movePart(draft, { list: 'members', id: 'main' }, 10)
  const station = (of: BoxDraft, id: string): number =>
    of.gears.find((gear) => gear.id === id)?.stationMm ?? NaN
  expect(station(moved, 'main-1') - station(draft, 'main-1')).toBe(10)
  expect(station(moved, 'counter-1')).toBe(station(draft, 'counter-1'))
  expect((moved.couplers[0]?.stationMm ?? 0) - (draft.couplers[0]?.stationMm ?? 0)).toBe(10)
})

test('copies have ids of their own and no mesh', () => {
  const draft = fourSpeed('constant-mesh')
  for (const ref of [
    { list: 'gears', id: 'main-1' },
    { list: 'couplers', id: 'coupler-1-2' },
    { list: 'members', id: 'counter' },
  ] as const) {
    const copy = duplicatePart(draft, ref)
    if (!copy) throw new Error('no copy')
    expect(loose(copy.draft)).toEqual([])
    expect(copy.draft.links).toBe(draft.links)
    expect(copy.added.id).not.toBe(ref.id)
  }
})

test('lanes change places, and not beyond the last', () => {
  const draft = fourSpeed('constant-mesh')
  const ids = ({ axes }: BoxDraft) => axes.map(({ id }) => id)
  expect(ids(moveLane(draft, 'idler-line', -1))).toEqual([
    'main-line',
    'idler-line',
    'counter-line',
  ])
  expect(moveLane(draft, 'idler-line', 1)).toBe(draft)
})

test('an output is added and taken away, the last one never', () => {
  const draft = fourSpeed('constant-mesh')
  const two = toggleOutput(draft, 'counter')
  expect(two.outputs).toEqual(['main', 'counter'])
  expect(toggleOutput(two, 'counter').outputs).toEqual(['main'])
  expect(toggleOutput(draft, 'main')).toBe(draft)
})

test('a fresh id is taken nowhere in the box', () => {
  // Gears main-1 to main-3 are there; 4th is direct and has none.
  expect(freshId(fourSpeed('constant-mesh'), 'main')).toBe('main-4')
})

describe('a place of a coupler', () => {
  const draft = fourSpeed('constant-mesh')
  const places = ({ couplers }: BoxDraft) => couplers[0]?.positions.map(({ id }) => id)

  test('is taken out with the positions that use it, and the box still holds together', () => {
    const [coupler] = draft.couplers
    const place = coupler?.positions.find(({ engages }) => engages.length > 0)
    if (!coupler || !place) throw new Error('no place')
    const used = positionsOfPlace(draft, coupler.id, place.id)
    expect(used).toHaveLength(1)
    const without = removePlace(draft, coupler.id, place.id)
    expect(checkBox(without).ok).toBe(true)
    expect(without.positions).toEqual(draft.positions.filter((each) => !used.includes(each)))
    expect(places(without)).toEqual(places(draft)?.filter((id) => id !== place.id))
  })

  test('takes the rules that speak of it along', () => {
    const ruled: BoxDraft = {
      ...draft,
      rules: [{ id: 'rule', forbids: { 'coupler-1-2': '1' }, reason: 'no' }],
    }
    expect(removePlace(ruled, 'coupler-1-2', '1').rules).toEqual([])
    expect(removePlace(ruled, 'coupler-1-2', '2').rules).toHaveLength(1)
  })

  test('stays when it is the last, or not there', () => {
    const [first] = draft.couplers
    if (!first) throw new Error('no coupler')
    const single: BoxDraft = {
      ...draft,
      couplers: [{ ...first, positions: first.positions.slice(0, 1) }],
    }
    const [only] = single.couplers[0]?.positions ?? []
    expect(removePlace(single, first.id, only?.id ?? '')).toBe(single)
    expect(removePlace(draft, first.id, 'nowhere')).toBe(draft)
  })

  test('is renamed wherever positions and rules speak of it', () => {
    const ruled: BoxDraft = {
      ...draft,
      rules: [{ id: 'rule', forbids: { 'coupler-1-2': '1' }, reason: 'no' }],
    }
    const renamed = renamePlace(ruled, 'coupler-1-2', '1', 'low')
    expect(checkBox(renamed).ok).toBe(true)
    expect(renamed.rules?.[0]?.forbids).toEqual({ 'coupler-1-2': 'low' })
    expect(renamePlace(renamed, 'coupler-1-2', 'low', '1')).toEqual(ruled)
  })
})

test('a mark stands alone when the piece with its other half is taken out', () => {
  const built = withBuild(buildPattern('three-shaft', 'box', {}))
  const hub = built.pieces?.find(({ kind, marks }) => kind === 'hub' && marks?.[0]?.with)
  const sleeve = hub?.marks?.[0]?.with ?? ''
  expect(built.pieces?.find(({ id }) => id === sleeve)).toMatchObject({
    kind: 'sleeve',
    coupler: hub?.coupler,
  })
  const rest = removePart(built, { list: 'pieces', id: sleeve })
  expect(rest.pieces?.find(({ id }) => id === hub?.id)?.marks?.[0]).toEqual({
    kind: 'matched',
    text: hub?.marks?.[0]?.text,
  })
  expect(rest.pieces).toHaveLength((built.pieces?.length ?? 0) - 1)
})

describe('setTwins', () => {
  const heavy = buildPattern('heavy', 'heavy', { speeds: '10', range: 'planetary' })
  const twinsOf = (draft: BoxDraft, member: string) =>
    draft.gears.filter((gear) => gear.member === member).map(({ twinOf }) => twinOf)
  const gearsOn = (member: string) =>
    heavy.gears.filter((gear) => gear.member === member).map(({ id }) => id)

  it('ties every gear to that of the same label, and lets go of it again', () => {
    const alone = setTwins(heavy, 'counter-b', undefined)
    expect(twinsOf(alone, 'counter-b').every((twin) => twin === undefined)).toBe(true)
    expect(twinsOf(setTwins(alone, 'counter-b', 'counter-a'), 'counter-b')).toEqual(
      gearsOn('counter-a'),
    )
  })

  it('the other way round: what followed is followed', () => {
    const round = setTwins(setTwins(heavy, 'counter-b', undefined), 'counter-a', 'counter-b')
    expect(twinsOf(round, 'counter-a')).toEqual(gearsOn('counter-b'))
    expect(twinsOf(round, 'counter-b').every((twin) => twin === undefined)).toBe(true)
    boxOf(round)
  })

  it('what is counted of one goes for both', () => {
    const alone = withCounts(setTwins(heavy, 'counter-b', undefined), {
      'counter-a-1': 20,
      'counter-b-2': 30,
    })
    const tied = setTwins(alone, 'counter-b', 'counter-a')
    const counts = Object.fromEntries(tied.gears.map(({ id, toothCount }) => [id, toothCount]))
    expect(counts).toMatchObject({
      'counter-a-1': 20,
      'counter-b-1': 20,
      'counter-a-2': 30,
      'counter-b-2': 30,
    })
  })

  it('a twin stays whole when the shaft that it follows is taken out', () => {
    const rest = removePart(heavy, { list: 'members', id: 'counter-a' })
    expect(twinsOf(rest, 'counter-b').every((twin) => twin === undefined)).toBe(true)
  })

  it('of three, the second leads when the first is gone', () => {
    const copy = duplicatePart(heavy, { list: 'members', id: 'counter-b' })
    if (!copy) throw new Error('no copy')
    const three = setTwins(copy.draft, copy.added.id, 'counter-b')
    expect(twinsOf(three, copy.added.id)).toEqual(gearsOn('counter-a'))
    const rest = removePart(three, { list: 'members', id: 'counter-a' })
    expect(twinsOf(rest, copy.added.id)).toEqual(gearsOn('counter-b'))
    boxOf(rest)
  })
})
