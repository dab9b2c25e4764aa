/**
 * A heavy box: a main box with two countershafts that share the load, a range
 * section behind it that multiplies every position by two, and with some a
 * splitter before it that does so once more.
 */
import type { BoxDraft, Gear, Rule } from '../types.ts'
import { PEDAL_STAGES } from '../selectors/pedal.ts'
import type { PositionRow, RowPart, ShaftRow } from './rows.ts'
import {
  END,
  FACE_MM,
  GAP_MM,
  SLEEVE_MM,
  START,
  STUB_MM,
  at,
  coupler,
  couplerId,
  couplersIn,
  gatePlace,
  gears,
  holds,
  layOut,
  locks,
  mesh,
  ordinal,
  past,
  positionsOf,
} from './rows.ts'

export const HEAVY_COUNTS = [9, 10, 12, 13, 16, 18] as const
type HeavyCount = (typeof HEAVY_COUNTS)[number]
export const RANGE_KINDS = ['planetary', 'countershaft'] as const
type RangeKind = (typeof RANGE_KINDS)[number]

interface HeavyChoices {
  readonly name: string
  readonly forwardCount: HeavyCount
  readonly range: RangeKind
}

interface Plan {
  /** Places of the main box below its direct one; "C" is a crawler. */
  readonly mainGears: readonly string[]
  readonly hasSplitter: boolean
  /** Whether the splitter may also be used in the low range. */
  readonly splitsLow: boolean
  /** Whether the two halves of a position are told apart by a letter, not by numbers of their own. */
  readonly hasLetters?: boolean
}

const PLANS: Readonly<Record<HeavyCount, Plan>> = {
  9: { mainGears: ['C', '1', '2', '3'], hasSplitter: false, splitsLow: false },
  10: { mainGears: ['1', '2', '3', '4'], hasSplitter: false, splitsLow: false },
  12: { mainGears: ['1', '2'], hasSplitter: true, splitsLow: true },
  13: { mainGears: ['C', '1', '2', '3'], hasSplitter: true, splitsLow: false, hasLetters: true },
  16: { mainGears: ['1', '2', '3'], hasSplitter: true, splitsLow: true },
  18: { mainGears: ['C', '1', '2', '3'], hasSplitter: true, splitsLow: true, hasLetters: true },
}

/** The two countershafts, with their lines and those of the reverse idlers beside them. */
const SIDES = ['a', 'b'] as const
type Side = (typeof SIDES)[number]

/** What stands on the second side is a twin of what stands on the first. */
function twinOn(side: Side, first: string): Pick<Gear, 'twinOf'> {
  return side === SIDES[0] ? {} : { twinOf: first }
}

/** A gear on the shaft of one side, by what its id ends in. */
function sideGear(
  side: Side,
  shaft: string,
  id: string,
  label: string,
  mount: 'fixed' | 'integral' = 'fixed',
): NonNullable<RowPart['gears']> {
  return gears(label, {
    [`${shaft}-${side}-${id}`]: { mount, ...twinOn(side, `${shaft}-${SIDES[0]}-${id}`) },
  })
}

/** A gear of the main line in mesh with one on each countershaft. */
function threesome(id: string, label: string, member: string, mount: 'free' | 'integral'): RowPart {
  const middle = `${member}-${id}`
  return {
    name: id,
    room: FACE_MM,
    gears: [
      ...gears(label, { [middle]: mount }),
      ...SIDES.flatMap((side) => sideGear(side, 'counter', id, label)),
    ],
    links: SIDES.map((side) => mesh(`pair-${id}-${side}`, `counter-${side}-${id}`, middle)),
  }
}

/** Reverse, with an idler beside each countershaft. */
const REVERSE: RowPart = {
  name: 'R',
  room: FACE_MM,
  gears: [
    ...gears('reverse gear', { 'main-R': 'free' }),
    ...SIDES.flatMap((side) => [
      ...sideGear(side, 'counter', 'R', 'reverse gear'),
      ...sideGear(side, 'idler', 'R', 'reverse idler'),
    ]),
  ],
  links: SIDES.flatMap((side) => [
    mesh(`reverse-in-${side}`, `counter-${side}-R`, `idler-${side}-R`),
    mesh(`reverse-out-${side}`, `idler-${side}-R`, 'main-R'),
  ]),
}

const HEADS = {
  splitter: [
    threesome('slow', 'slow head gear', 'input', 'free'),
    { name: 'between heads', room: SLEEVE_MM },
    threesome('fast', 'fast head gear', 'input', 'free'),
    coupler({
      id: 'splitter',
      kind: 'splitter',
      hub: 'input',
      before: locks('slow', 'input-slow'),
      after: locks('fast', 'input-fast'),
      hasCentre: false,
      room: at('between heads'),
    }),
  ],
  plain: [threesome('head', 'head gear', 'input', 'integral')],
} as const satisfies Readonly<Record<string, readonly RowPart[]>>

/** Direct first, then downwards to the lowest, then reverse: two by two about their dog ring. */
function mainRow({ mainGears, hasSplitter }: Plan): readonly RowPart[] {
  const served = ['D', ...[...mainGears].reverse(), 'R']
  const gearOf = (which: string | null): readonly RowPart[] => {
    if (which === null || which === 'D') return []
    if (which === 'R') return [REVERSE]
    const label = which === 'C' ? 'crawler gear' : `${ordinal(Number(which))} gear`
    return [threesome(which, label, 'main', 'free')]
  }
  const direct = hasSplitter ? 'input-fast' : 'input'
  const place = (which: string | null) =>
    which === null ? undefined : locks(which, which === 'D' ? direct : `main-${which}`)
  return Array.from({ length: Math.ceil(served.length / 2) }, (_, index) => {
    const [first = null, second = null] = served.slice(2 * index)
    const [before, after] = second === null ? [null, first] : [first, second]
    return [
      ...gearOf(before),
      coupler({
        id: couplerId(before, after),
        kind: 'dog-ring',
        hub: 'main',
        before: place(before),
        after: place(after),
      }),
      ...gearOf(after),
    ]
  }).flat()
}

interface RangeRows {
  readonly row: readonly RowPart[]
  readonly shafts: readonly ShaftRow[]
}

/** What multiplies every position by two, from the end of the main box on. */
const RANGES: Readonly<Record<RangeKind, RangeRows>> = {
  // Sun on the main shaft; the ring is held in low and turns with the carrier in high.
  planetary: {
    row: [
      coupler({
        id: 'range',
        kind: 'range',
        hub: 'ring',
        before: holds('low', 'ring'),
        after: locks('high', 'output'),
        hasCentre: false,
      }),
      {
        name: 'range set',
        room: FACE_MM,
        gears: [
          ...gears('range sun', { 'main-sun': 'fixed' }),
          ...gears('range ring', { 'ring-gear': 'fixed' }),
        ],
        links: [
          {
            id: 'range-set',
            kind: 'planetary',
            sun: 'main-sun',
            ring: 'ring-gear',
            carrier: 'output',
          },
        ],
      },
    ],
    shafts: [
      {
        id: 'main',
        kind: 'main-shaft',
        axis: 'main-line',
        ends: [past('heads'), at('range set', FACE_MM / 2)],
      },
      {
        id: 'ring',
        kind: 'ring',
        name: 'range ring',
        axis: 'main-line',
        isHollow: true,
        ends: [at('range', -SLEEVE_MM / 2), at('range set', FACE_MM / 2)],
      },
      {
        id: 'output',
        kind: 'output-shaft',
        axis: 'main-line',
        ends: [at('range set', FACE_MM / 2), at(END, STUB_MM)],
      },
    ],
  },
  // A second pair of countershafts: direct in high, through them in low.
  countershaft: {
    row: [
      { name: 'range drive', room: FACE_MM },
      coupler({
        id: 'range',
        kind: 'range',
        hub: 'output',
        before: locks('high', 'main'),
        after: locks('low', 'output-low'),
        hasCentre: false,
      }),
      { name: 'range low', room: FACE_MM },
      {
        name: 'range drive gears',
        room: at('range drive'),
        gears: gears('range drive gear', { 'main-range': 'fixed' }),
      },
      {
        name: 'range low gears',
        room: at('range low'),
        gears: gears('low range gear', { 'output-low': 'free' }),
      },
      ...SIDES.flatMap((side): readonly RowPart[] => [
        {
          name: `range drive ${side}`,
          room: at('range drive'),
          gears: sideGear(side, 'range', 'drive', 'range drive gear'),
        },
        {
          name: `range low ${side}`,
          room: at('range low'),
          gears: sideGear(side, 'range', 'low', 'low range gear', 'integral'),
          links: [
            mesh(`range-in-${side}`, 'main-range', `range-${side}-drive`),
            mesh(`range-out-${side}`, `range-${side}-low`, 'output-low'),
          ],
        },
      ]),
    ],
    shafts: [
      ...SIDES.map((side): ShaftRow => ({
        id: `range-${side}`,
        kind: 'countershaft',
        name: `range countershaft ${side}`,
        axis: `counter-${side}-line`,
        ends: [at('range drive', -FACE_MM), at('range low', FACE_MM)],
      })),
      {
        id: 'main',
        kind: 'main-shaft',
        axis: 'main-line',
        ends: [past('heads'), at('range drive', FACE_MM / 2 + GAP_MM)],
      },
      {
        id: 'output',
        kind: 'output-shaft',
        axis: 'main-line',
        ends: [at('range drive', FACE_MM / 2 + GAP_MM), at(END, STUB_MM)],
      },
    ],
  },
}

const SHAFTS: readonly ShaftRow[] = [
  ...SIDES.map((side): ShaftRow => ({
    id: `idler-${side}`,
    kind: 'idler',
    name: `idler ${side}`,
    axis: `idler-${side}-line`,
    ends: [at('R', -FACE_MM), at('R', FACE_MM)],
  })),
  ...SIDES.map((side): ShaftRow => ({
    id: `counter-${side}`,
    kind: 'countershaft',
    name: `countershaft ${side}`,
    axis: `counter-${side}-line`,
    ends: [at(START, STUB_MM - 2 * GAP_MM), past('main box')],
  })),
  { id: 'input', kind: 'input-shaft', axis: 'main-line', ends: [at(START), past('heads')] },
]

/** The positions from the lowest up: the main box in low, then in high, each split where it may be. */
function positionRows(plan: Plan): readonly PositionRow[] {
  const { mainGears, hasSplitter, splitsLow, hasLetters = false } = plan
  const main = [...mainGears.filter((which) => which !== 'C'), 'D']
  const splits = (isUsed: boolean): readonly (string | null)[] =>
    !hasSplitter ? [null] : isUsed ? ['slow', 'fast'] : ['slow']
  const place = (label: string, which: string, half: string, split: string | null): PositionRow => {
    const gate = which === 'C' || which === 'R' ? 'left row' : gatePlace(main.indexOf(which) + 1)
    return split === null
      ? [label, `${gate}, ${half} range`, which, half]
      : [label, `${gate}, ${half} range, ${split} split`, split, which, half]
  }
  const letters: Readonly<Record<string, string>> = { slow: 'L', fast: 'H' }
  const letterOf = (split: string | null, isSplit: boolean): string =>
    (isSplit && split !== null ? letters[split] : undefined) ?? ''
  const crawlers = !mainGears.includes('C')
    ? []
    : splits(splitsLow).map((split) => place(`C${letterOf(split, splitsLow)}`, 'C', 'low', split))
  const all = ['low', 'high'].flatMap((half, before) =>
    main.flatMap((which, index) => {
      const used = splits(splitsLow || half === 'high')
      const number = before * main.length + index + 1
      return used.map((split) => ({
        which,
        half,
        split,
        letters: `${number}${letterOf(split, used.length > 1)}`,
      }))
    }),
  )
  const rest = splits(false)[0] ?? null
  return [
    ...crawlers,
    ...all.map((each, before) =>
      place(hasLetters ? each.letters : `${before + 1}`, each.which, each.half, each.split),
    ),
    ['N', 'across the rows, low range', ...(rest === null ? [] : [rest]), 'low'],
    place('R', 'R', 'low', rest),
    place('R2', 'R', 'high', rest),
  ]
}

function rulesOf({ mainGears, hasSplitter, splitsLow }: Plan, main: readonly RowPart[]): Rule[] {
  const crawler = main
    .flatMap(({ couplers = [] }) => couplers)
    .find(({ positions }) => positions.some(({ id }) => id === 'C'))
  const rules: Rule[] = []
  if (mainGears.includes('C') && crawler)
    rules.push({
      id: 'crawler',
      forbids: { [crawler.id]: 'C', range: 'high' },
      reason: 'The crawler is for low only.',
    })
  if (hasSplitter && !splitsLow)
    rules.push({
      id: 'split',
      forbids: { splitter: 'fast', range: 'low' },
      reason: 'No overdrive split in low.',
    })
  return rules
}

/** Only at the very end of the pedal's way, beyond where the plates run free (common practice). */
const BRAKE_FROM_MM = 145

/** The pattern as a draft, with every gear still to be counted. */
export function heavyBox({ name, forwardCount, range }: HeavyChoices): BoxDraft {
  const plan = PLANS[forwardCount]
  const main = mainRow(plan)
  const rules = rulesOf(plan, main)
  const row: readonly RowPart[] = [
    ...HEADS[plan.hasSplitter ? 'splitter' : 'plain'],
    // Only where the head and the main box end.
    { name: 'heads', room: at(START) },
    ...main,
    { name: 'main box', room: at(START) },
    { name: 'wall', room: GAP_MM },
    ...RANGES[range].row,
  ]
  return {
    name,
    ...layOut({
      lanes: ['idler-a-line', 'counter-a-line', 'main-line', 'counter-b-line', 'idler-b-line'],
      row,
      shafts: [...SHAFTS, ...RANGES[range].shafts],
    }),
    positions: positionsOf(row, positionRows(plan)),
    interlocks: [{ id: 'rails', couplers: couplersIn(main) }],
    ...(rules.length > 0 ? { rules } : {}),
    input: 'input',
    outputs: ['output'],
    clutches: [
      { id: 'clutch-dry', kind: 'twin-dry', stages: PEDAL_STAGES, brakeFromMm: BRAKE_FROM_MM },
    ],
  }
}
