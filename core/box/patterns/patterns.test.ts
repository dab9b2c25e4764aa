/**
 * Every arrangement against ratios worked out by hand from the train in each
 * position. The counts are chosen for easy arithmetic and belong to no box.
 */
import { createHash } from 'node:crypto'

import type { Drive } from '../../train/analysis.ts'
import { ordinal } from './rows.ts'
import { analyseBox, surveyBox } from '../../train/analysis.ts'
import { checkBox } from '../check.ts'
import { formatFraction } from '../../number/rational.ts'
import { boxOf } from '../../testing/boxes.ts'
import type { BoxDraft } from '../types.ts'
import type { Chosen, PatternId } from './index.ts'
import { PATTERNS, buildPattern, choose } from './index.ts'
import kept from './kept.json' with { type: 'json' }

/** Counts by what a gear's id begins with or is; the first that fits counts. */
type Counts = readonly (readonly [pattern: RegExp, toothCount: number])[]

function counted(draft: BoxDraft, counts: Counts): BoxDraft {
  return {
    ...draft,
    gears: draft.gears.map((gear) => {
      const toothCount = counts.find(([pattern]) => pattern.test(gear.id))?.[1]
      if (toothCount === undefined) throw new Error(`no count for ${gear.id}`)
      return { ...gear, toothCount }
    }),
  }
}

function ratiosOf(draft: BoxDraft): Readonly<Record<string, string>> {
  return Object.fromEntries(
    analyseBox(boxOf(draft)).map(({ position, analysis }) => [
      position.label,
      analysis.state === 'drive' ? formatFraction(analysis.ratio) : analysis.state,
    ]),
  )
}

interface Case {
  readonly id: PatternId
  readonly chosen: Chosen
  readonly counts: Counts
  /** By hand, driven over driving along the way of each position. */
  readonly expected: Readonly<Record<string, string>>
}

const HEAD: Counts = [
  [/^input-head$/, 20],
  [/^counter.*-head$/, 40],
]

const DUAL: Counts = [
  [/^(odd|even)-\d$/, 24],
  [/^upper-1$/, 72],
  [/^upper-2$/, 48],
  [/^upper-3$/, 36],
  [/^upper-4$/, 24],
  [/^lower-5$/, 30],
  [/^lower-6$/, 24],
  [/^lower-7$/, 18],
  [/^odd-R$/, 16],
  [/^idler-R$/, 19],
  [/^lower-R$/, 40],
  [/^upper-final$/, 15],
  [/^lower-final$/, 20],
  [/^final-ring$/, 60],
]

const HEAVY: Counts = [
  ...HEAD,
  [/^main-1$/, 60],
  [/^main-2$/, 40],
  [/^main-3$/, 30],
  [/^main-4$/, 25],
  [/^main-C$/, 80],
  [/^main-R$/, 50],
  [/^counter-.-R$/, 25],
  [/^counter-.-(slow|fast)$/, 30],
  [/^input-slow$/, 20],
  [/^input-fast$/, 25],
  [/^counter-/, 20],
  [/^idler/, 17],
  [/^main-sun$/, 20],
  [/^ring-gear$/, 60],
  [/^main-range$/, 20],
  [/^range-.-drive$/, 40],
  [/^range-.-low$/, 20],
  [/^output-low$/, 40],
]

const TRANSFER: Counts = [
  [/^transfer-sun$/, 30],
  [/^transfer-ring-gear$/, 60],
  [/sprocket$/, 35],
]

const CASES: readonly Case[] = [
  ...(['constant-mesh', 'sliding'] as const).map((second): Case => ({
    id: 'sliding-gear',
    chosen: { second },
    counts: [
      ...HEAD,
      [/^counter-2$/, 30],
      [/^main-2$/, 33],
      [/^counter-1$/, 15],
      [/^main-1$/, 45],
      [/^counter-reverse$/, 18],
      [/^idler-reverse$/, 17],
    ],
    // Head 40/20; 2nd × 33/30; 1st × 45/15; reverse × 45/18 with one idler; 3rd direct.
    expected: { 1: '6', 2: '11/5', 3: '1', N: 'neutral', R: '-5' },
  })),
  {
    id: 'dog-clutch-three-shaft',
    chosen: { speeds: '3' },
    counts: [...HEAD, [/^main-1$/, 50], [/^main-2$/, 30], [/^main-rev/, 45], [/./, 25]],
    expected: { 1: '4', 2: '12/5', 3: '1', N: 'neutral', R: '-18/5' },
  },
  {
    id: 'sleeve-teeth-reverse',
    chosen: {},
    counts: [
      ...HEAD,
      [/^main-1$/, 50],
      [/^main-2$/, 40],
      [/^main-3$/, 30],
      [/^main-rev/, 45],
      [/./, 25],
    ],
    expected: { 1: '4', 2: '16/5', 3: '12/5', 4: '1', N: 'neutral', R: '-18/5' },
  },
  {
    id: 'countershaft-couplers',
    chosen: { speeds: '5' },
    counts: [
      ...HEAD,
      [/^main-1$/, 50],
      [/^main-2$/, 40],
      [/^main-3$/, 30],
      [/^main-5$/, 10],
      [/^main-rev/, 45],
      [/./, 25],
    ],
    expected: { 1: '4', 2: '16/5', 3: '12/5', 4: '1', 5: '4/5', N: 'neutral', R: '-18/5' },
  },
  ...(['both', 'output'] as const).map((couplers): Case => ({
    id: 'transverse-transaxle',
    chosen: { speeds: '6', couplers },
    counts: [
      [/^output-final$/, 20],
      [/^final-ring$/, 80],
      [/^output-1$/, 60],
      [/^output-2$/, 40],
      [/^output-3$/, 30],
      [/^output-4$/, 20],
      [/^output-5$/, 18],
      [/^output-6$/, 15],
      [/^output-rev/, 50],
      [/^idler/, 23],
      [/./, 20],
    ],
    // Pair × 80/20; two external pairs keep the sense, the idler turns it.
    expected: {
      1: '12',
      2: '8',
      3: '6',
      4: '4',
      5: '18/5',
      6: '3',
      N: 'neutral',
      R: '-10',
    },
  })),
  ...(['first', 'first-and-second'] as const).map((integral): Case => ({
    id: 'longitudinal-transaxle',
    chosen: { integral },
    counts: [
      [/^output-final$/, 10],
      [/^final-ring$/, 40],
      [/^output-1$/, 60],
      [/^output-2$/, 40],
      [/^output-3$/, 30],
      [/^output-4$/, 20],
      [/^output-rev/, 50],
      [/^idler/, 23],
      [/./, 20],
    ],
    expected: { 1: '12', 2: '8', 3: '6', 4: '4', N: 'neutral', R: '-10' },
  })),
  {
    id: 'racing',
    chosen: { speeds: '6' },
    counts: [
      [/^output-1$/, 40],
      [/^output-2$/, 36],
      [/^output-3$/, 30],
      [/^output-4$/, 24],
      [/^output-5$/, 20],
      [/^output-6$/, 16],
      [/^output-rev/, 40],
      [/./, 20],
    ],
    // One external pair: the output turns against the input, and with it over the idler.
    expected: {
      1: '-2',
      2: '-9/5',
      3: '-3/2',
      4: '-6/5',
      5: '-1',
      6: '-4/5',
      N: 'neutral',
      R: '2',
    },
  },
  {
    id: 'motorcycle',
    chosen: { speeds: '6', primary: 'gear' },
    counts: [
      [/^crank-primary$/, 30],
      [/^input-primary$/, 60],
      [/^output-chain$/, 15],
      [/^wheel-chain$/, 45],
      [/^output-1$/, 40],
      [/^output-2$/, 30],
      [/^output-3$/, 28],
      [/^output-4$/, 24],
      [/^output-5$/, 22],
      [/^output-6$/, 20],
      [/^input-\d$/, 20],
    ],
    // Primary 60/30, chain 45/15: six times the pair.
    expected: {
      1: '12',
      N: 'neutral',
      2: '9',
      3: '42/5',
      4: '36/5',
      5: '33/5',
      6: '6',
    },
  },
  {
    id: 'motorcycle',
    chosen: { speeds: '5', primary: 'chain' },
    counts: [
      [/^crank-primary$/, 30],
      [/^input-primary$/, 60],
      [/^output-chain$/, 15],
      [/^wheel-chain$/, 45],
      [/^output-1$/, 40],
      [/^output-2$/, 30],
      [/^output-3$/, 28],
      [/^output-4$/, 24],
      [/^output-5$/, 22],
      [/^input-\d$/, 20],
    ],
    // A primary chain keeps the sense, so the one external pair turns it.
    expected: { 1: '-12', N: 'neutral', 2: '-9', 3: '-42/5', 4: '-36/5', 5: '-33/5' },
  },
  ...(['planetary', 'countershaft'] as const).map((range): Case => ({
    id: 'heavy',
    chosen: { speeds: '10', range },
    counts: HEAVY,
    // Head 40/20; low range 1 + 60/20, or 40/20 × 40/20: both 4.
    expected: {
      1: '24',
      2: '16',
      3: '12',
      4: '10',
      5: '4',
      6: '6',
      7: '4',
      8: '3',
      9: '5/2',
      10: '1',
      N: 'neutral',
      R: '-16',
      R2: '-4',
    },
  })),
  {
    id: 'heavy',
    chosen: { speeds: '18', range: 'countershaft' },
    counts: HEAVY,
    // Slow head 30/20 = 3/2, fast 30/25 = 6/5; direct over the fast head gear: (3/2)/(6/5) = 5/4, and 1.
    expected: {
      CL: '24',
      CH: '96/5',
      '1L': '18',
      '1H': '72/5',
      '2L': '12',
      '2H': '48/5',
      '3L': '9',
      '3H': '36/5',
      '4L': '5',
      '4H': '4',
      '5L': '9/2',
      '5H': '18/5',
      '6L': '3',
      '6H': '12/5',
      '7L': '9/4',
      '7H': '9/5',
      '8L': '5/4',
      '8H': '1',
      N: 'neutral',
      R: '-12',
      R2: '-3',
    },
  },
  {
    id: 'dual-clutch',
    chosen: { speeds: '7' },
    counts: DUAL,
    // Upper pinion 60/15 = 4, lower 60/20 = 3.
    expected: {
      1: '12',
      2: '8',
      3: '6',
      4: '4',
      5: '15/4',
      6: '3',
      7: '9/4',
      N: 'neutral',
      R: '-15/2',
    },
  },
  {
    id: 'dual-clutch',
    chosen: { speeds: '6', axles: 'two' },
    counts: DUAL,
    expected: { 1: '12', 2: '8', 3: '6', 4: '4', 5: '15/4', 6: '3', N: 'neutral', R: '-15/2' },
  },
  {
    id: 'transfer-case',
    chosen: { transfer: 'chain' },
    counts: TRANSFER,
    // Ring held, sun in, carrier out: 1 + 60/30 (Willis).
    expected: { '2H': '1', '4H': '1', '4L': '3', N: 'neutral' },
  },
  {
    id: 'dog-clutch-three-shaft',
    chosen: { speeds: '3', behind: 'one' },
    counts: [
      ...TRANSFER,
      ...HEAD,
      [/^main-1$/, 50],
      [/^main-2$/, 30],
      [/^main-rev/, 45],
      [/./, 25],
    ],
    expected: {
      '1 H': '4',
      '1 L': '12',
      '2 H': '12/5',
      '2 L': '36/5',
      '3 H': '1',
      '3 L': '3',
      'N H': 'neutral',
      'N L': 'neutral',
      'R H': '-18/5',
      'R L': '-54/5',
    },
  },
]

test.each(CASES)('$id $chosen: every position by hand', ({ id, chosen, counts, expected }) => {
  expect(ratiosOf(counted(buildPattern(id, 'box', chosen), counts))).toEqual(expected)
})

/** Every pattern with every combination of its choices. */
const ALL = PATTERNS.flatMap((pattern) =>
  pattern.choices
    .reduce<readonly Chosen[]>(
      (chosen, { id, options }) =>
        chosen.flatMap((before) => options.map((option) => ({ ...before, [id]: option }))),
      [{}],
    )
    .map((chosen) => [pattern.id, chosen] as const),
)

test.each(ALL)('%s %j hangs together, and no position is out of reach', (id, chosen) => {
  const checked = checkBox(buildPattern(id, 'box', chosen))
  expect(checked.ok).toBe(true)
  if (checked.ok) expect(checked.warnings).toEqual([])
})

test.each([
  ['heavy', { speeds: '9' }, 9],
  ['heavy', { speeds: '10' }, 10],
  ['heavy', { speeds: '12' }, 12],
  ['heavy', { speeds: '13' }, 13],
  ['heavy', { speeds: '16' }, 16],
  ['heavy', { speeds: '18' }, 18],
] as const)('%s %j has %d forward positions', (id, chosen, forwardCount) => {
  const { positions } = buildPattern(id, 'box', chosen)
  expect(positions.filter(({ label }) => !/^[NR]/.test(label))).toHaveLength(forwardCount)
})

function driveAt(draft: BoxDraft, label: string): Drive {
  const found = analyseBox(boxOf(draft)).find(({ position }) => position.label === label)
  if (found?.analysis.state !== 'drive') throw new Error(`${label} does not drive`)
  return found.analysis
}

test('two countershafts carry half the input torque times the head ratio each (common practice)', () => {
  const draft = counted(buildPattern('heavy', 'box', { speeds: '10', range: 'planetary' }), HEAVY)
  const { path, splits } = driveAt(draft, '1')
  const heads = path.filter(({ law }) => law.source.startsWith('pair-head'))
  expect(heads.map(({ to }) => to.map(({ torque }) => formatFraction(torque.abs())))).toEqual([
    ['1'],
    ['1'],
  ])
  expect(splits.length).toBeGreaterThan(0)
})

test('each side shaft takes half of what the differential case has', () => {
  const draft = counted(buildPattern('dual-clutch', 'box', { speeds: '7' }), DUAL)
  expect(driveAt(draft, '1').outputs.map(({ torque }) => formatFraction(torque))).toEqual([
    '6',
    '6',
  ])
})

test('an inter-axle differential gives half to the second axle and a quarter to each wheel of the first', () => {
  const draft = counted(buildPattern('dual-clutch', 'box', { axles: 'two' }), DUAL)
  const { outputs, balanced } = driveAt(draft, '1')
  expect(outputs.map(({ body, torque }) => [body, formatFraction(torque)])).toEqual([
    ['left', '3'],
    ['right', '3'],
    ['second-axle', '6'],
  ])
  expect(balanced.map(({ link }) => link.id)).toEqual(['differential', 'inter-axle'])
})

test('a choice that is no option is the initial one', () => {
  expect(buildPattern('racing', 'box', { speeds: '9' })).toEqual(buildPattern('racing', 'box', {}))
})

test('a four-speed starts with direct fourth, five and six with one above direct (common practice)', () => {
  const pattern = PATTERNS.find(({ id }) => id === 'three-shaft')
  if (!pattern) throw new Error('no pattern')
  const directOf = (chosen: Chosen): string | undefined =>
    surveyBox(boxOf(buildPattern('three-shaft', 'box', chosen))).find(({ ratio }) => ratio?.isOne())
      ?.position.label
  expect(['4', '5', '6'].map((speeds) => directOf({ speeds }))).toEqual(['4', '4', '5'])
  // What was chosen for five speeds is not kept for four.
  const five = choose(pattern, { speeds: '5' }, 'overdrives', '2')
  expect(directOf(five)).toBe('3')
  expect(directOf(choose(pattern, five, 'speeds', '4'))).toBe('4')
})

test('the last figure of a number says how it is told, but for the teens', () => {
  expect([1, 2, 3, 4, 11, 12, 13, 21, 102, 111].map(ordinal)).toEqual([
    '1st',
    '2nd',
    '3rd',
    '4th',
    '11th',
    '12th',
    '13th',
    '21st',
    '102nd',
    '111th',
  ])
})

/** Values in one order of their keys, so that only what they say counts. */
function inOrder(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(inOrder)
  if (typeof value !== 'object' || value === null) return value
  return Object.fromEntries(
    Object.entries(value)
      .toSorted(([a], [b]) => (a < b ? -1 : 1))
      .map(([key, each]) => [key, inOrder(each)]),
  )
}

/**
 * Shops have boxes made from these patterns, with counts and jobs by the ids of their parts.
 * `kept.json` has the digest of each as it was before patterns were written as rows; of motorcycles,
 * since their output shaft has a bearing at both ends and its sprocket outside; of the transaxle along
 * the car, since its final drive is a bevel pair. Ids are as before.
 */
test('every pattern with every choice gives the box that it has always given, to the last id', () => {
  const given = PATTERNS.flatMap(({ id, choices }) =>
    choices
      .reduce<readonly Chosen[]>(
        (all, choice) =>
          all.flatMap((chosen) =>
            choice.options.map((option) => ({ ...chosen, [choice.id]: option })),
          ),
        [{}],
      )
      .map((chosen) => {
        const box = buildPattern(id, 'box', chosen)
        const { axes, couplers, gears, input, interlocks, links } = box
        const { members, outputs, positions, rules } = box
        const text = JSON.stringify(
          inOrder({
            ...{ axes, couplers, gears, input, interlocks, links },
            ...{ members, outputs, positions, rules },
          }),
        )
        const digest = createHash('sha256').update(text).digest('hex').slice(0, 16)
        return [[id, ...Object.values(chosen)].join(' '), digest] as const
      }),
  )
  expect(Object.fromEntries(given)).toMatchObject(kept)
})
