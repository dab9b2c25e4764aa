/**
 * What the address of each page says besides the page: all that somebody may send to another.
 * Pages read and change it by `useAddress`, loaders and files by `readAddress`.
 */
import type { inferParserType } from 'nuqs/server'
import { createLoader, createSerializer, parseAsString, parseAsStringLiteral } from 'nuqs/server'

import { CHANGE_SCHOOLS, MEASURES, SEEN } from 'core'

import { BENCH_SORTS, BENCH_STAGES, BENCH_WAITS } from './bench/benchChoices.ts'
import { DRIVE_KEYS } from './drive/driveFields.ts'
import { SPIN_TESTS, seenKey } from './trace/spinKeys.ts'

type Text = typeof parseAsString

/** Keys that hold any text: what is wrong with it is told where it is read. */
function texts<const Key extends string>(...keys: readonly Key[]): Readonly<Record<Key, Text>> {
  // Each of the keys and no other.
  return Object.fromEntries(keys.map((key) => [key, parseAsString])) as Record<Key, Text>
}

const oneOf = parseAsStringLiteral

const SEEN_KEYS = SPIN_TESTS.flatMap((test) => SEEN.map((what) => seenKey(test, what)))

/** Every page that has something in its address; the pages of Trace share the position and what is set with it. */
export const ADDRESSES = {
  bench: {
    ...texts('q', 'who', 'since', 'until', 'after'),
    stage: oneOf(BENCH_STAGES),
    waits: oneOf(BENCH_WAITS),
    sort: oneOf(BENCH_SORTS),
  },
  /** Of any page of a box: whose job it is about, the step of the tour, and the view of the page. */
  box: texts('job', 'tour', 'view'),
  layout: {
    ...texts('part', 'near'),
    view: oneOf(['drawing', 'parts', 'positions']),
    layer: oneOf(['none']),
  },
  count: { ...texts('gear', 'first'), pass: oneOf(['first', 'second']) },
  turns: { ...texts('position', 'at', 'input', 'output'), read: oneOf(['output']) },
  trace: {
    ...texts('position', 'moved', 'share', 'waits', 'bend', 'torque', 'speed', 'layers', 'ribbon'),
    overrun: oneOf(['on']),
    pedal: oneOf(['down']),
    motion: oneOf(['paused', 'slow']),
    interlock: oneOf(['out']),
    // Forces and losses.
    ...texts('mesh', 'bearings'),
    // Towing.
    ...texts('on'),
    // Spin test.
    ...texts('at', 'turned', 'held', ...SEEN_KEYS),
    test: oneOf(SPIN_TESTS),
    // Compare.
    ...texts('with', 'counts'),
    compare: oneOf(['counts']),
  },
  ratios: texts('at', 'shift'),
  shift: {
    ...texts('from', 'to', 'at', 'speed', 'rolls', 'coupler', 'load', 'drag', 'ribbon'),
    school: oneOf(CHANGE_SCHOOLS),
  },
  engage: texts('at', 'way', 'gap', 'load'),
  interlock: texts('out', 'moved', 'held'),
  drum: texts('drum', 'groove', 'angle', 'ribbon'),
  clutch: texts('clutch', 'at'),
  drive: texts('drive', 'way', 'at', 'change', 'beside', 'ribbon', ...DRIVE_KEYS),
  measure: { ...texts('part', 'kind', 'tray'), measure: oneOf(MEASURES) },
  build: { ...texts('part', 'row'), view: oneOf(['up']) },
  reach: texts('for'),
  stack: texts('shaft'),
  differs: texts('unit', 'visit'),
  steps: { way: oneOf(['up', 'down']) },
  labels: texts('of'),
  record: texts('without'),
  history: texts('compare', 'before'),
} as const

export type AddressPage = keyof typeof ADDRESSES
/** What an address of that page says; null where it says nothing, or nothing that can be. */
export type Address<P extends AddressPage> = Readonly<inferParserType<(typeof ADDRESSES)[P]>>
/** Changes of it by key; null or an empty text takes the key out, and what is undefined stays as it is. */
export type AddressChanges<P extends AddressPage> = {
  readonly [K in keyof Address<P>]?: Address<P>[K] | '' | undefined
}
/**
 * Changes an address; what is worked out from the latest of it is handed a function. A press that
 * has much of a page drawn anew is answered after the page has shown that it was felt; what a field
 * holds changes at once.
 */
export type ChangeAddress<P extends AddressPage> = (
  changes: AddressChanges<P> | ((latest: Address<P>) => AddressChanges<P>),
  when?: 'at-once' | 'after-paint',
) => void

/** What a request, an address or a search of it says, as that page has it. */
export function readAddress<P extends AddressPage>(
  page: P,
  from: Request | URL | URLSearchParams | string,
): Address<P> {
  return createLoader(ADDRESSES[page])(from)
}

/** The search of an address of that page, with its "?"; empty where it says nothing. */
export function formatAddress<P extends AddressPage>(
  page: P,
  address: Partial<Address<P>>,
): string {
  return createSerializer(ADDRESSES[page])(address)
}
