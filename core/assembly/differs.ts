/**
 * What differs between two assemblies: of one unit at two times, or of two units of a kind.
 * Parts are the same where they are called the same.
 */
import { readPath } from '../box/partPath.ts'
import { indexBox } from '../box/box.ts'
import type { BoxIndex } from '../box/box.ts'
import type { BoxDraft } from '../box/types.ts'
import type { Job } from '../job/job.ts'
import { measuredOn } from '../job/job.ts'
import { pieceOfRef, unitParts } from '../job/unitParts.ts'

/** One assembly: the unit as it is described, and the job in which it was put together. */
export interface Assembled {
  readonly draft: BoxDraft
  readonly job: Job
}

/** What is compared of every part. */
const COMPARED_FIELDS = [
  'partNumber',
  'toothCount',
  'faceWidthMm',
  'mount',
  'lengthMm',
  'boreMm',
  'outsideMm',
  'quantity',
  'fit',
  'isSplit',
  'putInWith',
] as const
/** See `COMPARED_FIELDS`. */
export type ComparedField = (typeof COMPARED_FIELDS)[number]

/** Which of the two. */
export type Side = 'one' | 'other'

/** One thing in which two units, or a unit and what it was, are not the same. */
export type Difference =
  /** A part that only one of them has. */
  | { readonly kind: 'only'; readonly ref: string; readonly on: Side }
  | {
      readonly kind: 'field'
      readonly ref: string
      readonly field: ComparedField
      readonly one: unknown
      readonly other: unknown
    }
  /** Shims fitted, in tenths of a micrometre. */
  | {
      readonly kind: 'shims'
      readonly ref: string
      readonly one: readonly number[]
      readonly other: readonly number[]
    }
  /** The end play measured last, in mm; null where it was not. */
  | {
      readonly kind: 'end-play'
      readonly ref: string
      readonly one: number | null
      readonly other: number | null
    }
  /** A part that came new into one of them, by the key of its line. */
  | { readonly kind: 'renewed'; readonly key: string; readonly what: string; readonly on: Side }
  /** Two parts that went in the other way round. */
  | { readonly kind: 'order'; readonly first: string; readonly then: string }

/** End plays nearer than a hundredth are one (common practice: as a dial is read). */
const SAME_MM = 0.01

/** Everything that differs, the parts first. */
export function differencesOf(one: Assembled, other: Assembled): readonly Difference[] {
  const [left, right] = [indexBox(one.draft), indexBox(other.draft)]
  const refs = (draft: BoxDraft): readonly string[] => unitParts(draft).map(({ ref }) => ref)
  const [ofOne, ofOther] = [refs(one.draft), refs(other.draft)]
  const isOfOther = new Set(ofOther)
  const isOfOne = new Set(ofOne)
  const both = ofOne.filter((ref) => isOfOther.has(ref))
  return [
    ...ofOne.filter((ref) => !isOfOther.has(ref)).map((ref) => only(ref, 'one')),
    ...ofOther.filter((ref) => !isOfOne.has(ref)).map((ref) => only(ref, 'other')),
    ...both.flatMap((ref) => fieldsOf(left, right, ref)),
    ...both.flatMap((ref) => setOf(one.job, other.job, ref)),
    ...renewed(one.job, other.job, 'one'),
    ...renewed(other.job, one.job, 'other'),
    ...turnedRound(one.job, other.job),
  ]
}

function only(ref: string, on: Side): Difference {
  return { kind: 'only', ref, on }
}

/** What is stated of a part, by its reference. */
function stated(index: BoxIndex, ref: string): Readonly<Record<string, unknown>> {
  const gear = index.gears.get(ref.slice('gear:'.length))
  const found = readPath(ref).kind === 'gear' ? gear : pieceOfRef(index, ref)
  return { ...found }
}

function fieldsOf(left: BoxIndex, right: BoxIndex, ref: string): readonly Difference[] {
  const [one, other] = [stated(left, ref), stated(right, ref)]
  return COMPARED_FIELDS.filter((field) => one[field] !== other[field]).map((field) => ({
    kind: 'field',
    ref,
    field,
    one: one[field],
    other: other[field],
  }))
}

/** Shims and end play of one part. */
function setOf(one: Job, other: Job, ref: string): readonly Difference[] {
  const shims = [one, other].map(({ shims: fitted }) =>
    [...(fitted.get(ref)?.thicknesses ?? [])].sort((less, more) => less - more),
  )
  const plays = [one, other].map(
    (job) => measuredOn(job, ref, 'end-play').at(-1)?.judgement.figures.figure ?? null,
  )
  const [[oneShims = [], otherShims = []], [onePlay = null, otherPlay = null]] = [shims, plays]
  const isSamePlay =
    onePlay === null || otherPlay === null
      ? onePlay === otherPlay
      : Math.abs(onePlay - otherPlay) < SAME_MM
  return [
    ...(oneShims.join(' ') === otherShims.join(' ')
      ? []
      : [{ kind: 'shims' as const, ref, one: oneShims, other: otherShims }]),
    ...(isSamePlay ? [] : [{ kind: 'end-play' as const, ref, one: onePlay, other: otherPlay }]),
  ]
}

/** What came new into one and not into the other. */
function renewed({ lines }: Job, other: Job, on: Side): readonly Difference[] {
  const there = new Set(
    other.lines.filter(({ state }) => state === 'arrived').map(({ key }) => key),
  )
  return lines
    .filter(
      ({ state, isLabour, key }) => state === 'arrived' && isLabour !== true && !there.has(key),
    )
    .map(({ key, what }) => ({ kind: 'renewed', key, what, on }))
}

/** Parts in the order in which they went in, each the last time. */
function wentIn({ taken: { steps } }: Job): readonly string[] {
  const last = steps.flatMap(({ body }) =>
    body.kind === 'step' && body.is === 'in' && body.part !== null ? [body.part] : [],
  )
  return [...new Set([...last].reverse())].reverse()
}

/** Neighbours of one order that are the other way round in the other. */
function turnedRound(one: Job, other: Job): readonly Difference[] {
  const at = new Map(wentIn(other).map((ref, place) => [ref, place]))
  const both = wentIn(one).filter((ref) => at.has(ref))
  return both.slice(1).flatMap((then, place): readonly Difference[] => {
    const first = both[place] ?? ''
    return (at.get(first) ?? 0) > (at.get(then) ?? 0) ? [{ kind: 'order', first, then }] : []
  })
}
