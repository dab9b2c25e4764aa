/**
 * A starting pattern: input and main shaft on one line, a countershaft beside
 * them. Every gear is uncounted; the person counts them at the bench.
 */
import type { Axis, BoxDraft, BoxPosition, Coupler, Gear, Link, Member } from './types.ts'

export const FORWARD_COUNTS = [4, 5, 6] as const
export const REVERSE_KINDS = ['sliding-idler', 'constant-mesh'] as const

export interface ThreeShaftChoices {
  readonly name: string
  /** Number of forward positions, 4 to 6. */
  readonly forwardCount: (typeof FORWARD_COUNTS)[number]
  /** The position that joins input and main shaft; those above it are overdrives. */
  readonly directAt: number
  readonly reverse: (typeof REVERSE_KINDS)[number]
}

const FACE_MM = 16
const SLEEVE_MM = 22
const GAP_MM = 6
const STUB_MM = 40

/** "1st", "2nd", "3rd", "4th"… */
export function ordinal(number: number): string {
  return `${number}${['st', 'nd', 'rd'][number - 1] ?? 'th'}`
}

/** A place in the row of parts along the main shaft, from the input end. */
type Place =
  | { readonly kind: 'head' }
  | { readonly kind: 'gear'; readonly position: number | 'R' }
  | {
      readonly kind: 'coupler'
      readonly before: number | 'R' | null
      readonly after: number | 'R' | null
    }
  | { readonly kind: 'sliding-reverse' }

/**
 * The row of gears and couplers. Each coupler serves the gears on its two sides;
 * the one that makes the direct position stands at the input shaft's end, and the
 * lower positions follow it downwards, then the overdrives, then reverse.
 */
function row({ forwardCount, directAt, reverse }: ThreeShaftChoices): readonly Place[] {
  const isTopOdd = directAt === forwardCount && directAt % 2 === 1
  const partner = directAt % 2 === 0 || isTopOdd ? directAt - 1 : directAt + 1
  const below: number[] = []
  const above: number[] = []
  for (let position = 1; position <= forwardCount; position++) {
    if (position === directAt || position === partner) continue
    if (position < directAt) below.unshift(position)
    else above.push(position)
  }
  const places: Place[] = [
    { kind: 'head' },
    { kind: 'coupler', before: directAt, after: partner },
    { kind: 'gear', position: partner },
  ]
  let isReversePlaced = reverse === 'sliding-idler'
  for (const positions of [below, above])
    for (let at = 0; at < positions.length; at += 2) {
      const [first, second] = [positions[at], positions[at + 1]]
      if (first === undefined) continue
      const spare = isReversePlaced ? null : 'R'
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
  const { name, forwardCount, directAt } = choices
  if (!Number.isInteger(directAt) || directAt < 1 || directAt > forwardCount)
    throw new Error(`no position ${directAt} in a box of ${forwardCount}`)
  const gears: Gear[] = []
  const links: Link[] = []
  const couplers: Coupler[] = []
  const engagedBy = new Map<number | 'R', Record<string, string>>()
  const uncounted = { toothCount: null, faceWidthMm: FACE_MM }
  let idlerMm = 0
  let idlerInMeshMm = 0

  const mesh = (id: string, a: string, b: string): void => {
    links.push({ id, kind: 'external-mesh', a, b })
  }
  const idOf = (position: number | 'R'): string => (position === 'R' ? 'reverse' : `${position}`)
  const labelOf = (position: number | 'R'): string =>
    position === 'R' ? 'reverse gear' : `${ordinal(position)} gear`
  const bodyFor = (position: number | 'R'): string =>
    position === directAt ? 'input' : `main-${idOf(position)}`

  let stationMm = STUB_MM
  const next = (widthMm: number): number => {
    const middle = stationMm + widthMm / 2
    stationMm += widthMm + GAP_MM
    return middle
  }
  const pairWithIdler = (atMm: number, mount: 'free' | 'fixed'): void => {
    const isSliding = mount === 'fixed'
    idlerInMeshMm = atMm
    idlerMm = isSliding ? atMm + FACE_MM + GAP_MM : atMm
    const at = { stationMm: atMm, ...uncounted }
    gears.push({ id: 'main-reverse', label: 'reverse gear', member: 'main', mount, ...at })
    gears.push({
      id: 'counter-reverse',
      label: 'reverse gear',
      member: 'counter',
      mount: 'integral',
      ...at,
    })
    gears.push({
      id: 'idler-reverse',
      label: 'reverse idler',
      member: 'idler',
      mount: isSliding ? 'sliding' : 'fixed',
      ...uncounted,
      stationMm: idlerMm,
    })
    mesh('reverse-in', 'counter-reverse', 'idler-reverse')
    mesh('reverse-out', 'idler-reverse', 'main-reverse')
  }

  let headEndMm = 0
  for (const place of row(choices))
    switch (place.kind) {
      case 'head': {
        const at = { stationMm: next(FACE_MM), ...uncounted }
        gears.push({
          id: 'input-head',
          label: 'head gear',
          member: 'input',
          mount: 'integral',
          ...at,
        })
        gears.push({
          id: 'counter-head',
          label: 'head gear',
          member: 'counter',
          mount: 'fixed',
          ...at,
        })
        mesh('head', 'input-head', 'counter-head')
        headEndMm = at.stationMm + FACE_MM / 2 + GAP_MM
        break
      }
      case 'gear': {
        const { position } = place
        const atMm = next(FACE_MM)
        if (position === 'R') {
          pairWithIdler(atMm, 'free')
          break
        }
        const at = { stationMm: atMm, ...uncounted, label: labelOf(position) }
        gears.push({ id: `main-${position}`, member: 'main', mount: 'free', ...at })
        gears.push({
          id: `counter-${position}`,
          member: 'counter',
          mount: position === 1 ? 'integral' : 'fixed',
          ...at,
        })
        mesh(`pair-${position}`, `counter-${position}`, `main-${position}`)
        break
      }
      case 'coupler': {
        const served = [place.before, place.after].filter((position) => position !== null)
        const id = `coupler-${[...served].sort().map(idOf).join('-')}`
        const sides = [
          [place.before, 'towards-input'],
          [place.after, 'towards-output'],
        ] as const
        couplers.push({
          id,
          kind: 'synchronizer',
          hub: 'main',
          stationMm: next(SLEEVE_MM),
          positions: sides.flatMap(([position, travel], side) => {
            const centre = { id: 'centre', travel: 'centre', engages: [] } as const
            const engaged = position !== null && [
              {
                id: idOf(position),
                travel,
                engages: [{ kind: 'lock', body: bodyFor(position) }],
              } as const,
            ]
            return [...(side === 1 ? [centre] : []), ...(engaged || [])]
          }),
        })
        for (const position of served) engagedBy.set(position, { [id]: idOf(position) })
        break
      }
      case 'sliding-reverse': {
        pairWithIdler(next(FACE_MM), 'fixed')
        couplers.push({
          id: 'coupler-reverse',
          kind: 'sliding-idler',
          hub: 'idler',
          stationMm: idlerMm,
          positions: [
            { id: 'centre', travel: 'centre', engages: [] },
            {
              id: 'reverse',
              travel: 'towards-input',
              engages: [
                { kind: 'mesh', link: 'reverse-in' },
                { kind: 'mesh', link: 'reverse-out' },
              ],
            },
          ],
        })
        engagedBy.set('R', { 'coupler-reverse': 'reverse' })
      }
    }

  const endMm = stationMm
  const axes: readonly Axis[] = [{ id: 'main-line' }, { id: 'counter-line' }, { id: 'idler-line' }]
  const members: readonly Member[] = [
    { id: 'input', kind: 'input-shaft', axis: 'main-line', fromMm: 0, toMm: headEndMm },
    { id: 'main', kind: 'main-shaft', axis: 'main-line', fromMm: headEndMm, toMm: endMm + STUB_MM },
    {
      id: 'counter',
      kind: 'countershaft',
      axis: 'counter-line',
      fromMm: STUB_MM - GAP_MM * 2,
      toMm: endMm + GAP_MM,
    },
    {
      id: 'idler',
      kind: 'idler',
      axis: 'idler-line',
      fromMm: idlerInMeshMm - FACE_MM * 0.8,
      toMm: idlerMm + FACE_MM * 0.8,
    },
  ]
  const forward = Array.from({ length: forwardCount }, (_, at): BoxPosition => ({
    id: `${at + 1}`,
    label: `${at + 1}`,
    couplers: engagedBy.get(at + 1) ?? {},
  }))
  return {
    name,
    axes,
    members,
    gears,
    links,
    couplers,
    positions: [
      ...forward,
      { id: 'N', label: 'N', couplers: {} },
      { id: 'R', label: 'R', couplers: engagedBy.get('R') ?? {} },
    ],
    input: 'input',
    outputs: ['main'],
  }
}
