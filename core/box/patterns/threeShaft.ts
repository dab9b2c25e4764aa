/**
 * A starting pattern: input and main shaft on one line, a countershaft beside
 * them, every pair but a sliding reverse in constant mesh.
 */
import type { BoxDraft } from '../types.ts'
import type { RowPart, ShaftRow, Where } from './rows.ts'
import {
  END,
  FACE_MM,
  GAP_MM,
  START,
  STUB_MM,
  at,
  coupler,
  couplerId,
  couplersIn,
  forward,
  gatePlace,
  gears,
  layOut,
  locks,
  mesh,
  meshes,
  ordinal,
  pair,
  positionsOf,
} from './rows.ts'

const FORWARD_COUNTS = [3, 4, 5, 6] as const
/**
 * `sliding-idler`: an idler slides between countershaft and a gear of the main
 * shaft. `sleeve-teeth`: it slides on to straight teeth on the outside of the sleeve
 * of first. `constant-mesh`: a coupler on the main shaft. `countershaft`: couplers of
 * reverse and of the overdrives sit on the countershaft, their driven gears are fixed.
 */
export const REVERSE_KINDS = [
  'sliding-idler',
  'sleeve-teeth',
  'constant-mesh',
  'countershaft',
] as const
type ReverseKind = (typeof REVERSE_KINDS)[number]

const SLIDING_REVERSES: ReadonlySet<ReverseKind> = new Set(['sliding-idler', 'sleeve-teeth'])

export interface ThreeShaftChoices {
  readonly name: string
  /** Number of forward positions. */
  readonly forwardCount: (typeof FORWARD_COUNTS)[number]
  /** The position that joins input and main shaft; those above it are overdrives. */
  readonly directAt: number
  readonly reverse: ReverseKind
  /** What engages the gears; synchronizers where not said. */
  readonly couplers?: 'synchronizer' | 'dog-ring'
}

const HEAD_END = at('head', FACE_MM / 2 + GAP_MM)

/** Input, main and countershaft of a row that begins with the head pair. */
export const THREE_SHAFTS: readonly ShaftRow[] = [
  { id: 'input', kind: 'input-shaft', axis: 'main-line', ends: [at(START), HEAD_END] },
  { id: 'main', kind: 'main-shaft', axis: 'main-line', ends: [HEAD_END, at(END, STUB_MM)] },
  {
    id: 'counter',
    kind: 'countershaft',
    axis: 'counter-line',
    ends: [at(START, STUB_MM - 2 * GAP_MM), at(END, GAP_MM)],
  },
]

export function idlerAt(...ends: readonly [from: Where, to: Where]): ShaftRow {
  return { id: 'idler', kind: 'idler', axis: 'idler-line', ends }
}

/** An idler that slides between two gears which stand at a part of the row already. */
export function slidingIdler(beside: string, driving: string, driven: string): readonly RowPart[] {
  return [
    {
      name: 'idler',
      room: at(beside, FACE_MM + GAP_MM),
      gears: gears('reverse idler', { 'idler-reverse': 'sliding' }),
      links: [
        mesh('reverse-in', driving, 'idler-reverse'),
        mesh('reverse-out', 'idler-reverse', driven),
      ],
    },
    coupler({
      id: 'coupler-reverse',
      kind: 'sliding-idler',
      hub: 'idler',
      before: meshes('reverse', 'reverse-in', 'reverse-out'),
      room: at('idler'),
    }),
  ]
}

type Forward = number | 'R'

/** The position that shares the coupler of the direct one. */
function partnerOf({ forwardCount, directAt }: ThreeShaftChoices): number {
  const isTopOdd = directAt === forwardCount && directAt % 2 === 1
  return directAt % 2 === 0 || isTopOdd ? directAt - 1 : directAt + 1
}

const idOf = (position: Forward): string => (position === 'R' ? 'reverse' : `${position}`)

function isOnCountershaft(choices: ThreeShaftChoices, position: Forward): boolean {
  return (
    choices.reverse === 'countershaft' &&
    (position === 'R' || (position > choices.directAt && position !== partnerOf(choices)))
  )
}

/** The gears of reverse, where they are in mesh, and its idler with what moves it. */
function reversePair({ reverse }: ThreeShaftChoices, room: RowPart['room']): readonly RowPart[] {
  const gearsOf = gears('reverse gear', {
    'main-reverse': reverse === 'constant-mesh' ? 'free' : 'fixed',
    'counter-reverse': reverse === 'countershaft' ? 'free' : 'integral',
  })
  const pairRow = { name: 'reverse', room, gears: gearsOf }
  if (SLIDING_REVERSES.has(reverse))
    return [pairRow, ...slidingIdler('reverse', 'counter-reverse', 'main-reverse')]
  return [
    pairRow,
    {
      name: 'idler',
      room: at('reverse'),
      gears: gears('reverse idler', { 'idler-reverse': 'fixed' }),
      links: [
        mesh('reverse-in', 'counter-reverse', 'idler-reverse'),
        mesh('reverse-out', 'idler-reverse', 'main-reverse'),
      ],
    },
  ]
}

function gearRow(choices: ThreeShaftChoices, position: Forward): readonly RowPart[] {
  if (position === 'R') return reversePair(choices, FACE_MM)
  return [
    pair({
      id: `${position}`,
      label: `${ordinal(position)} gear`,
      on: ['counter', 'main'],
      mounts: isOnCountershaft(choices, position)
        ? ['free', 'fixed']
        : [position === 1 ? 'integral' : 'fixed', 'free'],
    }),
  ]
}

function couplerRow(
  choices: ThreeShaftChoices,
  before: Forward | null,
  after: Forward | null,
): readonly RowPart[] {
  const { directAt, reverse, couplers = 'synchronizer' } = choices
  const served = [before, after].filter((position) => position !== null)
  const hub = served.some((position) => isOnCountershaft(choices, position)) ? 'counter' : 'main'
  const placeOf = (position: Forward | null) =>
    position === null
      ? undefined
      : locks(
          idOf(position),
          position === directAt
            ? 'input'
            : `${isOnCountershaft(choices, position) ? 'counter' : 'main'}-${idOf(position)}`,
        )
  const id = couplerId(...served.map(idOf).sort())
  const hasReverseTeeth = reverse === 'sleeve-teeth' && served.includes(1)
  return [
    coupler({
      id,
      kind: couplers,
      hub,
      before: placeOf(before),
      after: placeOf(after),
      ...(hasReverseTeeth ? { gears: ['main-reverse'] } : {}),
    }),
    ...(hasReverseTeeth ? reversePair(choices, at(id)) : []),
  ]
}

/**
 * Direct and the position that shares its coupler come first, then the lower positions
 * downwards in twos about their couplers, then the higher ones upwards, then reverse, which
 * shares the coupler of a position that is left alone.
 */
function row(choices: ThreeShaftChoices): readonly RowPart[] {
  const { forwardCount, directAt, reverse } = choices
  const partner = partnerOf(choices)
  const positions = Array.from({ length: forwardCount }, (_, before) => before + 1)
  const below = positions.filter((each) => each < directAt && each !== partner).reverse()
  const above = positions.filter((each) => each > directAt && each !== partner)
  const parts: RowPart[] = [
    pair({
      id: 'head',
      label: 'head gear',
      on: ['input', 'counter'],
      mounts: ['integral', 'fixed'],
    }),
    ...couplerRow(choices, directAt, partner),
    ...gearRow(choices, partner),
  ]
  let isReversePlaced = SLIDING_REVERSES.has(reverse)
  for (const side of [below, above])
    for (let index = 0; index < side.length; index += 2) {
      const [first = 0, second] = side.slice(index)
      const isElsewhere = reverse === 'countershaft' && side === below
      const spare = isReversePlaced || isElsewhere ? null : 'R'
      const other = second ?? spare
      parts.push(...gearRow(choices, first), ...couplerRow(choices, first, other))
      if (other !== null) parts.push(...gearRow(choices, other))
      isReversePlaced ||= other === 'R'
    }
  if (!isReversePlaced) parts.push(...couplerRow(choices, null, 'R'), ...gearRow(choices, 'R'))
  return reverse === 'sliding-idler' ? [...parts, ...reversePair(choices, FACE_MM)] : parts
}

/** The pattern as a draft, with every gear still to be counted. Throws when `directAt` is not one of its positions. */
export function threeShaftBox(choices: ThreeShaftChoices): BoxDraft {
  const { name, forwardCount, directAt } = choices
  if (!Number.isInteger(directAt) || directAt < 1 || directAt > forwardCount)
    throw new Error(`no position ${directAt} in a box of ${forwardCount}`)
  const parts = row(choices)
  const couplers = couplersIn(parts)
  const last = 'coupler-reverse'
  return {
    name,
    ...layOut({
      lanes: ['main-line', 'counter-line', 'idler-line'],
      row: parts,
      shafts: [...THREE_SHAFTS, idlerAt(at('reverse', -0.8 * FACE_MM), at('idler', 0.8 * FACE_MM))],
    }),
    positions: positionsOf(parts, [
      ...forward(forwardCount),
      ['N', 'across the rows'],
      ['R', gatePlace(forwardCount + 1), 'reverse'],
    ]),
    interlocks: [
      {
        id: 'rails',
        couplers: [
          ...couplers.filter((id) => id !== last),
          ...couplers.filter((id) => id === last),
        ],
      },
    ],
    input: 'input',
    outputs: ['main'],
  }
}
