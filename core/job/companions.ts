/**
 * What goes with a part that is replaced, and what is looked at beside it. Each rule is one
 * line of the table: of which kind of part, why, and which parts it leads to (common
 * practice throughout). What a rule leads to may lead on to more.
 */
import type { PathParts } from '../box/partPath.ts'
import { pathTo, pathToRing, readPath } from '../box/partPath.ts'
import type { BoxIndex } from '../box/box.ts'
import { indexBox } from '../box/box.ts'
import { couplersWithRings, sleevesOfTeeth } from '../box/couplers.ts'
import { pairsOf } from '../box/links/index.ts'
import { isNewEachTime, memberOfPiece } from '../box/pieces/index.ts'
import type { BoxDraft, Piece } from '../box/types.ts'
import { keyOfPiece } from './orders.ts'
import { pieceOfRef, refOfPiece } from './unitParts.ts'

/** Why something goes with a part. */
const COMPANION_REASONS = [
  'mate',
  'integral',
  'beside-cone',
  'race',
  'matched',
  'spline-mate',
  'runs-on-it',
  'always',
] as const
/** See `COMPANION_REASONS`. */
type CompanionReason = (typeof COMPANION_REASONS)[number]

/** What goes with a part that is replaced, by its key, and why. */
export interface Companion {
  readonly key: string
  readonly why: CompanionReason
}

interface CompanionRule {
  /** The kind in the reference of what is replaced. */
  readonly of: string
  readonly why: CompanionReason
  /** References to what goes with it. */
  readonly leadsTo: (index: BoxIndex, ref: PathParts) => readonly string[]
}

function piecesWhere(index: BoxIndex, is: (piece: Piece) => boolean): readonly string[] {
  return (index.draft.pieces ?? []).filter(is).map((piece) => refOfPiece(index, piece))
}

/** Sprockets that sit on a shaft and are not cut into it. */
function sprocketsOn({ draft, gears }: BoxIndex, shaft: string): readonly string[] {
  const chained = draft.links
    .flatMap(pairsOf)
    .flatMap(({ a, b, touch }) => (touch === 'sprockets' ? [a, b] : []))
  return [...new Set(chained)].flatMap((id) => {
    const gear = gears.get(id)
    return gear?.member === shaft && gear.mount === 'fixed' ? [pathTo('gear', id)] : []
  })
}

/** The rings that work on a gear. */
function ringsOn({ draft }: BoxIndex, gear: string): readonly string[] {
  return draft.couplers
    .filter(({ id }) => couplersWithRings(draft).has(id))
    .flatMap(({ id, positions }) =>
      positions
        .filter(({ engages }) => engages.some((each) => each.kind === 'lock' && each.body === gear))
        .map((place) => pathToRing(id, place.id)),
    )
}

/** One line for each thing that goes with another. */
const COMPANION_RULES: readonly CompanionRule[] = [
  {
    // Two gears that have run together have worn together.
    of: 'gear',
    why: 'mate',
    leadsTo: ({ draft }, { id }) =>
      draft.links
        .flatMap(pairsOf)
        .flatMap(({ a, b }) => (a === id ? [b] : b === id ? [a] : []))
        .map((mate) => {
          const sleeve = sleevesOfTeeth(draft).get(mate)
          return sleeve ? pathTo('sleeve', sleeve.id) : pathTo('gear', mate)
        }),
  },
  {
    of: 'gear',
    why: 'integral',
    leadsTo: ({ gears }, { id }) => {
      const gear = gears.get(id)
      return gear?.mount === 'integral' ? [pathTo('shaft', gear.member)] : []
    },
  },
  { of: 'gear', why: 'beside-cone', leadsTo: (index, { id }) => ringsOn(index, id) },
  {
    of: 'shaft',
    why: 'integral',
    leadsTo: ({ draft }, { id }) =>
      draft.gears
        .filter(({ member, mount }) => member === id && mount === 'integral')
        .map((gear) => pathTo('gear', gear.id)),
  },
  {
    // Needles run on the shaft itself, and have worn with it.
    of: 'shaft',
    why: 'runs-on-it',
    leadsTo: (index, { id }) =>
      piecesWhere(index, ({ kind, on }) => kind === 'needle-bearing' && on === id),
  },
  {
    // Flange or sprocket has worn with the spline that carries it.
    of: 'shaft',
    why: 'spline-mate',
    leadsTo: (index, { id }) => [
      ...piecesWhere(index, ({ kind, on }) => kind === 'flange' && on === id),
      ...sprocketsOn(index, id),
    ],
  },
  {
    // Hub and sleeve are fitted to one another.
    of: 'sleeve',
    why: 'matched',
    leadsTo: (index, { id }) =>
      piecesWhere(index, ({ kind, coupler }) => kind === 'hub' && coupler === id),
  },
  {
    of: 'piece',
    why: 'matched',
    leadsTo: (index, { id }) => {
      const piece = pieceOfRef(index, pathTo('piece', id))
      return piece?.kind === 'hub' && piece.coupler !== undefined
        ? [pathTo('sleeve', piece.coupler)]
        : []
    },
  },
  {
    // Side gears and pinions have worn together, and are sold as a set.
    of: 'piece',
    why: 'mate',
    leadsTo: (index, { id }) => {
      const piece = pieceOfRef(index, pathTo('piece', id))
      const isOfSet = (kind: string): boolean => kind === 'side-gear' || kind === 'pinion-gear'
      return piece && isOfSet(piece.kind)
        ? piecesWhere(
            index,
            (other) => other !== piece && isOfSet(other.kind) && other.on === piece.on,
          )
        : []
    },
  },
  {
    // A bearing has its race, even one that is pressed into the case.
    of: 'piece',
    why: 'race',
    leadsTo: (index, { id }) => {
      const piece = pieceOfRef(index, pathTo('piece', id))
      const isBearing = piece?.kind.endsWith('-bearing') === true && piece.kind !== 'pilot-bearing'
      if (!piece || (!isBearing && piece.kind !== 'bearing-race')) return []
      return piecesWhere(index, (other) => other !== piece && isRaceOf(index, piece, other))
    },
  },
]

/** A race belongs to the bearing that is nearest to it on the same shaft. */
function isRaceOf(index: BoxIndex, one: Piece, other: Piece): boolean {
  if ((one.kind === 'bearing-race') === (other.kind === 'bearing-race')) return false
  const [race, bearing] = one.kind === 'bearing-race' ? [one, other] : [other, one]
  if (!bearing.kind.endsWith('-bearing')) return false
  const shaft = memberOfPiece(index, race)
  const apart = ({ stationMm = 0 }: Piece): number => Math.abs(stationMm - (race.stationMm ?? 0))
  const [nearest] = (index.draft.pieces ?? [])
    .filter(({ kind, on }) => kind.endsWith('-bearing') && on !== undefined && on === shaft?.id)
    .sort((first, second) => apart(first) - apart(second))
  return nearest === bearing
}

/** With whatever is replaced: what goes in once only, and the pilot bearing while the clutch is out. */
const ALWAYS = ['seals', 'snap-rings', 'pilot-bearing'] as const

/** What must go with the parts that are replaced; none of them twice, nor what is replaced anyway. */
export function companionsOf(draft: BoxDraft, replaced: readonly string[]): readonly Companion[] {
  if (replaced.length === 0) return []
  const index = indexBox(draft)
  const known = new Set(replaced)
  const found: Companion[] = []
  const add = (key: string, why: CompanionReason): void => {
    if (known.has(key)) return
    known.add(key)
    found.push({ key, why })
    follow(key)
  }
  const follow = (ref: string): void => {
    const reference = readPath(ref)
    for (const { of, why, leadsTo } of COMPANION_RULES) {
      if (of !== reference.kind) continue
      for (const each of leadsTo(index, reference)) {
        const piece = pieceOfRef(index, each)
        add(piece ? keyOfPiece(index, piece) : each, why)
      }
    }
  }
  replaced.forEach(follow)
  const once = (draft.pieces ?? []).filter(isNewEachTime).map((piece) => keyOfPiece(index, piece))
  for (const key of [...ALWAYS, ...once]) add(key, 'always')
  return found
}

/** What is looked at because of what is replaced: the cone under a ring, the groove that a fork ran in. */
interface Inspection {
  /** Reference to what is looked at. */
  readonly part: string
  readonly because: string
}

/** What to look at beside the parts that are replaced, each once, and nothing that is replaced itself. */
export function inspectionsOf(draft: BoxDraft, replaced: readonly string[]): readonly Inspection[] {
  const index = indexBox(draft)
  const known = new Set(replaced)
  return replaced.flatMap((ref): readonly Inspection[] => {
    const { kind, id, place } = readPath(ref)
    const parts =
      kind === 'ring'
        ? (index.couplers.get(id)?.positions ?? [])
            .filter((each) => each.id === place)
            .flatMap(({ engages }) => engages)
            .flatMap((each) =>
              each.kind === 'lock' && index.gears.has(each.body) ? [pathTo('gear', each.body)] : [],
            )
        : pieceOfRef(index, ref)?.kind === 'fork' || kind === 'fork'
          ? [pathTo('sleeve', pieceOfRef(index, ref)?.coupler ?? id)]
          : []
    return parts.flatMap((part) => {
      if (known.has(part)) return []
      known.add(part)
      return [{ part, because: ref }]
    })
  })
}
