/** Which boxes the bench shows, and in which order. */
import type { Stage, Waiting } from 'core'
import { STAGES } from 'core'

import { storable } from '~/files/text.ts'

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

export interface BenchView {
  /** Words, each of which is somewhere in the name or in what was written of the unit. */
  readonly search: string
  readonly stage: BenchStage | null
  readonly waits: BenchWait | null
  readonly sort: BenchSort
}

/** Every box, the last touched first. */
export const WHOLE_BENCH: BenchView = { search: '', stage: null, waits: null, sort: 'touched' }

/** Characters that a search may have. */
export const LONGEST_SEARCH = 120

/** As an address asks for it; what it asks for that cannot be is left out. */
export function readBenchView(address: URLSearchParams): BenchView {
  const oneOf = <T extends string>(values: readonly T[], key: string): T | null =>
    values.find((value) => value === address.get(key)) ?? null
  return {
    search: storable((address.get('q') ?? '').slice(0, LONGEST_SEARCH)),
    stage: oneOf(BENCH_STAGES, 'stage'),
    waits: oneOf(BENCH_WAITS, 'waits'),
    sort: oneOf(BENCH_SORTS, 'sort') ?? WHOLE_BENCH.sort,
  }
}

/** Whether boxes are left out. */
export function isFiltered({ search, stage, waits }: BenchView): boolean {
  return search !== '' || stage !== null || waits !== null
}

/** The address of a view, with the place where its next page begins. */
export function benchAddress({ search, stage, waits, sort }: BenchView, after?: string): string {
  const said = {
    q: search,
    stage: stage ?? '',
    waits: waits ?? '',
    sort: sort === WHOLE_BENCH.sort ? '' : sort,
    after: after ?? '',
  }
  const query = new URLSearchParams(Object.entries(said).filter(([, value]) => value !== ''))
  return query.size === 0 ? '/' : `/?${query}`
}
