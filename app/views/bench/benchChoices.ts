/** What the bench can be narrowed to, and its orders. */
import type { Stage, Waiting } from 'core'
import { STAGES } from 'core'

/** Orders of the bench; the first is the usual one. */
export const BENCH_SORTS = ['touched', 'untouched', 'name', 'stage'] as const
export type BenchSort = (typeof BENCH_SORTS)[number]

/** A stage of the open job, or that there is none. */
export const BENCH_STAGES = ['none', ...STAGES, 'closed'] as const
export type BenchStage = 'none' | Stage | 'closed'

/** What can wait for the person: gears to count, or anything that a job says. */
export const BENCH_WAITS = [
  'to-count',
  'counts-disagree',
  'turns-disagree',
  'nothing-measured',
  'to-replace',
  'to-order',
  'on-order',
  'said',
] as const satisfies readonly ('to-count' | Waiting['code'])[]
export type BenchWait = (typeof BENCH_WAITS)[number]
