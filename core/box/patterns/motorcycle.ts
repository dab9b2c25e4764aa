/**
 * A motorcycle box: six or five pairs in constant mesh on two shafts. Beside each
 * free gear stands one that slides on splines and carries dogs; a drum moves three
 * forks. A primary drive comes before it, a chain after it.
 */
import type { BoxDraft, GearMount } from '../types.ts'
import { FACE_MM, GAP_MM, PatternBuilder, STUB_MM, locks, ordinal } from './builder.ts'

export const MOTORCYCLE_COUNTS = [5, 6] as const
export const PRIMARY_KINDS = ['gear', 'chain'] as const

interface MotorcycleChoices {
  readonly name: string
  readonly forwardCount: (typeof MOTORCYCLE_COUNTS)[number]
  readonly primary: (typeof PRIMARY_KINDS)[number]
}

/** A pair in the row: how each of its gears sits. */
type RowPair = readonly [position: number, input: GearMount, output: GearMount]

interface Slider {
  readonly member: 'input' | 'output'
  /** Positions whose gears on that member slide together. */
  readonly positions: readonly number[]
  /** The position locked when it goes towards the input end, and towards the output end. */
  readonly before: number | null
  readonly after: number | null
}

const ROWS: Readonly<
  Record<
    MotorcycleChoices['forwardCount'],
    { readonly pairs: readonly RowPair[]; readonly sliders: readonly Slider[] }
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
      { member: 'output', positions: [4], before: 1, after: 3 },
      { member: 'input', positions: [3], before: 4, after: 5 },
      { member: 'output', positions: [5], before: null, after: 2 },
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
      { member: 'output', positions: [5], before: 1, after: 4 },
      { member: 'input', positions: [4, 3], before: 5, after: 6 },
      { member: 'output', positions: [6], before: 3, after: 2 },
    ],
  },
}

/** Room for a sliding gear to reach the dogs of its neighbour. */
const TRAVEL_ROOM_MM = 6

/** The pattern as a draft, with every gear still to be counted. */
export function motorcycleBox({ name, forwardCount, primary }: MotorcycleChoices): BoxDraft {
  const build = new PatternBuilder(name)
  build.lanes('crank-line', 'input-line', 'output-line', 'wheel-line')
  const { pairs, sliders } = ROWS[forwardCount]
  const primaryMm = build.next(FACE_MM)
  build.pair({
    id: 'primary',
    label: primary === 'chain' ? 'primary sprocket' : 'primary gear',
    driving: 'crank',
    driven: 'input',
    stationMm: primaryMm,
    kind: primary === 'chain' ? 'chain' : 'external-mesh',
  })
  const stations = new Map<number, number>()
  for (const [position, input, output] of pairs) {
    const stationMm = build.next(FACE_MM + TRAVEL_ROOM_MM)
    stations.set(position, stationMm)
    build.pair({
      id: `${position}`,
      label: `${ordinal(position)} gear`,
      driving: 'input',
      driven: 'output',
      stationMm,
      mounts: { driving: input, driven: output },
    })
  }
  const engagedBy = new Map<number, Record<string, string>>()
  for (const { member, positions, before, after } of sliders) {
    const id = `coupler-${[before, after].filter((served) => served !== null).join('-')}`
    const place = (served: number | null) =>
      served === null ? undefined : locks(`${served}`, `${member}-${served}`)
    const stationsMm = positions.map((position) => stations.get(position) ?? 0)
    build.sleeve({
      id,
      kind: 'sliding-dog-gear',
      hub: member,
      stationMm: stationsMm.reduce((sum, at) => sum + at, 0) / stationsMm.length,
      before: place(before),
      after: place(after),
      gears: positions.map((position) => `${member}-${position}`),
    })
    for (const served of [before, after])
      if (served !== null) engagedBy.set(served, { [id]: `${served}` })
  }
  const sprocketMm = build.next(FACE_MM)
  build.pair({
    id: 'chain',
    label: 'chain sprocket',
    driving: 'output',
    driven: 'wheel',
    stationMm: sprocketMm,
    kind: 'chain',
  })
  const endMm = build.atMm
  const shaftFromMm = STUB_MM - 2 * GAP_MM
  build.member({
    id: 'crank',
    kind: 'input-shaft',
    name: 'crankshaft',
    axis: 'crank-line',
    fromMm: 0,
    toMm: primaryMm + STUB_MM,
  })
  build.member({
    id: 'input',
    kind: 'input-shaft',
    axis: 'input-line',
    fromMm: shaftFromMm,
    toMm: sprocketMm - FACE_MM / 2,
  })
  build.member({
    id: 'output',
    kind: 'output-shaft',
    axis: 'output-line',
    fromMm: primaryMm + FACE_MM,
    toMm: endMm,
  })
  build.member({
    id: 'wheel',
    kind: 'flange',
    name: 'rear wheel',
    axis: 'wheel-line',
    fromMm: sprocketMm - STUB_MM,
    toMm: endMm + GAP_MM,
  })
  build.position('1', engagedBy.get(1) ?? {}, 'drum 1')
  build.position('N', {}, 'drum, between 1 and 2')
  for (let position = 2; position <= forwardCount; position++)
    build.position(`${position}`, engagedBy.get(position) ?? {}, `drum ${position}`)
  build.interlock(
    'drum',
    ...new Set([...engagedBy.values()].flatMap((places) => Object.keys(places))),
  )
  return build.finish('crank', ['wheel'])
}
