/** Whether every id of a draft is the only one of its kind and leads somewhere. */
import type { BoxIndex, CouplerPlaces } from './box.ts'
import type { BoxIssue, IdKind } from './issues.ts'
import { endsOf } from './links/index.ts'
import type { BoxDraft, Coupler, CouplerPosition, Path } from './types.ts'

/** Lists whose ids are told apart within the list. Members and gears are told apart together, as bodies. */
const LISTS = [
  'axes',
  'links',
  'couplers',
  'positions',
  'interlocks',
  'rules',
  'pieces',
  'sheet',
  'precedences',
  'selectors',
  'interlockParts',
] as const satisfies readonly (keyof BoxDraft)[]

interface Named {
  readonly id: string
  readonly path: Path
}

/** An id that is to lead to a part of the draft. */
interface Reference extends Named {
  readonly expected: Exclude<IdKind, 'coupler-position'>
}

/** Ids that stand twice, and ids that lead to nothing, each with the path to it. */
export function checkIds(index: BoxIndex): readonly BoxIssue[] {
  return [...duplicateIds(index.draft), ...unknownIds(index)]
}

function duplicateIds(draft: BoxDraft): readonly BoxIssue[] {
  const named = (list: (typeof LISTS)[number] | 'members' | 'gears'): readonly Named[] => {
    const parts: readonly { readonly id: string }[] = draft[list] ?? []
    return parts.map(({ id }, at) => ({ id, path: [list, at, 'id'] }))
  }
  return [
    ...duplicatesAmong([...named('members'), ...named('gears')]),
    ...LISTS.flatMap((list) => duplicatesAmong(named(list))),
    ...draft.couplers.flatMap(({ positions }, at) =>
      duplicatesAmong(
        positions.map(({ id }, place) => ({
          id,
          path: ['couplers', at, 'positions', place, 'id'],
        })),
      ),
    ),
  ]
}

function duplicatesAmong(named: readonly Named[]): readonly BoxIssue[] {
  const seen = new Set<string>()
  return named.flatMap(({ id, path }): BoxIssue[] => {
    if (seen.has(id)) return [{ code: 'duplicate-id', path, id }]
    seen.add(id)
    return []
  })
}

function unknownIds(index: BoxIndex): readonly BoxIssue[] {
  const { draft } = index
  const known: Readonly<Record<Reference['expected'], { has(id: string): boolean }>> = {
    axis: new Set(draft.axes.map(({ id }) => id)),
    member: index.members,
    gear: index.gears,
    body: new Set(index.bodies),
    link: index.links,
    coupler: index.couplers,
  }
  return [
    ...referencesOf(draft).flatMap(({ expected, id, path }): BoxIssue[] =>
      known[expected].has(id) ? [] : [{ code: 'unknown-id', path, id, expected }],
    ),
    ...draft.positions.flatMap(({ couplers }, at) =>
      unknownPlaces(index, couplers, ['positions', at, 'couplers']),
    ),
    ...(draft.rules ?? []).flatMap(({ forbids }, at) =>
      unknownPlaces(index, forbids, ['rules', at, 'forbids']),
    ),
  ]
}

function referencesOf(draft: BoxDraft): readonly Reference[] {
  const { input, outputs, members, gears, links, couplers, interlocks = [] } = draft
  return [
    ...members.map(({ axis }, at) => refer('axis', axis, ['members', at, 'axis'])),
    ...gears.map(({ member }, at) => refer('member', member, ['gears', at, 'member'])),
    ...gears.flatMap(({ twinOf }, at) =>
      twinOf === undefined ? [] : [refer('gear', twinOf, ['gears', at, 'twinOf'])],
    ),
    ...links.flatMap((link, at) =>
      endsOf(link).map(({ key, id, expected }) => refer(expected, id, ['links', at, key])),
    ),
    ...couplers.flatMap((coupler, at) => referencesOfCoupler(coupler, ['couplers', at])),
    ...interlocks.flatMap(({ couplers: locked }, at) =>
      locked.map((id, which) => refer('coupler', id, ['interlocks', at, 'couplers', which])),
    ),
    refer('body', input, ['input']),
    ...outputs.map((output, at) => refer('body', output, ['outputs', at])),
  ]
}

function refer(expected: Reference['expected'], id: string, path: Path): Reference {
  return { expected, id, path }
}

function referencesOfCoupler(
  { hub, gears = [], positions }: Coupler,
  path: Path,
): readonly Reference[] {
  return [
    refer('body', hub, [...path, 'hub']),
    ...gears.map((gear, which) => refer('gear', gear, [...path, 'gears', which])),
    ...positions.flatMap((position, place) =>
      referencesOfPosition(position, [...path, 'positions', place]),
    ),
  ]
}

function referencesOfPosition({ engages }: CouplerPosition, path: Path): readonly Reference[] {
  return engages.map((engagement, which) =>
    engagement.kind === 'mesh'
      ? refer('link', engagement.link, [...path, 'engages', which, 'link'])
      : refer('body', engagement.body, [...path, 'engages', which, 'body']),
  )
}

/** Couplers, and places of theirs, that are named and not there. */
function unknownPlaces(index: BoxIndex, places: CouplerPlaces, within: Path): readonly BoxIssue[] {
  return Object.entries(places).flatMap(([couplerId, placeId]): BoxIssue[] => {
    const path = [...within, couplerId]
    const coupler = index.couplers.get(couplerId)
    if (!coupler) return [{ code: 'unknown-id', path, id: couplerId, expected: 'coupler' }]
    if (coupler.positions.some(({ id }) => id === placeId)) return []
    return [{ code: 'unknown-id', path, id: placeId, expected: 'coupler-position' }]
  })
}
