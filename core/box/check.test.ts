import type { BoxIssue } from './issues.ts'
import { checkBox, leftWarning, warningKey } from './check.ts'
import { draftOf, fourSpeed, gear, planetaryDraft, shaft, trainDraft } from '../testing/boxes.ts'
import type { BoxDraft, Coupler, Gear, Planetary } from './types.ts'

const train = trainDraft([[12, 24]])
const sleeve: Coupler = {
  id: 'sleeve',
  kind: 'synchronizer',
  hub: 'shaft-1',
  stationMm: 50,
  positions: [
    { id: 'centre', travel: 'centre', engages: [] },
    { id: 'in', travel: 'towards-input', engages: [{ kind: 'lock', body: 'shaft-0' }] },
  ],
}
const planetary = planetaryDraft({ sun: 20, ring: 80 }, 'ring', 'sun', 'carrier')
const set: Planetary = {
  id: 'set',
  kind: 'planetary',
  sun: 'sun-gear',
  ring: 'ring-gear',
  carrier: 'carrier',
}
const [firstGear, secondGear] = train.gears
const [firstMember, secondMember] = train.members
if (!firstGear || !secondGear || !firstMember || !secondMember)
  throw new Error('the train is short')

const cases: readonly (readonly [name: string, draft: BoxDraft, issues: readonly BoxIssue[]])[] = [
  [
    'an id that leads nowhere',
    { ...train, input: 'gone' },
    [{ code: 'unknown-id', path: ['input'], id: 'gone', expected: 'body' }],
  ],
  [
    'a twin that does not exist',
    { ...train, gears: [{ ...firstGear, twinOf: 'gone' }, secondGear] },
    [{ code: 'unknown-id', path: ['gears', 0, 'twinOf'], id: 'gone', expected: 'gear' }],
  ],
  [
    'a gear that is its own twin',
    { ...train, gears: [{ ...firstGear, twinOf: 'driving-0' }, secondGear] },
    [
      {
        code: 'twin-of-a-twin',
        path: ['gears', 0, 'twinOf'],
        gear: 'driving-0',
        twin: 'driving-0',
      },
    ],
  ],
  [
    'a mesh with a gear that does not exist',
    { ...train, links: [{ id: 'pair-0', kind: 'external-mesh', a: 'driving-0', b: 'gone' }] },
    [{ code: 'unknown-id', path: ['links', 0, 'b'], id: 'gone', expected: 'gear' }],
  ],
  [
    'a member on no axis',
    { ...train, members: [{ ...firstMember, axis: 'gone' }, secondMember] },
    [{ code: 'unknown-id', path: ['members', 0, 'axis'], id: 'gone', expected: 'axis' }],
  ],
  [
    'a gear on no member',
    { ...train, gears: [{ ...firstGear, member: 'gone' }, secondGear] },
    [{ code: 'unknown-id', path: ['gears', 0, 'member'], id: 'gone', expected: 'member' }],
  ],
  [
    'a coupler that locks and meshes what does not exist',
    {
      ...train,
      couplers: [
        {
          ...sleeve,
          positions: [
            { id: 'a', travel: 'centre', engages: [{ kind: 'lock', body: 'gone' }] },
            { id: 'b', travel: 'centre', engages: [{ kind: 'mesh', link: 'gone' }] },
          ],
        },
      ],
    },
    [
      {
        code: 'unknown-id',
        path: ['couplers', 0, 'positions', 0, 'engages', 0, 'body'],
        id: 'gone',
        expected: 'body',
      },
      {
        code: 'unknown-id',
        path: ['couplers', 0, 'positions', 1, 'engages', 0, 'link'],
        id: 'gone',
        expected: 'link',
      },
    ],
  ],
  [
    'a position that speaks of an unknown coupler, and of an unknown place of a known one',
    {
      ...train,
      couplers: [sleeve],
      positions: [{ id: '1', label: '1', couplers: { gone: 'in', sleeve: 'out' } }],
    },
    [
      {
        code: 'unknown-id',
        path: ['positions', 0, 'couplers', 'gone'],
        id: 'gone',
        expected: 'coupler',
      },
      {
        code: 'unknown-id',
        path: ['positions', 0, 'couplers', 'sleeve'],
        id: 'out',
        expected: 'coupler-position',
      },
    ],
  ],
  [
    'one id for two parts',
    { ...train, gears: [firstGear, { ...secondGear, id: 'shaft-0' }] },
    [
      { code: 'duplicate-id', path: ['gears', 1, 'id'], id: 'shaft-0' },
      { code: 'unknown-id', path: ['links', 0, 'b'], id: 'driven-0', expected: 'gear' },
    ],
  ],
  [
    'a count under five',
    trainDraft([[4, 24]]),
    [
      {
        code: 'tooth-count-out-of-range',
        path: ['gears', 0, 'toothCount'],
        gear: 'driving-0',
        toothCount: 4,
        least: 5,
        most: 400,
      },
    ],
  ],
  [
    'a count over four hundred',
    trainDraft([[12, 401]]),
    [
      {
        code: 'tooth-count-out-of-range',
        path: ['gears', 1, 'toothCount'],
        gear: 'driven-0',
        toothCount: 401,
        least: 5,
        most: 400,
      },
    ],
  ],
  [
    'half a tooth',
    trainDraft([[12.5, 24]]),
    [
      {
        code: 'tooth-count-not-whole',
        path: ['gears', 0, 'toothCount'],
        gear: 'driving-0',
        toothCount: 12.5,
      },
    ],
  ],
  [
    'a mesh within one body',
    { ...train, gears: [firstGear, { ...secondGear, member: 'shaft-0' }] },
    [{ code: 'mesh-within-one-body', path: ['links', 0], link: 'pair-0', body: 'shaft-0' }],
  ],
  [
    'a mesh between two members of one axis',
    { ...train, members: [firstMember, { ...secondMember, axis: 'shaft-0' }] },
    [{ code: 'mesh-on-one-axis', path: ['links', 0], link: 'pair-0', axis: 'shaft-0' }],
  ],
  [
    'a ring gear smaller than the pinion in it',
    trainDraft([[24, 24, 'internal-mesh']]),
    [
      {
        code: 'ring-not-larger',
        path: ['links', 0],
        link: 'pair-0',
        ringToothCount: 24,
        innerToothCount: 24,
      },
    ],
  ],
  [
    'a planetary ring smaller than its sun',
    planetaryDraft({ sun: 80, ring: 20 }, 'ring', 'sun', 'carrier'),
    [
      {
        code: 'ring-not-larger',
        path: ['links', 0],
        link: 'set',
        ringToothCount: 20,
        innerToothCount: 80,
      },
    ],
  ],
  [
    'planets that are too large: zr = zs + 2·zp (Machinery’s Handbook)',
    { ...planetary, links: [{ ...set, planetToothCount: 31 }] },
    [
      {
        code: 'planet-does-not-fit',
        path: ['links', 0],
        link: 'set',
        planetToothCount: 31,
        fittingToothCount: 30,
      },
    ],
  ],
  [
    'three planets for 100 teeth: (zs + zr)/N must be whole (Machinery’s Handbook)',
    { ...planetary, links: [{ ...set, planetCount: 3 }] },
    [
      {
        code: 'planets-cannot-be-spaced',
        path: ['links', 0],
        link: 'set',
        toothSum: 100,
        planetCount: 3,
      },
    ],
  ],
  [
    'a joint of a body with itself',
    { ...train, links: [...train.links, { id: 'j', kind: 'joined', a: 'shaft-1', b: 'shaft-1' }] },
    [{ code: 'link-joins-one-body', path: ['links', 1], link: 'j', body: 'shaft-1' }],
  ],
  [
    'a sleeve that locks its hub to itself',
    {
      ...train,
      couplers: [
        {
          ...sleeve,
          positions: [
            { id: 'c', travel: 'centre', engages: [] },
            { id: 'in', travel: 'towards-input', engages: [{ kind: 'lock', body: 'shaft-1' }] },
          ],
        },
      ],
    },
    [
      {
        code: 'coupler-engages-own-hub',
        path: ['couplers', 0, 'positions', 1, 'engages', 0],
        coupler: 'sleeve',
        body: 'shaft-1',
      },
    ],
  ],
  [
    'a coupler with two centres',
    {
      ...train,
      couplers: [
        {
          ...sleeve,
          positions: [
            { id: 'c', travel: 'centre', engages: [] },
            { id: 'd', travel: 'centre', engages: [] },
          ],
        },
      ],
    },
    [{ code: 'coupler-has-two-centres', path: ['couplers', 0, 'positions', 1], coupler: 'sleeve' }],
  ],
  [
    'a coupler without a centre that a position forgets',
    { ...train, couplers: [{ ...sleeve, positions: sleeve.positions.slice(1) }] },
    [
      {
        code: 'coupler-place-not-named',
        path: ['positions', 0, 'couplers'],
        position: 'only',
        coupler: 'sleeve',
      },
    ],
  ],
  [
    'an output that is the input',
    { ...train, outputs: ['shaft-0'] },
    [{ code: 'output-is-input', path: ['outputs', 0], body: 'shaft-0' }],
  ],
  [
    'a member that ends where it begins',
    { ...train, members: [{ ...firstMember, fromMm: 90, toMm: 90 }, secondMember] },
    [
      { code: 'ends-reversed', path: ['members', 0], member: 'shaft-0', fromMm: 90, toMm: 90 },
      {
        code: 'gear-off-its-member',
        path: ['gears', 0, 'stationMm'],
        gear: 'driving-0',
        stationMm: 80,
        fromMm: 90,
        toMm: 90,
      },
    ],
  ],
]

test.each(cases)('%s', (_name, draft, issues) => {
  expect(checkBox(draft)).toEqual({ ok: false, issues })
})

const warningsOf = (draft: BoxDraft): readonly BoxIssue[] => {
  const checked = checkBox(draft)
  return checked.ok ? checked.warnings : []
}

describe('warnings leave the box solvable', () => {
  test('a gear that meshes with nothing', () => {
    expect(warningsOf({ ...train, gears: [...train.gears, gear('idle', 'shaft-1', 20)] })).toEqual([
      { code: 'gear-without-mesh', path: ['gears', 2], gear: 'idle' },
    ])
  })

  test('a gear beyond the end of its shaft', () => {
    expect(warningsOf({ ...train, gears: [{ ...firstGear, stationMm: 101 }, secondGear] })).toEqual(
      [
        {
          code: 'gear-off-its-member',
          path: ['gears', 0, 'stationMm'],
          gear: 'driving-0',
          stationMm: 101,
          fromMm: 0,
          toMm: 100,
        },
      ],
    )
  })

  test('two positions that are one', () => {
    const positions = ['1', '2'].map((id) => ({ id, label: id, couplers: {} }))
    expect(warningsOf({ ...train, positions })).toEqual([
      { code: 'position-repeats', path: ['positions', 1], position: '2', other: '1' },
    ])
  })

  test('a pair whose tooth sum is far from the others between the same shafts', () => {
    const pairs = [
      [20, 40],
      [25, 35],
      [30, 33],
      [24, 36],
    ] as const
    const draft = draftOf({
      axes: [{ id: 'one' }, { id: 'two' }],
      members: [shaft('one'), shaft('two')],
      gears: pairs.flatMap(([a, b], at) => [
        gear(`a${at}`, 'one', a),
        gear(`b${at}`, 'two', b, { mount: 'free' }),
      ]),
      links: pairs.map((_, at) => ({
        id: `p${at}`,
        kind: 'external-mesh',
        a: `a${at}`,
        b: `b${at}`,
      })),
      input: 'one',
      outputs: ['two'],
    })
    expect(warningsOf(draft)).toEqual([
      {
        code: 'tooth-sum-differs',
        path: ['links', 2],
        link: 'p2',
        toothSum: 63,
        usualToothSum: 60,
      },
    ])
    // Two teeth are told where all others have one sum to the tooth, and not where they vary.
    const with2 = (counts: readonly (readonly [number, number])[]) =>
      warningsOf({
        ...draft,
        gears: counts.flatMap(([a, b], at) => [
          gear(`a${at}`, 'one', a),
          gear(`b${at}`, 'two', b, { mount: 'free' }),
        ]),
      }).filter(({ code }) => code === 'tooth-sum-differs')
    const even = [
      [16, 30],
      [20, 26],
      [18, 30],
      [23, 23],
    ] as const
    expect(with2(even)).toMatchObject([{ link: 'p2', toothSum: 48, usualToothSum: 46 }])
    expect(with2(even.map(([a, b]) => [a, b === 23 ? 24 : b] as const))).toEqual([])
    // Also where all of them state one module.
    const measured = { ...draft, gears: draft.gears.map((each) => ({ ...each, moduleMm: 2.5 })) }
    expect(warningsOf(measured).map(({ code }) => code)).toContain('tooth-sum-differs')
    // A pair of another module has a sum of its own.
    const coarser = draft.gears.map((each) =>
      each.id.endsWith('2') ? { ...each, moduleMm: 2.4 } : each,
    )
    expect(warningsOf({ ...draft, gears: coarser }).map(({ code }) => code)).not.toContain(
      'tooth-sum-differs',
    )
  })
})

test('twins with other counts are pointed out', () => {
  const twins = { ...train, gears: [{ ...firstGear, twinOf: 'driven-0' }, secondGear] }
  expect(warningsOf(twins)).toEqual([
    {
      code: 'twins-differ',
      path: ['gears', 0],
      gear: 'driving-0',
      toothCount: 12,
      twin: 'driven-0',
      twinToothCount: 24,
    },
  ])
})

describe('of the only two pairs between two shafts', () => {
  const two = (one: readonly [number, number], other: readonly [number, number]) =>
    warningsOf(
      draftOf({
        axes: [{ id: 'one' }, { id: 'two' }],
        members: [shaft('one'), shaft('two')],
        gears: [one, other].flatMap(([a, b], at) => [
          gear(`a${at}`, 'one', a),
          gear(`b${at}`, 'two', b, { mount: 'free' }),
        ]),
        links: [0, 1].map((at) => ({
          id: `p${at}`,
          kind: 'external-mesh',
          a: `a${at}`,
          b: `b${at}`,
        })),
        input: 'one',
        outputs: ['two'],
      }),
    )

  test('sums far apart are pointed out, with both figures', () => {
    expect(two([24, 24], [36, 20])).toEqual([
      {
        code: 'tooth-sums-differ',
        path: ['links', 1],
        link: 'p1',
        toothSum: 56,
        other: 'p0',
        otherToothSum: 48,
      },
    ])
  })

  test('sums that profile shift or helix may part are not', () => {
    expect(two([24, 24], [32, 20])).toEqual([])
    expect(two([24, 24], [33, 20]).map(({ code }) => code)).toEqual(['tooth-sums-differ'])
  })
})

describe('a warning that is left as it is', () => {
  const train = trainDraft([[20, 40]])
  const [one, other] = train.gears
  if (!one || !other) throw new Error('the train is short')
  const twins: BoxDraft = { ...train, gears: [{ ...one, twinOf: other.id }, other] }
  const [warning] = warningsOf(twins)
  if (!warning) throw new Error('no warning')
  const left: BoxDraft = {
    ...twins,
    leftWarnings: [{ id: warningKey(warning), by: 'AB', at: '2026-01-31T12:00:00.000Z' }],
  }

  test('is told of with who and when, wherever in its list its part stands by then', () => {
    expect(leftWarning(left, { ...warning, path: ['gears', 7] })?.by).toBe('AB')
  })

  test('comes back when a figure is another', () => {
    const recounted: BoxDraft = {
      ...left,
      gears: left.gears.map((each) => (each.id === one.id ? { ...each, toothCount: 21 } : each)),
    }
    const [again] = warningsOf(recounted)
    expect(again?.code).toBe(warning.code)
    expect(again && leftWarning(recounted, again)).toBeUndefined()
  })

  test('what keeps a box from being solved is no warning', () => {
    const broken: BoxIssue = { code: 'duplicate-id', path: [], id: 'a' }
    expect(warningKey(broken)).toBe('')
    expect(leftWarning(left, broken)).toBeUndefined()
  })
})

describe('positions that no lever reaches', () => {
  const locked = { kind: 'lock', body: 'shaft-0' } as const
  const coupler = (id: string): Coupler => ({
    ...sleeve,
    id,
    positions: [
      { id: 'centre', travel: 'centre', engages: [] },
      { id: 'in', travel: 'towards-input', engages: [locked] },
    ],
  })
  const draft: BoxDraft = {
    ...train,
    couplers: [coupler('one'), coupler('two')],
    positions: [{ id: 'both', label: 'both', couplers: { one: 'in', two: 'in' } }],
  }

  test('two couplers of one interlock are engaged', () => {
    expect(
      warningsOf({ ...draft, interlocks: [{ id: 'rails', couplers: ['one', 'two'] }] }),
    ).toEqual([
      {
        code: 'position-interlocked',
        path: ['positions', 0],
        position: 'both',
        interlock: 'rails',
        couplers: ['one', 'two'],
      },
    ])
  })

  test('a rule forbids the places', () => {
    const rule = { id: 'low-only', forbids: { one: 'in', two: 'in' }, reason: 'In low only.' }
    expect(warningsOf({ ...draft, rules: [rule] })).toEqual([
      { code: 'position-forbidden', path: ['positions', 0], position: 'both', rule: 'low-only' },
    ])
    const other = { ...rule, forbids: { one: 'in', two: 'centre' } }
    expect(warningsOf({ ...draft, rules: [other] })).toEqual([])
  })
})

describe('pairs that state their module (ISO 21771: a = m·(z1 + z2) / (2·cos β))', () => {
  const pairs = (
    ...stated: readonly (readonly [a: number, b: number, moduleA: number, moduleB?: number])[]
  ): BoxDraft =>
    draftOf({
      axes: [{ id: 'one' }, { id: 'two' }],
      members: [shaft('one'), shaft('two')],
      gears: stated.flatMap(([a, b, moduleA, moduleB = moduleA], at) => [
        gear(`a${at}`, 'one', a, { moduleMm: moduleA }),
        gear(`b${at}`, 'two', b, { mount: 'free', moduleMm: moduleB }),
      ]),
      links: stated.map((_, at) => ({
        id: `p${at}`,
        kind: 'external-mesh',
        a: `a${at}`,
        b: `b${at}`,
      })),
      input: 'one',
      outputs: ['two'],
    })

  test('other teeth at another module have the same centre distance', () => {
    // 2.5 × 60 / 2 = 75 and 3 × 50 / 2 = 75.
    expect(warningsOf(pairs([20, 40, 2.5], [25, 25, 3]))).toEqual([])
  })

  test('a pair that needs another distance is pointed out, with both figures', () => {
    expect(warningsOf(pairs([20, 40, 2.5], [25, 27, 3]))).toEqual([
      {
        code: 'centre-distance-differs',
        path: ['links', 1],
        link: 'p1',
        centreDistanceMm: 78,
        other: 'p0',
        otherCentreDistanceMm: 75,
      },
    ])
  })

  test('two modules in one mesh', () => {
    expect(warningsOf(pairs([20, 40, 2.5, 3]))).toEqual([
      { code: 'modules-differ', path: ['links', 0], link: 'p0', moduleMm: [2.5, 3] },
    ])
  })
})

test('two gears that an idler bridges are told where their tips would touch', () => {
  const reversed = (main: number, counter: number, sizes: Partial<Gear> = {}) => {
    const built = fourSpeed('sliding-idler')
    const idler = built.gears.find(({ member }) => member === 'idler')?.id ?? ''
    const beside = built.links.flatMap((link) =>
      link.kind === 'external-mesh' && [link.a, link.b].includes(idler)
        ? [link.a === idler ? link.b : link.a]
        : [],
    )
    const [one = '', two = ''] = beside
    const draft = {
      ...built,
      gears: built.gears.map((gear) =>
        gear.id === one || gear.id === two
          ? { ...gear, ...sizes, toothCount: gear.id === one ? counter : main }
          : gear,
      ),
    }
    return { idler, beside, told: warningsOf(draft).filter(({ code }) => code === 'gears-touch') }
  }
  // Pairs of that box have 60 teeth together, 30 modules apart; a tooth reaches one module past
  // the pitch circle (ISO 53): radii of 17/2 + 1 and 39/2 + 1 leave the last clear by nothing.
  expect(reversed(39, 17).told).toEqual([])
  const { idler, beside, told } = reversed(40, 17)
  expect(told).toMatchObject([{ idler, toothSum: 57, meshingSum: 60 }])
  expect(new Set(told.flatMap((each) => ('gears' in each ? each.gears : [])))).toEqual(
    new Set(beside),
  )
  // Of finer teeth nothing is known from counts alone.
  expect(reversed(40, 17, { moduleMm: 2 }).told).toEqual([])
})
