/**
 * A starting pattern: input and main shaft on one line, a countershaft beside
 * them, every pair but a sliding reverse in constant mesh.
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

/** A part of the row along the main shaft, from the input end. */
type RowPart =
  | { readonly kind: 'head' }
  | { readonly kind: 'gear'; readonly position: number | 'R' }
  | {
      readonly kind: 'coupler'
      readonly before: number | 'R' | null
      readonly after: number | 'R' | null
    }
  | { readonly kind: 'sliding-reverse' }

/** The position that shares the coupler of the direct one. */
function partnerOf(forwardCount: number, directAt: number): number {
  const isTopOdd = directAt === forwardCount && directAt % 2 === 1
  return directAt % 2 === 0 || isTopOdd ? directAt - 1 : directAt + 1
}

/**
 * The row of gears and couplers. Each coupler serves the gears on its two sides;
 * the one that makes the direct position stands at the input shaft's end, and the
 * lower positions follow it downwards, then the overdrives, then reverse.
 */
function row({ forwardCount, directAt, reverse }: ThreeShaftChoices): readonly RowPart[] {
  const partner = partnerOf(forwardCount, directAt)
  const below: number[] = []
  const above: number[] = []
  for (let position = 1; position <= forwardCount; position++) {
    if (position === directAt || position === partner) continue
    if (position < directAt) below.unshift(position)
    else above.push(position)
  }
  const places: RowPart[] = [
    { kind: 'head' },
    { kind: 'coupler', before: directAt, after: partner },
    { kind: 'gear', position: partner },
  ]
  let isReversePlaced = SLIDING_REVERSES.has(reverse)
  for (const positions of [below, above])
    for (let at = 0; at < positions.length; at += 2) {
      const [first, second] = [positions[at], positions[at + 1]]
      if (first === undefined) continue
      const isElsewhere = reverse === 'countershaft' && positions === below
      const spare = isReversePlaced || isElsewhere ? null : 'R'
      places.push({ kind: 'gear', position: first })
      places.push({ kind: 'coupler', before: first, after: second ?? spare })
      if (second !== undefined) places.push({ kind: 'gear', position: second })
      else if (spare) {
        places.push({ kind: 'gear', position: 'R' })
        isReversePlaced = true
      }
    }
  if (!isReversePlaced)
    places.push({ kind: 'coupler', before: null, after: 'R' }, { kind: 'gear', position: 'R' })
  if (reverse === 'sliding-idler') places.push({ kind: 'sliding-reverse' })
  return places
}

/** The pattern as a draft, with every gear still to be counted. Throws when `directAt` is not one of its positions. */
export function threeShaftBox(choices: ThreeShaftChoices): BoxDraft {
  const { name, forwardCount, directAt, reverse, couplers = 'synchronizer' } = choices
  if (!Number.isInteger(directAt) || directAt < 1 || directAt > forwardCount)
    throw new Error(`no position ${directAt} in a box of ${forwardCount}`)
  const build = new PatternBuilder(name)
  build.lanes('main-line', 'counter-line', 'idler-line')
  const engagedBy = new Map<number | 'R', Record<string, string>>()
  const couplerIds: string[] = []
  let idlerMm = 0
  let idlerInMeshMm = 0
  let headEndMm = 0

  const idOf = (position: number | 'R'): string => (position === 'R' ? 'reverse' : `${position}`)
  const isOnCountershaft = (position: number | 'R'): boolean =>
    reverse === 'countershaft' &&
    (position === 'R' || (position > directAt && position !== partnerOf(forwardCount, directAt)))
  const placeFor = (position: number | 'R'): Place =>
    locks(
      idOf(position),
      position === directAt
        ? 'input'
        : `${isOnCountershaft(position) ? 'counter' : 'main'}-${idOf(position)}`,
    )

  const reversePair = (stationMm: number): void => {
    const isSliding = SLIDING_REVERSES.has(reverse)
    idlerInMeshMm = stationMm
    idlerMm = isSliding ? stationMm + FACE_MM + GAP_MM : stationMm
    build.gear({
      id: 'main-reverse',
      label: 'reverse gear',
      member: 'main',
      mount: reverse === 'constant-mesh' ? 'free' : 'fixed',
      stationMm,
    })
    build.gear({
      id: 'counter-reverse',
      label: 'reverse gear',
      member: 'counter',
      mount: reverse === 'countershaft' ? 'free' : 'integral',
      stationMm,
    })
    build.gear({
      id: 'idler-reverse',
      label: 'reverse idler',
      member: 'idler',
      mount: isSliding ? 'sliding' : 'fixed',
      stationMm: idlerMm,
    })
    build.mesh('reverse-in', 'counter-reverse', 'idler-reverse')
    build.mesh('reverse-out', 'idler-reverse', 'main-reverse')
    if (!isSliding) return
    build.sleeve({
      id: 'coupler-reverse',
      kind: 'sliding-idler',
      hub: 'idler',
      stationMm: idlerMm,
      before: meshes('reverse', 'reverse-in', 'reverse-out'),
    })
    engagedBy.set('R', { 'coupler-reverse': 'reverse' })
  }

  for (const place of row(choices))
    switch (place.kind) {
      case 'head': {
        const stationMm = build.next(FACE_MM)
        build.pair({
          id: 'head',
          label: 'head gear',
          driving: 'input',
          driven: 'counter',
          stationMm,
          mounts: { driving: 'integral' },
        })
        headEndMm = stationMm + FACE_MM / 2 + GAP_MM
        break
      }
      case 'gear': {
        const { position } = place
        const stationMm = build.next(FACE_MM)
        if (position === 'R') {
          reversePair(stationMm)
          break
        }
        const onCountershaft = isOnCountershaft(position)
        build.pair({
          id: `${position}`,
          label: `${ordinal(position)} gear`,
          driving: 'counter',
          driven: 'main',
          stationMm,
          mounts: {
            driving: onCountershaft ? 'free' : position === 1 ? 'integral' : 'fixed',
            driven: onCountershaft ? 'fixed' : 'free',
          },
        })
        break
      }
      case 'coupler': {
        const { before, after } = place
        const served = [before, after].filter((position) => position !== null)
        const id = `coupler-${served.map(idOf).sort().join('-')}`
        const stationMm = build.next(SLEEVE_MM)
        const hasReverseTeeth = reverse === 'sleeve-teeth' && served.includes(1)
        build.sleeve({
          id,
          kind: couplers,
          hub: served.some(isOnCountershaft) ? 'counter' : 'main',
          stationMm,
          before: before === null ? undefined : placeFor(before),
          after: after === null ? undefined : placeFor(after),
          ...(hasReverseTeeth ? { gears: ['main-reverse'] } : {}),
        })
        couplerIds.push(id)
        for (const position of served) engagedBy.set(position, { [id]: idOf(position) })
        if (hasReverseTeeth) reversePair(stationMm)
        break
      }
      case 'sliding-reverse':
        reversePair(build.next(FACE_MM))
    }

  const endMm = build.atMm
  build.member({ id: 'input', kind: 'input-shaft', axis: 'main-line', fromMm: 0, toMm: headEndMm })
  build.member({
    id: 'main',
    kind: 'main-shaft',
    axis: 'main-line',
    fromMm: headEndMm,
    toMm: endMm + STUB_MM,
  })
  build.member({
    id: 'counter',
    kind: 'countershaft',
    axis: 'counter-line',
    fromMm: STUB_MM - GAP_MM * 2,
    toMm: endMm + GAP_MM,
  })
  build.member({
    id: 'idler',
    kind: 'idler',
    axis: 'idler-line',
    fromMm: idlerInMeshMm - FACE_MM * 0.8,
    toMm: idlerMm + FACE_MM * 0.8,
  })
  for (let position = 1; position <= forwardCount; position++)
    build.position(`${position}`, engagedBy.get(position) ?? {}, gatePlace(position))
  build.position('N', {}, 'across the rows')
  build.position('R', engagedBy.get('R') ?? {}, gatePlace(forwardCount + 1))
  if (SLIDING_REVERSES.has(reverse)) couplerIds.push('coupler-reverse')
  build.interlock('rails', ...couplerIds)
  return build.finish('input', ['main'])
}
