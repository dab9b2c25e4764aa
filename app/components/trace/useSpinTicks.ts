import { useMemo } from 'react'

import type { Seen, SpinRecord, SpinSetup } from 'core'
import { isSameSetup, spinRecordsOf } from 'core'

import { useOpenJob } from '~/components/job/jobContext.ts'

import type { SpinState } from '~/views/trace/spinState.ts'
import { noTicks, spinEntry, tick } from '~/views/trace/spinState.ts'
import { useOpenTrace } from './traceContext.ts'

export interface SpinTicking {
  /** Every test in which something is ticked. */
  readonly records: readonly SpinRecord[]
  /** What is ticked in the test that is shown. */
  readonly seen: ReadonlyMap<string, Seen>
  /** A closed job is looked at, and no more. */
  readonly isClosed: boolean
  /** Ticks that stand in the address beside a job that could keep them. */
  readonly strayCount: number
  readonly tick: (part: string, seen: Seen | null) => void
  /** Takes all ticks of all tests out. */
  readonly clear: () => void
  /** Says that in all tests a coupler stood elsewhere. */
  readonly move: (coupler: string, place: string) => void
  /** Takes the ticks of the address into the job. */
  readonly keepStray: () => void
}

const NONE: ReadonlyMap<string, Seen> = new Map()

/** The ticks of the spin test: kept by the job in hand, or by the address where there is none. */
export function useSpinTicks({ test, setups, ticked }: SpinState): SpinTicking {
  const { solver, change } = useOpenTrace()
  const { job, current, record } = useOpenJob()
  const { box } = solver
  const isKept = current !== undefined
  const setup = setups[test]
  const stray = useMemo(() => spinRecordsOf(box, ticked), [box, ticked])
  const records = useMemo(
    () => (isKept ? spinRecordsOf(box, job.spins) : stray),
    [box, isKept, job.spins, stray],
  )
  const write = (of: SpinSetup, seen: ReadonlyMap<string, Seen | null>): void => {
    const ticks = [...seen].map(([part, what]) => ({ part, seen: what }))
    record(spinEntry({ setup: of, ticks }))
  }
  const empty = ({ setup: of, seen }: SpinRecord): void => {
    write(of, new Map([...seen.keys()].map((part) => [part, null])))
  }
  return {
    records,
    seen: records.find((each) => isSameSetup(box.draft, each.setup, setup))?.seen ?? NONE,
    isClosed: job.isClosed,
    strayCount: isKept ? stray.reduce((sum, { seen }) => sum + seen.size, 0) : 0,
    tick: (part, seen) => {
      if (isKept) write(setup, new Map([[part, seen]]))
      else change((latest) => tick(latest, test, part, seen))
    },
    clear: () => {
      if (isKept) records.forEach(empty)
      else change(noTicks())
    },
    move: (coupler, place) => {
      if (!isKept) return
      for (const each of records) {
        const { setup: of, seen } = each
        empty(each)
        write({ ...of, places: { ...of.places, [coupler]: place } }, seen)
      }
    },
    keepStray: () => {
      for (const { setup: of, seen } of stray) write(of, seen)
      change(noTicks())
    },
  }
}
