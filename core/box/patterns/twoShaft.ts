/**
 * Starting patterns with an input and an output shaft only: transaxles with their
 * differential, and racing boxes. Every forward position is one pair.
 */
import type { BoxDraft, Link } from '../types.ts'
import type { Rows, RowPart, ShaftRow, Where } from './rows.ts'
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
  forward,
  gatePlace,
  gears,
  layOut,
  locks,
  mesh,
  ordinal,
  pair,
  positionsOf,
} from './rows.ts'
import { idlerAt, slidingIdler } from './threeShaft.ts'

/** Width of a differential case, and of the final-drive ring gear. */
const CASE_MM = 60
const RING_FACE_MM = 20

/** On which shaft each coupler sits, and which gears are cut in. */
interface Pairs {
  readonly forwardCount: number
  readonly kind: 'synchronizer' | 'dog-ring'
  /** Couplers of positions up to this one sit on the output shaft, the others on the input shaft. */
  readonly lastOnOutput: number
  /** Positions up to this one have their driving gear cut into the input shaft. */
  readonly lastIntegral: number
  /** A gear cut on the outside of the sleeve of first. */
  readonly onFirstSleeve?: string
}

/** Pairs two by two about their coupler, from the input end. */
function pairRow(pairs: Pairs): readonly RowPart[] {
  const { forwardCount, kind, lastOnOutput, lastIntegral, onFirstSleeve } = pairs
  return Array.from({ length: Math.ceil(forwardCount / 2) }, (_, before) => {
    const low = 2 * before + 1
    const high = low < forwardCount ? low + 1 : null
    const hub = low <= lastOnOutput ? 'output' : 'input'
    const gearsOf = (position: number | null) =>
      position === null
        ? []
        : [
            pair({
              id: `${position}`,
              label: `${ordinal(position)} gear`,
              on: ['input', 'output'],
              mounts:
                hub === 'input'
                  ? ['free', 'fixed']
                  : [position <= lastIntegral ? 'integral' : 'fixed', 'free'],
            }),
          ]
    return [
      ...gearsOf(low),
      coupler({
        id: couplerId(low, high),
        kind,
        hub,
        before: locks(`${low}`, `${hub}-${low}`),
        after: high === null ? undefined : locks(`${high}`, `${hub}-${high}`),
        ...(low === 1 && onFirstSleeve !== undefined ? { gears: [onFirstSleeve] } : {}),
      }),
      ...gearsOf(high),
    ]
  }).flat()
}

/** An idler that slides between a gear cut into the input shaft and teeth on the 1–2 sleeve. */
const SLIDING_REVERSE: readonly RowPart[] = [
  {
    name: 'reverse',
    room: at(couplerId(1, 2)),
    gears: gears('reverse gear', { 'input-reverse': 'integral', 'output-reverse': 'fixed' }),
  },
  ...slidingIdler('reverse', 'input-reverse', 'output-reverse'),
]

const SLIDING_IDLER = idlerAt(at('reverse', -FACE_MM), at('idler', FACE_MM))

/** The final-drive ring beside the pinions of these members, and an open differential with its sides. */
export function finalDrive(
  members: readonly string[],
  beside: string,
  inMesh: (id: string, pinion: string, ring: string) => Link = mesh,
): readonly RowPart[] {
  const faceWidthMm = RING_FACE_MM
  return [
    {
      name: 'final',
      room: at(beside),
      gears: [
        ...gears('final-drive ring', {
          'final-ring': { member: 'case', mount: 'fixed', faceWidthMm },
        }),
        ...members.flatMap((member) =>
          gears('final-drive pinion', { [`${member}-final`]: { mount: 'integral', faceWidthMm } }),
        ),
      ],
      links: [
        ...members.map((member) => inMesh(`final-${member}`, `${member}-final`, 'final-ring')),
        { id: 'differential', kind: 'differential', case: 'case', left: 'left', right: 'right' },
      ],
    },
  ]
}

const CASE = [at('final', -RING_FACE_MM / 2 - GAP_MM), at('final', CASE_MM)] as const

const plusMm = (where: Where, mm: number): Where => ({ ...where, plusMm: where.plusMm + mm })

/** The differential's case and the shafts on its two sides. */
export const FINAL_SHAFTS: readonly ShaftRow[] = [
  { id: 'case', kind: 'differential-case', axis: 'final-line', ends: CASE },
  {
    id: 'left',
    kind: 'side-shaft',
    name: 'left side shaft',
    axis: 'final-line',
    ends: [plusMm(CASE[0], -STUB_MM), CASE[0]],
  },
  {
    id: 'right',
    kind: 'side-shaft',
    name: 'right side shaft',
    axis: 'final-line',
    ends: [CASE[1], plusMm(CASE[1], STUB_MM)],
  },
]

function twoShafts(inputEnd: Where, outputEnd: Where): readonly ShaftRow[] {
  return [
    { id: 'input', kind: 'input-shaft', axis: 'input-line', ends: [at(START), inputEnd] },
    {
      id: 'output',
      kind: 'output-shaft',
      axis: 'output-line',
      ends: [at(START, STUB_MM - 2 * GAP_MM), outputEnd],
    },
  ]
}

/** A box of these rows, its gate from first to reverse. */
function boxOf(
  name: string,
  forwardCount: number,
  outputs: readonly string[],
  rows: Rows,
): BoxDraft {
  return {
    name,
    ...layOut(rows),
    positions: positionsOf(rows.row, [
      ...forward(forwardCount),
      ['N', 'across the rows'],
      ['R', gatePlace(forwardCount + 1), 'reverse'],
    ]),
    interlocks: [{ id: 'rails', couplers: couplersIn(rows.row) }],
    input: 'input',
    outputs,
  }
}

const TRANSAXLE_LANES = ['idler-line', 'input-line', 'output-line', 'final-line']
const PINION: RowPart = { name: 'pinion', room: RING_FACE_MM }

export const TRANSVERSE_COUNTS = [5, 6] as const
export const COUPLER_SHAFTS = ['both', 'output'] as const

interface TransverseChoices {
  readonly name: string
  readonly forwardCount: (typeof TRANSVERSE_COUNTS)[number]
  /** Whether the couplers above 1–2 sit on the input shaft, or all on the output shaft. */
  readonly couplers: (typeof COUPLER_SHAFTS)[number]
}

/** A transaxle across the car: no direct position, sliding reverse idler, differential beside it. */
export function transverseTransaxle(choices: TransverseChoices): BoxDraft {
  const { name, forwardCount, couplers } = choices
  return boxOf(name, forwardCount, ['left', 'right'], {
    lanes: TRANSAXLE_LANES,
    row: [
      PINION,
      ...pairRow({
        forwardCount,
        kind: 'synchronizer',
        lastOnOutput: couplers === 'both' ? 2 : forwardCount,
        lastIntegral: 1,
        onFirstSleeve: 'output-reverse',
      }),
      ...SLIDING_REVERSE,
      ...finalDrive(['output'], 'pinion'),
    ],
    shafts: [SLIDING_IDLER, ...twoShafts(at(END, GAP_MM), at(END, GAP_MM)), ...FINAL_SHAFTS],
  })
}

export const INTEGRAL_KINDS = ['first', 'first-and-second'] as const

interface LongitudinalChoices {
  readonly name: string
  /** Which driving gears are cut into the input shaft. */
  readonly integral: (typeof INTEGRAL_KINDS)[number]
}

/** The cone at the end of a shaft along the car, in a ring that turns across it. */
function crownAndPinion(id: string, a: string, b: string): Link {
  return { id, kind: 'bevel', a, b, aNarrows: 'output-end', bNarrows: 'output-end' }
}

/** A four-speed transaxle along the car: the lower shaft ends in the bevel pinion of the final drive. */
export function longitudinalTransaxle({ name, integral }: LongitudinalChoices): BoxDraft {
  const shafts = twoShafts(at('pinion', -RING_FACE_MM), at('pinion', RING_FACE_MM / 2 + GAP_MM))
  return boxOf(name, 4, ['left', 'right'], {
    lanes: TRANSAXLE_LANES,
    row: [
      ...pairRow({
        forwardCount: 4,
        kind: 'synchronizer',
        lastOnOutput: 4,
        lastIntegral: integral === 'first' ? 1 : 2,
        onFirstSleeve: 'output-reverse',
      }),
      ...SLIDING_REVERSE,
      PINION,
      ...finalDrive(['output'], 'pinion', crownAndPinion),
    ],
    shafts: [SLIDING_IDLER, ...shafts, ...FINAL_SHAFTS],
  })
}

export const RACING_COUNTS = [4, 5, 6] as const

interface RacingChoices {
  readonly name: string
  readonly forwardCount: (typeof RACING_COUNTS)[number]
}

/** Reverse outside at the end of the shafts, engaged by a dog ring. */
const RACING_REVERSE: readonly RowPart[] = [
  coupler({
    id: 'coupler-reverse',
    kind: 'dog-ring',
    hub: 'output',
    after: locks('reverse', 'output-reverse'),
    room: SLEEVE_MM,
  }),
  {
    name: 'reverse',
    room: FACE_MM,
    gears: gears('reverse gear', {
      'input-reverse': 'fixed',
      'idler-reverse': { label: 'reverse idler', mount: 'fixed' },
      'output-reverse': 'free',
    }),
    links: [
      mesh('reverse-in', 'input-reverse', 'idler-reverse'),
      mesh('reverse-out', 'idler-reverse', 'output-reverse'),
    ],
  },
]

/** A racing box: dog rings on the output shaft, reverse outside at the end of the shafts. */
export function racingTwoShaft({ name, forwardCount }: RacingChoices): BoxDraft {
  return boxOf(name, forwardCount, ['output'], {
    lanes: ['idler-line', 'input-line', 'output-line'],
    row: [
      ...pairRow({ forwardCount, kind: 'dog-ring', lastOnOutput: forwardCount, lastIntegral: 0 }),
      ...RACING_REVERSE,
    ],
    shafts: [
      idlerAt(at('reverse', -FACE_MM), at('reverse', FACE_MM)),
      ...twoShafts(at(END, GAP_MM), at(END, STUB_MM)),
    ],
  })
}
