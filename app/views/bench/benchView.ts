/** Which boxes the bench shows, and in which order. */
import { z } from 'zod'

import { storable } from '~/files/text.ts'
import { areInitials } from '~/settings.ts'
import type { Address } from '~/views/addresses.ts'
import { formatAddress } from '~/views/addresses.ts'

import type { BenchSort, BenchStage, BenchWait } from './benchChoices.ts'

export interface BenchView {
  /** Words, each of which is somewhere in the name or in what was written of the unit. */
  readonly search: string
  readonly stage: BenchStage | null
  readonly waits: BenchWait | null
  /** Initials of whose job it is. */
  readonly who: string | null
  /** Days between which the unit was here, both of them included: "2026-09-01". */
  readonly since: string | null
  readonly until: string | null
  readonly sort: BenchSort
}

/** Every box, the last touched first. */
export const WHOLE_BENCH: BenchView = {
  search: '',
  ...{ stage: null, waits: null, who: null, since: null, until: null },
  sort: 'touched',
}

/** Characters that a search may have. */
export const LONGEST_SEARCH = 120

/** No unit was here before the first, or comes after the last; a database knows no days without bounds. */
const DAYS = { first: '1970-01-01', last: '2999-12-31' } as const

/** A day as an address and a field for days have it; null where it is none. */
function dayOf(text: string | null): string | null {
  const isDay = text !== null && z.iso.date().safeParse(text).success
  return isDay && text >= DAYS.first && text <= DAYS.last ? text : null
}

/** As an address asks for it; what it asks for that cannot be is left out. */
export function readBenchView(address: Address<'bench'>): BenchView {
  const { q, stage, waits, who, since, until, sort } = address
  const initials = (who ?? '').trim().toUpperCase()
  return {
    search: storable((q ?? '').slice(0, LONGEST_SEARCH)),
    stage,
    waits,
    who: areInitials(initials) && initials !== '' ? initials : null,
    since: dayOf(since),
    until: dayOf(until),
    sort: sort ?? WHOLE_BENCH.sort,
  }
}

/** Whether boxes are left out. */
export function isFiltered({ search, sort: _sort, ...rest }: BenchView): boolean {
  return search !== '' || Object.values(rest).some((each) => each !== null)
}

/** The address of a view, with the place where its next page begins. */
export function benchAddress({ search, sort, ...rest }: BenchView, after?: string): string {
  const query = formatAddress('bench', {
    q: search || null,
    ...rest,
    sort: sort === WHOLE_BENCH.sort ? null : sort,
    after: after ?? null,
  })
  return `/${query}`
}
