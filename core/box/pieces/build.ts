/**
 * A believable build for a box of which only the drawing is known: what a box of its
 * arrangement usually has, in its usual place (common practice). It asks nothing of the kind
 * of box; shafts, gears and couplers each bring what goes with them. Sizes are left open, so
 * that whatever states a size was measured.
 */
import type { BoxIndex } from '../box.ts'
import { indexBox } from '../box.ts'
import type {
  BoxDraft,
  Coupler,
  Gear,
  InterlockPartKind,
  Member,
  MemberKind,
  Piece,
  PieceKind,
  ShaftEnd,
  Travel,
} from '../types.ts'
import { INTERLOCK_PART_KINDS } from '../types.ts'
import { outsideOf } from '../outside.ts'
import { hasShaftBrake } from '../selectors/pedal.ts'
import { interlockSets } from '../selectors/propose.ts'
import { couplersWithRings, hasHub, hasPedal, isClutch } from '../couplers.ts'
import { PIECE_DEFINITIONS } from './kinds.ts'
import { plainDiameterMm } from './shafts.ts'
import { DRAWN_FACE_MM, wayOff } from './stack.ts'

/** Members that turn in bearings of the case. */
const SHAFTS: ReadonlySet<MemberKind> = new Set<MemberKind>([
  'input-shaft',
  'main-shaft',
  'countershaft',
  'output-shaft',
  'shaft',
])

/** Half the room of a hub with its sleeve. */
const HALF_HUB_MM = 7
/** From the middle of a hub to a ring beside it. */
const TO_RING_MM = 9
/** Between what stands on a shaft and the bearing next to it. */
const CLEARANCE_MM = 1
/** Gears further apart than this have no spacer between them, but a longer shaft. */
const MOST_SPACER_MM = 20
/** Ends of shafts nearer than this are in one another. */
const NESTED_MM = 8
/** Pieces of one kind nearer than this are one. */
const SAME_PLACE_MM = 4
/** Keys and springs of a hub, plates of a pack: what is usual. */
const USUAL = { keys: 3, springs: 2, frictionPlates: 4, steelPlates: 5, pistonSeals: 2, bolts: 8 }
/** A collar that gears are pushed up to, and the seats of bearings, beside the rest of a shaft. */
const COLLAR = { lengthMm: 2.5, overMm: 5 }
const SEAT_UNDER_MM = 2

type Proposed = Omit<Piece, 'id'>

/** The pieces that the drawing tells of and that the box has none of yet, with ids of their own. */
export function proposePieces(draft: BoxDraft): readonly Piece[] {
  const index = indexBox(draft)
  const there = draft.pieces ?? []
  const numbers = new Map<PieceKind, number>()
  const taken = new Set(there.map(({ id }) => id))
  const freshId = (kind: PieceKind): string => {
    let number = numbers.get(kind) ?? 0
    do number++
    while (taken.has(`${kind}-${number}`))
    numbers.set(kind, number)
    return `${kind}-${number}`
  }
  return [
    ...draft.members.flatMap((member) => ofMember(index, member)),
    ...draft.gears.flatMap((gear) => ofGear(index, gear)),
    ...draft.members.flatMap((member) => betweenGears(index, member)),
    ...draft.couplers.flatMap((coupler) => ofCoupler(index, coupler)),
    ...ofInterlocks(draft),
    ...ofDrums(draft),
    ...ofCase(index),
    ...ofDryClutch(index),
  ]
    .filter((proposed) => !there.some((piece) => isInPlaceOf(piece, proposed)))
    .map((proposed) => ({ id: freshId(proposed.kind), ...proposed }))
    .map((piece) => asItComesOff(index, piece))
    .map((piece, _, proposed) => withPartner(piece, [...there, ...proposed]))
}

/** A hub that is matched with its sleeve names it. */
function withPartner(piece: Piece, pieces: readonly Piece[]): Piece {
  const sleeve = pieces.find(({ kind, coupler }) => kind === 'sleeve' && coupler === piece.coupler)
  if (piece.kind !== 'hub' || !sleeve || !piece.marks) return piece
  return { ...piece, marks: piece.marks.map((mark) => ({ ...mark, with: sleeve.id })) }
}

/** What passes over neither end of its shaft is in two halves, or it could not be there. */
function asItComesOff(index: BoxIndex, piece: Piece): Piece {
  const way = wayOff(index, piece)
  return way?.how === 'along' && way.over.length === 0 ? { ...piece, isSplit: true } : piece
}

/** The box with its proposed pieces, and with seats and a collar on shafts that have no steps. */
export function withBuild(draft: BoxDraft): BoxDraft {
  const pieces = [...(draft.pieces ?? []), ...proposePieces(draft)]
  const built = { ...draft, pieces }
  const index = indexBox(built)
  return { ...built, members: draft.members.map((member) => withSteps(index, member)) }
}

/** Whether a piece does what is proposed already. */
function isInPlaceOf(piece: Piece, proposed: Proposed): boolean {
  const isNear =
    piece.stationMm === undefined ||
    proposed.stationMm === undefined ||
    Math.abs(piece.stationMm - proposed.stationMm) < SAME_PLACE_MM
  return (
    piece.kind === proposed.kind &&
    piece.on === proposed.on &&
    piece.coupler === proposed.coupler &&
    piece.place === proposed.place &&
    (piece.carries === undefined || piece.carries[0] === proposed.carries?.[0]) &&
    isNear
  )
}

/** What takes up room on a member: gears, and hubs with their sleeves. */
function occupied(
  { draft, members }: BoxIndex,
  memberId: string,
): readonly (readonly [number, number])[] {
  const core = members.get(memberId)
  const ringRoom = (coupler: Coupler, travel: Travel): number =>
    couplersWithRings(draft).has(coupler.id) &&
    coupler.positions.some((place) => place.travel === travel)
      ? TO_RING_MM + lengthMm('ring') / 2
      : HALF_HUB_MM
  return [
    // A tube takes up what runs through it.
    ...draft.members
      .filter(
        (tube) => tube.isHollow === true && core?.isHollow !== true && tube.axis === core?.axis,
      )
      .map(({ fromMm, toMm }) => [fromMm, toMm]),
    ...draft.gears
      .filter(({ id, member }) => member === memberId && !outsideOf(draft).sprockets.has(id))
      .map(({ stationMm, faceWidthMm = DRAWN_FACE_MM }) => [
        stationMm - faceWidthMm / 2,
        stationMm + faceWidthMm / 2,
      ]),
    ...draft.couplers
      .filter((coupler) => coupler.hub === memberId && !isClutch(coupler))
      .map((coupler) => [
        coupler.stationMm - ringRoom(coupler, 'towards-input'),
        coupler.stationMm + ringRoom(coupler, 'towards-output'),
      ]),
  ]
    .map(([from = 0, to = 0]) => [from, to] as const)
    .sort((one, other) => one[0] - other[0])
}

/** Another member of the same line that ends where this one begins, or begins where it ends. */
function nestedAt({ draft }: BoxIndex, member: Member, end: ShaftEnd): Member | undefined {
  return draft.members.find((other) => {
    // Two of a kind stand behind one another; they do not turn in one another.
    if (other === member || other.axis !== member.axis || other.kind === member.kind) return false
    const apart = end === 'input-end' ? other.toMm - member.fromMm : other.fromMm - member.toMm
    return Math.abs(apart) < NESTED_MM
  })
}

function lengthMm(kind: PieceKind): number {
  return PIECE_DEFINITIONS[kind].drawn?.lengthMm ?? 0
}

/** Where a bearing stands at an end: as the drawing says, or next to what stands on the shaft. */
function bearingStation(
  index: BoxIndex,
  member: Member,
  end: ShaftEnd,
  kind: PieceKind,
): number | undefined {
  if (member.bearingsMm) return member.bearingsMm[end === 'input-end' ? 0 : 1]
  const row = occupied(index, member.id)
  const halfMm = lengthMm(kind) / 2
  if (end === 'input-end') {
    const firstMm = Math.min(member.toMm, ...row.map(([from]) => from))
    const stationMm = firstMm - CLEARANCE_MM - halfMm
    return stationMm >= member.fromMm ? stationMm : undefined
  }
  const pinMm = nestedAt(index, member, 'input-end')
    ? pinStation(index, member) + lengthMm('needle-bearing') / 2
    : member.fromMm
  const lastMm = Math.max(pinMm, ...row.map(([, to]) => to))
  const stationMm = lastMm + CLEARANCE_MM + halfMm
  return stationMm <= member.toMm ? stationMm : undefined
}

/** What a shaft, an idler, a planet carrier or a differential brings with it. */
function ofMember(index: BoxIndex, member: Member): readonly Proposed[] {
  const on = member.id
  if (member.kind === 'idler' || member.kind === 'cluster')
    return [
      { kind: 'idler-pin', carries: [on] },
      {
        kind: 'bush',
        on,
        // It turns on its pin with the gears over it.
        carries: index.draft.gears.flatMap((gear) => (gear.member === on ? [gear.id] : [])),
        stationMm: (member.fromMm + member.toMm) / 2,
      },
      { kind: 'thrust-washer', on, stationMm: member.fromMm + 1 },
      { kind: 'thrust-washer', on, stationMm: member.toMm - 1 },
    ]
  if (member.isHollow === true && SHAFTS.has(member.kind)) return ofTube(index, member)
  if (member.kind === 'differential-case')
    return [
      ...[member.fromMm - 4, member.toMm + 4].map((stationMm): Proposed => ({
        kind: 'taper-bearing',
        on,
        pressOn: 'inner-race',
        stationMm,
      })),
      { kind: 'bearing-race', carries: [on], pressOn: 'outer-race', quantity: 2 },
      { kind: 'pinion-pin', on },
      ...(['pinion-gear', 'pinion-washer', 'side-gear', 'side-washer'] as const).map(
        (kind): Proposed => ({ kind, on, quantity: 2 }),
      ),
    ]
  if (!SHAFTS.has(member.kind)) return []
  const ends = (['input-end', 'output-end'] as const).flatMap((end) =>
    ofShaftEnd(index, member, end),
  )
  const bearingsMm = ends.flatMap(({ kind, stationMm }) =>
    kind === 'ball-bearing' && stationMm !== undefined ? [stationMm] : [],
  )
  return [...ends, ...ofOutput(index, member, bearingsMm), ...ofSprocket(index, member)]
}

/** A tube turns on needles on what runs through it. */
function ofTube({ draft }: BoxIndex, member: Member): readonly Proposed[] {
  const core = draft.members.find(
    (other) =>
      other !== member &&
      other.axis === member.axis &&
      other.isHollow !== true &&
      other.fromMm < member.toMm &&
      other.toMm > member.fromMm,
  )
  if (!core) return []
  return [member.fromMm + 8, member.toMm - 8].map((stationMm) => ({
    kind: 'needle-bearing',
    on: core.id,
    carries: [member.id],
    stationMm,
  }))
}

/**
 * Where the needles on the pin of a shaft that runs in another stand, in mm: clear of the gears on
 * the shaft, or before its own bearing where it has no gears.
 */
function pinStation({ draft }: BoxIndex, member: Member): number {
  const gearsMm = draft.gears
    .filter((gear) => gear.member === member.id)
    .map(({ stationMm, faceWidthMm = DRAWN_FACE_MM }) => stationMm - faceWidthMm / 2)
  const firstMm = gearsMm.length > 0 ? Math.min(...gearsMm) : member.fromMm
  return Math.min(member.fromMm + 4, firstMm + 0.5 - lengthMm('needle-bearing') / 2)
}

/** The bearing at one end of a shaft, with what holds it; needles where the end runs in another. */
function ofShaftEnd(index: BoxIndex, member: Member, end: ShaftEnd): readonly Proposed[] {
  const on = member.id
  const other = nestedAt(index, member, end)
  // Of two shafts in one another the one behind has the pin, and needles between the two.
  if (other)
    return end === 'input-end'
      ? [{ kind: 'needle-bearing', on, carries: [other.id], stationMm: pinStation(index, member) }]
      : []
  const kind: PieceKind = member.kind === 'countershaft' ? 'roller-bearing' : 'ball-bearing'
  const stationMm = bearingStation(index, member, end, kind)
  if (stationMm === undefined) return []
  const outwards = end === 'input-end' ? -1 : 1
  const beside = (what: PieceKind): number =>
    stationMm + outwards * (lengthMm(kind) / 2 + 0.5 + lengthMm(what) / 2)
  const isWithin = (mm: number): boolean => mm > member.fromMm && mm < member.toMm
  const ring = beside('snap-ring')
  const shim = beside('shim') + outwards * 3
  return [
    { kind, on, pressOn: 'inner-race', stationMm },
    ...(isWithin(ring) ? [{ kind: 'snap-ring' as const, on, stationMm: ring }] : []),
    ...(end === 'output-end' && isWithin(shim)
      ? [{ kind: 'shim' as const, on, stationMm: shim }]
      : []),
  ]
}

/** From the end of a shaft that power leaves by, what stands on it beyond its bearing. */
const AT_OUTPUT_MM = { 'speed-wheel': 28, seal: 22.5, flange: 12, nut: 1 } as const

/** Seals where power enters and leaves; the flange, its nut and the speed wheel where it leaves. */
function ofOutput(
  { draft }: BoxIndex,
  member: Member,
  bearingsMm: readonly number[],
): readonly Proposed[] {
  const on = member.id
  if (draft.input === member.id) {
    const bearingMm = bearingsMm[0] ?? member.toMm
    const beforeMm = bearingMm - (lengthMm('ball-bearing') + lengthMm('seal')) / 2 - 4
    const hasRoom = beforeMm - member.fromMm > lengthMm('pilot-bearing') + lengthMm('seal')
    const seat = hasRoom ? { stationMm: beforeMm } : {}
    return [{ kind: 'seal', on, ...seat, putInWith: 'grease on its lip' }]
  }
  if (!draft.outputs.includes(member.id)) return []
  // Power leaves by the end that stands out of its bearing, such as the front one of a front axle.
  const beforeMm = Math.min(...bearingsMm, member.toMm) - member.fromMm
  const behindMm = member.toMm - Math.max(...bearingsMm, member.fromMm)
  const isForwards = behindMm < AT_OUTPUT_MM['speed-wheel'] && beforeMm > behindMm
  const at = (kind: keyof typeof AT_OUTPUT_MM): number =>
    isForwards ? member.fromMm + AT_OUTPUT_MM[kind] : member.toMm - AT_OUTPUT_MM[kind]
  return [
    { kind: 'speed-wheel', on, stationMm: at('speed-wheel') },
    { kind: 'seal', on, stationMm: at('seal'), putInWith: 'grease on its lip' },
    { kind: 'flange', on, stationMm: at('flange') },
    { kind: 'nut', on, stationMm: at('nut'), isNewEachTime: true },
  ]
}

/** Of a shaft with a sprocket outside the case: the seal before it, and the nut that holds it. */
function ofSprocket({ draft }: BoxIndex, member: Member): readonly Proposed[] {
  const sprocket = draft.gears.find(
    (gear) => gear.member === member.id && outsideOf(draft).sprockets.has(gear.id),
  )
  if (!sprocket) return []
  const { stationMm, faceWidthMm = DRAWN_FACE_MM } = sprocket
  const sealMm = stationMm - (faceWidthMm + lengthMm('seal')) / 2 - CLEARANCE_MM
  const nutMm = stationMm + (faceWidthMm + lengthMm('nut')) / 2 + CLEARANCE_MM
  return [
    { kind: 'seal', on: member.id, stationMm: sealMm, putInWith: 'grease on its lip' },
    { kind: 'nut', on: member.id, stationMm: nutMm, isNewEachTime: true },
  ]
}

/** Needles under a gear that is free on its shaft. */
function ofGear(index: BoxIndex, gear: Gear): readonly Proposed[] {
  const member = index.members.get(gear.member)
  if (gear.mount !== 'free' || !member) return []
  const { id, stationMm } = gear
  return [{ kind: 'needle-bearing', on: member.id, carries: [id], stationMm }]
}

/** Thrust washers and spacers between neighbours that have no hub between them. */
function betweenGears({ draft }: BoxIndex, member: Member): readonly Proposed[] {
  const gears = draft.gears
    .filter((gear) => gear.member === member.id && !outsideOf(draft).sprockets.has(gear.id))
    .sort((one, other) => one.stationMm - other.stationMm)
  return gears.slice(1).flatMap((after, at): Proposed[] => {
    const before = gears[at]
    if (!before) return []
    const hasHub = draft.couplers.some(
      ({ hub, stationMm }) =>
        hub === member.id && stationMm > before.stationMm && stationMm < after.stationMm,
    )
    const gapMm =
      after.stationMm -
      before.stationMm -
      ((before.faceWidthMm ?? DRAWN_FACE_MM) + (after.faceWidthMm ?? DRAWN_FACE_MM)) / 2
    const isCut = [before, after].every(({ mount }) => mount === 'integral' || mount === 'sliding')
    const isFree = [before, after].some(({ mount }) => mount === 'free')
    const kind: PieceKind = isFree ? 'thrust-washer' : 'spacer'
    const isApart = kind === 'spacer' && gapMm > MOST_SPACER_MM
    if (hasHub || isCut || isApart || gapMm < lengthMm(kind)) return []
    return [{ kind, on: member.id, stationMm: (before.stationMm + after.stationMm) / 2 }]
  })
}

/** A hub with its sleeve, keys and rings; the fork that moves it; or the plates of a clutch. */
function ofCoupler(index: BoxIndex, coupler: Coupler): readonly Proposed[] {
  const { id, stationMm, hub } = coupler
  const isWithRings = couplersWithRings(index.draft).has(id)
  if (isClutch(coupler))
    return [
      { kind: 'pack-ring', coupler: id },
      { kind: 'friction-plate', coupler: id, quantity: USUAL.frictionPlates },
      { kind: 'steel-plate', coupler: id, quantity: USUAL.steelPlates },
      { kind: 'apply-plate', coupler: id },
      { kind: 'piston', coupler: id },
      { kind: 'piston-seal', coupler: id, quantity: USUAL.pistonSeals },
      { kind: 'spring', coupler: id },
    ]
  const selector: readonly Proposed[] = [
    { kind: 'fork', coupler: id },
    { kind: 'rod', coupler: id },
    // A drum is held by its star, and no rod by itself.
    ...(index.draft.drums ? [] : [{ kind: 'detent' as const, coupler: id }]),
  ]
  if (!hasHub(coupler)) return selector
  const on = index.members.get(hub)?.id
  const rings = isWithRings
    ? coupler.positions
        .filter(({ engages }) => engages.some((each) => each.kind !== 'mesh'))
        .map(({ id: place, travel }): Proposed => ({
          kind: 'ring',
          coupler: id,
          place,
          stationMm: stationMm + (travel === 'towards-input' ? -TO_RING_MM : TO_RING_MM),
        }))
    : []
  const keys: readonly Proposed[] = isWithRings
    ? [
        { kind: 'hub-key', coupler: id, quantity: USUAL.keys },
        { kind: 'spring', coupler: id, quantity: USUAL.springs },
      ]
    : []
  return [
    {
      kind: 'hub',
      coupler: id,
      pressOn: 'hub',
      marks: [{ kind: 'matched', text: 'Hub and sleeve were matched: mark them as they were.' }],
    },
    { kind: 'sleeve', coupler: id, marks: [{ kind: 'way-round' }] },
    ...rings,
    ...keys,
    ...(on === undefined
      ? []
      : [{ kind: 'snap-ring' as const, on, stationMm: stationMm + HALF_HUB_MM - 1 }]),
    ...selector,
  ]
}

const INTERLOCK_PIECES = {
  ball: 'interlock-ball',
  pin: 'interlock-pin',
  plate: 'interlock-plate',
} as const satisfies Readonly<Record<InterlockPartKind, PieceKind>>

/** What lies between rods of which one may move at a time: as many of each as the interlock has, named for the first that is drawn. */
function ofInterlocks(draft: BoxDraft): readonly Proposed[] {
  return interlockSets(draft).flatMap(({ parts, couplers }) => {
    const coupler = draft.couplers.find(({ id }) => couplers.has(id))?.id
    return INTERLOCK_PART_KINDS.flatMap((of): readonly Proposed[] => {
      const quantity = parts.filter(({ kind }) => kind === of).length
      return quantity === 0 ? [] : [{ kind: INTERLOCK_PIECES[of], carries: [], coupler, quantity }]
    })
  })
}

/** The case and what closes it. */
function ofCase({ draft, members, gears }: BoxIndex): readonly Proposed[] {
  const memberOf = (id: string): Member | undefined => members.get(gears.get(id)?.member ?? id)
  const input = memberOf(draft.input)
  const inCase = draft.members.filter(({ kind }) => SHAFTS.has(kind)).map(({ id }) => id)
  const ends = draft.outputs
    .flatMap((id) => memberOf(id) ?? [])
    .filter(({ id }) => !outsideOf(draft).members.has(id))
  const hasTail = ends.some(({ axis }) => axis === input?.axis)
  return [
    { kind: 'case', carries: inCase },
    { kind: 'bearing-carrier', carries: input ? [input.id] : [], closesFrom: 'input-end' },
    {
      kind: hasTail ? 'tail-housing' : 'end-plate',
      carries: ends.map(({ id }) => id).slice(0, 8),
      closesFrom: 'output-end',
    },
    { kind: 'cover', closesFrom: 'above' },
    { kind: 'gasket', quantity: 3 },
    { kind: 'bolt', quantity: 3 * USUAL.bolts, fit: 'threaded' },
    { kind: 'switch' },
    { kind: 'oil-guide' },
  ]
}

/** A drum with its star and arm, what turns it, and the switch that tells of neutral. */
function ofDrums({ drums = [] }: BoxDraft): readonly Proposed[] {
  return drums.flatMap(({ actuator }): readonly Proposed[] => [
    { kind: 'shift-drum' },
    { kind: 'star-wheel' },
    { kind: 'detent-arm' },
    ...(actuator === 'motor'
      ? [{ kind: 'shift-motor' as const }]
      : [{ kind: 'ratchet' as const }, { kind: 'shift-shaft' as const }]),
    { kind: 'neutral-switch' },
  ])
}

/** What stands between the engine and the input: one plate, or two with another between them. */
function ofDryClutch({ draft, members, gears }: BoxIndex): readonly Proposed[] {
  const input = members.get(gears.get(draft.input)?.member ?? draft.input)
  if (!hasPedal(draft) || !input) return []
  const isTwin = draft.clutches?.some(({ kind }) => kind === 'twin-dry') === true
  return [
    { kind: 'pilot-bearing', on: input.id, stationMm: input.fromMm + 4, isNewEachTime: true },
    { kind: 'clutch-cover' },
    { kind: 'clutch-disc', ...(isTwin && { quantity: 2 }) },
    ...(isTwin ? [{ kind: 'middle-plate' as const }] : []),
    { kind: 'release-bearing' },
    { kind: 'clutch-fork' },
    ...(hasShaftBrake(draft) ? [{ kind: 'shaft-brake' as const }] : []),
  ]
}

/**
 * The steps of a shaft as they usually are: thinner where its bearings sit, so that they
 * stop at a shoulder, and a collar in its middle, so that one half of what it carries goes on
 * from each end. A shaft that has steps, or no two bearings, stays as it is.
 */
function withSteps(index: BoxIndex, member: Member): Member {
  if (!SHAFTS.has(member.kind) || member.isHollow === true || member.steps) return member
  const bearings = (index.draft.pieces ?? []).filter(
    ({ on, kind }) => on === member.id && (kind === 'ball-bearing' || kind === 'roller-bearing'),
  )
  const plain = plainDiameterMm(member)
  const innerMm = occupied(index, member.id)[0]?.[0] ?? (member.fromMm + member.toMm) / 2
  const seats = bearings.flatMap(({ kind, stationMm = 0 }) => {
    const isFirst = stationMm < innerMm
    const edgeMm = stationMm + ((isFirst ? 1 : -1) * lengthMm(kind)) / 2
    const diameterMm = plain - SEAT_UNDER_MM
    return isFirst
      ? { fromMm: member.fromMm, toMm: edgeMm, diameterMm }
      : { fromMm: edgeMm, toMm: member.toMm, diameterMm }
  })
  const collar = collarOf(index, member, plain)
  const steps = [...seats, ...(collar ? [collar] : [])]
  return steps.length > 0 ? { ...member, steps } : member
}

/** In the widest gap near the middle that nothing else fills. */
function collarOf(index: BoxIndex, member: Member, plain: number) {
  // A gear that is cut into the shaft is the shoulder.
  const { gears } = index.draft
  if (gears.some(({ mount, member: on }) => mount === 'integral' && on === member.id))
    return undefined
  const row = occupied(index, member.id)
  const pieces = (index.draft.pieces ?? []).filter(({ on }) => on === member.id)
  const middleMm = (member.fromMm + member.toMm) / 2
  const gaps = row
    .slice(1)
    .map(([from], at) => ((row[at]?.[1] ?? from) + from) / 2)
    .filter((gapMm, at) => {
      const [before, after] = [row[at]?.[1] ?? 0, row[at + 1]?.[0] ?? 0]
      const isFree = pieces.every(
        ({ stationMm = Infinity }) => Math.abs(stationMm - gapMm) > COLLAR.lengthMm,
      )
      return after - before > COLLAR.lengthMm && isFree
    })
    .sort((one, other) => Math.abs(one - middleMm) - Math.abs(other - middleMm))
  const atMm = gaps[0]
  return atMm === undefined
    ? undefined
    : {
        fromMm: atMm - COLLAR.lengthMm / 2,
        toMm: atMm + COLLAR.lengthMm / 2,
        diameterMm: plain + COLLAR.overMm,
      }
}
