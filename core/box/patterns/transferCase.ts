/** A two-speed transfer case: planetary low, and a chain to a second axle beside it. */
import type { BoxDraft, BoxPosition, Rule } from '../types.ts'
import type { RowPart, Rows, ShaftRow } from './rows.ts'
import {
  FACE_MM,
  GAP_MM,
  SLEEVE_MM,
  START,
  STUB_MM,
  at,
  coupler,
  gears,
  layOut,
  locks,
} from './rows.ts'

/** Whether both axles can be driven through a chain, or only the first. */
export const TRANSFER_AXLES = ['chain', 'one'] as const
type TransferAxles = (typeof TRANSFER_AXLES)[number]

/** How the transfer case can stand: what goes behind each label, and which couplers it moves. */
interface Stand {
  readonly label: string
  readonly couplers: Readonly<Record<string, string>>
}

interface Case {
  readonly row: readonly RowPart[]
  readonly shafts: (axis: string) => readonly ShaftRow[]
  readonly stands: readonly Stand[]
  readonly lanes: readonly string[]
  readonly outputs: readonly string[]
  readonly rules: readonly Rule[]
}

const SET: readonly RowPart[] = [
  {
    name: 'set',
    room: at(START, FACE_MM),
    gears: [
      ...gears('low sun', { 'transfer-sun': { member: 'transfer-input', mount: 'fixed' } }),
      ...gears('low ring', { 'transfer-ring-gear': 'fixed' }),
    ],
    links: [
      { id: 'transfer-held', kind: 'held', body: 'transfer-ring' },
      {
        id: 'transfer-set',
        kind: 'planetary',
        sun: 'transfer-sun',
        ring: 'transfer-ring-gear',
        carrier: 'transfer-carrier',
      },
    ],
  },
  coupler({
    id: 'transfer-range',
    kind: 'range',
    name: 'transfer range',
    hub: 'transfer-output',
    before: locks('low', 'transfer-carrier'),
    after: locks('high', 'transfer-input'),
    room: at('set', FACE_MM / 2 + GAP_MM + SLEEVE_MM),
  }),
]

/** The shafts in the row of the planetary set, up to the end of what stands last. */
function setShafts(axis: string, last: string, plusMm: number): readonly ShaftRow[] {
  return [
    {
      id: 'transfer-input',
      kind: 'shaft',
      name: 'transfer input',
      axis,
      ends: [at(START), at('set', FACE_MM)],
    },
    {
      id: 'transfer-ring',
      kind: 'ring',
      name: 'low ring',
      axis,
      isHollow: true,
      ends: [at('set', -FACE_MM / 2), at('set', FACE_MM / 2)],
    },
    {
      id: 'transfer-carrier',
      kind: 'carrier',
      name: 'low carrier',
      axis,
      isHollow: true,
      ends: [at('set', FACE_MM / 2 + 2), at('transfer-range', -SLEEVE_MM / 2)],
    },
    {
      id: 'transfer-output',
      kind: 'output-shaft',
      name: 'first axle shaft',
      axis,
      ends: [at('set', FACE_MM), at(last, plusMm + STUB_MM)],
    },
  ]
}

const CASES: Readonly<Record<TransferAxles, Case>> = {
  chain: {
    row: [
      ...SET,
      coupler({
        id: 'transfer-axle',
        kind: 'dog-ring',
        name: 'second-axle dog ring',
        hub: 'transfer-output',
        after: locks('in', 'transfer-sprocket'),
        room: at('transfer-range', SLEEVE_MM + GAP_MM),
      }),
      {
        name: 'sprockets',
        room: at('transfer-axle', SLEEVE_MM / 2 + GAP_MM + FACE_MM),
        gears: gears('chain sprocket', {
          'transfer-sprocket': { member: 'transfer-output', mount: 'free' },
          'axle-sprocket': { member: 'second-axle', mount: 'fixed' },
        }),
        links: [
          { id: 'transfer-chain', kind: 'chain', a: 'transfer-sprocket', b: 'axle-sprocket' },
        ],
      },
    ],
    shafts: (axis) => [
      ...setShafts(axis, 'sprockets', FACE_MM),
      {
        id: 'second-axle',
        kind: 'output-shaft',
        name: 'second axle shaft',
        axis: 'second-axle-line',
        ends: [at('sprockets', -2 * STUB_MM), at('sprockets', FACE_MM)],
      },
    ],
    stands: [
      { label: '2H', couplers: { 'transfer-range': 'high' } },
      { label: '4H', couplers: { 'transfer-range': 'high', 'transfer-axle': 'in' } },
      { label: '4L', couplers: { 'transfer-range': 'low', 'transfer-axle': 'in' } },
    ],
    lanes: ['second-axle-line'],
    outputs: ['transfer-output', 'second-axle'],
    rules: [
      {
        id: 'low-drives-both',
        forbids: { 'transfer-range': 'low', 'transfer-axle': 'centre' },
        reason: 'Low drives both axles.',
      },
    ],
  },
  one: {
    row: SET,
    shafts: (axis) => setShafts(axis, 'transfer-range', SLEEVE_MM),
    stands: [
      { label: 'H', couplers: { 'transfer-range': 'high' } },
      { label: 'L', couplers: { 'transfer-range': 'low' } },
    ],
    lanes: [],
    outputs: ['transfer-output'],
    rules: [],
  },
}

/** A transfer case on its own, as it lies on the bench without its gearbox. */
export function transferCaseBox(name: string, axles: TransferAxles): BoxDraft {
  const alone: Rows = {
    lanes: ['main-line'],
    row: [],
    shafts: [
      {
        id: 'input',
        kind: 'input-shaft',
        axis: 'main-line',
        ends: [at(START), at(START, STUB_MM)],
      },
    ],
  }
  const input: BoxDraft = {
    name,
    ...layOut(alone),
    positions: [{ id: '', label: '', couplers: {} }],
    input: 'input',
    outputs: ['input'],
  }
  const neutral = { id: 'N', label: 'N', couplers: {}, lever: 'transfer lever N' }
  const box = behind(input, axles)
  return { ...box, positions: [...box.positions, neutral] }
}

/**
 * A transfer case behind the box: its input joined to the box's output. The box's
 * positions are listed once for each stand of the transfer case. Only a box with
 * one output has room for it; others come back as they are.
 */
export function withTransferCase(draft: BoxDraft, axles: TransferAxles): BoxDraft {
  return draft.outputs.length === 1 ? behind(draft, axles) : draft
}

/** A position with the transfer case at one of its stands. */
function atStand(position: BoxPosition, { label: stand, couplers }: Stand): BoxPosition {
  const label = `${position.label} ${stand}`.trim()
  const hand = `transfer lever ${stand}`
  return {
    ...position,
    id: label,
    label,
    couplers: { ...position.couplers, ...couplers },
    lever: position.lever === undefined ? hand : `${position.lever}, ${hand}`,
  }
}

function behind(draft: BoxDraft, axles: TransferAxles): BoxDraft {
  const { row, shafts, stands, lanes, outputs, rules } = CASES[axles]
  const [output = draft.input] = draft.outputs
  const member = draft.members.find(({ id }) => id === output)
  const axis = member?.axis ?? draft.axes[0]?.id ?? ''
  const onAxis = draft.members.filter((other) => other.axis === axis)
  const startMm = Math.max(0, ...onAxis.map(({ toMm }) => toMm))
  const added = layOut({ lanes, row, shafts: shafts(axis) }, startMm)
  return {
    ...draft,
    axes: [...draft.axes, ...added.axes],
    members: [...draft.members, ...added.members],
    gears: [...draft.gears, ...added.gears],
    links: [
      ...draft.links,
      { id: 'transfer-joint', kind: 'joined', a: output, b: 'transfer-input' },
      ...added.links,
    ],
    couplers: [...draft.couplers, ...added.couplers],
    positions: draft.positions.flatMap((position) =>
      stands.map((stand) => atStand(position, stand)),
    ),
    ...(rules.length > 0 ? { rules: [...(draft.rules ?? []), ...rules] } : {}),
    outputs,
  }
}
