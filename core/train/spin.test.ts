import type { Box } from '../box/box.ts'
import { setMount } from '../box/drafting/change.ts'
import { PATTERNS, buildPattern } from '../box/patterns/index.ts'
import { ONE, formatFraction, rational } from '../number/rational.ts'
import { analyseBox, prepareSolver } from './analysis.ts'
import type { Seen, SpinRecord, SpinSetup } from './spin.ts'
import { diagnoseSpin, expectedOf, onTheRoad, readMounts, spin, spinRecordsOf } from './spin.ts'
import { boxOf, draftOf, fourSpeed, gear, shaft } from '../testing/boxes.ts'
import type { BoxDraft } from '../box/types.ts'

const draft = fourSpeed('sliding-idler')
const box = boxOf(draft)

/** The two tests of the trade, in neutral. */
function setups({ input, outputs }: BoxDraft): readonly SpinSetup[] {
  return [
    { places: {}, held: outputs, turned: input },
    { places: {}, held: [input], turned: outputs[0] ?? '' },
  ]
}

/** What somebody sees who does the two tests on this box. */
function watch(real: Box, tests: readonly SpinSetup[], parts: readonly string[]): SpinRecord[] {
  return tests.map((setup) => {
    const result = spin(real, setup)
    return {
      setup,
      seen: new Map(
        parts.flatMap((part): [string, Seen][] => {
          const seen = expectedOf(real, result, part)
          return seen ? [[part, seen]] : []
        }),
      ),
    }
  })
}

const partsOf = (of: BoxDraft): readonly string[] =>
  [...of.members, ...of.gears].map(({ id }) => id)

function moving(of: BoxDraft, setup: SpinSetup): readonly string[] {
  const { motions } = spin(boxOf(of), setup)
  return [...motions].filter(([, { kind }]) => kind === 'turns').map(([body]) => body)
}

test('output held, input turned, in neutral: the input side moves and nothing else (common practice)', () => {
  const [first] = setups(draft)
  if (!first) throw new Error('no test')
  expect([...moving(draft, first)].sort()).toEqual([
    'counter',
    'input',
    'main-1',
    'main-2',
    'main-3',
  ])
})

test('input held, output turned: only the main shaft moves', () => {
  const second = setups(draft)[1]
  if (!second) throw new Error('no test')
  expect(moving(draft, second)).toEqual(['main'])
})

test('speeds are for one turn of what is turned: 20 on 40 is half a turn backwards', () => {
  const { motions, isCounted, isBlocked } = spin(box, { places: {}, held: [], turned: 'input' })
  const counter = motions.get('counter')
  expect(isCounted).toBe(true)
  expect(isBlocked).toBe(false)
  expect(counter?.kind === 'turns' && formatFraction(counter.speed)).toBe('-1/2')
})

test('with a gear in, holding the output blocks the input', () => {
  const setup = { places: { 'coupler-1-2': '1' }, held: ['main'], turned: 'input' }
  expect(spin(box, setup).isBlocked).toBe(true)
})

test.each(PATTERNS.map(({ id }) => id))('no counts are needed for what moves in %s', (id) => {
  const bare = buildPattern(id, 'box', {})
  const counts = new Map<string, number>()
  const counted = {
    ...bare,
    gears: bare.gears.map((gear, at) => {
      const kin = gear.id.replace('-b-', '-a-')
      const toothCount = counts.get(kin) ?? 20 + at + (kin.includes('ring') ? 60 : 0)
      counts.set(kin, toothCount)
      return { ...gear, toothCount }
    }),
  }
  for (const setup of setups(bare)) {
    const [withOut, withCounts] = [bare, counted].map((of) => {
      const { motions } = spin(boxOf(of), setup)
      return [...motions].map(([body, { kind }]) => [body, kind])
    })
    expect(withOut).toEqual(withCounts)
  }
})

/** Whether somebody who does the two tests on `real` is told of `mend` as one that explains all. */
function explains(
  drawn: BoxDraft,
  real: BoxDraft,
  mend: Readonly<Record<string, string>>,
): boolean {
  const records = watch(boxOf(real), setups(drawn), partsOf(drawn))
  const found = diagnoseSpin(boxOf(drawn), records).mends
  return found.some(
    (each) =>
      each.left.length === 0 &&
      Object.entries(mend).every(([key, value]) => Reflect.get(each, key) === value),
  )
}

test('a gear drawn free that turns with its shaft locks the first test, and is named', () => {
  const real = setMount(draft, 'main-2', 'fixed')
  const records = watch(boxOf(real), setups(draft), partsOf(draft))
  expect(records[0]?.seen.get('input')).toBe('stood')
  expect(diagnoseSpin(box, records).disagreements[0]).toEqual({
    record: 0,
    part: 'input',
    expected: 'moved',
    seen: 'stood',
  })
  expect(explains(draft, real, { kind: 'mount', gear: 'main-2', mount: 'fixed' })).toBe(true)
})

test('a gear on the wrong one of two shafts in line is named', () => {
  const drawn = {
    ...draft,
    gears: draft.gears.map((gear) =>
      gear.id === 'input-head' ? { ...gear, member: 'main' } : gear,
    ),
  }
  expect(explains(drawn, draft, { kind: 'member', gear: 'input-head', member: 'input' })).toBe(true)
})

test('a sleeve left in gear is named', () => {
  const tests = setups(draft)
  const inThird = tests.map((setup) => ({ ...setup, places: { 'coupler-3-4': '3' } }))
  // The person believes that the box is in neutral.
  const records = watch(box, inThird, partsOf(draft)).flatMap(({ seen }, at) => {
    const setup = tests[at]
    return setup ? [{ setup, seen }] : []
  })
  const mends = diagnoseSpin(box, records).mends.filter(({ left }) => left.length === 0)
  expect(mends).toContainEqual(
    expect.objectContaining({ kind: 'coupler', coupler: 'coupler-3-4', place: '3' }),
  )
})

test('where everything agrees nothing is to be mended', () => {
  const records = watch(box, setups(draft), partsOf(draft))
  expect(diagnoseSpin(box, records)).toEqual({ disagreements: [], mends: [], next: undefined })
})

test('whatever gear of whatever pattern sits otherwise than drawn: if the tests show it, it is named', () => {
  let shown = 0
  const cases = PATTERNS.flatMap(({ id }) => {
    const pattern = buildPattern(id, 'box', {})
    return pattern.gears.map((gear) => ({ pattern, gear }))
  })
  // Every third: all of them take ten seconds.
  for (const { pattern, gear } of cases.filter((_, at) => at % 3 === 0)) {
    const mount = gear.mount === 'free' ? 'fixed' : 'free'
    const real = setMount(pattern, gear.id, mount)
    const records = watch(boxOf(real), setups(pattern), partsOf(pattern))
    if (diagnoseSpin(boxOf(pattern), records).disagreements.length === 0) continue
    shown++
    expect(explains(pattern, real, { kind: 'mount', gear: gear.id, mount })).toBe(true)
  }
  expect(shown).toBeGreaterThan(10)
})

test('what is seen tells free gears from those that turn with their shaft', () => {
  const records = watch(box, setups(draft), partsOf(draft))
  const mounts = readMounts(draft, records)
  for (const { id, mount } of draft.gears.filter(({ id }) => !id.includes('reverse')))
    expect([id, mounts.get(id)]).toEqual([id, mount === 'free' ? 'free' : 'turns with its shaft'])
})

test('a gear that is fixed leaves its coupler without that place: the test then stands at rest', () => {
  const coupled: SpinRecord = {
    setup: { places: { 'coupler-1-2': '1' }, held: ['main'], turned: 'input' },
    seen: new Map<string, Seen>([['input', 'moved']]),
  }
  const fixed = boxOf(setMount(draft, 'main-1', 'fixed'))
  expect(fixed.couplers.get('coupler-1-2')?.positions.map(({ id }) => id)).not.toContain('1')
  expect(spin(fixed, coupled.setup).motions.get('main')?.kind).toBe('still')
  expect(diagnoseSpin(box, [coupled]).mends.length).toBeGreaterThan(0)
})

test('of two that explain it as well, the mate of the gear that did otherwise comes first', () => {
  // Towards 2nd the output moved its free gear; the countershaft, with the input held, stood.
  const record: SpinRecord = {
    setup: { places: {}, held: ['input'], turned: 'main' },
    seen: new Map<string, Seen>([
      ['main-2', 'moved'],
      ['counter', 'stood'],
    ]),
  }
  expect(diagnoseSpin(box, [record]).mends[0]).toMatchObject({
    kind: 'mount',
    gear: 'counter-2',
    left: [],
  })
})

describe('what to look at next', () => {
  const [first, second] = setups(draft)
  if (!first || !second) throw new Error('no tests')
  const seeing = (setup: SpinSetup, ...seen: [string, Seen][]): SpinRecord => ({
    setup,
    seen: new Map(seen),
  })

  it('one of three ticks contradicts what a single loose gear explains: that one is tried again', () => {
    // The countershaft moved: its pair with the input shaft does not hold it. That the input
    // shaft moved while it was held is no observation.
    const record = seeing(second, ['main-2', 'stood'], ['counter', 'moved'], ['input', 'moved'])
    const { disagreements, mends, next } = diagnoseSpin(box, [record])
    expect(disagreements).toHaveLength(2)
    expect(mends.every(({ left }) => left.length > 0)).toBe(true)
    expect(next).toEqual({ setup: second, part: 'input', isAgain: true })
  })

  it('two causes explain what was seen: the next look tells them apart', () => {
    const record = seeing(second, ['main-2', 'moved'])
    const { mends, next } = diagnoseSpin(box, [record])
    const explaining = mends.filter(({ left }) => left.length === 0)
    expect(explaining.length).toBeGreaterThan(1)
    if (!next) throw new Error('nothing to look at')
    expect(next.isAgain).toBe(false)
    expect(record.seen.has(next.part)).toBe(false)
    const outcomes = new Set(
      explaining.map((mend) => {
        const real = boxOf(mend.draft)
        const places = mend.kind === 'coupler' ? { [mend.coupler]: mend.place } : {}
        return expectedOf(real, spin(real, { ...next.setup, places }), next.part)
      }),
    )
    expect(outcomes.size).toBeGreaterThan(1)
  })

  it('where the test begun shows no more, another one on offer may', () => {
    // 2nd moved, all else stood: its mate is loose on the countershaft, or the head gear on the input.
    const [asDrawn] = watch(box, [second], partsOf(draft))
    const record = seeing(second, ...(asDrawn?.seen ?? []), ['main-2', 'moved'])
    const { mends, next } = diagnoseSpin(box, [record], [first, second])
    expect(mends.filter(({ left }) => left.length === 0).length).toBeGreaterThan(1)
    // With the input turned, a loose head gear drives no countershaft (common practice).
    expect(next).toMatchObject({ setup: first, isAgain: false })
  })

  it('a box where everything is as drawn asks for nothing', () => {
    expect(diagnoseSpin(box, [seeing(first, ['input', 'moved'])]).next).toBeUndefined()
  })
})

describe('ticks as they were made', () => {
  const setup: SpinSetup = { places: {}, held: ['main'], turned: 'input' }
  const tick = (of: SpinSetup, part: string, seen: Seen | null) => ({
    setup: of,
    ticks: [{ part, seen }],
  })

  it('the last of a part stands, and taking out leaves none', () => {
    const ticked = [
      tick(setup, 'counter', 'moved'),
      tick(setup, 'main-1', 'stood'),
      tick(setup, 'main-1', 'moved'),
      tick(setup, 'counter', null),
    ]
    expect(spinRecordsOf(box, ticked)).toEqual([{ setup, seen: new Map([['main-1', 'moved']]) }])
    expect(spinRecordsOf(box, [...ticked, tick(setup, 'main-1', null)])).toEqual([])
  })

  it('a coupler at rest is as good as one that is not named; at another place it is another test', () => {
    const named = { ...setup, places: { 'coupler-1-2': 'centre' } }
    const other = { ...setup, places: { 'coupler-1-2': '1' } }
    const records = spinRecordsOf(box, [
      tick(setup, 'counter', 'moved'),
      tick(named, 'main-1', 'moved'),
      tick(other, 'counter', 'stood'),
    ])
    expect(records.map(({ seen }) => seen.size)).toEqual([2, 1])
  })

  it('what the box has no longer is left out: parts, places, what was turned', () => {
    const gone = [
      tick({ ...setup, turned: 'gone' }, 'counter', 'moved'),
      tick({ ...setup, places: { 'coupler-1-2': 'gone' } }, 'counter', 'moved'),
      tick(setup, 'gone', 'moved'),
    ]
    expect(spinRecordsOf(box, gone)).toEqual([])
  })
})

describe('where counts matter', () => {
  /** A sun and a ring driven against each other from one shaft; the carrier follows both. */
  const driven = (counts: Readonly<Record<string, number | null>>): BoxDraft =>
    draftOf({
      axes: ['a', 'b', 'c'].map((id) => ({ id })),
      members: [
        shaft('drive', 'a'),
        shaft('idler', 'c'),
        shaft('sun', 'b'),
        { ...shaft('ring', 'b'), kind: 'ring' },
        { ...shaft('carrier', 'b'), kind: 'carrier' },
      ],
      gears: [
        ['drive-sun', 'drive'],
        ['sun-drive', 'sun'],
        ['drive-ring', 'drive'],
        ['idler-gear', 'idler'],
        ['ring-drive', 'ring'],
        ['sun-gear', 'sun'],
        ['ring-gear', 'ring'],
      ].map(([id = '', member = '']) => gear(id, member, counts[id] ?? null)),
      links: [
        { id: 'to-sun', kind: 'external-mesh', a: 'drive-sun', b: 'sun-drive' },
        { id: 'to-idler', kind: 'external-mesh', a: 'drive-ring', b: 'idler-gear' },
        { id: 'to-ring', kind: 'external-mesh', a: 'idler-gear', b: 'ring-drive' },
        { id: 'set', kind: 'planetary', sun: 'sun-gear', ring: 'ring-gear', carrier: 'carrier' },
      ],
      input: 'drive',
      outputs: ['carrier'],
    })
  const setup: SpinSetup = { places: {}, held: [], turned: 'drive' }

  it('a carrier between a sun and a ring turned against each other needs them', () => {
    const { motions, needed, isBlocked } = spin(boxOf(driven({})), setup)
    expect(motions.get('carrier')).toEqual({ kind: 'uncounted' })
    expect(motions.get('sun')?.kind).toBe('turns')
    expect(isBlocked).toBe(false)
    expect(needed.map(({ id }) => id)).toContain('ring-gear')
  })

  it('with counts it turns as Willis has it: (20·(−1) + 80·3/8)/100 = 1/10', () => {
    const counts = { 'drive-sun': 20, 'sun-drive': 20, 'drive-ring': 15, 'idler-gear': 20 }
    const whole = { ...counts, 'ring-drive': 40, 'sun-gear': 20, 'ring-gear': 80 }
    const carrier = spin(boxOf(driven(whole)), setup).motions.get('carrier')
    expect(carrier?.kind === 'turns' && formatFraction(carrier.speed)).toBe('1/10')
  })

  it('two gears engaged at once on one shaft lock it or not by their counts; one alone does not', () => {
    const uncounted = {
      ...draft,
      gears: draft.gears.map((each) => ({ ...each, toothCount: null })),
    }
    const [one, other] = uncounted.couplers
    if (!one || !other) throw new Error('no couplers')
    const engaged = (coupler: typeof one) => [
      coupler.id,
      coupler.positions.find(({ engages }) => engages[0]?.kind === 'lock')?.id ?? '',
    ]
    const at = (pairs: string[][]): SpinSetup => ({
      places: Object.fromEntries(pairs) as Record<string, string>,
      held: [],
      turned: 'input',
    })
    const two = spin(boxOf(uncounted), at([engaged(one), engaged(other)]))
    expect(two.motions.get('main')?.kind).toBe('uncounted')
    // By hand: the head pair, and the pair of the gear that is in; 4th is direct and has none.
    const inGear = [one, other]
      .flatMap((coupler) => engaged(coupler)[1] ?? [])
      .filter((id) => id !== '4')
    expect(inGear).toHaveLength(1)
    expect(two.needed.map(({ id }) => id).sort()).toEqual(
      [
        'counter-head',
        'input-head',
        ...inGear.flatMap((id) => [`counter-${id}`, `main-${id}`]),
      ].sort(),
    )
    const alone = spin(boxOf(uncounted), at([engaged(one)]))
    expect(alone.motions.get('main')?.kind).toBe('turns')
  })
})

describe('a transaxle on the road (common practice: in neutral the wheels turn the differential)', () => {
  const pattern = buildPattern('transverse-transaxle', 'box', {})
  const draft = {
    ...pattern,
    gears: pattern.gears.map((each, at) => ({ ...each, toothCount: 20 + ((at * 7) % 23) })),
  }
  const solver = prepareSolver(boxOf(draft))
  const differential = draft.links.find(({ kind }) => kind === 'differential')
  if (differential?.kind !== 'differential') throw new Error('no differential')
  const { case: carrier, left, right } = differential
  const setup = onTheRoad(solver, analyseBox(solver.box), {})

  test('with both wheels on it both side shafts, the case and the shaft that drives it turn', () => {
    const { motions, dividing } = spin(solver.box, setup)
    for (const body of [left, right, carrier])
      expect(motions.get(body)).toEqual({ kind: 'turns', speed: ONE })
    expect([...motions.values()].filter(({ kind }) => kind === 'turns').length).toBeGreaterThan(3)
    expect(motions.get(draft.input)?.kind).toBe('coasts')
    expect(dividing.size).toBe(0)
  })

  test('with one wheel off the ground that one turns, and the rest divides as friction has it', () => {
    const alone = spin(solver.box, { places: {}, held: [], turned: left })
    expect(alone.motions.get(right)?.kind).toBe('coasts')
    expect(alone.dividing.has(right)).toBe(true)
    expect(alone.dividing.has(carrier)).toBe(true)
    expect(alone.dividing.has(draft.input)).toBe(false)
    // Held on the other side the case turns at half: ωl + ωr = 2·ωc.
    const held = spin(solver.box, { places: {}, held: [right], turned: left })
    expect(held.motions.get(carrier)).toEqual({ kind: 'turns', speed: rational(1, 2) })
    expect(held.dividing.size).toBe(0)
    // With a gear in and the input held the other side turns the other way.
    const [first] = draft.positions
    const inGear = spin(solver.box, {
      places: first?.couplers ?? {},
      held: [draft.input],
      turned: left,
    })
    expect(inGear.motions.get(right)).toEqual({ kind: 'turns', speed: rational(-1) })
  })
})
