/**
 * Edits of a box as values. Each carries what its author saw before it, so that
 * an edit made on a stale view can be told from one that is up to date.
 */
import { LARGEST } from './fields/bounds.ts'
import { isToothCount } from './toothCount.ts'
import { countedTogether } from './counting.ts'
import type { Change } from './parts.ts'
import { applyChanges, inverseChanges } from './parts.ts'
import type { BoxDraft, FinalDrive, Gear } from './types.ts'

/** What a person does to a box, small enough to be sent by itself, with what it was based on. */
export type Edit =
  /** Enters the first or the second count of a gear; null takes it back. */
  | {
      readonly kind: 'count'
      readonly gear: string
      readonly reading: 'first' | 'second'
      readonly toothCount: number | null
      readonly base: number | null
    }
  /** Ends a dispute: both counts become the one found right. */
  | {
      readonly kind: 'settle'
      readonly gear: string
      readonly toothCount: number
      readonly base: { readonly first: number | null; readonly second: number | null }
    }
  | { readonly kind: 'rename'; readonly name: string; readonly base: string }
  | {
      readonly kind: 'final-drive'
      readonly finalDrive: FinalDrive | null
      readonly base: FinalDrive | null
    }
  /** Changes of parts, all or none. */
  | { readonly kind: 'change'; readonly changes: readonly Change[] }

/** Why an edit cannot be applied to a box, whoever else has changed it. */
export type EditRefusal =
  | { readonly code: 'unknown-gear'; readonly gear: string }
  | { readonly code: 'impossible-count'; readonly toothCount: number }
  | { readonly code: 'empty-name' }
  /** A name of more characters than `LARGEST.nameLength`. */
  | { readonly code: 'long-name'; readonly length: number }
  /** The box would have more parts, or longer ones, than a box file may hold. */
  | { readonly code: 'beyond-limits'; readonly message: string }

/** Somebody else changed the same thing since the edit's author looked. */
export type EditConflict =
  /** The other count stands as the first, this one now as the second. */
  | {
      readonly code: 'kept-as-second-count'
      readonly gear: string
      readonly theirs: number
      readonly yours: number
    }
  /** Both places are taken by other counts; yours is kept in the history only. */
  | {
      readonly code: 'count-not-placed'
      readonly gear: string
      readonly theirs: number
      readonly yours: number | null
    }
  /** The counts that were settled are not those that stand; neither is touched. */
  | {
      readonly code: 'settling-not-placed'
      readonly gear: string
      readonly theirs: { readonly first: number | null; readonly second: number | null }
      readonly yours: number
    }
  | { readonly code: 'name-not-placed'; readonly theirs: string; readonly yours: string }
  | {
      readonly code: 'final-drive-not-placed'
      readonly theirs: FinalDrive | null
      readonly yours: FinalDrive | null
    }
  /** The first of the changes that met somebody else's; none of them was made. */
  | { readonly code: 'change-not-placed'; readonly met: Change }

type EditResult =
  | { readonly ok: true; readonly draft: BoxDraft; readonly conflict?: EditConflict }
  | { readonly ok: false; readonly refusal: EditRefusal }

/**
 * Applies an edit. The same draft comes back where nothing changes, so repeating
 * an edit whose answer was lost does no harm.
 */
export function applyEdit(draft: BoxDraft, edit: Edit): EditResult {
  switch (edit.kind) {
    case 'count':
      return applyCount(draft, edit)
    case 'settle': {
      const gear = draft.gears.find(({ id }) => id === edit.gear)
      if (!gear) return refuse({ code: 'unknown-gear', gear: edit.gear })
      if (!isToothCount(edit.toothCount))
        return refuse({ code: 'impossible-count', toothCount: edit.toothCount })
      const yours = edit.toothCount
      const theirs = { first: gear.toothCount, second: gear.recount ?? null }
      if (theirs.first === yours && theirs.second === yours) return { ok: true, draft }
      if (theirs.first !== edit.base.first || theirs.second !== edit.base.second)
        return {
          ok: true,
          draft,
          conflict: { code: 'settling-not-placed', gear: gear.id, theirs, yours },
        }
      return { ok: true, draft: withCountsOf(draft, gear, { toothCount: yours, recount: yours }) }
    }
    case 'rename': {
      const name = edit.name.trim()
      if (name === '') return refuse({ code: 'empty-name' })
      if (name.length > LARGEST.nameLength)
        return refuse({ code: 'long-name', length: name.length })
      if (draft.name === name) return { ok: true, draft }
      if (draft.name !== edit.base)
        return {
          ok: true,
          draft,
          conflict: { code: 'name-not-placed', theirs: draft.name, yours: name },
        }
      return { ok: true, draft: { ...draft, name } }
    }
    case 'final-drive': {
      const { finalDrive: yours } = edit
      const impossible = yours
        ? [yours.drivingToothCount, yours.drivenToothCount].find((count) => !isToothCount(count))
        : undefined
      if (impossible !== undefined)
        return refuse({ code: 'impossible-count', toothCount: impossible })
      const theirs = draft.finalDrive ?? null
      if (isSameFinalDrive(theirs, yours)) return { ok: true, draft }
      if (!isSameFinalDrive(theirs, edit.base))
        return { ok: true, draft, conflict: { code: 'final-drive-not-placed', theirs, yours } }
      return { ok: true, draft: { ...draft, finalDrive: yours } }
    }
    case 'change': {
      const result = applyChanges(draft, edit.changes)
      return result.ok
        ? result
        : { ok: true, draft, conflict: { code: 'change-not-placed', met: result.met } }
    }
  }
}

function refuse(refusal: EditRefusal): EditResult {
  return { ok: false, refusal }
}

function isSameFinalDrive(one: FinalDrive | null, other: FinalDrive | null): boolean {
  return (
    one?.drivingToothCount === other?.drivingToothCount &&
    one?.drivenToothCount === other?.drivenToothCount
  )
}

/** The draft with other counts of a gear and of those that its count serves. */
function withCountsOf(
  draft: BoxDraft,
  gear: Gear,
  counts: Pick<Gear, 'toothCount'> | Pick<Gear, 'recount'>,
): BoxDraft {
  const served = new Set(countedTogether(draft, gear))
  return {
    ...draft,
    gears: draft.gears.map((each) => (served.has(each) ? { ...each, ...counts } : each)),
  }
}

function applyCount(draft: BoxDraft, edit: Extract<Edit, { kind: 'count' }>): EditResult {
  const gear = draft.gears.find(({ id }) => id === edit.gear)
  if (!gear) return refuse({ code: 'unknown-gear', gear: edit.gear })
  const yours = edit.toothCount
  if (yours !== null && !isToothCount(yours))
    return refuse({ code: 'impossible-count', toothCount: yours })
  const first = gear.toothCount
  const second = gear.recount ?? null
  const theirs = edit.reading === 'first' ? first : second
  if (theirs === yours) return { ok: true, draft }
  if (theirs === edit.base || theirs === null)
    return {
      ok: true,
      draft: withCountsOf(
        draft,
        gear,
        edit.reading === 'first' ? { toothCount: yours } : { recount: yours },
      ),
    }
  if (edit.reading === 'first' && second === null && yours !== null)
    return {
      ok: true,
      draft: withCountsOf(draft, gear, { recount: yours }),
      conflict: { code: 'kept-as-second-count', gear: gear.id, theirs, yours },
    }
  return {
    ok: true,
    draft,
    conflict: { code: 'count-not-placed', gear: gear.id, theirs, yours },
  }
}

/**
 * The edits that take an edit back. An inverse carries what the edit left behind
 * as its base, so it too notices what somebody else did since.
 */
export function inverseOf(edit: Edit): readonly Edit[] {
  switch (edit.kind) {
    case 'count':
      return [{ ...edit, toothCount: edit.base, base: edit.toothCount }]
    case 'settle': {
      const { gear, toothCount: base } = edit
      return [
        { kind: 'count', gear, reading: 'first', toothCount: edit.base.first, base },
        { kind: 'count', gear, reading: 'second', toothCount: edit.base.second, base },
      ]
    }
    case 'rename':
      return [{ ...edit, name: edit.base, base: edit.name }]
    case 'final-drive':
      return [{ ...edit, finalDrive: edit.base, base: edit.finalDrive }]
    case 'change':
      return [{ ...edit, changes: inverseChanges(edit.changes) }]
  }
}
