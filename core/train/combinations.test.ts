import fc from 'fast-check'

import { analyse, analyseBox, prepareSolver } from './analysis.ts'
import type { CouplerPlaces } from '../box/box.ts'
import type { Classification, CombinationTable, FoundPosition } from './combinations.ts'
import {
  MOST_COMBINATIONS,
  classifyAll,
  classifyCombinations,
  combinationAt,
  countCombinations,
  countStates,
  findPositions,
  fullPlaces,
  isNearRepeat,
} from './combinations.ts'
import { PATTERNS, buildPattern } from '../box/patterns/index.ts'
import type { Chosen, PatternId } from '../box/patterns/index.ts'
import { formatFraction, rational } from '../number/rational.ts'
import { couplersOn, tangle, wideTangle } from '../testing/arbitraries.ts'
import { boxOf, withCounts } from '../testing/boxes.ts'
import { classifyByFloats } from '../testing/floats.ts'
import type { BoxDraft } from '../box/types.ts'

/** Relative error allowed to the float solution. */
const FLOAT_TOLERANCE = 1e-8

function tableOf(draft: BoxDraft): CombinationTable {
  const classified = classifyAll(prepareSolver(boxOf(draft)))
  if (classified.kind !== 'table') throw new Error(`no table but ${classified.kind}`)
  return classified.table
}

/** The two countershafts, and what belongs to them, must have the same counts. */
function symmetrically(draft: BoxDraft, count: (id: string) => number): BoxDraft {
  const counts = new Map<string, number>()
  for (const { id } of draft.gears) {
    const kin = id.replace(/-b-/, '-a-')
    counts.set(id, counts.get(kin) ?? count(kin))
  }
  return withCounts(draft, Object.fromEntries(counts))
}

/** Every combination in the table against an analysis of its own. */
function expectSameAsOneByOne(draft: BoxDraft): void {
  const table = tableOf(draft)
  const solver = prepareSolver(boxOf(draft))
  for (let number = 0; number < countCombinations(draft); number++) {
    const { places, state, ratio } = combinationAt(table, number)
    const alone = analyse(solver, places)
    expect([places, state]).toEqual([places, alone.state])
    if (alone.state === 'drive')
      expect(ratio && formatFraction(ratio)).toBe(formatFraction(alone.ratio))
    else expect(ratio).toBeNull()
  }
}

test.each(PATTERNS.map(({ id }) => id))(
  'all combinations of %s are what each is when analysed alone',
  (id) => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 12, max: 70 }), { minLength: 60, maxLength: 60 }),
        (teeth) => {
          let at = 0
          expectSameAsOneByOne(
            // A ring is larger than its sun.
            symmetrically(
              buildPattern(id, 'box', {}),
              (gear) => (teeth[at++] ?? 20) + (gear.includes('ring') ? 60 : 0),
            ),
          )
        },
      ),
      { numRuns: 3 },
    )
  },
)

test('all combinations of random tangles with random couplers are what each is alone', () => {
  fc.assert(
    fc.property(couplersOn(tangle), (draft) => {
      expectSameAsOneByOne(draft)
    }),
    { numRuns: 60 },
  )
})

test('all combinations of boxes with several outputs are what each is alone', () => {
  fc.assert(
    fc.property(couplersOn(wideTangle), (draft) => {
      expectSameAsOneByOne(draft)
    }),
    { numRuns: 120 },
  )
})

test('all combinations of random tangles are what their singular values say', () => {
  fc.assert(
    fc.property(couplersOn(fc.oneof(tangle, wideTangle)), (draft) => {
      const table = tableOf(draft)
      for (let number = 0; number < countCombinations(draft); number++) {
        const { places, state, ratio } = combinationAt(table, number)
        const expected = classifyByFloats(draft, places)
        expect([places, state]).toEqual([places, expected.state])
        if (ratio && expected.ratio !== undefined)
          expect(Math.abs(ratio.toNumber() / expected.ratio - 1)).toBeLessThan(FLOAT_TOLERANCE)
      }
    }),
    { numRuns: 25 },
  )
})

function usable(draft: BoxDraft): readonly FoundPosition[] {
  return findPositions(draft, tableOf(draft)).filter(
    ({ idle, barredBy }) => idle.length === 0 && barredBy === null,
  )
}

/** Counts that make every position of a pattern a ratio of its own. */
function different(id: PatternId, chosen: Chosen): BoxDraft {
  let count = 17
  return symmetrically(buildPattern(id, 'box', chosen), (gear) => {
    count += 1
    return gear.includes('ring') ? count + 60 : count
  })
}

describe('positions are found and not declared', () => {
  // What the patterns list is what a driver has, so what is found must be the same.
  test.each([
    ['three-shaft', { speeds: '6' }],
    ['countershaft-couplers', {}],
    ['sleeve-teeth-reverse', {}],
    ['dog-clutch-three-shaft', {}],
    ['sliding-gear', { second: 'sliding' }],
    ['transverse-transaxle', {}],
    ['longitudinal-transaxle', {}],
    ['racing', {}],
    ['motorcycle', {}],
    ['heavy', { speeds: '9' }],
    ['heavy', { speeds: '10' }],
    ['dual-clutch', { speeds: '7' }],
    ['transfer-case', {}],
  ] as const)('%s %j', (id, chosen) => {
    const draft = different(id, chosen)
    const key = (places: Readonly<Record<string, string>>): string =>
      Object.entries(fullPlaces(draft.couplers, places))
        .map((place) => place.join())
        .sort()
        .join()
    const listed = draft.positions.filter(({ label }) => !label.startsWith('N'))
    expect(new Set(usable(draft).map(({ places }) => key(places)))).toEqual(
      new Set(listed.map(({ couplers }) => key(couplers))),
    )
  })

  test('in the order of their ratios, forward before reverse', () => {
    const draft = different('three-shaft', { speeds: '5' })
    const ratios = usable(draft).map(({ ratio }) => ratio.toNumber())
    expect(ratios.slice(0, 5)).toEqual([...ratios.slice(0, 5)].sort((a, b) => b - a))
    expect(ratios.slice(0, 5).every((ratio) => ratio > 0)).toBe(true)
    expect(ratios[5]).toBeLessThan(0)
  })

  test('where most positions turn the output back, that is forward', () => {
    // A racing box has one external pair in every position but reverse.
    expect(usable(different('racing', {})).at(-1)?.ratio.sign()).toBe(1)
  })

  test('a crawler in the high range and an overdrive split in the low one are barred by their rule', () => {
    const draft = different('heavy', { speeds: '13' })
    const bars = findPositions(draft, tableOf(draft)).flatMap(({ idle, barredBy }) =>
      idle.length === 0 && barredBy !== null ? [barredBy] : [],
    )
    expect(new Set(bars)).toEqual(new Set(['crawler', 'split']))
  })

  test('the next gear held ready on the open clutch is engaged and idle', () => {
    const draft = different('dual-clutch', {})
    const ready = findPositions(draft, tableOf(draft)).find(
      ({ places, barredBy }) =>
        places['clutch-odd'] === 'closed' &&
        places['coupler-3-1'] === '1' &&
        places['coupler-2-4'] === '2' &&
        places['clutch-even'] === 'centre' &&
        barredBy === null,
    )
    expect(ready?.idle).toEqual(['coupler-2-4'])
  })

  test('two gears on two closed clutches lock the input, and leave the wheels to turn against each other', () => {
    const draft = different('dual-clutch', {})
    const solver = prepareSolver(boxOf(draft))
    const both = { 'clutch-odd': 'closed', 'coupler-3-1': '1', 'coupler-2-4': '2' }
    expect(analyse(solver, both).state).toBe('drive')
    const locked = analyse(solver, { ...both, 'clutch-even': 'closed' })
    expect(locked.state).toBe('input-locked')
    expect('opposed' in locked && locked.opposed.map(({ link }) => link.kind)).toEqual([
      'differential',
    ])
  })
})

describe('outputs that can only turn against each other are locked, whatever the input does', () => {
  const draft = different('dual-clutch', {})
  const solver = prepareSolver(boxOf(draft))

  test('two gears on one output each hold the differential case, and the input is free', () => {
    const ids = draft.couplers.map(({ id }) => id)
    const odd = draft.positions.filter(({ label }) => label === '1' || label === '5')
    const places = Object.assign(
      {},
      ...odd.map(({ couplers }) =>
        Object.fromEntries(Object.entries(couplers).filter(([id]) => !id.startsWith('clutch'))),
      ),
    ) as Record<string, string>
    expect(Object.keys(places).every((id) => ids.includes(id))).toBe(true)
    const analysis = analyse(solver, places)
    expect(analysis.state).toBe('output-locked')
    expect('opposed' in analysis && analysis.opposed.map(({ link }) => link.kind)).toEqual([
      'differential',
    ])
    for (const body of draft.outputs) expect(analysis.motions.get(body)?.kind).toBe('coasts')
    const differential = draft.links.find(({ kind }) => kind === 'differential')
    expect(
      differential?.kind === 'differential' && analysis.motions.get(differential.case),
    ).toEqual({
      kind: 'still',
    })
  })

  test('with no gear in, and with one, they are free', () => {
    expect(analyse(solver, {}).state).toBe('neutral')
    expect(analyse(solver, { 'coupler-3-1': '1' }).state).toBe('neutral')
  })

  test('every combination is as a general-purpose package finds it', () => {
    const table = tableOf(draft)
    for (let number = 0; number < table.states.length; number++) {
      const { places, state } = combinationAt(table, number)
      expect([number, state]).toEqual([number, classifyByFloats(draft, places).state])
    }
  })
})

test('the states add up to all combinations', () => {
  const draft = different('heavy', { speeds: '18', range: 'countershaft' })
  const counts = Object.values(countStates(tableOf(draft)))
  expect(counts.reduce((sum, count) => sum + count, 0)).toBe(countCombinations(draft))
  // Splitter 2 × range 2 × three couplers of three places.
  expect(countCombinations(draft)).toBe(2 * 2 * 3 ** 3)
})

test('what is not counted yet is asked for', () => {
  const draft = buildPattern('sliding-gear', 'box', {})
  const classified: Classification = classifyAll(prepareSolver(boxOf(draft)))
  expect(classified.kind === 'uncounted' && classified.gears).toHaveLength(draft.gears.length)
})

test('more combinations than can be tabulated are refused with their number', () => {
  const draft = different('sliding-gear', {})
  const [coupler] = draft.couplers
  if (!coupler) throw new Error('the pattern has no coupler')
  const couplers = Array.from({ length: 20 }, (_, at) => ({ ...coupler, id: `c${at}` }))
  expect(
    classifyAll(prepareSolver(boxOf({ ...draft, couplers, positions: [], interlocks: [] }))),
  ).toEqual({ kind: 'too-many', combinations: 3 ** 20, most: MOST_COMBINATIONS })
})

test('progress is told while the work goes on, so that it can be stopped', () => {
  const draft = different('three-shaft', {})
  const [coupler] = draft.couplers
  if (!coupler) throw new Error('the pattern has no coupler')
  const couplers = [
    ...draft.couplers,
    ...Array.from({ length: 4 }, (_, at) => ({ ...coupler, id: `c${at}` })),
  ]
  const steps = classifyCombinations(prepareSolver(boxOf({ ...draft, couplers })))
  const first = steps.next()
  expect(first.done).toBe(false)
  expect(first.value).toBeLessThan(countCombinations({ ...draft, couplers }))
})

test.each([
  ['101', '100', 1, true],
  ['102', '100', 1, false],
  ['-101', '100', 1, false],
  ['1', '1', 0, true],
])('%s and %s within %d %%: %s', (one, other, percent, expected) => {
  expect(isNearRepeat(rational(Number(one)), rational(Number(other)), percent)).toBe(expected)
})

test('ids that objects know by themselves are ids like others', () => {
  const draft = different('three-shaft', {})
  const odd = ['constructor', '__proto__', 'toString', 'hasOwnProperty', 'valueOf']
  const renamed = odd.slice(0, draft.couplers.length)
  const nameOf = (id: string): string =>
    renamed[draft.couplers.findIndex((each) => each.id === id)] ?? id
  const places = (of: CouplerPlaces): CouplerPlaces =>
    Object.fromEntries(Object.entries(of).map(([id, place]) => [nameOf(id), place]))
  const same: BoxDraft = {
    ...draft,
    couplers: draft.couplers.map((each) => ({ ...each, id: nameOf(each.id) })),
    positions: draft.positions.map((each) => ({ ...each, couplers: places(each.couplers) })),
    interlocks: (draft.interlocks ?? []).map((each) => ({
      ...each,
      couplers: each.couplers.map(nameOf),
    })),
    rules: (draft.rules ?? []).map((each) => ({ ...each, forbids: places(each.forbids) })),
  }
  expect(analyseBox(boxOf(same)).map(({ analysis }) => analysis.state)).toEqual(
    analyseBox(boxOf(draft)).map(({ analysis }) => analysis.state),
  )
  expect(usable(same).map(({ ratio }) => formatFraction(ratio))).toEqual(
    usable(draft).map(({ ratio }) => formatFraction(ratio)),
  )
  // A draft that names no place of them leaves them at their centres.
  const id = draft.positions[0]?.id ?? ''
  const silent = { ...same, positions: [{ id, label: 'none', couplers: {} }] }
  expect(analyseBox(boxOf(silent))[0]?.analysis.state).toBe('neutral')
})
