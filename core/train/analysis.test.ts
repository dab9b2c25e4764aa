import type { Analysis, Drive } from './analysis.ts'
import { analyse, analyseBox, prepareSolver, shareOfSplit } from './analysis.ts'
import { classifyAll, combinationAt } from './combinations.ts'
import { USUAL_EFFICIENCIES, solveLosses } from './losses.ts'
import { ONE, formatFraction, rational } from '../number/rational.ts'
import {
  boxOf,
  draftOf,
  gear,
  planetaryDraft,
  shaft,
  trainDraft,
  withCounts,
} from '../testing/boxes.ts'
import type { Stage } from '../testing/boxes.ts'
import { threeShaftBox } from '../box/patterns/threeShaft.ts'
import type { BoxDraft, Coupler } from '../box/types.ts'

function only(draft: BoxDraft): Analysis {
  const [entry] = analyseBox(boxOf(draft))
  if (!entry) throw new Error('the box lists no position')
  return entry.analysis
}

function drive(analysis: Analysis | undefined): Drive {
  if (analysis?.state !== 'drive') throw new Error(`not driving but ${analysis?.state ?? 'absent'}`)
  return analysis
}

describe('trains of gears', () => {
  const cases: readonly {
    readonly name: string
    readonly stages: readonly Stage[]
    readonly ratio: string
    readonly source: string
  }[] = [
    { name: '12 drives 24', stages: [[12, 24]], ratio: '-2', source: 'common practice' },
    { name: '24 drives 12', stages: [[24, 12]], ratio: '-1/2', source: 'common practice' },
    { name: 'equal counts', stages: [[31, 31]], ratio: '-1', source: 'common practice' },
    {
      name: 'reverted train 6 × 5',
      stages: [
        [18, 108],
        [21, 105],
      ],
      ratio: '30',
      source: "Shigley's, chapter on gears, compound reverted train example (from memory)",
    },
    {
      name: 'one idler turns the sense and leaves the size',
      stages: [
        [12, 19],
        [19, 24],
      ],
      ratio: '2',
      source: 'common practice',
    },
    {
      name: '33 driven by 32 falls a little short of one turn',
      stages: [[32, 33]],
      ratio: '-33/32',
      source: 'common practice',
    },
    {
      name: 'first 4 : 1 with final drive 4 : 1',
      stages: [
        [10, 40],
        [11, 44],
      ],
      ratio: '16',
      source: 'common practice',
    },
    {
      name: 'a ring gear turns the same way',
      stages: [[20, 80, 'internal-mesh']],
      ratio: '4',
      source: 'ISO 21771: an internal pair has a positive transmission ratio',
    },
    {
      name: 'a chain turns the same way',
      stages: [[17, 51, 'chain']],
      ratio: '3',
      source: 'geometry',
    },
  ]
  test.each(cases)('$name: $ratio ($source)', ({ stages, ratio }) => {
    const analysis = drive(only(trainDraft(stages)))
    expect(formatFraction(analysis.ratio)).toBe(ratio)
    expect(analysis.path).toHaveLength(stages.length)
    expect(
      analysis.factors?.map(({ pair }) => [pair?.driving.toothCount, pair?.driven.toothCount]),
    ).toEqual(stages.map(([driving, driven]) => [driving, driven]))
  })
})

describe('planetary sets (Willis; Machinery’s Handbook, epicyclic gearing)', () => {
  const teeth = { sun: 20, ring: 80 }
  test.each([
    ['ring', 'sun', 'carrier', '5', '1 + zr/zs'],
    ['sun', 'ring', 'carrier', '5/4', '1 + zs/zr'],
    ['carrier', 'sun', 'ring', '-4', '−zr/zs'],
  ] as const)('%s held, %s in, %s out: %s (%s)', (held, input, output, ratio, _law) => {
    expect(formatFraction(drive(only(planetaryDraft(teeth, held, input, output))).ratio)).toBe(
      ratio,
    )
  })

  test('sun 20, ring 80 held, sun at 100: arm at 20 the same way (Shigley’s, from memory)', () => {
    const { motions } = drive(only(planetaryDraft(teeth, 'ring', 'sun', 'carrier')))
    const carrier = motions.get('carrier')
    expect(carrier?.kind === 'turns' && formatFraction(carrier.speed.mul(rational(100)))).toBe('20')
  })

  test('with nothing held no torque passes', () => {
    const analysis = only(planetaryDraft(teeth, null, 'sun', 'carrier'))
    expect(analysis.state).toBe('neutral')
    expect(analysis.motions.get('ring')).toEqual({ kind: 'coasts' })
  })
})

describe('an open differential (ωl + ωr = 2·ω_case; equal torques, common practice)', () => {
  const draft = draftOf({
    axes: [{ id: 'line' }],
    members: [shaft('case', 'line'), shaft('left', 'line'), shaft('right', 'line')],
    links: [{ id: 'diff', kind: 'differential', case: 'case', left: 'left', right: 'right' }],
    input: 'case',
    outputs: ['left', 'right'],
  })

  test('both sides turn as the case does, and each takes half the torque', () => {
    const analysis = drive(only(draft))
    expect(formatFraction(analysis.ratio)).toBe('1')
    expect(analysis.balanced.map(({ link }) => link.id)).toEqual(['diff'])
    expect(
      analysis.outputs.map(({ body, speed, torque }) => [
        body,
        formatFraction(speed),
        formatFraction(torque),
      ]),
    ).toEqual([
      ['left', '1', '1/2'],
      ['right', '1', '1/2'],
    ])
  })

  test('with one side held the other turns twice as fast, and nothing is assumed', () => {
    const oneSideHeld: BoxDraft = {
      ...draft,
      links: [...draft.links, { id: 'brake', kind: 'held', body: 'right' }],
      outputs: ['left'],
    }
    const analysis = drive(only(oneSideHeld))
    expect(formatFraction(analysis.ratio)).toBe('1/2')
    expect(analysis.balanced).toEqual([])
  })

  test('a planetary set with two loaded outputs stays open, and says through what', () => {
    const analysis = only({
      ...planetaryDraft({ sun: 20, ring: 80 }, null, 'carrier', 'sun'),
      outputs: ['sun', 'ring'],
    })
    expect(analysis.state).toBe('undetermined')
    if (analysis.state !== 'undetermined') return
    expect(analysis.open).toEqual(['sun', 'ring'])
    expect(analysis.through.map(({ kind }) => kind)).toEqual(['planetary'])
  })
})

test('two equal countershafts each carry half the input torque times the head ratio (common practice)', () => {
  const draft = draftOf({
    axes: [{ id: 'above' }, { id: 'line' }, { id: 'below' }],
    members: [
      shaft('input', 'line'),
      shaft('main', 'line'),
      shaft('one', 'above'),
      shaft('two', 'below'),
    ],
    gears: [
      gear('head', 'input', 40),
      gear('head-one', 'one', 48, { stationMm: 50 }),
      gear('head-two', 'two', 48, { stationMm: 50 }),
      gear('drive-one', 'one', 20, { stationMm: 90 }),
      gear('drive-two', 'two', 20, { stationMm: 90 }),
      gear('low', 'main', 60, { stationMm: 90 }),
    ],
    links: [
      { id: 'h1', kind: 'external-mesh', a: 'head', b: 'head-one' },
      { id: 'h2', kind: 'external-mesh', a: 'head', b: 'head-two' },
      { id: 'd1', kind: 'external-mesh', a: 'drive-one', b: 'low' },
      { id: 'd2', kind: 'external-mesh', a: 'drive-two', b: 'low' },
    ],
    input: 'input',
    outputs: ['main'],
  })
  const { ratio, stretches, path, splits } = drive(only(draft))
  // 48/40 × 60/20 by hand.
  expect(formatFraction(ratio)).toBe('18/5')
  expect(splits.length).toBeGreaterThan(0)
  expect(path).toHaveLength(4)
  const torqueOn = (body: string): string[] =>
    stretches
      .filter((stretch) => stretch.body === body)
      .map(({ torque }) => formatFraction(torque.abs()))
  // Half of 1 × 48/40.
  expect(torqueOn('one')).toEqual(['3/5'])
  expect(torqueOn('two')).toEqual(['3/5'])
})

describe('a three-shaft box', () => {
  // Invented counts; ratios worked out by hand from them.
  const draft = withCounts(
    threeShaftBox({ name: 'five', forwardCount: 5, directAt: 4, reverse: 'constant-mesh' }),
    {
      'input-head': 20,
      'counter-head': 30,
      'counter-1': 15,
      'main-1': 35,
      'counter-2': 20,
      'main-2': 30,
      'counter-3': 25,
      'main-3': 25,
      'counter-5': 32,
      'main-5': 18,
      'counter-reverse': 16,
      'idler-reverse': 20,
      'main-reverse': 32,
    },
  )
  const positions = new Map(
    analyseBox(boxOf(draft)).map(({ position, analysis }) => [position.label, analysis]),
  )

  test.each([
    ['1', '7/2'],
    ['2', '9/4'],
    ['3', '3/2'],
    ['4', '1'],
    ['5', '27/32'],
    ['R', '-3'],
  ])('position %s turns %s', (label, ratio) => {
    expect(formatFraction(drive(positions.get(label)).ratio)).toBe(ratio)
  })

  test('direct is exactly 1, has no factor, and leaves the countershaft turning idle', () => {
    const direct = drive(positions.get('4'))
    expect(direct.factors).toEqual([])
    expect(direct.path.map(({ law }) => law.kind)).toEqual(['lock'])
    expect(direct.stretches.some(({ body }) => body === 'counter')).toBe(false)
    const counter = direct.motions.get('counter')
    expect(counter?.kind === 'turns' && formatFraction(counter.speed)).toBe('-2/3')
  })

  test('the way of the torque in 1st: head pair, first pair, sleeve', () => {
    const first = drive(positions.get('1'))
    expect(first.path.map(({ law }) => law.source)).toEqual(['pair-head', 'pair-1', 'coupler-1-2'])
    expect(first.engaged.map(({ coupler, place }) => [coupler.id, place.travel])).toEqual([
      ['coupler-1-2', 'towards-output'],
    ])
  })

  test('neutral: the output stands free while every gear on the countershaft turns', () => {
    const neutral = positions.get('N')
    expect(neutral?.state).toBe('neutral')
    expect(neutral?.motions.get('main')).toEqual({ kind: 'coasts' })
    expect(neutral?.motions.get('main-2')?.kind).toBe('turns')
  })

  test('two gears in at once lock the box', () => {
    const solver = prepareSolver(boxOf(draft))
    const locked = analyse(solver, { 'coupler-1-2': '1', 'coupler-3-4': '3' })
    expect(locked.state).toBe('locked')
    expect(locked.motions.get('input')).toEqual({ kind: 'still' })
  })

  test('a held output is locked while the input turns', () => {
    const held: BoxDraft = {
      ...draft,
      links: [...draft.links, { id: 'pawl', kind: 'held', body: 'main' }],
    }
    const solver = prepareSolver(boxOf(held))
    expect(analyse(solver, {}).state).toBe('output-locked')
    expect(analyse(solver, { 'coupler-1-2': '1' }).state).toBe('locked')
  })

  test('a held input is locked while the output is free', () => {
    const held: BoxDraft = {
      ...draft,
      links: [...draft.links, { id: 'pawl', kind: 'held', body: 'input' }],
    }
    expect(analyse(prepareSolver(boxOf(held)), {}).state).toBe('input-locked')
  })
})

describe('uncounted gears', () => {
  const pattern = threeShaftBox({
    name: 'four',
    forwardCount: 4,
    directAt: 4,
    reverse: 'sliding-idler',
  })
  const stateOf = (draft: BoxDraft, label: string): Analysis | undefined =>
    analyseBox(boxOf(draft)).find(({ position }) => position.label === label)?.analysis

  test('direct needs no counts at all', () => {
    expect(formatFraction(drive(stateOf(pattern, '4')).ratio)).toBe('1')
    expect(stateOf(pattern, 'N')?.state).toBe('neutral')
  })

  test('a position names the counts that it needs and no others', () => {
    const partly = withCounts(pattern, { 'input-head': 19, 'counter-head': 32, 'counter-2': 20 })
    const second = stateOf(partly, '2')
    expect(second?.state === 'uncounted' && second.gears.map(({ id }) => id)).toEqual(['main-2'])
    const whole = withCounts(pattern, {
      'input-head': 19,
      'counter-head': 32,
      'counter-2': 20,
      'main-2': 30,
    })
    // 32/19 × 30/20 by hand.
    expect(formatFraction(drive(stateOf(whole, '2')).ratio)).toBe('48/19')
    expect(stateOf(whole, '3')?.state).toBe('uncounted')
  })

  test('what is beyond an uncounted gear turns at a speed not yet known', () => {
    expect(stateOf(pattern, 'N')?.motions.get('counter')).toEqual({ kind: 'uncounted' })
  })
})

test('a sliding idler drives only where it is slid in, and turns the output back', () => {
  const draft = withCounts(
    threeShaftBox({ name: 'four', forwardCount: 4, directAt: 4, reverse: 'sliding-idler' }),
    {
      'input-head': 18,
      'counter-head': 36,
      'counter-1': 15,
      'main-1': 39,
      'counter-2': 22,
      'main-2': 32,
      'counter-3': 28,
      'main-3': 26,
      'counter-reverse': 14,
      'idler-reverse': 21,
      'main-reverse': 35,
    },
  )
  const analyses = new Map(
    analyseBox(boxOf(draft)).map(({ position, analysis }) => [position.label, analysis]),
  )
  const reverse = drive(analyses.get('R'))
  // −36/18 × 21/14 × 35/21 by hand.
  expect(formatFraction(reverse.ratio)).toBe('-5')
  expect(reverse.path.map(({ law }) => law.source)).toEqual([
    'pair-head',
    'reverse-in',
    'reverse-out',
  ])
  expect(analyses.get('1')?.motions.get('idler')).toEqual({ kind: 'coasts' })
})

/** Shafts of the given names, each on an axis of its own. */
function shafts(...names: readonly string[]): Pick<BoxDraft, 'axes' | 'members'> {
  return { axes: names.map((id) => ({ id })), members: names.map((id) => shaft(id)) }
}

/** A coupler of one shaft that locks, holds or lets go. */
function dog(id: string, hub: string, engages: Coupler['positions'][number]['engages']): Coupler {
  return {
    id,
    kind: 'dog-ring',
    hub,
    stationMm: 50,
    positions: [
      { id: 'off', travel: 'centre', engages: [] },
      { id: 'on', travel: 'towards-output', engages },
    ],
  }
}

describe('an open differential is taken to have both sides alike only where nothing else settles it', () => {
  const feedback = draftOf({
    ...shafts('in', 'c1', 'left', 'right', 'l2', 'aside'),
    gears: [gear('g-l2', 'l2', 20), gear('g-right', 'right', 20)],
    links: [
      { id: 'd1', kind: 'differential', case: 'c1', left: 'left', right: 'right' },
      { id: 'd2', kind: 'differential', case: 'in', left: 'left', right: 'l2' },
      { id: 'pair', kind: 'external-mesh', a: 'g-l2', b: 'g-right' },
    ],
    couplers: [
      dog('unrelated', 'aside', [{ kind: 'hold', body: 'aside' }]),
      dog('brake', 'c1', [{ kind: 'hold', body: 'c1' }]),
    ],
    input: 'in',
    outputs: ['left', 'right'],
    positions: [
      { id: 'free', label: 'free', couplers: {} },
      { id: 'braked', label: 'braked', couplers: { brake: 'on' } },
    ],
  })

  test('the input turns with the case free: not locked (by hand: left = c1 + in, right = c1 − in)', () => {
    const [free, braked] = analyseBox(boxOf(feedback)).map(({ analysis }) => analysis)
    expect(free?.state).toBe('undetermined')
    expect(formatFraction(drive(braked).ratio)).toBe('1')
  })

  test('the table of combinations says the same, whatever coupler comes first', () => {
    const classified = classifyAll(prepareSolver(boxOf(feedback)))
    if (classified.kind !== 'table') throw new Error(classified.kind)
    for (const number of classified.table.states.keys()) {
      const { places, state } = combinationAt(classified.table, number)
      expect(state).toBe(places.brake === 'on' ? 'drive' : 'undetermined')
    }
  })

  test('power that comes in by a side leaves the other open, and nothing throws', () => {
    const analysis = only(
      draftOf({
        ...shafts('q', 'r', 's', 'p', 't'),
        gears: [gear('g-p', 'p', 20), gear('g-s', 's', 20)],
        links: [
          { id: 'd1', kind: 'differential', case: 'r', left: 's', right: 'q' },
          { id: 'pair', kind: 'external-mesh', a: 'g-p', b: 'g-s' },
          { id: 'd2', kind: 'differential', case: 'p', left: 'q', right: 't' },
        ],
        input: 'q',
        outputs: ['t', 'r'],
      }),
    )
    expect(analysis.state).toBe('undetermined')
    expect(analysis.state === 'undetermined' && analysis.open).toEqual(['t', 'r'])
  })

  test('behind an engaged dog clutch it drives both axles alike', () => {
    const centre = draftOf({
      ...shafts('in', 'case', 'front', 'rear', 'front-out'),
      links: [
        { id: 'centre', kind: 'differential', case: 'case', left: 'front', right: 'rear' },
        { id: 'joint', kind: 'joined', a: 'in', b: 'case' },
      ],
      couplers: [dog('dog', 'front', [{ kind: 'lock', body: 'front-out' }])],
      input: 'in',
      outputs: ['rear', 'front-out'],
      positions: [
        { id: 'off', label: 'off', couplers: {} },
        { id: 'on', label: 'on', couplers: { dog: 'on' } },
      ],
    })
    const [off, on] = analyseBox(boxOf(centre)).map(({ analysis }) => analysis)
    expect(off?.state).toBe('neutral')
    expect(formatFraction(drive(on).ratio)).toBe('1')
    expect(drive(on).outputs.map(({ torque }) => formatFraction(torque))).toEqual(['1/2', '1/2'])
  })
})

test('with the first output free, the box drives the other one (common practice: a power take-off in neutral)', () => {
  const takeOff = draftOf({
    ...shafts('in', 'main', 'take-off'),
    gears: [gear('g-in', 'in', 20), gear('g-out', 'take-off', 30)],
    links: [{ id: 'pair', kind: 'external-mesh', a: 'g-in', b: 'g-out' }],
    couplers: [dog('dog', 'main', [{ kind: 'lock', body: 'in' }])],
    input: 'in',
    outputs: ['main', 'take-off'],
    positions: [
      { id: 'n', label: 'N', couplers: {} },
      { id: '1', label: '1', couplers: { dog: 'on' } },
    ],
  })
  const [neutral, first] = analyseBox(boxOf(takeOff)).map(({ analysis }) => drive(analysis))
  expect(neutral?.outputs.map(({ body }) => body)).toEqual(['take-off'])
  expect(neutral && formatFraction(neutral.ratio)).toBe('-3/2')
  expect(first && formatFraction(first.ratio)).toBe('1')
})

describe('a planetary set locked as one', () => {
  const locked = (outputs: readonly string[]): BoxDraft => ({
    ...draftOf({
      axes: [{ id: 'line' }, { id: 'beside' }],
      members: [
        shaft('sun', 'line'),
        { ...shaft('ring', 'line'), kind: 'ring' },
        { ...shaft('carrier', 'line'), kind: 'carrier' },
        shaft('take-off', 'beside'),
      ],
      gears: [
        gear('sun-gear', 'sun', 20),
        gear('ring-gear', 'ring', 80),
        gear('g-sun', 'sun', 30),
        gear('g-off', 'take-off', 30),
      ],
      links: [
        { id: 'set', kind: 'planetary', sun: 'sun-gear', ring: 'ring-gear', carrier: 'carrier' },
        { id: 'pair', kind: 'external-mesh', a: 'g-sun', b: 'g-off' },
      ],
      couplers: [dog('lock', 'sun', [{ kind: 'lock', body: 'ring' }])],
      input: 'sun',
      outputs,
      positions: [{ id: 'on', label: 'on', couplers: { lock: 'on' } }],
    }),
  })

  test('turns as one block, in which no power goes round', () => {
    const analysis = drive(only(locked(['carrier'])))
    expect(formatFraction(analysis.ratio)).toBe('1')
    expect(analysis.circulations).toEqual([])
    expect(analysis.blocks.map(({ id }) => id)).toEqual(['set'])
    expect(analysis.splits).toEqual([])
  })

  test('divides between sun and ring as the counts have it; only the outputs are open', () => {
    const draft = locked(['carrier', 'take-off'])
    const [split, ...others] = drive(only(draft)).splits
    expect(others).toEqual([])
    expect(split?.parts.map(({ laws }) => laws.map(({ kind }) => kind).sort())).toEqual([
      ['lock', 'planetary'],
      ['external-mesh'],
    ])
    if (!split) return
    const shares = [shareOfSplit(split, [ONE, rational(2)])]
    const set = drive(analyse(prepareSolver(boxOf(draft)), { lock: 'on' }, { shares }))
    // A third of the torque goes to the wheels, two thirds to the take-off, turned round.
    expect(set.outputs.map(({ torque }) => formatFraction(torque))).toEqual(['1/3', '-2/3'])
  })
})

test('two locks in one place of a coupler are two laws, each with its own torque', () => {
  const twice = draftOf({
    ...shafts('in', 'one', 'two', 'out'),
    gears: [gear('g1', 'one', 20), gear('g2', 'two', 20), gear('o1', 'out', 40)],
    links: [
      { id: 'p1', kind: 'external-mesh', a: 'g1', b: 'o1' },
      { id: 'p2', kind: 'external-mesh', a: 'g2', b: 'o1' },
    ],
    couplers: [
      dog('both', 'in', [
        { kind: 'lock', body: 'one' },
        { kind: 'lock', body: 'two' },
      ]),
    ],
    input: 'in',
    outputs: ['out'],
    positions: [{ id: 'on', label: 'on', couplers: { both: 'on' } }],
  })
  const box = boxOf(twice)
  const [split] = drive(only(twice)).splits
  if (!split) throw new Error('nothing is shared')
  const shares = [shareOfSplit(split, [rational(1), rational(3)])]
  const set = drive(analyse(prepareSolver(box), { both: 'on' }, { shares }))
  expect(set.splits[0]?.parts.map(({ part }) => formatFraction(part))).toEqual(['1/4', '3/4'])
  const losses = solveLosses(box, set, USUAL_EFFICIENCIES)
  if (losses.kind !== 'solved') throw new Error(losses.kind)
  const lost = [...losses.links, ...losses.bearings]
  const sum = lost.reduce((total, { power }) => total.add(power), losses.efficiency)
  expect(formatFraction(sum)).toBe('1')
})
