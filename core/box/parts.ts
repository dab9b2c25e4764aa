/**
 * Changes of a box part by part. A change carries what its author saw and what it
 * is to become, field by field, so that changes by several people meet where they
 * touch the same field and nowhere else.
 */
import equal from 'fast-deep-equal'

import type { Fields } from './fields/field.ts'
import { BOX } from './fields/things.ts'
import type { BoxDraft } from './types.ts'

/** A draft's lists of what has an id of its own. */
export type PartList = {
  [K in keyof BoxDraft]-?: NonNullable<BoxDraft[K]> extends readonly { readonly id: string }[]
    ? K
    : never
}[keyof BoxDraft]

/** A field of a box besides its lists of parts. */
export type BoxField = Exclude<keyof BoxDraft, PartList>

const isPartList = (field: keyof BoxDraft): field is PartList => {
  const of = BOX[field]
  return of.type === 'list' && of.of.type !== 'id'
}

// The table of fields has those of a draft and no others.
const FIELDS = Object.keys(BOX) as readonly (keyof BoxDraft)[]

/** The lists of parts in a draft. */
export const PART_LISTS = FIELDS.filter(isPartList)

/** What a draft says of itself besides its parts. */
export const BOX_FIELDS = FIELDS.filter((field): field is BoxField => !isPartList(field))

/** What there is to say of a part of a list; of one of several kinds, by its kind. */
export function fieldsOfPart(list: PartList, { kind }: Part): Fields {
  const { of } = BOX[list]
  return of.type === 'kinds' ? (of.kinds[String(kind)] ?? {}) : of.fields
}

/** A part as a record; its fields are checked by whoever reads it from outside. */
export type Part = Readonly<Record<string, unknown>> & { readonly id: string }

/** One difference between two drafts, which can be made and taken back. */
export type Change =
  /** `before` is null for a part that is new, `after` for one that is taken out. */
  | {
      readonly kind: 'part'
      readonly list: PartList
      readonly id: string
      readonly before: Part | null
      readonly after: Part | null
      /** Where in its list the part stands, or stood. */
      readonly at: number
    }
  | {
      readonly kind: 'field'
      readonly field: BoxField
      readonly before: unknown
      readonly after: unknown
    }
  /** Another order of a list, by ids. */
  | {
      readonly kind: 'order'
      readonly list: PartList
      readonly before: readonly string[]
      readonly after: readonly string[]
    }

type ChangesResult =
  | { readonly ok: true; readonly draft: BoxDraft }
  /** Somebody changed the same thing since; nothing of the changes was made. */
  | { readonly ok: false; readonly met: Change }

/** A list of a draft; one that the draft leaves out is empty. */
export function partsOf(draft: BoxDraft, list: PartList): readonly Part[] {
  // Every part is a plain record with an id; the lists differ in their other fields only.
  return (draft[list] ?? []) as unknown as readonly Part[]
}

function withParts(draft: BoxDraft, list: PartList, parts: readonly Part[]): BoxDraft {
  const isLeftOut = parts.length === 0 && 'isOptional' in BOX[list]
  return { ...draft, [list]: isLeftOut ? undefined : parts }
}

/** A field that is undefined is as good as one that is not there. */
function isSame(one: unknown, other: unknown): boolean {
  return equal(one ?? null, other ?? null)
}

function isSamePart(one: Part, other: Part): boolean {
  return [...new Set([...Object.keys(one), ...Object.keys(other)])].every((key) =>
    isSame(one[key], other[key]),
  )
}

/** Everything in which two drafts differ, as the changes that lead from one to the other. */
export function diffDrafts(before: BoxDraft, after: BoxDraft): readonly Change[] {
  const changes: Change[] = []
  for (const field of BOX_FIELDS)
    if (!isSame(before[field], after[field]))
      changes.push({
        kind: 'field',
        field,
        before: before[field] ?? null,
        after: after[field] ?? null,
      })
  for (const list of PART_LISTS) {
    const [old, now] = [partsOf(before, list), partsOf(after, list)]
    if (old === now) continue
    const oldById = new Map(old.map((part) => [part.id, part]))
    const nowIds = new Set(now.map(({ id }) => id))
    // From the last to the first, so that taken back they are put in from the first to the last.
    for (const [at, part] of [...old.entries()].reverse())
      if (!nowIds.has(part.id))
        changes.push({ kind: 'part', list, id: part.id, before: part, after: null, at })
    now.forEach((part, at) => {
      const was = oldById.get(part.id)
      if (!was || !isSamePart(was, part))
        changes.push({ kind: 'part', list, id: part.id, before: was ?? null, after: part, at })
    })
    const stayed = (parts: readonly Part[]): readonly string[] =>
      parts.map(({ id }) => id).filter((id) => oldById.has(id) && nowIds.has(id))
    if (!equal(stayed(old), stayed(now)))
      changes.push({ kind: 'order', list, before: stayed(old), after: stayed(now) })
  }
  return changes
}

/**
 * Makes the changes, all or none. Where the draft has moved on since, a field that
 * nobody else touched is changed and the others are left; a field that somebody
 * changed to something else is met, and nothing is made.
 */
export function applyChanges(draft: BoxDraft, changes: readonly Change[]): ChangesResult {
  let next = draft
  for (const change of changes) {
    const changed = applyChange(next, change)
    if (!changed) return { ok: false, met: change }
    next = changed
  }
  return { ok: true, draft: next }
}

function applyChange(draft: BoxDraft, change: Change): BoxDraft | undefined {
  switch (change.kind) {
    case 'field': {
      const { field, before, after } = change
      const current = draft[field]
      if (isSame(current, after)) return draft
      return isSame(current, before) ? { ...draft, [field]: after ?? undefined } : undefined
    }
    case 'order': {
      const rank = new Map(change.after.map((id, at) => [id, at]))
      const parts = partsOf(draft, change.list)
      const sorted = [...parts].sort(
        (one, other) => (rank.get(one.id) ?? Infinity) - (rank.get(other.id) ?? Infinity) || 0,
      )
      return sorted.every((part, at) => part === parts[at])
        ? draft
        : withParts(draft, change.list, sorted)
    }
    case 'part': {
      const { list, id, before, after, at } = change
      const parts = partsOf(draft, list)
      const current = parts.find((part) => part.id === id)
      if (!after) {
        if (!current) return draft
        return before && isSamePart(current, before)
          ? withParts(
              draft,
              list,
              parts.filter((part) => part !== current),
            )
          : undefined
      }
      if (!before) {
        if (!current)
          return withParts(draft, list, [...parts.slice(0, at), after, ...parts.slice(at)])
        return isSamePart(current, after) ? draft : undefined
      }
      if (!current) return undefined
      const merged = mergePart(current, before, after)
      if (!merged) return undefined
      return merged === current
        ? draft
        : withParts(
            draft,
            list,
            parts.map((part) => (part === current ? merged : part)),
          )
    }
  }
}

function mergePart(current: Part, before: Part, after: Part): Part | undefined {
  let merged = current
  for (const key of new Set([...Object.keys(before), ...Object.keys(after)])) {
    const [was, becomes, is] = [before[key], after[key], current[key]]
    if (isSame(was, becomes) || isSame(is, becomes)) continue
    if (!isSame(is, was)) return undefined
    merged = { ...merged, [key]: becomes }
  }
  return merged
}

/** The changes that take the given ones back. */
export function inverseChanges(changes: readonly Change[]): readonly Change[] {
  return [...changes]
    .reverse()
    .map((change) => ({ ...change, before: change.after, after: change.before }) as Change)
}
