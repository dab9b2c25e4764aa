/** Parts in the page's address and in what the core says of them. */
import type { BoxDraft, BoxIssue, PartRef } from 'core'
import { PART_LISTS, leftWarning, pairsOf, partsOf } from 'core'

/** "gears:main-1" → the gear; undefined when the text names no part of the box. */
export function parsePartRef(draft: BoxDraft, text: string | null): PartRef | undefined {
  const at = text?.indexOf(':') ?? -1
  const list = PART_LISTS.find((candidate) => candidate === text?.slice(0, at))
  const id = text?.slice(at + 1)
  return list && partsOf(draft, list).some((part) => part.id === id)
    ? { list, id: id ?? '' }
    : undefined
}

export function formatPartRef({ list, id }: PartRef): string {
  return `${list}:${id}`
}

/** The part at which an issue stands. */
export function partOfIssue(draft: BoxDraft, { path }: BoxIssue): PartRef | undefined {
  const list = PART_LISTS.find((candidate) => candidate === path[0])
  const part = list && typeof path[1] === 'number' ? partsOf(draft, list)[path[1]] : undefined
  return list && part && { list, id: part.id }
}

/** Parts to mark as troubled, by their ids: of a mesh both its gears; not what was left as it is. */
export function troubledParts(draft: BoxDraft, issues: readonly BoxIssue[]): ReadonlySet<string> {
  return new Set(
    issues.flatMap((issue) => {
      const part = partOfIssue(draft, issue)
      if (!part || leftWarning(draft, issue)) return []
      const link = part.list === 'links' ? draft.links.find(({ id }) => id === part.id) : undefined
      const pairs = link ? pairsOf(link) : []
      return pairs.length > 0 ? pairs.flatMap(({ a, b }) => [a, b]) : [part.id]
    }),
  )
}
