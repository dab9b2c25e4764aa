/**
 * The oldest three-shaft box: three speeds by gears that slide along the splines
 * of the main shaft, direct by joining it to the input shaft.
 */
import type { BoxDraft } from '../types.ts'
import { FACE_MM, GAP_MM, PatternBuilder, SLEEVE_MM, STUB_MM, locks, meshes } from './builder.ts'

export const SECOND_KINDS = ['constant-mesh', 'sliding'] as const

interface SlidingGearChoices {
  readonly name: string
  /** Whether the second pair is always in mesh, engaged by dogs, or slides as first does. */
  readonly second: (typeof SECOND_KINDS)[number]
}

/** The pattern as a draft, with every gear still to be counted. */
export function slidingGearBox({ name, second }: SlidingGearChoices): BoxDraft {
  const build = new PatternBuilder(name)
  build.lanes('main-line', 'counter-line', 'idler-line')
  const headMm = build.next(FACE_MM)
  build.pair({
    id: 'head',
    label: 'head gear',
    driving: 'input',
    driven: 'counter',
    stationMm: headMm,
    mounts: { driving: 'integral', driven: 'integral' },
  })
  const isSliding = second === 'sliding'
  const coupler23Mm = build.next(SLEEVE_MM)
  const secondMm = build.next(FACE_MM)
  build.gear({
    id: 'main-2',
    label: '2nd gear',
    member: 'main',
    mount: isSliding ? 'sliding' : 'free',
    stationMm: isSliding ? coupler23Mm : secondMm,
  })
  build.gear({
    id: 'counter-2',
    label: '2nd gear',
    member: 'counter',
    mount: 'integral',
    stationMm: secondMm,
  })
  build.mesh('pair-2', 'counter-2', 'main-2')
  build.sleeve({
    id: 'coupler-2-3',
    kind: isSliding ? 'sliding-gear' : 'dog-ring',
    hub: 'main',
    stationMm: coupler23Mm,
    before: locks('3', 'input'),
    after: isSliding ? meshes('2', 'pair-2') : locks('2', 'main-2'),
    ...(isSliding ? { gears: ['main-2'] } : {}),
  })

  const firstMm = build.next(FACE_MM)
  const restMm = build.next(FACE_MM)
  const reverseMm = build.next(FACE_MM)
  build.gear({
    id: 'main-1',
    label: '1st gear',
    member: 'main',
    mount: 'sliding',
    stationMm: restMm,
  })
  build.gear({
    id: 'counter-1',
    label: '1st gear',
    member: 'counter',
    mount: 'integral',
    stationMm: firstMm,
  })
  build.mesh('pair-1', 'counter-1', 'main-1')
  build.gear({
    id: 'counter-reverse',
    label: 'reverse gear',
    member: 'counter',
    mount: 'integral',
    stationMm: reverseMm,
  })
  build.gear({
    id: 'idler-reverse',
    label: 'reverse idler',
    member: 'idler',
    mount: 'fixed',
    stationMm: reverseMm,
  })
  build.mesh('reverse-in', 'counter-reverse', 'idler-reverse')
  build.mesh('reverse-out', 'idler-reverse', 'main-1')
  build.sleeve({
    id: 'coupler-1-reverse',
    kind: 'sliding-gear',
    hub: 'main',
    stationMm: restMm,
    before: meshes('1', 'pair-1'),
    after: meshes('reverse', 'reverse-out'),
    gears: ['main-1'],
  })

  const inputEndMm = headMm + FACE_MM / 2 + GAP_MM
  const endMm = build.atMm
  build.member({ id: 'input', kind: 'input-shaft', axis: 'main-line', fromMm: 0, toMm: inputEndMm })
  build.member({
    id: 'main',
    kind: 'main-shaft',
    axis: 'main-line',
    fromMm: inputEndMm,
    toMm: endMm + STUB_MM,
  })
  build.member({
    id: 'counter',
    kind: 'countershaft',
    axis: 'counter-line',
    fromMm: STUB_MM - 2 * GAP_MM,
    toMm: endMm + GAP_MM,
  })
  build.member({
    id: 'idler',
    kind: 'idler',
    axis: 'idler-line',
    fromMm: reverseMm - FACE_MM,
    toMm: reverseMm + FACE_MM,
  })
  build.position('1', { 'coupler-1-reverse': '1' }, 'left row, back')
  build.position('2', { 'coupler-2-3': '2' }, 'right row, forward')
  build.position('3', { 'coupler-2-3': '3' }, 'right row, back')
  build.position('N', {}, 'across the rows')
  build.position('R', { 'coupler-1-reverse': 'reverse' }, 'left row, forward')
  build.interlock('rails', 'coupler-2-3', 'coupler-1-reverse')
  return build.finish('input', ['main'])
}
