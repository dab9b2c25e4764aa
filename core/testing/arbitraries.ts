/** Random boxes for property tests. */
import fc from 'fast-check'

import type {
  BoxDraft,
  DogFigures,
  Drum,
  Gear,
  Link,
  LinkKind,
  Member,
  Piece,
  RingFigures,
  Selector,
} from '../box/types.ts'
import { PIECE, RING, SELECTOR } from '../box/fields/things.ts'
import { MARK_KINDS } from '../box/types.ts'
import { draftOf, gear, shaft, trainDraft } from './boxes.ts'
import type { Stage } from './boxes.ts'
import { thingOf } from './things.ts'

const toothCount = fc.integer({ min: 12, max: 60 })

export const stages: fc.Arbitrary<readonly Stage[]> = fc.array(
  fc.tuple(
    toothCount,
    fc.integer({ min: 61, max: 90 }),
    fc.constantFrom('external-mesh' as const, 'internal-mesh' as const, 'chain' as const),
  ),
  { minLength: 1, maxLength: 6 },
)

/** Trains of one to six pairs of every kind of mesh. */
export const train: fc.Arbitrary<BoxDraft> = stages.map(trainDraft)

type LinkSeed = readonly [
  kind: Exclude<LinkKind, 'stepped-planetary'>,
  members: readonly [number, number, number],
  teeth: readonly [number, number],
]

const linkSeed: fc.Arbitrary<LinkSeed> = fc.tuple(
  fc.constantFrom(
    'external-mesh',
    'internal-mesh',
    'chain',
    'bevel',
    'worm',
    'joined',
    'planetary',
    'double-planetary',
    'differential',
    'held',
  ),
  fc
    .shuffledSubarray([0, 1, 2, 3, 4, 5], { minLength: 3, maxLength: 3 })
    .map((picked) => [picked[0] ?? 0, picked[1] ?? 0, picked[2] ?? 0] as const),
  fc.tuple(toothCount, toothCount),
)

/** The same box with one to three outputs. */
function withOutputs(drafts: fc.Arbitrary<BoxDraft>): fc.Arbitrary<BoxDraft> {
  const ends = fc.shuffledSubarray(['s1', 's3', 's4', 's5'], { minLength: 1, maxLength: 3 })
  return fc.tuple(drafts, ends).map(([draft, outputs]) => ({ ...draft, outputs }))
}

/**
 * Six shafts linked at random by links of every kind: most such boxes are locked
 * or free somewhere, which is what they are for. Input and output are the first
 * and the last shaft.
 */
export const tangle: fc.Arbitrary<BoxDraft> = fc
  .array(linkSeed, { minLength: 2, maxLength: 8 })
  .map((seeds) => {
    const members = Array.from({ length: 6 }, (_, at) => shaft(`s${at}`))
    const gears: Gear[] = []
    const links = seeds.map(([kind, [one, two, three], [few, more]], at): Link => {
      const id = `link-${at}`
      const [a, b, c] = [`s${one}`, `s${two}`, `s${three}`]
      const pair = (): readonly [string, string] => {
        gears.push(gear(`${id}-a`, a, few), gear(`${id}-b`, b, few + more))
        return [`${id}-a`, `${id}-b`]
      }
      switch (kind) {
        case 'external-mesh':
        case 'internal-mesh':
        case 'chain': {
          const [first, second] = pair()
          return { id, kind, a: first, b: second }
        }
        case 'bevel': {
          const [first, second] = pair()
          const bNarrows = few % 2 === 0 ? 'output-end' : 'input-end'
          return { id, kind, a: first, b: second, aNarrows: 'output-end', bNarrows }
        }
        case 'worm': {
          gears.push(gear(`${id}-wheel`, b, more))
          const hand = few % 2 === 0 ? 'right' : 'left'
          return { id, kind, worm: a, wheel: `${id}-wheel`, starts: 1 + (few % 4), hand }
        }
        case 'planetary':
        case 'double-planetary': {
          const [sun, ring] = pair()
          return { id, kind, sun, ring, carrier: c }
        }
        case 'joined':
          return { id, kind, a, b }
        case 'differential':
          return { id, kind, case: a, left: b, right: c }
        case 'held':
          return { id, kind, body: a }
      }
    })
    return draftOf({
      axes: members.map(({ id }) => ({ id })),
      members,
      gears,
      links,
      input: 's0',
      outputs: ['s5'],
    })
  })

/** Tangles with several outputs, most of them with differentials. */
export const wideTangle: fc.Arbitrary<BoxDraft> = withOutputs(tangle)

/** The same box with some of its gears not counted yet. */
export function halfCounted(drafts: fc.Arbitrary<BoxDraft>): fc.Arbitrary<BoxDraft> {
  const isCounted = fc.array(fc.boolean(), { minLength: 16, maxLength: 16 })
  return fc.tuple(drafts, isCounted).map(([draft, counted]) => ({
    ...draft,
    gears: draft.gears.map((each, at) =>
      counted[at] === false ? { ...each, toothCount: null } : each,
    ),
  }))
}

/** Boxes with three couplers of three places each that lock shafts and gears at random. */
export function couplersOn(drafts: fc.Arbitrary<BoxDraft>): fc.Arbitrary<BoxDraft> {
  return drafts.chain((draft) => {
    const bodies = draft.members.map(({ id }) => id)
    const picked = fc.shuffledSubarray(bodies, { minLength: 3, maxLength: 3 })
    return fc.array(picked, { minLength: 3, maxLength: 3 }).map((couplers) => ({
      ...draft,
      positions: [],
      couplers: couplers.map(([hub = '', before = '', after = ''], at) => ({
        id: `c${at}`,
        kind: 'synchronizer' as const,
        hub,
        stationMm: 50,
        positions: [
          {
            id: 'before',
            travel: 'towards-input' as const,
            engages: [{ kind: 'lock' as const, body: before }],
          },
          { id: 'centre', travel: 'centre' as const, engages: [] },
          {
            id: 'after',
            travel: 'towards-output' as const,
            engages: [{ kind: 'lock' as const, body: after }],
          },
        ],
      })),
    }))
  })
}

const sizeMm = fc.integer({ min: 10, max: 60 }).map((half) => half / 2)

/** Any piece, with whatever may be said of one. */
const anyPiece: fc.Arbitrary<Piece> = thingOf(
  PIECE,
  { member: ['s0', 's1', 'main'], body: ['s2', 's3'] },
  {
    lengthMm: sizeMm,
    boreMm: sizeMm,
    outsideMm: sizeMm,
    // Of no coupler and no other piece: those have tests of their own.
    coupler: fc.constant(undefined),
    place: fc.constant(undefined),
    marks: fc.array(
      fc.constantFrom(...MARK_KINDS).map((kind) => ({ kind })),
      { maxLength: 3 },
    ),
  },
)

const anyRod: fc.Arbitrary<Selector> = thingOf(SELECTOR)

const anyDrum: fc.Arbitrary<Drum> = fc
  .uniqueArray(fc.integer({ min: 0, max: 719 }), { minLength: 1, maxLength: 6 })
  .map((halves) => ({
    id: 'drum',
    tracks: [
      {
        coupler: 'coupler-0',
        points: [...halves]
          .sort((one, other) => one - other)
          .map((half, at) => ({ angleDeg: half / 2, travelMm: at - 2 })),
        touchesFromMm: 2,
        carriesFromMm: 5,
      },
    ],
    stops: [
      { angleDeg: 0, position: 'only' },
      { angleDeg: 30, reachDeg: 6, tipWearMm: 1 },
    ],
    star: { springForceN: 25 },
  }))

const anyRing: fc.Arbitrary<RingFigures> = thingOf(RING)

const anyDogs: fc.Arbitrary<DogFigures> = fc.record(
  {
    count: fc.integer({ min: 3, max: 8 }),
    freeAngleDeg: fc.integer({ min: 5, max: 40 }),
    depthMm: sizeMm,
    backTaperDeg: fc.integer({ min: -6, max: 6 }),
  },
  { requiredKeys: [], noNullPrototype: true },
)

/** The same box with one to twelve pieces of any kind, and what moves its couplers. */
export function withPieces(drafts: fc.Arbitrary<BoxDraft>): fc.Arbitrary<BoxDraft> {
  return fc
    .tuple(
      drafts,
      fc.array(anyPiece, { minLength: 1, maxLength: 12 }),
      fc.array(anyRod, { minLength: 2, maxLength: 4 }),
      anyDrum,
      anyRing,
      anyDogs,
    )
    .map(([draft, pieces, rods, drum, ring, dogs]) => ({
      ...draft,
      couplers: draft.couplers.map((coupler) => ({
        ...coupler,
        positions: coupler.positions.map((place, at) =>
          at === 0 ? { ...place, ring, dogs } : place,
        ),
      })),
      selectors: rods.map((rod, at) => ({ ...rod, id: `rod-${at}` })),
      interlockParts: [
        { id: 'ball', kind: 'ball' as const, selectors: ['rod-0', 'rod-1'] },
        { id: 'pin', kind: 'pin' as const, selectors: ['rod-0'] },
      ],
      drums: [drum],
      clutches: [
        {
          id: 'clutch',
          kind: 'twin-dry' as const,
          stages: [{ id: 'pedal', kind: 'lever' as const, name: 'pedal', inMm: 300, outMm: 60.5 }],
          wearMm: 1.5,
        },
      ],
      pieces: pieces.map((piece, at) => ({ ...piece, id: `piece-${at}` })),
      // What was stated of the order goes through everything that pieces do.
      ...(pieces.length > 1 && {
        precedences: pieces.slice(1).map((_, at) => ({
          id: `order-${at}`,
          first: `piece:piece-${at}`,
          then: `piece:piece-${at + 1}`,
        })),
      }),
    }))
}

/** A shaft of random steps with spacers of random bores on it. */
export const piecesOn: fc.Arbitrary<{
  readonly member: Member
  readonly pieces: readonly Piece[]
}> = fc
  .tuple(
    fc.array(fc.tuple(fc.integer({ min: 0, max: 90 }), fc.integer({ min: 2, max: 20 }), sizeMm), {
      maxLength: 6,
    }),
    fc.array(fc.tuple(fc.integer({ min: 1, max: 99 }), sizeMm), { minLength: 1, maxLength: 6 }),
  )
  .map(([steps, pieces]) => ({
    member: {
      id: 'main',
      kind: 'main-shaft',
      axis: 'line',
      fromMm: 0,
      toMm: 100,
      steps: steps.map(([fromMm, lengthMm, diameterMm]) => ({
        fromMm,
        toMm: Math.min(fromMm + lengthMm, 100),
        diameterMm,
      })),
    },
    pieces: pieces.map(([stationMm, boreMm], at) => ({
      id: `piece-${at}`,
      kind: 'spacer',
      on: 'main',
      stationMm: stationMm + 0.125,
      boreMm,
      lengthMm: 0.01,
    })),
  }))
