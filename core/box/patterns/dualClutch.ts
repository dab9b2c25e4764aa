/**
 * A dual-clutch box: two clutches on one drum, the odd positions on the inner and
 * the even ones on the hollow input shaft, two output shafts with a pinion each on
 * the one final-drive ring.
 */
import type { BoxDraft, GearMount } from '../types.ts'
import type { RowPart, ShaftRow, Where } from './rows.ts'
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
  gears,
  layOut,
  locks,
  mesh,
  midway,
  ordinal,
  past,
  positionsOf,
} from './rows.ts'
import { FINAL_SHAFTS, finalDrive } from './twoShaft.ts'
import { idlerAt } from './threeShaft.ts'

export const DUAL_CLUTCH_COUNTS = [6, 7] as const
type DualClutchCount = (typeof DUAL_CLUTCH_COUNTS)[number]
export const DRIVEN_AXLES = ['one', 'two'] as const

interface DualClutchChoices {
  readonly name: string
  readonly forwardCount: DualClutchCount
  readonly axles: (typeof DRIVEN_AXLES)[number]
}

const halfOf = (position: number): 'odd' | 'even' => (position % 2 === 1 ? 'odd' : 'even')

type Output = 'upper' | 'lower'

/** A driving gear and the one that it drives on an output shaft; then one more that shares it. */
function drives(
  position: number,
  mount: GearMount,
  output: Output,
  shared?: readonly [position: number, output: Output],
): readonly RowPart[] {
  const driving = `${halfOf(position)}-${position}`
  const label = (of: number): string => `${ordinal(of)} gear`
  const driven = [[position, output] as const, ...(shared ? [shared] : [])]
  return [
    {
      name: `${position}`,
      room: FACE_MM,
      gears: [
        ...gears(label(position), { [driving]: mount }),
        ...driven.flatMap(([of, shaft]) => gears(label(of), { [`${shaft}-${of}`]: 'free' })),
      ],
      links: driven.map(([of, shaft]) => mesh(`pair-${of}`, driving, `${shaft}-${of}`)),
    },
  ]
}

function couples(
  hub: Output,
  before: number | null,
  after: number | 'R' | null,
  room: Where,
): RowPart {
  const place = (which: number | 'R' | null) =>
    which === null ? undefined : locks(`${which}`, `${hub}-${which}`)
  return coupler({
    id: couplerId(before, after),
    kind: 'synchronizer',
    hub,
    before: place(before),
    after: place(after),
    room,
  })
}

/** What stands in the row up to the odd couplers; fifth and, where there is one, seventh follow. */
const FORWARD: readonly RowPart[] = [
  { name: 'clutch-odd place', room: FACE_MM },
  { name: 'clutch-even place', room: FACE_MM },
  { name: 'pinion', room: FACE_MM },
  // The even shaft is the hollow one, so its gears come first: 2, then 4 with 6 on one gear.
  ...drives(2, 'integral', 'upper'),
  { name: 'even couplers', room: SLEEVE_MM },
  ...drives(4, 'fixed', 'upper', [6, 'lower']),
  couples('upper', 2, 4, at('even couplers')),
  couples('lower', null, 6, at('even couplers')),
  // Then the odd ones: 3 with 5 on one gear, first, and seventh beside it below.
  ...drives(3, 'fixed', 'upper', [5, 'lower']),
  { name: 'odd couplers', room: SLEEVE_MM },
  ...drives(1, 'integral', 'upper'),
  couples('upper', 3, 1, at('odd couplers')),
]

const LAST: Readonly<Record<DualClutchCount, readonly RowPart[]>> = {
  6: [couples('lower', 5, null, at('odd couplers'))],
  7: [...drives(7, 'fixed', 'lower'), couples('lower', 5, 7, midway(['odd couplers', '7']))],
}

const REVERSE: readonly RowPart[] = [
  { name: 'reverse coupler', room: SLEEVE_MM },
  {
    name: 'reverse',
    room: FACE_MM,
    gears: gears('reverse gear', {
      'odd-R': 'integral',
      'lower-R': 'free',
      'idler-R': { label: 'reverse idler', mount: 'fixed' },
    }),
    links: [mesh('reverse-in', 'odd-R', 'idler-R'), mesh('reverse-out', 'idler-R', 'lower-R')],
  },
  couples('lower', null, 'R', at('reverse coupler')),
]

const CLUTCHES: readonly RowPart[] = (['odd', 'even'] as const).map((half) =>
  coupler({
    id: `clutch-${half}`,
    kind: 'friction-clutch',
    name: `${half} clutch`,
    hub: 'drum',
    after: locks('closed', half),
    room: at(`clutch-${half} place`),
  }),
)

const INPUT = { kind: 'input-shaft', axis: 'input-line' } as const
const SHAFTS: readonly ShaftRow[] = [
  {
    ...INPUT,
    id: 'drum',
    name: 'clutch drum',
    ends: [at(START), at('clutch-odd place', -FACE_MM / 2)],
  },
  {
    ...INPUT,
    id: 'odd',
    name: 'inner input shaft',
    ends: [at('clutch-odd place', -FACE_MM / 2), at(END)],
  },
  {
    ...INPUT,
    id: 'even',
    name: 'hollow input shaft',
    isHollow: true,
    ends: [at('clutch-even place', -FACE_MM / 2), past('4')],
  },
  ...(['upper', 'lower'] as const).map((shaft): ShaftRow => ({
    id: shaft,
    kind: 'output-shaft',
    name: `${shaft} output shaft`,
    axis: `${shaft}-line`,
    ends: [at('pinion', -FACE_MM), at(END)],
  })),
  idlerAt(at('reverse', -FACE_MM), at('reverse', FACE_MM)),
  ...FINAL_SHAFTS,
]

/** An inter-axle differential between the final-drive ring and the first axle's differential. */
const SECOND_AXLE: readonly ShaftRow[] = [
  {
    id: 'centre-case',
    kind: 'differential-case',
    name: 'inter-axle case',
    axis: 'final-line',
    isHollow: true,
    ends: [at('final', -FACE_MM), at('final', FACE_MM)],
  },
  {
    id: 'second-axle',
    kind: 'flange',
    name: 'second-axle shaft',
    axis: 'final-line',
    isHollow: true,
    ends: [at('final', FACE_MM + 2 * GAP_MM), at('final', 2 * STUB_MM)],
  },
]

function withSecondAxle(draft: BoxDraft): BoxDraft {
  const member = 'centre-case'
  return {
    ...draft,
    gears: draft.gears.map((gear) => (gear.id === 'final-ring' ? { ...gear, member } : gear)),
    links: [
      ...draft.links,
      { id: 'inter-axle', kind: 'differential', case: member, left: 'case', right: 'second-axle' },
    ],
    outputs: [...draft.outputs, 'second-axle'],
  }
}

/** The pattern as a draft, with every gear still to be counted. */
export function dualClutchBox({ name, forwardCount, axles }: DualClutchChoices): BoxDraft {
  const synchronized = [...FORWARD, ...LAST[forwardCount], ...REVERSE]
  const row = [...synchronized, ...finalDrive(['upper', 'lower'], 'pinion'), ...CLUTCHES]
  const hasTwo = axles === 'two'
  const positions = Array.from({ length: forwardCount }, (_, before) => before + 1)
  const forks = (half: 'odd' | 'even'): readonly string[] =>
    synchronized
      .flatMap(({ couplers = [] }) => couplers)
      .filter(({ positions: places }) =>
        places.some(
          ({ id, engages }) => engages.length > 0 && halfOf(id === 'R' ? 1 : +id) === half,
        ),
      )
      .map(({ id }) => id)
  const draft: BoxDraft = {
    name,
    ...layOut({
      lanes: ['final-line', 'upper-line', 'input-line', 'lower-line', 'idler-line'],
      row,
      shafts: [...SHAFTS, ...(hasTwo ? SECOND_AXLE : [])],
    }),
    positions: positionsOf(row, [
      ...positions.map((position) => {
        const half = halfOf(position)
        return [`${position}`, `${half} clutch`, `clutch-${half}/closed`, `${position}`] as const
      }),
      ['N', 'both clutches open'],
      ['R', 'odd clutch', 'clutch-odd/closed', 'R'],
    ]),
    interlocks: [
      { id: 'clutches', couplers: couplersIn(CLUTCHES) },
      { id: 'odd-forks', couplers: forks('odd') },
      { id: 'even-forks', couplers: forks('even') },
    ],
    input: 'drum',
    outputs: ['left', 'right'],
  }
  return hasTwo ? withSecondAxle(draft) : draft
}
