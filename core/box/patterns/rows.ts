/**
 * What starting patterns are written in: what stands along the shafts from the input
 * end, which shafts there are and where they end. `layOut` reads it; each part of a row
 * takes the room that it needs unless it is said to stand beside another. All gears are
 * uncounted: the person counts them at the bench.
 */
import type {
  BoxDraft,
  BoxPosition,
  Coupler,
  CouplerKind,
  Engagement,
  Gear,
  GearMount,
  Link,
  Member,
  MeshKind,
} from '../types.ts'

export const FACE_MM = 16
export const SLEEVE_MM = 22
export const GAP_MM = 6
/** The free end of a shaft. */
export const STUB_MM = 40

/** "1st", "2nd", "3rd", "4th" … "11th" … "21st". */
export function ordinal(number: number): string {
  const isTeen = number % 100 > 10 && number % 100 < 20
  return `${number}${(isTeen ? undefined : ['st', 'nd', 'rd'][(number % 10) - 1]) ?? 'th'}`
}

/** A place along the shafts: beside a part of the row (or midway of some), or where its room ends. */
export interface Where {
  readonly parts: readonly string[]
  readonly edge: 'middle' | 'end'
  readonly plusMm: number
}

/** The free end of the row's first shaft, where nothing stands. */
export const START = ''
/** Where the next part would begin after the last one. */
export const END = 'end'
/** The middle of a part of the row, or so many mm from it. */
export function at(part: string, plusMm = 0): Where {
  return { parts: [part], edge: 'middle', plusMm }
}
export function midway(parts: readonly string[]): Where {
  return { parts, edge: 'middle', plusMm: 0 }
}
/** Where the next part after this one begins. */
export function past(part: string, plusMm = 0): Where {
  return { parts: [part], edge: 'end', plusMm }
}

/** Gears and couplers that stand at one place. */
export interface RowPart {
  /** What other parts and ends of shafts call it. */
  readonly name: string
  /** The room it takes in the row; none where it stands beside another. */
  readonly room: number | Where
  readonly gears?: readonly Omit<Gear, 'stationMm' | 'toothCount'>[]
  readonly links?: readonly Link[]
  readonly couplers?: readonly Omit<Coupler, 'stationMm'>[]
}

export interface ShaftRow extends Omit<Member, 'fromMm' | 'toMm'> {
  readonly ends: readonly [from: Where, to: Where]
}

export interface Rows {
  /** Axes in the order of their lanes in the drawing. */
  readonly lanes: readonly string[]
  readonly row: readonly RowPart[]
  readonly shafts: readonly ShaftRow[]
}

/** The parts of a box as the rows say, the row beginning at a place along the shafts. */
export function layOut(
  { lanes, row, shafts }: Rows,
  startMm = 0,
): Pick<BoxDraft, 'axes' | 'members' | 'gears' | 'links' | 'couplers'> {
  const places = new Map([[START, { middle: startMm, end: startMm + STUB_MM }]])
  const whereMm = ({ parts, edge, plusMm }: Where): number => {
    const sumMm = parts.reduce((sum, part) => {
      const place = places.get(part)
      if (!place) throw new Error(`no part "${part}" before this one in the row`)
      return sum + place[edge]
    }, 0)
    return sumMm / parts.length + plusMm
  }
  let nextMm = startMm + STUB_MM
  const standing = row.map((part) => {
    const stationMm = typeof part.room === 'number' ? nextMm + part.room / 2 : whereMm(part.room)
    if (typeof part.room === 'number') nextMm += part.room + GAP_MM
    places.set(part.name, { middle: stationMm, end: nextMm })
    return { ...part, stationMm }
  })
  places.set(END, { middle: nextMm, end: nextMm })
  return {
    axes: lanes.map((id) => ({ id })),
    members: shafts.map(({ ends: [from, to], ...member }) => ({
      ...member,
      fromMm: whereMm(from),
      toMm: whereMm(to),
    })),
    gears: standing.flatMap(({ gears = [], stationMm }) =>
      gears.map((gear) => ({ toothCount: null, faceWidthMm: FACE_MM, ...gear, stationMm })),
    ),
    links: standing.flatMap(({ links = [] }) => links),
    couplers: standing.flatMap(({ couplers = [], stationMm }) =>
      couplers.map((coupler) => ({ ...coupler, stationMm })),
    ),
  }
}

/** How a gear of a row sits, and what else is said of it. */
type GearRow = GearMount | (Partial<Omit<Gear, 'mount'>> & { readonly mount: GearMount })

/** Gears of a row by id, each on the member that its id begins with where no other is said. */
export function gears(
  label: string,
  rows: Readonly<Record<string, GearRow>>,
): NonNullable<RowPart['gears']> {
  return Object.entries(rows).map(([id, row]) => ({
    id,
    label,
    member: id.slice(0, id.lastIndexOf('-')),
    ...(typeof row === 'string' ? { mount: row } : row),
  }))
}

export function mesh(id: string, a: string, b: string, kind: MeshKind = 'external-mesh'): Link {
  return { id, kind, a, b }
}

interface PairRow {
  /** What its gears' ids end in. */
  readonly id: string
  readonly label: string
  /** The driving member and the driven one, and how the gear sits on each; fixed where not said. */
  readonly on: readonly [driving: string, driven: string]
  readonly mounts?: readonly [driving: GearMount, driven: GearMount]
  readonly room?: RowPart['room']
  readonly kind?: MeshKind
}

/** Two gears in mesh, `member-id` each. */
export function pair({ id, label, on: [driving, driven], ...rest }: PairRow): RowPart {
  const { mounts = ['fixed', 'fixed'], room = FACE_MM, kind } = rest
  const [a, b] = [`${driving}-${id}`, `${driven}-${id}`]
  return {
    name: id,
    room,
    gears: gears(label, { [a]: mounts[0], [b]: mounts[1] }),
    links: [mesh(`pair-${id}`, a, b, kind)],
  }
}

/** An engaged place of a coupler: its id, and what it does. */
interface Engaged {
  readonly id: string
  readonly engages: readonly Engagement[]
}

export function locks(id: string, body: string): Engaged {
  return { id, engages: [{ kind: 'lock', body }] }
}

export function meshes(id: string, ...links: readonly string[]): Engaged {
  return { id, engages: links.map((link) => ({ kind: 'mesh', link })) }
}

export function holds(id: string, body: string): Engaged {
  return { id, engages: [{ kind: 'hold', body }] }
}

interface CouplerRow {
  readonly id: string
  readonly kind: CouplerKind
  readonly hub: string
  /** What it does moved towards the input end, and towards the output end. */
  readonly before?: Engaged | undefined
  readonly after?: Engaged | undefined
  /** Whether it can stand between the two. */
  readonly hasCentre?: boolean
  readonly name?: string
  readonly gears?: readonly string[]
  readonly room?: RowPart['room']
}

/** A coupler with up to two engaged places, one on each side. */
export function coupler(row: CouplerRow): RowPart {
  const { before, after, hasCentre = true, room = SLEEVE_MM, ...rest } = row
  const positions: Coupler['positions'] = [
    ...(before ? [{ ...before, travel: 'towards-input' as const }] : []),
    ...(hasCentre ? [{ id: 'centre', travel: 'centre' as const, engages: [] }] : []),
    ...(after ? [{ ...after, travel: 'towards-output' as const }] : []),
  ]
  return { name: rest.id, room, couplers: [{ ...rest, positions }] }
}

/** "coupler-3-4", after what is engaged on its two sides. */
export function couplerId(...served: readonly (string | number | null)[]): string {
  return ['coupler', ...served.filter((each) => each !== null)].join('-')
}

/** Ids of the couplers in a row, as they stand in it. */
export function couplersIn(row: readonly RowPart[]): readonly string[] {
  return row.flatMap(({ couplers = [] }) => couplers.map(({ id }) => id))
}

/**
 * A position: what it is called, where the hand is, and the places that are engaged in it,
 * each by its own id or, where several couplers have one of that id, as "coupler/place".
 */
export type PositionRow = readonly [label: string, lever: string | null, ...engaged: string[]]

/** Positions by the couplers of a row. */
export function positionsOf(
  row: readonly RowPart[],
  positions: readonly PositionRow[],
): readonly BoxPosition[] {
  const places = new Map(
    row
      .flatMap(({ couplers = [] }) => couplers)
      .flatMap(({ id: of, positions: each }) =>
        each.flatMap(({ id }) => [[id, [of, id]] as const, [`${of}/${id}`, [of, id]] as const]),
      ),
  )
  const placeOf = (engaged: string): readonly [string, string] => {
    const place = places.get(engaged)
    if (!place) throw new Error(`no coupler of the row has a place "${engaged}"`)
    return place
  }
  return positions.map(([label, lever, ...engaged]) => ({
    id: label,
    label,
    couplers: Object.fromEntries(engaged.map(placeOf)),
    ...(lever === null ? {} : { lever }),
  }))
}

/** The forward positions of a box by number, each by the place of that id. */
export function forward(
  count: number,
  lever: (position: number) => string = gatePlace,
): readonly PositionRow[] {
  return Array.from({ length: count }, (_, before) => [
    `${before + 1}`,
    lever(before + 1),
    `${before + 1}`,
  ])
}

/** The lever's place in a gate of upright rows: the first of each two is forward. */
export function gatePlace(position: number): string {
  return `row ${Math.ceil(position / 2)}, ${position % 2 === 1 ? 'forward' : 'back'}`
}
