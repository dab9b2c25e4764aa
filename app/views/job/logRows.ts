/** The log of a job as it is read: what belongs together is one row. */
import equal from 'fast-deep-equal'

import type { Entry, EntryBody } from 'core'

/** An entry, or several that are read as one. */
interface LogRow {
  /** What is told of the row; its time is that of the last. */
  readonly entry: Entry
  /** The entries that it stands for, in the order of time. */
  readonly ids: readonly string[]
}

type SpinBody = Extract<EntryBody, { readonly kind: 'spin' }>

/**
 * Ticks that one person made in a row in one spin test are one row, in which the last tick
 * of a part stands; every other entry is a row of its own.
 */
export function logRows(entries: readonly Entry[]): readonly LogRow[] {
  const rows: LogRow[] = []
  for (const entry of entries) {
    const before = rows.at(-1)
    const joined = before && joinTicks(before.entry, entry)
    if (joined) rows[rows.length - 1] = { entry: joined, ids: [...before.ids, entry.id] }
    else rows.push({ entry, ids: [entry.id] })
  }
  return rows
}

function joinTicks(one: Entry, next: Entry): Entry | undefined {
  if (one.body.kind !== 'spin' || next.body.kind !== 'spin') return undefined
  if (one.by !== next.by || !equal(testOf(one.body), testOf(next.body))) return undefined
  const last = new Map([...one.body.ticks, ...next.body.ticks].map((tick) => [tick.part, tick]))
  return { ...next, body: { ...next.body, ticks: [...last.values()] } }
}

function testOf({ places, held, turned }: SpinBody): Omit<SpinBody, 'kind' | 'ticks'> {
  return { places, held, turned }
}
