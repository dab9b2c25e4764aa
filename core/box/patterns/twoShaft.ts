/**
 * Starting patterns with an input and an output shaft only: transaxles with their
 * differential, and racing boxes. Every forward position is one pair.
 */
import type { BoxDraft } from '../types.ts'
import type { Place } from './builder.ts'
import {
  FACE_MM,
  GAP_MM,
  PatternBuilder,
  SLEEVE_MM,
  STUB_MM,
  gatePlace,
  locks,
  meshes,
  ordinal,
} from './builder.ts'

/** Width of a differential case, and of the final-drive ring gear. */
const CASE_MM = 60
const RING_FACE_MM = 20

/** Where pairs and couplers stand, on which shaft each coupler sits, and which gears are cut in. */
interface TwoShaftRow {
  readonly forwardCount: number
  readonly kind: 'synchronizer' | 'dog-ring'
  /** Couplers of positions up to this one sit on the output shaft, the others on the input shaft. */
  readonly lastOnOutput: number
  /** Positions up to this one have their driving gear cut into the input shaft. */
  readonly lastIntegral: number
  /** A gear cut on the outside of the sleeve of first. */
  readonly onFirstSleeve?: string
}

/** Pairs two by two about their coupler, from the input end; gives where each coupler stands. */
function layRow(build: PatternBuilder, row: TwoShaftRow): ReadonlyMap<number, number> {
  const couplerMm = new Map<number, number>()
  for (let low = 1; low <= row.forwardCount; low += 2) {
    const onOutput = low <= row.lastOnOutput
    const place = (position: number): Place =>
      locks(`${position}`, `${onOutput ? 'output' : 'input'}-${position}`)
    const pair = (position: number): void => {
      build.pair({
        id: `${position}`,
        label: `${ordinal(position)} gear`,
        driving: 'input',
        driven: 'output',
        stationMm: build.next(FACE_MM),
        mounts: onOutput
          ? { driving: position <= row.lastIntegral ? 'integral' : 'fixed', driven: 'free' }
          : { driving: 'free', driven: 'fixed' },
      })
    }
    const high = low + 1 <= row.forwardCount ? low + 1 : null
    pair(low)
    const stationMm = build.next(SLEEVE_MM)
    build.sleeve({
      id: high === null ? `coupler-${low}` : `coupler-${low}-${high}`,
      kind: row.kind,
      hub: onOutput ? 'output' : 'input',
      stationMm,
      before: place(low),
      after: high === null ? undefined : place(high),
      ...(low === 1 && row.onFirstSleeve !== undefined ? { gears: [row.onFirstSleeve] } : {}),
    })
    couplerMm.set(low, stationMm)
    if (high !== null) {
      pair(high)
      couplerMm.set(high, stationMm)
    }
  }
  return couplerMm
}

function couplerOf(position: number, forwardCount: number): string {
  const low = position % 2 === 1 ? position : position - 1
  return low + 1 <= forwardCount ? `coupler-${low}-${low + 1}` : `coupler-${low}`
}

function listPositions(
  build: PatternBuilder,
  forwardCount: number,
  reverse: Readonly<Record<string, string>>,
): void {
  for (let position = 1; position <= forwardCount; position++)
    build.position(
      `${position}`,
      { [couplerOf(position, forwardCount)]: `${position}` },
      gatePlace(position),
    )
  build.position('N', {}, 'across the rows')
  build.position('R', reverse, gatePlace(forwardCount + 1))
  const couplers = Array.from({ length: Math.ceil(forwardCount / 2) }, (_, at) =>
    couplerOf(2 * at + 1, forwardCount),
  )
  build.interlock('rails', ...couplers, ...Object.keys(reverse))
}

/** An idler that slides between a gear cut into the input shaft and teeth on the 1–2 sleeve. */
function slidingReverse(build: PatternBuilder, stationMm: number): void {
  build.gear({
    id: 'input-reverse',
    label: 'reverse gear',
    member: 'input',
    mount: 'integral',
    stationMm,
  })
  build.gear({
    id: 'output-reverse',
    label: 'reverse gear',
    member: 'output',
    mount: 'fixed',
    stationMm,
  })
  const idlerMm = stationMm + FACE_MM + GAP_MM
  build.gear({
    id: 'idler-reverse',
    label: 'reverse idler',
    member: 'idler',
    mount: 'sliding',
    stationMm: idlerMm,
  })
  build.mesh('reverse-in', 'input-reverse', 'idler-reverse')
  build.mesh('reverse-out', 'idler-reverse', 'output-reverse')
  build.sleeve({
    id: 'coupler-reverse',
    kind: 'sliding-idler',
    hub: 'idler',
    stationMm: idlerMm,
    before: meshes('reverse', 'reverse-in', 'reverse-out'),
  })
  build.member({
    id: 'idler',
    kind: 'idler',
    axis: 'idler-line',
    fromMm: stationMm - FACE_MM,
    toMm: idlerMm + FACE_MM,
  })
}

/** The final drive on the output shaft's pinion, and an open differential with its two sides. */
export function finalDriveAndDifferential(
  build: PatternBuilder,
  pinions: readonly { readonly id: string; readonly member: string; readonly stationMm: number }[],
  ringMm: number,
): void {
  build.gear({
    id: 'final-ring',
    label: 'final-drive ring',
    member: 'case',
    mount: 'fixed',
    stationMm: ringMm,
    faceWidthMm: RING_FACE_MM,
  })
  for (const { id, member, stationMm } of pinions) {
    build.gear({
      id,
      label: 'final-drive pinion',
      member,
      mount: 'integral',
      stationMm,
      faceWidthMm: RING_FACE_MM,
    })
    build.mesh(`final-${member}`, id, 'final-ring')
  }
  const [fromMm, toMm] = [ringMm - RING_FACE_MM / 2 - GAP_MM, ringMm + CASE_MM]
  build.member({ id: 'case', kind: 'differential-case', axis: 'final-line', fromMm, toMm })
  build.member({
    id: 'left',
    kind: 'side-shaft',
    name: 'left side shaft',
    axis: 'final-line',
    fromMm: fromMm - STUB_MM,
    toMm: fromMm,
  })
  build.member({
    id: 'right',
    kind: 'side-shaft',
    name: 'right side shaft',
    axis: 'final-line',
    fromMm: toMm,
    toMm: toMm + STUB_MM,
  })
  build.link({
    id: 'differential',
    kind: 'differential',
    case: 'case',
    left: 'left',
    right: 'right',
  })
}

function shafts(build: PatternBuilder, inputEndMm: number, outputEndMm: number): void {
  build.member({
    id: 'input',
    kind: 'input-shaft',
    axis: 'input-line',
    fromMm: 0,
    toMm: inputEndMm,
  })
  build.member({
    id: 'output',
    kind: 'output-shaft',
    axis: 'output-line',
    fromMm: STUB_MM - 2 * GAP_MM,
    toMm: outputEndMm,
  })
}

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
  const build = new PatternBuilder(name)
  build.lanes('idler-line', 'input-line', 'output-line', 'final-line')
  const pinionMm = build.next(RING_FACE_MM)
  const couplerMm = layRow(build, {
    forwardCount,
    kind: 'synchronizer',
    lastOnOutput: couplers === 'both' ? 2 : forwardCount,
    lastIntegral: 1,
    onFirstSleeve: 'output-reverse',
  })
  slidingReverse(build, couplerMm.get(1) ?? 0)
  shafts(build, build.atMm + GAP_MM, build.atMm + GAP_MM)
  finalDriveAndDifferential(
    build,
    [{ id: 'output-final', member: 'output', stationMm: pinionMm }],
    pinionMm,
  )
  listPositions(build, forwardCount, { 'coupler-reverse': 'reverse' })
  return build.finish('input', ['left', 'right'])
}

export const INTEGRAL_KINDS = ['first', 'first-and-second'] as const

interface LongitudinalChoices {
  readonly name: string
  /** Which driving gears are cut into the input shaft. */
  readonly integral: (typeof INTEGRAL_KINDS)[number]
}

/** A four-speed transaxle along the car: the lower shaft ends in the final-drive pinion. */
export function longitudinalTransaxle({ name, integral }: LongitudinalChoices): BoxDraft {
  const build = new PatternBuilder(name)
  build.lanes('idler-line', 'input-line', 'output-line', 'final-line')
  const couplerMm = layRow(build, {
    forwardCount: 4,
    kind: 'synchronizer',
    lastOnOutput: 4,
    lastIntegral: integral === 'first' ? 1 : 2,
    onFirstSleeve: 'output-reverse',
  })
  slidingReverse(build, couplerMm.get(1) ?? 0)
  const pinionMm = build.next(RING_FACE_MM)
  shafts(build, pinionMm - RING_FACE_MM, pinionMm + RING_FACE_MM / 2 + GAP_MM)
  finalDriveAndDifferential(
    build,
    [{ id: 'output-final', member: 'output', stationMm: pinionMm }],
    pinionMm,
  )
  listPositions(build, 4, { 'coupler-reverse': 'reverse' })
  return build.finish('input', ['left', 'right'])
}

export const RACING_COUNTS = [4, 5, 6] as const

interface RacingChoices {
  readonly name: string
  readonly forwardCount: (typeof RACING_COUNTS)[number]
}

/** A racing box: dog rings on the output shaft, reverse outside at the end of the shafts. */
export function racingTwoShaft({ name, forwardCount }: RacingChoices): BoxDraft {
  const build = new PatternBuilder(name)
  build.lanes('idler-line', 'input-line', 'output-line')
  layRow(build, { forwardCount, kind: 'dog-ring', lastOnOutput: forwardCount, lastIntegral: 0 })
  const couplerMm = build.next(SLEEVE_MM)
  const stationMm = build.next(FACE_MM)
  build.gear({
    id: 'input-reverse',
    label: 'reverse gear',
    member: 'input',
    mount: 'fixed',
    stationMm,
  })
  build.gear({
    id: 'idler-reverse',
    label: 'reverse idler',
    member: 'idler',
    mount: 'fixed',
    stationMm,
  })
  build.gear({
    id: 'output-reverse',
    label: 'reverse gear',
    member: 'output',
    mount: 'free',
    stationMm,
  })
  build.mesh('reverse-in', 'input-reverse', 'idler-reverse')
  build.mesh('reverse-out', 'idler-reverse', 'output-reverse')
  build.sleeve({
    id: 'coupler-reverse',
    kind: 'dog-ring',
    hub: 'output',
    stationMm: couplerMm,
    after: locks('reverse', 'output-reverse'),
  })
  build.member({
    id: 'idler',
    kind: 'idler',
    axis: 'idler-line',
    fromMm: stationMm - FACE_MM,
    toMm: stationMm + FACE_MM,
  })
  shafts(build, build.atMm + GAP_MM, build.atMm + STUB_MM)
  listPositions(build, forwardCount, { 'coupler-reverse': 'reverse' })
  return build.finish('input', ['output'])
}
