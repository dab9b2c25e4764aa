/**
 * What a person does to a drawing, as functions from draft to draft. New parts get
 * ids of their own; taking a part out takes out what cannot be without it.
 */
import { bodyOfGear, indexBox, namedPlace } from './box.ts'
import { endsOf, pairsOf } from './links/index.ts'
import type { PartList } from './parts.ts'
import type {
  BoxDraft,
  BoxPosition,
  Coupler,
  CouplerKind,
  Gear,
  GearMount,
  Link,
  Member,
  MemberKind,
  PairKind,
} from './types.ts'

/** Length of a shaft, and room taken by a gear, where nothing says more. */
const SHAFT_MM = 200
const FACE_MM = 16

/** A part by its list and id. */
export interface PartRef {
  readonly list: PartList
  readonly id: string
}

/** A draft after an addition, and what was added. */
export interface Added {
  readonly draft: BoxDraft
  readonly added: PartRef
}

/** `stem` with the first number that makes it an id of its own in the whole draft. */
export function freshId(draft: BoxDraft, stem: string): string {
  const taken = new Set(
    [
      draft.axes,
      draft.members,
      draft.gears,
      draft.links,
      draft.couplers,
      draft.positions,
      draft.interlocks ?? [],
      draft.rules ?? [],
    ].flatMap((parts) => parts.map(({ id }) => id)),
  )
  for (let number = 1; ; number++) if (!taken.has(`${stem}-${number}`)) return `${stem}-${number}`
}

/** A shaft on a line of its own, under the others, or on the line that is named. */
export function addMember(draft: BoxDraft, kind: MemberKind, axis: string | null): Added {
  const id = freshId(draft, kind)
  const line = axis ?? freshId(draft, 'line')
  const along = draft.members.filter((member) => member.axis === line)
  const [fromMm, toMm] =
    along.length > 0
      ? [Math.max(...along.map((member) => member.toMm)), 0]
      : [Math.min(0, ...draft.members.map((member) => member.fromMm)), 0]
  const lengthMm = kind === 'idler' ? 4 * FACE_MM : SHAFT_MM
  const member: Member = { id, kind, axis: line, fromMm, toMm: Math.max(toMm, fromMm + lengthMm) }
  return {
    draft: {
      ...draft,
      axes: axis === null ? [...draft.axes, { id: line }] : draft.axes,
      members: [...draft.members, member],
    },
    added: { list: 'members', id },
  }
}

/** The first station along a member at which a gear has room, or its middle. */
function freeStationMm(draft: BoxDraft, member: Member): number {
  const taken = [
    ...draft.gears.filter((gear) => gear.member === member.id).map((gear) => gear.stationMm),
    ...draft.couplers.filter(({ hub }) => hub === member.id).map((coupler) => coupler.stationMm),
  ]
  for (let at = member.fromMm + FACE_MM; at <= member.toMm - FACE_MM; at += FACE_MM / 2)
    if (taken.every((other) => Math.abs(other - at) >= 1.25 * FACE_MM)) return at
  return (member.fromMm + member.toMm) / 2
}

export function addGear(draft: BoxDraft, memberId: string): Added {
  const id = freshId(draft, 'gear')
  const member = draft.members.find((candidate) => candidate.id === memberId)
  const gear: Gear = {
    id,
    label: 'new gear',
    member: memberId,
    mount: 'fixed',
    toothCount: null,
    stationMm: member ? freeStationMm(draft, member) : 0,
    faceWidthMm: FACE_MM,
  }
  return { draft: { ...draft, gears: [...draft.gears, gear] }, added: { list: 'gears', id } }
}

/** An idler on a line of its own, with its gear at the station that is named. */
export function addIdler(draft: BoxDraft, stationMm: number): Added {
  const { draft: withMember, added } = addMember(draft, 'idler', null)
  const moved = {
    ...withMember,
    members: withMember.members.map((member) =>
      member.id === added.id
        ? { ...member, fromMm: stationMm - 2 * FACE_MM, toMm: stationMm + 2 * FACE_MM }
        : member,
    ),
  }
  const { draft: withGear, added: gear } = addGear(moved, added.id)
  return {
    draft: {
      ...withGear,
      gears: withGear.gears.map((each) =>
        each.id === gear.id ? { ...each, label: 'idler', stationMm } : each,
      ),
    },
    added: gear,
  }
}

/** The link that two gears are a pair of, whatever its kind. */
export function linkBetween(draft: BoxDraft, one: string, other: string): Link | undefined {
  return draft.links.find((link) =>
    pairsOf(link).some(({ a, b }) => (a === one && b === other) || (a === other && b === one)),
  )
}

/** Two gears put in mesh, or taken out of it where they are. */
export function toggleMesh(draft: BoxDraft, a: string, b: string, kind: PairKind): BoxDraft {
  const present = linkBetween(draft, a, b)
  if (present) return removePart(draft, { list: 'links', id: present.id })
  const pair = { id: freshId(draft, kind === 'bevel' ? 'bevel' : 'mesh'), a, b }
  const link: Link =
    kind === 'bevel'
      ? { ...pair, kind, aNarrows: 'output-end', bNarrows: 'output-end' }
      : { ...pair, kind }
  return { ...draft, links: [...draft.links, link] }
}

/**
 * A coupler on a member, between the nearest free gears to its two sides, which it
 * locks; a clutch closes on to the nearest other member of its line instead.
 */
export function addCoupler(draft: BoxDraft, kind: CouplerKind, hub: string): Added {
  const id = freshId(draft, kind === 'friction-clutch' ? 'clutch' : 'coupler')
  const index = indexBox(draft)
  const member = index.members.get(hub)
  const stationMm = member ? freeStationMm(draft, member) : 0
  const free = draft.gears.filter((gear) => gear.member === hub && gear.mount === 'free')
  const nearest = (side: -1 | 1): Gear | undefined =>
    free
      .filter((gear) => Math.sign(gear.stationMm - stationMm) === side)
      .sort(
        (one, other) => Math.abs(one.stationMm - stationMm) - Math.abs(other.stationMm - stationMm),
      )[0]
  const neighbour = draft.members.find((other) => other.id !== hub && other.axis === member?.axis)
  const lock = (body: string) => [{ kind: 'lock', body } as const]
  const [before, after] =
    kind === 'friction-clutch' ? [undefined, neighbour] : [nearest(-1), nearest(1)]
  const coupler: Coupler = {
    id,
    kind,
    hub,
    stationMm,
    positions: [
      ...(before
        ? [{ id: before.id, travel: 'towards-input', engages: lock(before.id) } as const]
        : []),
      { id: 'centre', travel: 'centre', engages: [] },
      ...(after
        ? [{ id: after.id, travel: 'towards-output', engages: lock(after.id) } as const]
        : []),
    ],
  }
  return {
    draft: { ...draft, couplers: [...draft.couplers, coupler] },
    added: { list: 'couplers', id },
  }
}

/** The kinds of planetary set that can be added. */
export type PlanetaryKind = 'planetary' | 'double-planetary' | 'stepped-planetary'

/**
 * A planetary set at the end of a member: sun on it, a ring held to the case, and a carrier.
 * Stepped planets stand on a line of their own beside it.
 */
export function addPlanetary(
  draft: BoxDraft,
  memberId: string,
  kind: PlanetaryKind = 'planetary',
): Added {
  const { draft: withSun, added: sunRef } = addGear(draft, memberId)
  const on = withSun.members.find(({ id }) => id === memberId)
  const id = freshId(withSun, 'planetary')
  const [ring, ringGear, carrier] = [`${id}-ring`, `${id}-ring-gear`, `${id}-carrier`]
  const sunMm = withSun.gears.find((gear) => gear.id === sunRef.id)?.stationMm ?? 0
  const ringMm = kind === 'stepped-planetary' ? sunMm + 1.5 * FACE_MM : sunMm
  const axis = on?.axis ?? ''
  const gear = (gearId: string, label: string, member: string, stationMm: number): Gear => ({
    id: gearId,
    label,
    member,
    mount: 'fixed',
    toothCount: null,
    stationMm,
    faceWidthMm: FACE_MM,
  })
  const along = (
    memberOf: Pick<Member, 'id' | 'kind' | 'isHollow'>,
    fromMm: number,
    toMm: number,
  ): Member => ({ ...memberOf, axis, fromMm, toMm })
  const ends = { sun: sunRef.id, ring: ringGear, carrier }
  const whole: BoxDraft = {
    ...withSun,
    members: [
      ...withSun.members,
      along({ id: ring, kind: 'ring', isHollow: true }, ringMm - FACE_MM / 2, ringMm + FACE_MM / 2),
      along(
        { id: carrier, kind: 'carrier', isHollow: true },
        ringMm + FACE_MM / 2 + 2,
        ringMm + 2 * FACE_MM,
      ),
    ],
    gears: [
      ...withSun.gears.map((each) => (each.id === sunRef.id ? { ...each, label: 'sun' } : each)),
      gear(ringGear, 'ring', ring, ringMm),
    ],
    links: [...withSun.links, { id: `${id}-held`, kind: 'held', body: ring }],
  }
  const added = { list: 'links', id } as const
  if (kind !== 'stepped-planetary')
    return { draft: { ...whole, links: [...whole.links, { id, kind, ...ends }] }, added }
  const [planets, line] = [`${id}-planets`, freshId(whole, 'line')]
  const [sunPlanet, ringPlanet] = [`${planets}-at-sun`, `${planets}-at-ring`]
  const lane = whole.axes.findIndex((each) => each.id === axis)
  return {
    draft: {
      ...whole,
      axes: whole.axes.toSpliced(lane <= 0 ? 0 : lane + 1, 0, { id: line }),
      members: [
        ...whole.members,
        {
          ...along({ id: planets, kind: 'cluster' }, sunMm - FACE_MM, ringMm + 2 * FACE_MM),
          axis: line,
        },
      ],
      gears: [
        ...whole.gears,
        gear(sunPlanet, 'planet at the sun', planets, sunMm),
        gear(ringPlanet, 'planet at the ring', planets, ringMm),
      ],
      links: [...whole.links, { id, kind, ...ends, sunPlanet, ringPlanet }],
    },
    added,
  }
}

/** A worm on a member, with its wheel on a shaft that crosses it. */
export function addWorm(draft: BoxDraft, memberId: string): Added {
  const on = draft.members.find(({ id }) => id === memberId)
  const middleMm = on ? Math.round((on.fromMm + on.toMm) / 2) : 0
  const { draft: withShaft, added: shaft } = addMember(draft, 'shaft', null)
  const { draft: withWheel, added: wheel } = addGear(withShaft, shaft.id)
  const id = freshId(withWheel, 'worm')
  return {
    draft: {
      ...withWheel,
      members: withWheel.members.map((member) =>
        member.id === shaft.id
          ? { ...member, fromMm: middleMm - 2 * FACE_MM, toMm: middleMm + 2 * FACE_MM }
          : member,
      ),
      gears: withWheel.gears.map((gear) =>
        gear.id === wheel.id ? { ...gear, label: 'worm wheel', stationMm: middleMm } : gear,
      ),
      links: [
        ...withWheel.links,
        { id, kind: 'worm', worm: memberId, wheel: wheel.id, starts: 1, hand: 'right' },
      ],
    },
    added: { list: 'links', id },
  }
}

/** A differential whose case is the member; its two sides become outputs in the member's place. */
export function addDifferential(draft: BoxDraft, memberId: string): Added {
  const member = draft.members.find(({ id }) => id === memberId)
  const id = freshId(draft, 'differential')
  const [left, right] = [`${id}-left`, `${id}-right`]
  const [fromMm, toMm] = [member?.fromMm ?? 0, member?.toMm ?? 0]
  const side = (sideId: string, name: string, from: number, to: number): Member => ({
    id: sideId,
    kind: 'side-shaft',
    name,
    axis: member?.axis ?? '',
    fromMm: from,
    toMm: to,
  })
  return {
    draft: {
      ...draft,
      members: [
        ...draft.members.map((each) =>
          each.id === memberId ? { ...each, kind: 'differential-case' as const } : each,
        ),
        side(left, 'left side shaft', fromMm - 3 * FACE_MM, fromMm),
        side(right, 'right side shaft', toMm, toMm + 3 * FACE_MM),
      ],
      links: [...draft.links, { id, kind: 'differential', case: memberId, left, right }],
      outputs: [...draft.outputs.filter((output) => output !== memberId), left, right],
    },
    added: { list: 'links', id },
  }
}

/** Makes a body an output, or no longer one. The last output stays. */
export function toggleOutput(draft: BoxDraft, body: string): BoxDraft {
  if (!draft.outputs.includes(body)) return { ...draft, outputs: [...draft.outputs, body] }
  const outputs = draft.outputs.filter((output) => output !== body)
  return outputs.length === 0 ? draft : { ...draft, outputs }
}

/** A gear made free, fixed, sliding or integral. A coupler that locked it when free lets go of it. */
export function setMount(draft: BoxDraft, gearId: string, mount: GearMount): BoxDraft {
  const gear = draft.gears.find(({ id }) => id === gearId)
  if (!gear || gear.mount === mount) return draft
  const next: BoxDraft = {
    ...draft,
    gears: draft.gears.map((each) => (each === gear ? { ...each, mount } : each)),
  }
  return mount === 'free' || gear.mount !== 'free' ? next : withoutBodies(next, new Set([gearId]))
}

/**
 * Says that a shaft is a twin of another one, or of none: each of its gears is alike with
 * the gear of the same label there, the first with the first, and what is counted of one
 * goes for both. A gear without such a twin stays alone. A twin of a twin is one of the
 * same gear as that.
 */
export function setTwins(draft: BoxDraft, member: string, twin: string | undefined): BoxDraft {
  const along = (of: string | undefined): readonly Gear[] =>
    draft.gears
      .filter((gear) => gear.member === of)
      .sort((one, other) => one.stationMm - other.stationMm)
  const free = [...along(twin)]
  const leads = new Map<string, Gear>()
  for (const gear of along(member)) {
    const at = free.findIndex(({ label }) => label === gear.label)
    const [found] = at < 0 ? [] : free.splice(at, 1)
    const lead = draft.gears.find(({ id }) => id === found?.twinOf) ?? found
    if (lead && lead.id !== gear.id) leads.set(gear.id, lead)
  }
  const followers = new Map([...leads].map(([id, lead]) => [lead.id, id]))
  return {
    ...draft,
    gears: draft.gears.map((gear) => {
      const { twinOf, ...alone } = gear
      const lead = leads.get(gear.id)
      if (lead)
        return {
          ...alone,
          twinOf: lead.id,
          toothCount: gear.toothCount ?? lead.toothCount,
          ...(gear.toothCount === null && { recount: lead.recount }),
        }
      if (gear.member === member) return alone
      const follower = draft.gears.find(({ id }) => id === followers.get(gear.id))
      // What followed a gear of this shaft stands alone now that the shaft follows another.
      const followed = leads.has(twinOf ?? '') ? alone : gear
      return follower && gear.toothCount === null
        ? { ...followed, toothCount: follower.toothCount, recount: follower.recount }
        : followed
    }),
  }
}

/** Moves a part along its axis; a shaft takes its gears and couplers along. */
export function movePart(draft: BoxDraft, { list, id }: PartRef, byMm: number): BoxDraft {
  const shift = <P extends { readonly stationMm: number }>(part: P): P => ({
    ...part,
    stationMm: part.stationMm + byMm,
  })
  switch (list) {
    case 'gears':
      return { ...draft, gears: draft.gears.map((gear) => (gear.id === id ? shift(gear) : gear)) }
    case 'couplers':
      return {
        ...draft,
        couplers: draft.couplers.map((coupler) => (coupler.id === id ? shift(coupler) : coupler)),
      }
    case 'members':
      return {
        ...draft,
        members: draft.members.map((member) =>
          member.id === id
            ? {
                ...member,
                fromMm: member.fromMm + byMm,
                toMm: member.toMm + byMm,
                bearingsMm: member.bearingsMm && [
                  member.bearingsMm[0] + byMm,
                  member.bearingsMm[1] + byMm,
                ],
              }
            : member,
        ),
        gears: draft.gears.map((gear) => (gear.member === id ? shift(gear) : gear)),
        couplers: draft.couplers.map((coupler) => (coupler.hub === id ? shift(coupler) : coupler)),
      }
    default:
      return draft
  }
}

/** Moves an axis one lane up (−1) or down (1) in the drawing. */
export function moveLane(draft: BoxDraft, axis: string, by: -1 | 1): BoxDraft {
  const at = draft.axes.findIndex(({ id }) => id === axis)
  const [one, other] = [draft.axes[at], draft.axes[at + by]]
  if (!one || !other) return draft
  return {
    ...draft,
    axes: draft.axes.map((each) => (each === one ? other : each === other ? one : each)),
  }
}

/**
 * A copy of a gear beside it, of a coupler without its positions' places, or of a
 * shaft with its gears on a line of its own. What was in mesh is not copied.
 */
export function duplicatePart(draft: BoxDraft, { list, id }: PartRef): Added | undefined {
  switch (list) {
    case 'gears': {
      const gear = draft.gears.find((each) => each.id === id)
      if (!gear) return undefined
      const copy = freshId(draft, id.replace(/-\d+$/, ''))
      const { recount: _recount, twinOf: _twinOf, ...rest } = gear
      return {
        draft: {
          ...draft,
          gears: [...draft.gears, { ...rest, id: copy, stationMm: gear.stationMm + 1.5 * FACE_MM }],
        },
        added: { list, id: copy },
      }
    }
    case 'couplers': {
      const coupler = draft.couplers.find((each) => each.id === id)
      if (!coupler) return undefined
      const copy = freshId(draft, id.replace(/-\d+$/, ''))
      return {
        draft: {
          ...draft,
          couplers: [
            ...draft.couplers,
            { ...coupler, id: copy, stationMm: coupler.stationMm + 2 * FACE_MM },
          ],
        },
        added: { list, id: copy },
      }
    }
    case 'members': {
      const member = draft.members.find((each) => each.id === id)
      if (!member) return undefined
      const copy = freshId(draft, id.replace(/-\d+$/, ''))
      const axis = freshId(draft, 'line')
      let next: BoxDraft = {
        ...draft,
        axes: [...draft.axes, { id: axis }],
        members: [...draft.members, { ...member, id: copy, axis }],
      }
      for (const { recount: _recount, twinOf: _twinOf, ...gear } of draft.gears.filter(
        (each) => each.member === id,
      ))
        next = {
          ...next,
          gears: [...next.gears, { ...gear, id: freshId(next, 'gear'), member: copy }],
        }
      return { draft: next, added: { list, id: copy } }
    }
    default:
      return undefined
  }
}

/** Takes a part out, with everything that cannot be without it. */
export function removePart(draft: BoxDraft, { list, id }: PartRef): BoxDraft {
  switch (list) {
    case 'axes':
      return draft.members
        .filter(({ axis }) => axis === id)
        .reduce<BoxDraft>((next, member) => removePart(next, { list: 'members', id: member.id }), {
          ...draft,
          axes: draft.axes.filter((axis) => axis.id !== id),
        })
    case 'members': {
      const axis = draft.members.find((member) => member.id === id)?.axis
      const members = draft.members.filter((member) => member.id !== id)
      const gone = new Set([
        id,
        ...draft.gears.filter((gear) => gear.member === id).map((gear) => gear.id),
      ])
      const isEmpty = members.every((member) => member.axis !== axis)
      return withoutBodies(
        {
          ...draft,
          axes: isEmpty ? draft.axes.filter((each) => each.id !== axis) : draft.axes,
          members,
          gears: draft.gears.filter((gear) => gear.member !== id),
        },
        gone,
      )
    }
    case 'gears':
      return withoutBodies(
        { ...draft, gears: draft.gears.filter((gear) => gear.id !== id) },
        new Set([id]),
      )
    case 'links':
      return withoutLinks(draft, new Set([id]))
    case 'couplers':
      return withoutCouplers(draft, new Set([id]))
    case 'positions':
      return { ...draft, positions: draft.positions.filter((position) => position.id !== id) }
    case 'interlocks':
      return { ...draft, interlocks: draft.interlocks?.filter((each) => each.id !== id) }
    case 'rules':
      return { ...draft, rules: draft.rules?.filter((rule) => rule.id !== id) }
    case 'leftWarnings':
      return { ...draft, leftWarnings: draft.leftWarnings?.filter((each) => each.id !== id) }
  }
}

/** Renames a place of a coupler wherever positions and rules speak of it. */
export function renamePlace(
  draft: BoxDraft,
  couplerId: string,
  from: string,
  to: string,
): BoxDraft {
  const renamed = (places: BoxPosition['couplers']): BoxPosition['couplers'] =>
    places[couplerId] === from ? { ...places, [couplerId]: to } : places
  return {
    ...draft,
    couplers: draft.couplers.map((coupler) =>
      coupler.id === couplerId
        ? {
            ...coupler,
            positions: coupler.positions.map((place) =>
              place.id === from ? { ...place, id: to } : place,
            ),
          }
        : coupler,
    ),
    positions: draft.positions.map((position) => ({
      ...position,
      couplers: renamed(position.couplers),
    })),
    ...(draft.rules
      ? { rules: draft.rules.map((rule) => ({ ...rule, forbids: renamed(rule.forbids) })) }
      : {}),
  }
}

/**
 * Takes a place out of a coupler, with the positions and rules that use it: a position
 * cannot stand where there is no place. The last place of a coupler stays.
 */
export function removePlace(draft: BoxDraft, couplerId: string, placeId: string): BoxDraft {
  const coupler = draft.couplers.find(({ id }) => id === couplerId)
  const positions = coupler?.positions.filter(({ id }) => id !== placeId) ?? []
  if (!coupler || positions.length === 0 || positions.length === coupler.positions.length)
    return draft
  const isCentre = coupler.positions.find(({ id }) => id === placeId)?.engages.length === 0
  const uses = (places: BoxPosition['couplers']): boolean =>
    // Where nothing is said of a coupler it stands at its centre.
    namedPlace(places, couplerId) === placeId ||
    (isCentre && namedPlace(places, couplerId) === undefined)
  return {
    ...draft,
    couplers: draft.couplers.map((each) => (each === coupler ? { ...coupler, positions } : each)),
    positions: draft.positions.filter((position) => !uses(position.couplers)),
    ...(draft.rules
      ? { rules: draft.rules.filter(({ forbids }) => forbids[couplerId] !== placeId) }
      : {}),
  }
}

/** The positions that go when a place of a coupler is taken out. */
export function positionsOfPlace(
  draft: BoxDraft,
  couplerId: string,
  placeId: string,
): readonly BoxPosition[] {
  const left = new Set(removePlace(draft, couplerId, placeId).positions)
  return draft.positions.filter((position) => !left.has(position))
}

/** Without bodies or gears that are gone: their links, what locks them, and what sits on them. */
function withoutBodies(draft: BoxDraft, gone: ReadonlySet<string>): BoxDraft {
  const present = new Set([
    ...draft.members.map(({ id }) => id),
    ...draft.gears.map(({ id }) => id),
  ])
  const bodies = new Set([...draft.members.map(({ id }) => id), ...draft.gears.map(bodyOfGear)])
  const deadLinks = draft.links.filter((link) =>
    endsOf(link).some(({ id }) => gone.has(id) && !present.has(id)),
  )
  const next = withoutLinks(draft, new Set(deadLinks.map(({ id }) => id)))
  const deadCouplers = next.couplers.filter(({ hub }) => gone.has(hub) && !bodies.has(hub))
  const rest = withoutCouplers(next, new Set(deadCouplers.map(({ id }) => id)))
  const couplers = rest.couplers.map((coupler) => ({
    ...coupler,
    ...(coupler.gears ? { gears: coupler.gears.filter((gear) => present.has(gear)) } : {}),
    positions: coupler.positions.map((position) => ({
      ...position,
      engages: position.engages.filter(
        (engagement) => !('body' in engagement) || bodies.has(engagement.body),
      ),
    })),
  }))
  const outputs = rest.outputs.filter((output) => !gone.has(output) || bodies.has(output))
  return withTidyPlaces(
    { ...rest, gears: withoutLostTwins(rest.gears), couplers, outputs },
    rest.couplers,
  )
}

/** Where the gear that others are twins of is gone, the first of them takes its place. */
function withoutLostTwins(gears: readonly Gear[]): readonly Gear[] {
  const present = new Set(gears.map(({ id }) => id))
  return gears.map((gear) => {
    const { twinOf, ...alone } = gear
    if (twinOf === undefined || present.has(twinOf)) return gear
    const first = gears.find((each) => each.twinOf === twinOf)
    return first && first !== gear ? { ...alone, twinOf: first.id } : alone
  })
}

function withoutLinks(draft: BoxDraft, dead: ReadonlySet<string>): BoxDraft {
  if (dead.size === 0) return draft
  const couplers = draft.couplers.map((coupler) => ({
    ...coupler,
    positions: coupler.positions.map((position) => ({
      ...position,
      engages: position.engages.filter(
        (engagement) => !('link' in engagement) || !dead.has(engagement.link),
      ),
    })),
  }))
  return withTidyPlaces(
    { ...draft, links: draft.links.filter(({ id }) => !dead.has(id)), couplers },
    draft.couplers,
  )
}

/** Places that have lost all they engaged are gone too, and with them the positions that used them. */
function withTidyPlaces(draft: BoxDraft, before: readonly Coupler[]): BoxDraft {
  const lost = new Set<string>()
  const couplers = draft.couplers.map((coupler) => {
    const was = before.find(({ id }) => id === coupler.id)
    const positions = coupler.positions.filter((position, at) => {
      const isLost = position.engages.length === 0 && (was?.positions[at]?.engages.length ?? 0) > 0
      if (isLost) lost.add(`${coupler.id}\n${position.id}`)
      return !isLost
    })
    if (positions.length === coupler.positions.length) {
      const isUnchanged = positions.every(
        (position, at) => position.engages.length === was?.positions[at]?.engages.length,
      )
      return isUnchanged && was && coupler.gears?.length === was.gears?.length ? was : coupler
    }
    const centre = { id: 'centre', travel: 'centre', engages: [] } as const
    return { ...coupler, positions: positions.length === 0 ? [centre] : positions }
  })
  if (lost.size === 0) return { ...draft, couplers }
  const uses = (places: BoxPosition['couplers']): boolean =>
    Object.entries(places).some(([coupler, place]) => lost.has(`${coupler}\n${place}`))
  return {
    ...draft,
    couplers,
    positions: draft.positions.filter((position) => !uses(position.couplers)),
    ...(draft.rules ? { rules: draft.rules.filter(({ forbids }) => !uses(forbids)) } : {}),
  }
}

function withoutCouplers(draft: BoxDraft, dead: ReadonlySet<string>): BoxDraft {
  if (dead.size === 0) return draft
  const uses = (places: BoxPosition['couplers']): boolean =>
    Object.keys(places).some((coupler) => dead.has(coupler))
  return {
    ...draft,
    couplers: draft.couplers.filter(({ id }) => !dead.has(id)),
    positions: draft.positions.filter((position) => !uses(position.couplers)),
    ...(draft.interlocks
      ? {
          interlocks: draft.interlocks.map((interlock) => ({
            ...interlock,
            couplers: interlock.couplers.filter((coupler) => !dead.has(coupler)),
          })),
        }
      : {}),
    ...(draft.rules ? { rules: draft.rules.filter(({ forbids }) => !uses(forbids)) } : {}),
  }
}
