/**
 * A dual-clutch box: two clutches on one drum, the odd positions on the inner and
 * the even ones on the hollow input shaft, two output shafts with a pinion each on
 * the one final-drive ring.
 */
import type { BoxDraft } from '../types.ts'
import type { Place } from './builder.ts'
import { FACE_MM, GAP_MM, PatternBuilder, SLEEVE_MM, STUB_MM, locks, ordinal } from './builder.ts'
import { finalDriveAndDifferential } from './twoShaft.ts'

export const DUAL_CLUTCH_COUNTS = [6, 7] as const
export const DRIVEN_AXLES = ['one', 'two'] as const

interface DualClutchChoices {
  readonly name: string
  readonly forwardCount: (typeof DUAL_CLUTCH_COUNTS)[number]
  readonly axles: (typeof DRIVEN_AXLES)[number]
}

const isOdd = (position: number): boolean => position % 2 === 1

/** The pattern as a draft, with every gear still to be counted. */
export function dualClutchBox({ name, forwardCount, axles }: DualClutchChoices): BoxDraft {
  const build = new PatternBuilder(name)
  build.lanes('final-line', 'upper-line', 'input-line', 'lower-line', 'idler-line')
  const clutchMm = [build.next(FACE_MM), build.next(FACE_MM)] as const
  const pinionMm = build.next(FACE_MM)
  const engagedBy = new Map<number | 'R', Record<string, string>>()
  const groups: Record<'odd' | 'even', string[]> = { odd: [], even: [] }

  const shaftOf = (position: number): string => (isOdd(position) ? 'odd' : 'even')
  const drive = (position: number, stationMm: number): string =>
    build.gear({
      id: `${shaftOf(position)}-${position}`,
      label: `${ordinal(position)} gear`,
      member: shaftOf(position),
      mount: position <= 2 ? 'integral' : 'fixed',
      stationMm,
    })
  const driven = (shaft: string, position: number, stationMm: number, driving: string): void => {
    const id = `${shaft}-${position}`
    const label = `${ordinal(position)} gear`
    build.gear({ id, label, member: shaft, mount: 'free', stationMm })
    build.mesh(`pair-${position}`, driving, id)
  }
  const couple = (
    shaft: string,
    stationMm: number,
    before: number | null,
    after: number | 'R' | null,
  ): void => {
    const served = [before, after].filter((which) => which !== null)
    const id = `coupler-${served.join('-')}`
    const place = (which: number | 'R' | null): Place | undefined =>
      which === null ? undefined : locks(`${which}`, `${shaft}-${which}`)
    build.sleeve({
      id,
      kind: 'synchronizer',
      hub: shaft,
      stationMm,
      before: place(before),
      after: place(after),
    })
    for (const which of served) {
      const group = which === 'R' || isOdd(which) ? 'odd' : 'even'
      groups[group].push(id)
      engagedBy.set(which, { [`clutch-${group}`]: 'closed', [id]: `${which}` })
    }
  }

  // The even shaft is the hollow one, so its gears come first: 2, then 4 with 6 on one gear.
  const secondMm = build.next(FACE_MM)
  driven('upper', 2, secondMm, drive(2, secondMm))
  const upperEvenMm = build.next(SLEEVE_MM)
  const fourthMm = build.next(FACE_MM)
  const fourth = drive(4, fourthMm)
  driven('upper', 4, fourthMm, fourth)
  driven('lower', 6, fourthMm, fourth)
  couple('upper', upperEvenMm, 2, 4)
  couple('lower', upperEvenMm, null, 6)
  const hollowEndMm = build.atMm

  // Then the odd ones: 3 with 5 on one gear, first, and seventh beside it below.
  const thirdMm = build.next(FACE_MM)
  const third = drive(3, thirdMm)
  driven('upper', 3, thirdMm, third)
  driven('lower', 5, thirdMm, third)
  const oddMm = build.next(SLEEVE_MM)
  const firstMm = build.next(FACE_MM)
  const first = drive(1, firstMm)
  driven('upper', 1, firstMm, first)
  couple('upper', oddMm, 3, 1)
  if (forwardCount === 7) {
    const seventhMm = build.next(FACE_MM)
    driven('lower', 7, seventhMm, drive(7, seventhMm))
    couple('lower', (oddMm + seventhMm) / 2, 5, 7)
  } else couple('lower', oddMm, 5, null)

  const couplerReverseMm = build.next(SLEEVE_MM)
  const reverseMm = build.next(FACE_MM)
  const reverseParts = { label: 'reverse gear', stationMm: reverseMm }
  build.gear({ id: 'odd-R', member: 'odd', mount: 'integral', ...reverseParts })
  build.gear({ id: 'lower-R', member: 'lower', mount: 'free', ...reverseParts })
  build.gear({
    id: 'idler-R',
    label: 'reverse idler',
    member: 'idler',
    mount: 'fixed',
    stationMm: reverseMm,
  })
  build.mesh('reverse-in', 'odd-R', 'idler-R')
  build.mesh('reverse-out', 'idler-R', 'lower-R')
  couple('lower', couplerReverseMm, null, 'R')

  const endMm = build.atMm
  build.member({
    id: 'drum',
    kind: 'input-shaft',
    name: 'clutch drum',
    axis: 'input-line',
    fromMm: 0,
    toMm: clutchMm[0] - FACE_MM / 2,
  })
  build.member({
    id: 'odd',
    kind: 'input-shaft',
    name: 'inner input shaft',
    axis: 'input-line',
    fromMm: clutchMm[0] - FACE_MM / 2,
    toMm: endMm,
  })
  build.member({
    id: 'even',
    kind: 'input-shaft',
    name: 'hollow input shaft',
    axis: 'input-line',
    isHollow: true,
    fromMm: clutchMm[1] - FACE_MM / 2,
    toMm: hollowEndMm,
  })
  for (const shaft of ['upper', 'lower'])
    build.member({
      id: shaft,
      kind: 'output-shaft',
      name: `${shaft} output shaft`,
      axis: `${shaft}-line`,
      fromMm: pinionMm - FACE_MM,
      toMm: endMm,
    })
  build.member({
    id: 'idler',
    kind: 'idler',
    axis: 'idler-line',
    fromMm: reverseMm - FACE_MM,
    toMm: reverseMm + FACE_MM,
  })
  finalDriveAndDifferential(
    build,
    ['upper', 'lower'].map((member) => ({ id: `${member}-final`, member, stationMm: pinionMm })),
    pinionMm,
  )
  for (const [id, stationMm] of [
    ['odd', clutchMm[0]],
    ['even', clutchMm[1]],
  ] as const)
    build.sleeve({
      id: `clutch-${id}`,
      kind: 'friction-clutch',
      name: `${id} clutch`,
      hub: 'drum',
      stationMm,
      after: locks('closed', id),
    })
  for (let position = 1; position <= forwardCount; position++)
    build.position(
      `${position}`,
      engagedBy.get(position) ?? {},
      `${isOdd(position) ? 'odd' : 'even'} clutch`,
    )
  build.position('N', {}, 'both clutches open')
  build.position('R', engagedBy.get('R') ?? {}, 'odd clutch')
  build.interlock('clutches', 'clutch-odd', 'clutch-even')
  build.interlock('odd-forks', ...new Set(groups.odd))
  build.interlock('even-forks', ...new Set(groups.even))
  const draft = build.finish('drum', ['left', 'right'])
  return axles === 'two' ? withSecondAxle(draft) : draft
}

/** An inter-axle differential between the final-drive ring and the first axle's differential. */
function withSecondAxle(draft: BoxDraft): BoxDraft {
  const ring = draft.gears.find(({ id }) => id === 'final-ring')
  const ringMm = ring?.stationMm ?? 0
  return {
    ...draft,
    members: [
      ...draft.members,
      {
        id: 'centre-case',
        kind: 'differential-case',
        name: 'inter-axle case',
        axis: 'final-line',
        isHollow: true,
        fromMm: ringMm - FACE_MM,
        toMm: ringMm + FACE_MM,
      },
      {
        id: 'second-axle',
        kind: 'flange',
        name: 'second-axle shaft',
        axis: 'final-line',
        isHollow: true,
        fromMm: ringMm + FACE_MM + 2 * GAP_MM,
        toMm: ringMm + 2 * STUB_MM,
      },
    ],
    gears: draft.gears.map((gear) =>
      gear.id === 'final-ring' ? { ...gear, member: 'centre-case' } : gear,
    ),
    links: [
      ...draft.links,
      {
        id: 'inter-axle',
        kind: 'differential',
        case: 'centre-case',
        left: 'case',
        right: 'second-axle',
      },
    ],
    outputs: [...draft.outputs, 'second-axle'],
  }
}
