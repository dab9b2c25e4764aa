/** Whether every id of a draft is the only one of its kind and leads somewhere. */
import type { BoxIndex, CouplerPlaces } from './box.ts'
import type { BoxIssue, IdKind } from './issues.ts'
import { endsOf } from './links/index.ts'
import type { BoxDraft, Coupler, Path } from './types.ts'

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
  'drums',
  'clutches',
] as const satisfies readonly (keyof BoxDraft)[]

type Expected = Exclude<IdKind, 'coupler-position'>

/** Says that the id at this path is to lead to a part of the draft. */
type Refer = (expected: Expected, id: string, ...path: Path) => void

/** Ids that stand twice, and ids that lead to nothing, each with the path to it. */
export function checkIds(index: BoxIndex): readonly BoxIssue[] {
  const issues: BoxIssue[] = []
  checkDuplicates(index.draft, issues)
  checkReferences(index, issues)
  return issues
}

function checkDuplicates(draft: BoxDraft, issues: BoxIssue[]): void {
  const checkAmong = (
    parts: readonly { readonly id: string }[],
    path: Path,
    seen = new Set<string>(),
  ): void => {
    parts.forEach(({ id }, at) => {
      if (seen.has(id)) issues.push({ code: 'duplicate-id', path: [...path, at, 'id'], id })
      seen.add(id)
    })
  }
  const bodies = new Set<string>()
  checkAmong(draft.members, ['members'], bodies)
  checkAmong(draft.gears, ['gears'], bodies)
  for (const list of LISTS) {
    const parts = draft[list]
    if (parts) checkAmong(parts, [list])
  }
  draft.couplers.forEach(({ positions }, at) => {
    checkAmong(positions, ['couplers', at, 'positions'])
  })
}

function checkReferences(index: BoxIndex, issues: BoxIssue[]): void {
  const { draft } = index
  const { input, outputs, members, gears, links, couplers, interlocks = [] } = draft
  const known: Readonly<Record<Expected, { has(id: string): boolean }>> = {
    axis: new Set(draft.axes.map(({ id }) => id)),
    member: index.members,
    gear: index.gears,
    body: new Set(index.bodies),
    link: index.links,
    coupler: index.couplers,
  }
  const refer: Refer = (expected, id, ...path) => {
    if (!known[expected].has(id)) issues.push({ code: 'unknown-id', path, id, expected })
  }
  members.forEach(({ axis }, at) => {
    refer('axis', axis, 'members', at, 'axis')
  })
  gears.forEach(({ member }, at) => {
    refer('member', member, 'gears', at, 'member')
  })
  gears.forEach(({ twinOf }, at) => {
    if (twinOf !== undefined) refer('gear', twinOf, 'gears', at, 'twinOf')
  })
  links.forEach((link, at) => {
    for (const { key, id, expected } of endsOf(link)) refer(expected, id, 'links', at, key)
  })
  couplers.forEach((coupler, at) => {
    referFromCoupler(coupler, at, refer)
  })
  interlocks.forEach(({ couplers: locked }, at) => {
    locked.forEach((id, which) => {
      refer('coupler', id, 'interlocks', at, 'couplers', which)
    })
  })
  refer('body', input, 'input')
  outputs.forEach((output, at) => {
    refer('body', output, 'outputs', at)
  })
  draft.positions.forEach((position, at) => {
    checkPlaces(index, position.couplers, ['positions', at, 'couplers'], issues)
  })
  draft.rules?.forEach(({ forbids }, at) => {
    checkPlaces(index, forbids, ['rules', at, 'forbids'], issues)
  })
}

function referFromCoupler({ hub, gears = [], positions }: Coupler, at: number, refer: Refer): void {
  refer('body', hub, 'couplers', at, 'hub')
  gears.forEach((gear, which) => {
    refer('gear', gear, 'couplers', at, 'gears', which)
  })
  positions.forEach(({ engages }, place) => {
    engages.forEach((engagement, which) => {
      if (engagement.kind === 'mesh')
        refer('link', engagement.link, 'couplers', at, 'positions', place, 'engages', which, 'link')
      else
        refer('body', engagement.body, 'couplers', at, 'positions', place, 'engages', which, 'body')
    })
  })
}

/** Couplers, and places of theirs, that are named and not there. */
function checkPlaces(
  index: BoxIndex,
  places: CouplerPlaces,
  within: Path,
  issues: BoxIssue[],
): void {
  for (const [couplerId, placeId] of Object.entries(places)) {
    const coupler = index.couplers.get(couplerId)
    const path = [...within, couplerId]
    if (!coupler) issues.push({ code: 'unknown-id', path, id: couplerId, expected: 'coupler' })
    else if (!coupler.positions.some(({ id }) => id === placeId))
      issues.push({ code: 'unknown-id', path, id: placeId, expected: 'coupler-position' })
  }
}
