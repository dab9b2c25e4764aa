/**
 * What starting patterns are put together with. Parts stand in a row along the
 * shafts, from the input end; `next` gives each the room that it needs. All gears
 * are uncounted: the person counts them at the bench.
 */
import type {
  Axis,
  BoxDraft,
  BoxPosition,
  Coupler,
  CouplerKind,
  Engagement,
  Gear,
  GearMount,
  Interlock,
  Link,
  Member,
  MeshKind,
  Rule,
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

/** What an engaged place of a coupler is called, and what it does. */
export interface Place {
  readonly id: string
  readonly engages: readonly Engagement[]
}

export function locks(id: string, body: string): Place {
  return { id, engages: [{ kind: 'lock', body }] }
}

export function meshes(id: string, ...links: readonly string[]): Place {
  return { id, engages: links.map((link) => ({ kind: 'mesh', link })) }
}

export function holds(id: string, body: string): Place {
  return { id, engages: [{ kind: 'hold', body }] }
}

interface PairParts {
  readonly id: string
  readonly label: string
  /** Member ids. */
  readonly driving: string
  readonly driven: string
  readonly stationMm: number
  /** How the two gears sit; fixed where not said. */
  readonly mounts?: { readonly driving?: GearMount; readonly driven?: GearMount }
  readonly kind?: MeshKind
}

interface SleeveParts {
  readonly id: string
  readonly kind: CouplerKind
  readonly hub: string
  readonly stationMm: number
  /** What it does moved towards the input end, and towards the output end. */
  readonly before?: Place | undefined
  readonly after?: Place | undefined
  /** Whether it can stand between the two. */
  readonly hasCentre?: boolean
  readonly name?: string
  readonly gears?: readonly string[]
}

/** A box that is being put together; `finish` hands out the draft. */
export class PatternBuilder {
  private readonly axes: Axis[] = []
  private readonly members: Member[] = []
  private readonly gears: Gear[] = []
  private readonly links: Link[] = []
  private readonly couplers: Coupler[] = []
  private readonly positions: BoxPosition[] = []
  private readonly interlocks: Interlock[] = []
  private readonly rules: Rule[] = []
  /** Where the next part in the row begins. */
  atMm = STUB_MM

  constructor(private readonly name: string) {}

  /** The middle of the next part of the row, which takes so much room. */
  next(widthMm: number): number {
    const middleMm = this.atMm + widthMm / 2
    this.atMm += widthMm + GAP_MM
    return middleMm
  }

  /** Axes in the order of their lanes in the drawing. */
  lanes(...ids: readonly string[]): void {
    this.axes.push(...ids.map((id) => ({ id })))
  }

  member(member: Member): string {
    this.members.push(member)
    return member.id
  }

  gear(gear: Omit<Gear, 'toothCount'>): string {
    this.gears.push({ toothCount: null, faceWidthMm: FACE_MM, ...gear })
    return gear.id
  }

  link(link: Link): string {
    this.links.push(link)
    return link.id
  }

  mesh(id: string, a: string, b: string, kind: MeshKind = 'external-mesh'): string {
    return this.link({ id, kind, a, b })
  }

  /** Two gears in mesh, `member-id` each. */
  pair({ id, label, driving, driven, stationMm, mounts, kind }: PairParts): void {
    const ends = [
      [driving, mounts?.driving],
      [driven, mounts?.driven],
    ] as const
    const [a, b] = ends.map(([member, mount = 'fixed']) =>
      this.gear({ id: `${member}-${id}`, label, member, mount, stationMm }),
    )
    if (a !== undefined && b !== undefined) this.mesh(`pair-${id}`, a, b, kind)
  }

  /** A coupler with up to two engaged places, one on each side. */
  sleeve({ before, after, hasCentre = true, ...rest }: SleeveParts): string {
    const centre = { id: 'centre', travel: 'centre', engages: [] } as const
    this.couplers.push({
      ...rest,
      positions: [
        ...(before ? [{ ...before, travel: 'towards-input' as const }] : []),
        ...(hasCentre ? [centre] : []),
        ...(after ? [{ ...after, travel: 'towards-output' as const }] : []),
      ],
    })
    return rest.id
  }

  position(label: string, couplers: Readonly<Record<string, string>>, lever?: string): void {
    this.positions.push({ id: label, label, couplers, ...(lever === undefined ? {} : { lever }) })
  }

  interlock(id: string, ...couplers: readonly string[]): void {
    this.interlocks.push({ id, couplers })
  }

  rule(id: string, forbids: Readonly<Record<string, string>>, reason: string): void {
    this.rules.push({ id, forbids, reason })
  }

  finish(input: string, outputs: readonly string[]): BoxDraft {
    return {
      name: this.name,
      axes: this.axes,
      members: this.members,
      gears: this.gears,
      links: this.links,
      couplers: this.couplers,
      positions: this.positions,
      ...(this.interlocks.length > 0 ? { interlocks: this.interlocks } : {}),
      ...(this.rules.length > 0 ? { rules: this.rules } : {}),
      input,
      outputs,
    }
  }
}

/** The lever's place in a gate of upright rows: the first of each two is forward. */
export function gatePlace(position: number): string {
  return `row ${Math.ceil(position / 2)}, ${position % 2 === 1 ? 'forward' : 'back'}`
}
