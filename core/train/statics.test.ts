import type { Law } from './laws.ts'
import { standingLaws } from './laws.ts'
import type { Rational } from '../number/rational.ts'
import { ONE, formatFraction, rational } from '../number/rational.ts'
import type { Share } from './statics.ts'
import { solveStatics } from './statics.ts'
import { boxOf, draftOf, gear, planetaryDraft, shaft, trainDraft } from '../testing/boxes.ts'
import type { BoxDraft } from '../box/types.ts'

/** The torque of each law on each body, by "law body". */
function torques(
  draft: BoxDraft,
  load: Readonly<Record<string, Rational>>,
  shares: readonly Share[] = [],
): Readonly<Record<string, string>> {
  const statics = solveStatics(standingLaws(boxOf(draft)), new Map(Object.entries(load)), shares)
  if (!statics) throw new Error('no torques balance the box')
  const { multipliers } = statics
  const result: Record<string, string> = {}
  for (const [law, multiplier] of multipliers)
    for (const { body, coefficient } of law.terms)
      result[`${law.source} ${body}`] = formatFraction(multiplier.mul(coefficient))
  return result
}

test('a pair of 12 and 24: twice the torque, against the tooth force on the pinion (common practice)', () => {
  expect(torques(trainDraft([[12, 24]]), { 'shaft-0': ONE, 'shaft-1': rational(2) })).toEqual({
    'pair-0 shaft-0': '-1',
    'pair-0 shaft-1': '-2',
  })
})

test('torques in a planetary set are as zs : zr : −(zs + zr) (Willis; Machinery’s Handbook)', () => {
  const draft = planetaryDraft({ sun: 20, ring: 80 }, 'ring', 'sun', 'carrier')
  expect(torques(draft, { sun: ONE, carrier: rational(-5) })).toEqual({
    'set sun': '-1',
    'set ring': '-4',
    'set carrier': '5',
    'brake ring': '4',
  })
})

test('an open differential gives both sides the same torque (common practice)', () => {
  const draft = draftOf({
    axes: [{ id: 'line' }],
    members: [shaft('case', 'line'), shaft('left', 'line'), shaft('right', 'line')],
    links: [{ id: 'diff', kind: 'differential', case: 'case', left: 'left', right: 'right' }],
    input: 'case',
    outputs: ['left', 'right'],
  })
  const half = rational(-1, 2)
  expect(torques(draft, { case: ONE, left: half, right: half })).toEqual({
    'diff left': '1/2',
    'diff right': '1/2',
    'diff case': '-1',
  })
})

/** One shaft drives another through as many pairs as given. */
function parallelPairs(pairs: readonly (readonly [number, number])[]): BoxDraft {
  return draftOf({
    axes: [{ id: 'one' }, { id: 'two' }],
    members: [shaft('one'), shaft('two')],
    gears: pairs.flatMap(([driving, driven], at) => [
      gear(`a${at}`, 'one', driving, { stationMm: 10 * at }),
      gear(`b${at}`, 'two', driven, { stationMm: 10 * at }),
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
}

test.each([2, 3, 4])('%d equal pairs side by side share equally', (count) => {
  const draft = parallelPairs(Array.from({ length: count }, () => [20, 40] as const))
  const result = torques(draft, { one: ONE, two: rational(2) })
  for (let at = 0; at < count; at++) expect(result[`p${at} one`]).toBe(`-1/${count}`)
})

test('of two pairs with one ratio the larger takes more: λ is least in squares', () => {
  // λ1·20 + λ2·40 = 1 with the least λ1² + λ2²: λ ∝ (20, 40), so torques are as 400 : 1600.
  const result = torques(
    parallelPairs([
      [20, 40],
      [40, 80],
    ]),
    { one: ONE, two: rational(2) },
  )
  expect(result['p0 one']).toBe('-1/5')
  expect(result['p1 one']).toBe('-4/5')
})

test('only what was shared by assumption is said to be', () => {
  const shared = (draft: BoxDraft): readonly Law[] => [
    ...(solveStatics(
      standingLaws(boxOf(draft)),
      new Map([
        [draft.input, ONE],
        [draft.outputs[0] ?? '', rational(2)],
      ]),
    )?.shared.keys() ?? []),
  ]
  expect(shared(trainDraft([[20, 40]]))).toEqual([])
  expect(
    shared(
      parallelPairs([
        [20, 40],
        [20, 40],
      ]),
    ).map(({ source }) => source),
  ).toEqual(['p0', 'p1'])
})

test('a load that the laws cannot balance has no torques', () => {
  const laws = standingLaws(boxOf(trainDraft([[12, 24]])))
  const load = new Map([
    ['shaft-0', ONE],
    ['shaft-1', ONE],
  ])
  expect(solveStatics(laws, load)).toBeUndefined()
})

const twoEqualPairs = parallelPairs([
  [20, 40],
  [20, 40],
])

test('a share of 55 to 45 that a person sets is held to', () => {
  const share: Share = {
    body: 'one',
    parts: [
      { law: 'p0', part: rational(55) },
      { law: 'p1', part: rational(45) },
    ],
  }
  const result = torques(twoEqualPairs, { one: ONE, two: rational(2) }, [share])
  expect(result).toMatchObject({ 'p0 one': '-11/20', 'p1 one': '-9/20' })
  // Twice the torque on the driven side of each pair.
  expect(result).toMatchObject({ 'p0 two': '-11/10', 'p1 two': '-9/10' })
})

test('three paths share as 5 to 3 to 2', () => {
  const draft = parallelPairs([
    [20, 40],
    [20, 40],
    [20, 40],
  ])
  const parts = [5, 3, 2].map((part, at) => ({ law: `p${at}`, part: rational(part) }))
  const result = torques(draft, { one: ONE, two: rational(2) }, [{ body: 'one', parts }])
  expect([0, 1, 2].map((at) => result[`p${at} one`])).toEqual(['-1/2', '-3/10', '-1/5'])
})

test('a share that the laws do not leave open has no torques', () => {
  const draft = planetaryDraft({ sun: 20, ring: 80 }, 'ring', 'sun', 'carrier')
  const laws = standingLaws(boxOf(draft))
  const load = new Map([
    ['sun', ONE],
    ['carrier', rational(-5)],
  ])
  const share: Share = {
    body: 'ring',
    parts: [
      { law: 'set', part: ONE },
      { law: 'brake', part: rational(2) },
    ],
  }
  expect(solveStatics(laws, load)).toBeDefined()
  expect(solveStatics(laws, load, [share])).toBeUndefined()
})
