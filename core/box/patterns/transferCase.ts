/** A two-speed transfer case: planetary low, and a chain to a second axle beside it. */
import type { BoxDraft, BoxPosition, Coupler, Gear, Link, Member, Rule } from '../types.ts'
import { FACE_MM, GAP_MM, PatternBuilder, SLEEVE_MM, STUB_MM } from './builder.ts'

/** Whether both axles can be driven through a chain, or only the first. */
export const TRANSFER_AXLES = ['chain', 'one'] as const
type TransferAxles = (typeof TRANSFER_AXLES)[number]

/** How the transfer case can stand: what goes before each label, and which couplers it moves. */
const STANDS: readonly {
  readonly label: string
  readonly range: string
  readonly axle: boolean
}[] = [
  { label: '2H', range: 'high', axle: false },
  { label: '4H', range: 'high', axle: true },
  { label: '4L', range: 'low', axle: true },
]

const LOW_RULE: Rule = {
  id: 'low-drives-both',
  forbids: { 'transfer-range': 'low', 'transfer-axle': 'centre' },
  reason: 'Low drives both axles.',
}

const RANGE_STANDS: typeof STANDS = [
  { label: 'H', range: 'high', axle: false },
  { label: 'L', range: 'low', axle: false },
]

/** A transfer case on its own, as it lies on the bench without its gearbox. */
export function transferCaseBox(name: string, axles: TransferAxles): BoxDraft {
  const build = new PatternBuilder(name)
  build.lanes('main-line')
  build.member({
    id: 'input',
    kind: 'input-shaft',
    axis: 'main-line',
    fromMm: 0,
    toMm: STUB_MM,
  })
  build.position('', {})
  return behind(build.finish('input', ['input']), axles, 'N')
}

/**
 * A transfer case behind the box: its input joined to the box's output. The box's
 * positions are listed once for each stand of the transfer case. Only a box with
 * one output has room for it; others come back as they are.
 */
export function withTransferCase(draft: BoxDraft, axles: TransferAxles): BoxDraft {
  return draft.outputs.length === 1 ? behind(draft, axles, null) : draft
}

function behind(draft: BoxDraft, axles: TransferAxles, neutral: string | null): BoxDraft {
  const [output = draft.input] = draft.outputs
  const member = draft.members.find(({ id }) => id === output)
  const axis = member?.axis ?? draft.axes[0]?.id ?? ''
  const startMm = Math.max(
    member?.toMm ?? 0,
    ...draft.members.filter((other) => other.axis === axis).map((other) => other.toMm),
  )
  const stationMm = startMm + FACE_MM
  const couplerMm = stationMm + FACE_MM / 2 + GAP_MM + SLEEVE_MM
  const hasChain = axles === 'chain'
  const axleCouplerMm = couplerMm + SLEEVE_MM + GAP_MM
  const sprocketMm = axleCouplerMm + SLEEVE_MM / 2 + GAP_MM + FACE_MM
  const endMm = (hasChain ? sprocketMm + FACE_MM : couplerMm + SLEEVE_MM) + STUB_MM

  const part = { axis, kind: 'shaft' } as const
  const members: readonly Member[] = [
    {
      ...part,
      id: 'transfer-input',
      name: 'transfer input',
      fromMm: startMm,
      toMm: stationMm + FACE_MM,
    },
    {
      ...part,
      id: 'transfer-ring',
      kind: 'ring',
      name: 'low ring',
      isHollow: true,
      fromMm: stationMm - FACE_MM / 2,
      toMm: stationMm + FACE_MM / 2,
    },
    {
      ...part,
      id: 'transfer-carrier',
      kind: 'carrier',
      name: 'low carrier',
      isHollow: true,
      fromMm: stationMm + FACE_MM / 2 + 2,
      toMm: couplerMm - SLEEVE_MM / 2,
    },
    {
      ...part,
      id: 'transfer-output',
      kind: 'output-shaft',
      name: 'first axle shaft',
      fromMm: stationMm + FACE_MM,
      toMm: endMm,
    },
    ...(hasChain
      ? [
          {
            id: 'second-axle',
            kind: 'output-shaft',
            name: 'second axle shaft',
            axis: 'second-axle-line',
            fromMm: sprocketMm - 2 * STUB_MM,
            toMm: sprocketMm + FACE_MM,
          } as const,
        ]
      : []),
  ]
  const gears: readonly Gear[] = [
    ['transfer-sun', 'low sun', 'transfer-input', 'fixed', stationMm] as const,
    ['transfer-ring-gear', 'low ring', 'transfer-ring', 'fixed', stationMm] as const,
    ...(hasChain
      ? [
          ['transfer-sprocket', 'chain sprocket', 'transfer-output', 'free', sprocketMm] as const,
          ['axle-sprocket', 'chain sprocket', 'second-axle', 'fixed', sprocketMm] as const,
        ]
      : []),
  ].map(([id, label, on, mount, at]) => ({
    id,
    label,
    member: on,
    mount,
    toothCount: null,
    stationMm: at,
    faceWidthMm: FACE_MM,
  }))
  const links: readonly Link[] = [
    { id: 'transfer-joint', kind: 'joined', a: output, b: 'transfer-input' },
    { id: 'transfer-held', kind: 'held', body: 'transfer-ring' },
    {
      id: 'transfer-set',
      kind: 'planetary',
      sun: 'transfer-sun',
      ring: 'transfer-ring-gear',
      carrier: 'transfer-carrier',
    },
    ...(hasChain
      ? [
          {
            id: 'transfer-chain',
            kind: 'chain',
            a: 'transfer-sprocket',
            b: 'axle-sprocket',
          } as const,
        ]
      : []),
  ]
  const centre = { id: 'centre', travel: 'centre', engages: [] } as const
  const couplers: readonly Coupler[] = [
    {
      id: 'transfer-range',
      kind: 'range',
      name: 'transfer range',
      hub: 'transfer-output',
      stationMm: couplerMm,
      positions: [
        {
          id: 'low',
          travel: 'towards-input',
          engages: [{ kind: 'lock', body: 'transfer-carrier' }],
        },
        centre,
        {
          id: 'high',
          travel: 'towards-output',
          engages: [{ kind: 'lock', body: 'transfer-input' }],
        },
      ],
    },
    ...(hasChain
      ? [
          {
            id: 'transfer-axle',
            kind: 'dog-ring',
            name: 'second-axle dog ring',
            hub: 'transfer-output',
            stationMm: axleCouplerMm,
            positions: [
              centre,
              {
                id: 'in',
                travel: 'towards-output',
                engages: [{ kind: 'lock', body: 'transfer-sprocket' }],
              },
            ],
          } as const,
        ]
      : []),
  ]
  const stands = hasChain ? STANDS : RANGE_STANDS
  const positions = draft.positions.flatMap((position): readonly BoxPosition[] =>
    stands.map((stand) => {
      const label = `${position.label} ${stand.label}`.trim()
      return {
        ...position,
        id: label,
        label,
        couplers: {
          ...position.couplers,
          'transfer-range': stand.range,
          ...(stand.axle ? { 'transfer-axle': 'in' } : {}),
        },
        lever: [position.lever, `transfer lever ${stand.label}`]
          .filter((text) => text !== undefined)
          .join(', '),
      }
    }),
  )
  return {
    ...draft,
    axes: [...draft.axes, ...(hasChain ? [{ id: 'second-axle-line' }] : [])],
    members: [...draft.members, ...members],
    gears: [...draft.gears, ...gears],
    links: [...draft.links, ...links],
    couplers: [...draft.couplers, ...couplers],
    positions:
      neutral === null
        ? positions
        : [...positions, { id: neutral, label: neutral, couplers: {}, lever: 'transfer lever N' }],
    ...(hasChain ? { rules: [...(draft.rules ?? []), LOW_RULE] } : {}),
    outputs: ['transfer-output', ...(hasChain ? ['second-axle'] : [])],
  }
}
