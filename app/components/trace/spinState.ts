/** The spin test as the address of its page keeps it. */
import type { BoxDraft, CouplerPlaces, PositionAnalysis, Seen, SpinRecord, SpinSetup } from 'core'
import { couplersAway, indexBox, placesAtRest } from 'core'

import { parsePlaces } from './movedPlaces.ts'

/** Turn the input with the output held, turn the output with the input held, or as the person likes. */
export const SPIN_TESTS = ['input', 'output', 'own'] as const
export type SpinTest = (typeof SPIN_TESTS)[number]

export interface SpinState {
  readonly test: SpinTest
  readonly setups: Readonly<Record<SpinTest, SpinSetup>>
  /** What was seen in each test, by part. */
  readonly seen: Readonly<Record<SpinTest, ReadonlyMap<string, Seen>>>
}

/**
 * Where the couplers stand in neutral: as that of the listed neutral positions has them
 * which engages the fewest, or at rest. A box drawn wrongly may be neutral in gear.
 */
export function neutralPlaces(
  draft: BoxDraft,
  positions: readonly PositionAnalysis[],
): CouplerPlaces {
  const neutral = positions
    .filter(({ analysis }) => analysis.state === 'neutral')
    .map(({ position }) => ({ ...placesAtRest(draft.couplers), ...position.couplers }))
  const engaged = (places: CouplerPlaces): number => couplersAway(draft.couplers, places).length
  const [first = placesAtRest(draft.couplers), ...others] = neutral
  return others.reduce(
    (least, places) => (engaged(places) < engaged(least) ? places : least),
    first,
  )
}

export function readSpin(
  draft: BoxDraft,
  positions: readonly PositionAnalysis[],
  search: URLSearchParams,
): SpinState {
  const { members, gears, bodies } = indexBox(draft)
  const isBody = (id: string): boolean => bodies.includes(id)
  const places = parsePlaces(draft, search.get('at')) ?? neutralPlaces(draft, positions)
  const [output = draft.input] = draft.outputs
  const wanted = search.get('turned')
  const turned = wanted !== null && isBody(wanted) ? wanted : draft.input
  const held = (search.get('held') ?? '').split(',').filter((id) => isBody(id) && id !== turned)
  const seenIn = (test: SpinTest): ReadonlyMap<string, Seen> => {
    const found = new Map<string, Seen>()
    for (const what of ['moved', 'stood'] as const)
      for (const id of (search.get(seenKey(test, what)) ?? '').split(','))
        if (members.has(id) || gears.has(id)) found.set(id, what)
    return found
  }
  return {
    test: SPIN_TESTS.find((test) => test === search.get('test')) ?? 'input',
    setups: {
      input: {
        places,
        held: draft.outputs.filter((id) => id !== draft.input),
        turned: draft.input,
      },
      output: { places, held: [draft.input], turned: output },
      own: { places, held, turned },
    },
    seen: { input: seenIn('input'), output: seenIn('output'), own: seenIn('own') },
  }
}

function seenKey(test: SpinTest, what: Seen): string {
  return `${test}-${what}`
}

/** The change of the address that ticks one part; null takes its tick out. */
export function tick(
  { test, seen }: SpinState,
  part: string,
  what: Seen | null,
): Readonly<Record<string, string>> {
  const next = new Map(seen[test])
  if (what === null) next.delete(part)
  else next.set(part, what)
  const listOf = (wanted: Seen): string =>
    [...next].flatMap(([id, is]) => (is === wanted ? [id] : [])).join(',')
  return { [seenKey(test, 'moved')]: listOf('moved'), [seenKey(test, 'stood')]: listOf('stood') }
}

/** The change of the address that takes all ticks out. */
export function noTicks(): Readonly<Record<string, string>> {
  return Object.fromEntries(
    SPIN_TESTS.flatMap((test) => [
      [seenKey(test, 'moved'), ''],
      [seenKey(test, 'stood'), ''],
    ]),
  )
}

/** The tests in which something was ticked. */
export function spinRecords({
  setups,
  seen,
}: SpinState): readonly (SpinRecord & { readonly test: SpinTest })[] {
  return SPIN_TESTS.flatMap((test) =>
    seen[test].size > 0 ? [{ test, setup: setups[test], seen: seen[test] }] : [],
  )
}
