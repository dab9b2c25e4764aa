import type { Path } from './types.ts'

/** What an id was expected to lead to. */
export type IdKind = 'axis' | 'member' | 'gear' | 'body' | 'link' | 'coupler' | 'coupler-position'

/** What is wrong with a draft, where, and by which figures. */
export type BoxIssue = { readonly path: Path } & (
  | { readonly code: 'unknown-id'; readonly id: string; readonly expected: IdKind }
  | { readonly code: 'duplicate-id'; readonly id: string }
  | {
      readonly code: 'tooth-count-out-of-range'
      readonly gear: string
      readonly toothCount: number
      readonly least: number
      readonly most: number
    }
  | { readonly code: 'twin-of-a-twin'; readonly gear: string; readonly twin: string }
  /** Gears said to be alike, with other counts. */
  | {
      readonly code: 'twins-differ'
      readonly gear: string
      readonly toothCount: number
      readonly twin: string
      readonly twinToothCount: number
    }
  | { readonly code: 'tooth-count-not-whole'; readonly gear: string; readonly toothCount: number }
  | { readonly code: 'mesh-within-one-body'; readonly link: string; readonly body: string }
  | { readonly code: 'mesh-on-one-axis'; readonly link: string; readonly axis: string }
  | {
      readonly code: 'ring-not-larger'
      readonly link: string
      readonly ringToothCount: number
      readonly innerToothCount: number
    }
  | {
      readonly code: 'planet-does-not-fit'
      readonly link: string
      readonly planetToothCount: number
      readonly fittingToothCount: number
    }
  | {
      readonly code: 'planets-cannot-be-spaced'
      readonly link: string
      readonly toothSum: number
      readonly planetCount: number
    }
  /** The two steps of a planet do not turn as one. */
  | { readonly code: 'planet-steps-apart'; readonly link: string }
  | { readonly code: 'link-joins-one-body'; readonly link: string; readonly body: string }
  | { readonly code: 'coupler-engages-own-hub'; readonly coupler: string; readonly body: string }
  | { readonly code: 'coupler-has-two-centres'; readonly coupler: string }
  | {
      readonly code: 'coupler-place-not-named'
      readonly position: string
      readonly coupler: string
    }
  | { readonly code: 'position-repeats'; readonly position: string; readonly other: string }
  /** No lever reaches it: an interlock lets only one of the two couplers leave its centre. */
  | {
      readonly code: 'position-interlocked'
      readonly position: string
      readonly interlock: string
      readonly couplers: readonly [string, string]
    }
  | { readonly code: 'position-forbidden'; readonly position: string; readonly rule: string }
  | { readonly code: 'output-is-input'; readonly body: string }
  | {
      readonly code: 'ends-reversed'
      readonly member: string
      readonly fromMm: number
      readonly toMm: number
    }
  | { readonly code: 'gear-without-mesh'; readonly gear: string }
  | {
      readonly code: 'gear-off-its-member'
      readonly gear: string
      readonly stationMm: number
      readonly fromMm: number
      readonly toMm: number
    }
  /** Gears in mesh must have teeth of one size. */
  | {
      readonly code: 'modules-differ'
      readonly link: string
      readonly moduleMm: readonly [number, number]
    }
  /** Pairs between the same two axes share one centre distance. */
  | {
      readonly code: 'centre-distance-differs'
      readonly link: string
      readonly centreDistanceMm: number
      readonly other: string
      readonly otherCentreDistanceMm: number
    }
  | {
      readonly code: 'tooth-sum-differs'
      readonly link: string
      readonly toothSum: number
      readonly usualToothSum: number
    }
  /** Of the only two pairs between two axes. */
  | {
      readonly code: 'tooth-sums-differ'
      readonly link: string
      readonly toothSum: number
      readonly other: string
      readonly otherToothSum: number
    }
  /** Of two gears that an idler bridges. */
  | {
      readonly code: 'gears-touch'
      readonly gears: readonly [string, string]
      readonly idler: string
      readonly toothSum: number
      /** What a pair in mesh between their shafts has. */
      readonly meshingSum: number
    }
  /** A piece that says it belongs to something that is not there. */
  | { readonly code: 'piece-nowhere'; readonly piece: string; readonly id: string }
  | {
      readonly code: 'bore-over-outside'
      readonly piece: string
      readonly boreMm: number
      readonly outsideMm: number
    }
  | {
      readonly code: 'bore-under-shaft'
      readonly piece: string
      readonly boreMm: number
      readonly shaftMm: number
    }
  /** Between two shoulders, over neither of which it passes. */
  | { readonly code: 'piece-trapped'; readonly piece: string; readonly boreMm: number }
  | {
      readonly code: 'piece-off-its-shaft'
      readonly piece: string
      readonly stationMm: number
      readonly fromMm: number
      readonly toMm: number
    }
  /** Two pieces for one place of a coupler. */
  | {
      readonly code: 'piece-doubled'
      readonly piece: string
      readonly other: string
      readonly coupler: string
    }
  /** A piece that stands in another part, told by its reference. */
  | {
      readonly code: 'pieces-overlap'
      readonly piece: string
      readonly other: string
      readonly byMm: number
    }
  | {
      readonly code: 'stack-longer-than-shaft'
      readonly member: string
      readonly stackMm: number
      readonly shaftMm: number
    }
)

export type BoxIssueCode = BoxIssue['code']
