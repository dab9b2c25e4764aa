/** The spin test as the address of its page keeps it. */
import type {
  BoxDraft,
  CouplerPlaces,
  EntryBody,
  PositionAnalysis,
  Seen,
  SpinSetup,
  SpinTicks,
} from 'core'
import { SEEN, couplersAway, indexBox, isSameSetup, placesAtRest } from 'core'

import type { SpinTest } from './spinKeys.ts'
import { SPIN_TESTS, seenKey } from './spinKeys.ts'
import { formatPlaces, parsePlaces } from './movedPlaces.ts'

/** What an address says of a spin test. */
export type SpinAddress = Partial<
  Readonly<Record<'at' | 'turned' | 'held' | `${SpinTest}-${Seen}`, string | null>> & {
    readonly test: SpinTest | null
  }
>

export interface SpinState {
  readonly test: SpinTest
  readonly setups: Readonly<Record<SpinTest, SpinSetup>>
  /** What the address says was seen, where no job keeps it. */
  readonly ticked: readonly SpinTicks[]
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
  search: SpinAddress,
): SpinState {
  const { members, gears, bodies } = indexBox(draft)
  const isBody = (id: string): boolean => bodies.includes(id)
  const places = parsePlaces(draft, search.at ?? null) ?? neutralPlaces(draft, positions)
  const [output = draft.input] = draft.outputs
  const wanted = search.turned
  const turned = typeof wanted === 'string' && isBody(wanted) ? wanted : draft.input
  const held = (search.held ?? '').split(',').filter((id) => isBody(id) && id !== turned)
  const setups: SpinState['setups'] = {
    input: { places, held: draft.outputs.filter((id) => id !== draft.input), turned: draft.input },
    output: { places, held: [draft.input], turned: output },
    own: { places, held, turned },
  }
  const listed = (key: `${SpinTest}-${Seen}`): readonly string[] =>
    (search[key] ?? '').split(',').filter((id) => members.has(id) || gears.has(id))
  return {
    test: search.test ?? 'input',
    setups,
    ticked: SPIN_TESTS.flatMap((test) => {
      const ticks = SEEN.flatMap((seen) =>
        listed(seenKey(test, seen)).map((part) => ({ part, seen })),
      )
      return ticks.length > 0 ? [{ setup: setups[test], ticks }] : []
    }),
  }
}

/** The change of the address that ticks one part of a test; null takes its tick out. */
export function tick(
  search: SpinAddress,
  test: SpinTest,
  part: string,
  seen: Seen | null,
): SpinAddress {
  return Object.fromEntries(
    SEEN.map((what) => {
      const others = (search[seenKey(test, what)] ?? '')
        .split(',')
        .filter((id) => id !== '' && id !== part)
      return [seenKey(test, what), [...others, ...(what === seen ? [part] : [])].join(',')]
    }),
  )
}

/** The change of the address that takes all ticks out. */
export function noTicks(): SpinAddress {
  return Object.fromEntries(
    SPIN_TESTS.flatMap((test) => SEEN.map((what) => [seenKey(test, what), ''])),
  )
}

/** Which of the tests a setup is; undefined for one that the page does not show just now. */
export function testOf(
  draft: BoxDraft,
  { setups }: Pick<SpinState, 'setups'>,
  setup: SpinSetup,
): SpinTest | undefined {
  return SPIN_TESTS.find((test) => isSameSetup(draft, setups[test], setup))
}

/** The change of the address that shows a test. */
export function shownSetup(
  draft: BoxDraft,
  positions: readonly PositionAnalysis[],
  setup: SpinSetup,
): SpinAddress {
  const at = formatPlaces(draft, setup.places)
  const { setups } = readSpin(draft, positions, { at })
  const test = testOf(draft, { setups }, setup) ?? 'own'
  return {
    at,
    test: test === 'input' ? null : test,
    ...(test === 'own' && { turned: setup.turned, held: setup.held.join(',') }),
  }
}

/** A tick, or several, as an entry of a job. */
export function spinEntry({ setup, ticks }: SpinTicks): EntryBody {
  const { places, held, turned } = setup
  return {
    kind: 'spin',
    places: Object.entries(places).map(([coupler, place]) => ({ coupler, place })),
    held,
    turned,
    ticks,
  }
}
