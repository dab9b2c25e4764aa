/** Which boxes the bench shows, and in which order. */
import { storable } from '~/files/text.ts'
import type { Address } from '~/views/addresses.ts'
import { formatAddress } from '~/views/addresses.ts'

import type { BenchSort, BenchStage, BenchWait } from './benchChoices.ts'

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
export function readBenchView({ q, stage, waits, sort }: Address<'bench'>): BenchView {
  return {
    search: storable((q ?? '').slice(0, LONGEST_SEARCH)),
    stage,
    waits,
    sort: sort ?? WHOLE_BENCH.sort,
  }
}

/** Whether boxes are left out. */
export function isFiltered({ search, stage, waits }: BenchView): boolean {
  return search !== '' || stage !== null || waits !== null
}

/** The address of a view, with the place where its next page begins. */
export function benchAddress({ search, stage, waits, sort }: BenchView, after?: string): string {
  const query = formatAddress('bench', {
    q: search || null,
    stage,
    waits,
    sort: sort === WHOLE_BENCH.sort ? null : sort,
    after: after ?? null,
  })
  return `/${query}`
}
