/**
 * A motorcycle box: six or five pairs in constant mesh on two shafts. Beside each
 * free gear stands one that slides on splines and carries dogs; a drum moves three
 * forks. A primary drive comes before it, a chain after it.
 */
import type { BoxDraft, GearMount } from '../types.ts'
import type { RowPart, ShaftRow } from './rows.ts'
import {
  FACE_MM,
  GAP_MM,
  START,
  STUB_MM,
  at,
  coupler,
  couplerId,
  couplersIn,
  forward,
  layOut,
  locks,
  midway,
  ordinal,
  pair,
  positionsOf,
} from './rows.ts'

export const MOTORCYCLE_COUNTS = [5, 6] as const
type MotorcycleCount = (typeof MOTORCYCLE_COUNTS)[number]
export const PRIMARY_KINDS = ['gear', 'chain'] as const
type PrimaryKind = (typeof PRIMARY_KINDS)[number]

interface MotorcycleChoices {
  readonly name: string
  readonly forwardCount: MotorcycleCount
  readonly primary: PrimaryKind
}

/** A pair in the row: how each of its gears sits. */
type PairOf = readonly [position: number, input: GearMount, output: GearMount]

interface Slider {
  readonly member: 'input' | 'output'
  /** Positions whose gears on that member slide together. */
  readonly slides: readonly number[]
  /** The position locked when it goes towards the input end, and towards the output end. */
  readonly engages: readonly [before: number | null, after: number]
}

const ROWS: Readonly<
  Record<
    MotorcycleCount,
    { readonly pairs: readonly PairOf[]; readonly sliders: readonly Slider[] }
  >
> = {
  5: {
    pairs: [
      [1, 'integral', 'free'],
      [4, 'free', 'sliding'],
      [3, 'sliding', 'free'],
      [5, 'free', 'sliding'],
      [2, 'fixed', 'free'],
    ],
    sliders: [
      { member: 'output', slides: [4], engages: [1, 3] },
      { member: 'input', slides: [3], engages: [4, 5] },
      { member: 'output', slides: [5], engages: [null, 2] },
    ],
  },
  6: {
    pairs: [
      [1, 'integral', 'free'],
      [5, 'free', 'sliding'],
      [4, 'sliding', 'free'],
      [3, 'sliding', 'free'],
      [6, 'free', 'sliding'],
      [2, 'fixed', 'free'],
    ],
    sliders: [
      { member: 'output', slides: [5], engages: [1, 4] },
      { member: 'input', slides: [4, 3], engages: [5, 6] },
      { member: 'output', slides: [6], engages: [3, 2] },
    ],
  },
}

const PRIMARIES = {
  gear: { label: 'primary gear', kind: 'external-mesh' },
  chain: { label: 'primary sprocket', kind: 'chain' },
} as const

/** Room for a bearing and a seal. */
const BEARING_ROOM_MM = 24
/** Room for a sliding gear to reach the dogs of its neighbour. */
const TRAVEL_ROOM_MM = 6

function row(forwardCount: MotorcycleCount, primary: PrimaryKind): readonly RowPart[] {
  const { pairs, sliders } = ROWS[forwardCount]
  return [
    pair({ id: 'primary', on: ['crank', 'input'], ...PRIMARIES[primary] }),
    ...pairs.map(([position, ...mounts]) =>
      pair({
        id: `${position}`,
        label: `${ordinal(position)} gear`,
        on: ['input', 'output'],
        mounts,
        room: FACE_MM + TRAVEL_ROOM_MM,
      }),
    ),
    ...sliders.map(({ member, slides, engages: [before, after] }) =>
      coupler({
        id: couplerId(before, after),
        kind: 'sliding-dog-gear',
        hub: member,
        before: before === null ? undefined : locks(`${before}`, `${member}-${before}`),
        after: locks(`${after}`, `${member}-${after}`),
        gears: slides.map((position) => `${member}-${position}`),
        room: midway(slides.map(String)),
      }),
    ),
    // Bearing and seal of the output shaft are before its sprocket, which is outside the case.
    pair({
      id: 'chain',
      label: 'chain sprocket',
      on: ['output', 'wheel'],
      kind: 'chain',
      room: FACE_MM + 2 * BEARING_ROOM_MM,
    }),
  ]
}

const SHAFTS: readonly ShaftRow[] = [
  {
    id: 'crank',
    kind: 'input-shaft',
    name: 'crankshaft',
    axis: 'crank-line',
    ends: [at(START), at('primary', STUB_MM)],
  },
  {
    id: 'input',
    kind: 'input-shaft',
    axis: 'input-line',
    ends: [at(START, STUB_MM - 2 * GAP_MM), at('chain', -FACE_MM)],
  },
  {
    id: 'output',
    kind: 'output-shaft',
    axis: 'output-line',
    ends: [at('primary', 2), at('chain', FACE_MM)],
  },
  {
    id: 'wheel',
    kind: 'flange',
    name: 'rear wheel',
    axis: 'wheel-line',
    ends: [at('chain', -STUB_MM), at('chain', STUB_MM)],
  },
]

/** The pattern as a draft, with every gear still to be counted. */
export function motorcycleBox({ name, forwardCount, primary }: MotorcycleChoices): BoxDraft {
  const parts = row(forwardCount, primary)
  const [first = ['1', null], ...rest] = forward(forwardCount, (position) => `drum ${position}`)
  return {
    name,
    ...layOut({
      lanes: ['crank-line', 'input-line', 'output-line', 'wheel-line'],
      row: parts,
      shafts: SHAFTS,
    }),
    positions: positionsOf(parts, [first, ['N', 'drum, between 1 and 2'], ...rest]),
    interlocks: [{ id: 'drum', couplers: couplersIn(parts) }],
    input: 'crank',
    outputs: ['wheel'],
  }
}
