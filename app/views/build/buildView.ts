/** What the page for taking apart and putting together shows, from the box and its job. */
import type {
  Assembly,
  AssemblyPart,
  BoxIndex,
  ClosingSide,
  Direction,
  Job,
  Order,
  Progress,
  Step,
} from 'core'
import { leastToReach, refOfPiece, pathTo } from 'core'

/** What is worked on as one: the case, or a shaft on the bench. */
export interface Group {
  /** The shaft; null of the case with all that is put into it. */
  readonly bench: string | null
  /** Of a shaft from its input end; of the case in the order in which they come off. */
  readonly parts: readonly AssemblyPart[]
}

/** Parts of one coupler stand at one place: which of them is drawn first. */
const WITHIN = ['ring', 'hub', 'hub-key', 'spring', 'ball', 'sleeve'] as const

function within({ part }: AssemblyPart): number {
  return WITHIN.findIndex((kind) => kind === part.kind)
}

/** The case, then every shaft that something is put on at the bench. */
export function groupsOf({ parts }: Assembly, { down }: Order): readonly Group[] {
  const at = new Map(down.map(({ part }, step) => [part.id, step]))
  const step = ({ id }: AssemblyPart): number => at.get(id) ?? Infinity
  const benches = [...new Set(parts.map(({ bench }) => bench))].sort((one, other) =>
    one === null ? -1 : other === null ? 1 : 0,
  )
  return benches.map((bench) => ({
    bench,
    parts: parts
      .filter((part) => part.bench === bench)
      .sort((one, other) =>
        bench === null
          ? step(one) - step(other)
          : (one.atMm ?? 0) - (other.atMm ?? 0) || within(one) - within(other),
      ),
  }))
}

/** Rows of trays are letters, one for each group; places in a row are numbers. */
export function trayFor(
  groups: readonly Group[],
  { down }: Order,
  part: AssemblyPart,
  trays: ReadonlyMap<string, string>,
): string {
  const row = groups.findIndex(({ bench }) => bench === part.bench)
  const letter = String.fromCharCode(65 + (row % 26))
  const inRow = down.filter((each) => each.part.bench === part.bench)
  const taken = new Set(
    [...trays].filter(([ref]) => !part.refs.includes(ref)).map(([, tray]) => tray),
  )
  let number = inRow.findIndex((each) => each.part === part) + 1
  while (taken.has(`${letter}${number}`)) number++
  return `${letter}${number}`
}

/** What is in the hand, and what there is to say of it. */
export interface InHand {
  readonly part: AssemblyPart
  readonly step: Step | undefined
  /** Which step it is of how many, in this direction. */
  readonly number: number
  readonly isOff: boolean
  /** What has to come off before it can, or before it can go in; empty where it can at once. */
  readonly before: readonly string[]
  /** To which side the case has to be turned for it, where it stood otherwise. */
  readonly turnTo: ClosingSide | null
}

/** How far a unit is apart. */
export interface Standing {
  /** What is off, by id. */
  readonly off: ReadonlySet<string>
  readonly inHand: InHand | undefined
  /** Where what is off lies, by id. */
  readonly trays: ReadonlyMap<string, string>
}

/** What is off, with the trays in which it lies; trays are told by the references of parts. */
export function standingOf(
  { byRef }: Assembly,
  off: ReadonlySet<string>,
  inHand: InHand | undefined,
  trays: ReadonlyMap<string, string>,
): Standing {
  const lying = [...trays].flatMap(([ref, tray]) => {
    const part = byRef.get(ref)
    return part && off.has(part.id) ? [[part.id, tray] as const] : []
  })
  return { off, inHand, trays: new Map(lying) }
}

/** The part that the address names, else the one that comes next. */
export function inHandOf(
  { parts, byRef }: Assembly,
  { down }: Order,
  { off, next }: Progress,
  direction: Direction,
  asked: string,
): InHand | undefined {
  const part = byRef.get(asked) ?? next?.part
  if (!part) return undefined
  const at = down.findIndex((step) => step.part === part)
  const step = down[at]
  const others = new Set([...off].filter((id) => id !== part.id))
  const isTurnedAround = off.has(part.id) !== (direction === 'up')
  const least = isTurnedAround ? undefined : leastToReach(parts, [part.id], others)
  const earlier = direction === 'down' ? down.slice(0, Math.max(0, at)) : down.slice(at + 1)
  const stood = direction === 'down' ? earlier.findLast(hasFace) : earlier.find(hasFace)
  return {
    part,
    step,
    number: direction === 'down' ? at + 1 : down.length - at,
    isOff: off.has(part.id),
    before: (least?.ids ?? []).filter((id) => id !== part.id),
    turnTo: step?.face != null && stood?.face !== step.face ? step.face : null,
  }
}

function hasFace({ face }: Step): boolean {
  return face !== null
}

/** The entry that the last step is taken back by. */
export function lastStep({ taken }: Job): string | undefined {
  return taken.steps.at(-1)?.id
}

/** What is off and bare: a shaft on the bench is there as long as something is on it. */
export function bareParts(groups: readonly Group[], off: ReadonlySet<string>): ReadonlySet<string> {
  const dressed = new Set<string>(
    groups
      .filter(({ bench, parts }) => bench !== null && parts.some(({ id }) => !off.has(id)))
      .map(({ bench }) => pathTo('shaft', bench ?? '')),
  )
  return new Set([...off].filter((id) => !dressed.has(id)))
}

/** The part that each figure of the drawing is of, by the reference that it is drawn under. */
export function partsDrawn(box: BoxIndex, { byRef }: Assembly): ReadonlyMap<string, AssemblyPart> {
  const found = new Map(byRef)
  for (const piece of box.pieces.values()) {
    const part = byRef.get(refOfPiece(box, piece))
    if (part) found.set(pathTo('piece', piece.id), part)
  }
  // A gear that stays on its shaft goes where that goes.
  for (const { id, member } of box.gears.values()) {
    const part = byRef.get(pathTo('gear', id)) ?? byRef.get(pathTo('shaft', member))
    if (part) found.set(pathTo('gear', id), part)
  }
  return found
}

/** The parts that what is in hand touches: those that stand before and after it in its row. */
export function neighboursOf(
  groups: readonly Group[],
  part: AssemblyPart,
  off: ReadonlySet<string>,
): readonly AssemblyPart[] {
  const row = groups.find(({ bench }) => bench !== null && bench === part.bench)?.parts ?? []
  const at = row.indexOf(part)
  if (at < 0) return []
  const isThere = (each: AssemblyPart): boolean => !off.has(each.id)
  return [row.slice(0, at).findLast(isThere), row.slice(at + 1).find(isThere)].flatMap(
    (each) => each ?? [],
  )
}
