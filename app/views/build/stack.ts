/** A stack on a shaft, from the parts that bear on one another. */
import type {
  AssemblyPart,
  BoxDraft,
  BoxIndex,
  EndPlay,
  Entered,
  MeasuredStack,
  UnitPartKind,
  Toleranced,
} from 'core'
import { PIECE_DEFINITIONS, endPlayOf, figureOf, pieceOfRef } from 'core'

import { withPart } from '~/views/layout/withPart.ts'

import type { Group } from './buildView.ts'

export interface StackRow {
  readonly part: AssemblyPart
  /** Undefined while nobody measured it. */
  readonly lengthMm: number | undefined
  readonly isIn: boolean
}

/** The parts of a row with their lengths; `turned` are counted the other way than is usual of their kind. */
export function stackRows(
  index: BoxIndex,
  { parts }: Group,
  turned: readonly string[],
): readonly StackRow[] {
  return parts.map((part) => ({
    part,
    lengthMm: lengthOf(index, part),
    isIn: isInStack(part.part.kind) !== turned.includes(part.id),
  }))
}

function isInStack(kind: UnitPartKind): boolean {
  return kind === 'gear' || kind === 'shaft' || PIECE_DEFINITIONS[kind].isInStack === true
}

function lengthOf(index: BoxIndex, { part }: AssemblyPart): number | undefined {
  return part.kind === 'gear'
    ? index.gears.get(part.id)?.faceWidthMm
    : pieceOfRef(index, part.ref)?.lengthMm
}

/** The box with a part's length as it was measured; the same where it has no place for one. */
export function withLength(
  { draft, gears }: BoxIndex,
  { part }: AssemblyPart,
  lengthMm: number | undefined,
  piece: ReturnType<typeof pieceOfRef>,
): BoxDraft {
  const gear = part.kind === 'gear' ? gears.get(part.id) : undefined
  if (gear) return withPart(draft, 'gears', { ...gear, faceWidthMm: lengthMm })
  return piece ? withPart(draft, 'pieces', { ...piece, lengthMm }) : draft
}

/** Where nobody says another, parts are made to so much (common practice). */
const USUAL_DEVIATION: Entered = { text: '0.02', unit: 'mm' }

/** A stack that nothing was measured of. */
export const EMPTY_STACK: MeasuredStack = {
  room: null,
  roomDeviation: USUAL_DEVIATION,
  partDeviation: USUAL_DEVIATION,
  turned: [],
}

/** What a stack asks, once its room is measured. */
export function questionOf({
  room,
  roomDeviation,
  partDeviation,
  instead,
}: MeasuredStack): StackQuestion | undefined {
  if (!room) return undefined
  return {
    room: { mm: mmOf(room), plusMinusMm: mmOf(roomDeviation) },
    plusMinusMm: mmOf(partDeviation),
    instead: instead?.length ? { part: instead.part, lengthMm: mmOf(instead.length) } : undefined,
  }
}

/** A length as it was entered, in millimetres. */
export function mmOf({ text, unit }: Entered): number {
  return figureOf(text, unit) ?? 0
}

/** What is asked of a stack, in millimetres. */
interface StackQuestion {
  readonly room: Toleranced
  /** Of each part, both ways. */
  readonly plusMinusMm: number
  /** A part that is replaced, and what it is long then. */
  readonly instead: { readonly part: string; readonly lengthMm: number } | undefined
}

/** The end play with the parts as they are, and with the one replaced. */
export interface StackAnswer {
  readonly before: EndPlay
  readonly after: EndPlay | undefined
}

/** The end play before and after; undefined while a length is missing. */
export function stackAnswer(
  rows: readonly StackRow[],
  { room, plusMinusMm, instead }: StackQuestion,
): StackAnswer | undefined {
  const stack = rows.filter(({ isIn }) => isIn)
  const lengths = stack.flatMap(({ lengthMm }) => lengthMm ?? [])
  if (stack.length === 0 || lengths.length < stack.length) return undefined
  const toleranced = (mm: number): Toleranced => ({ mm, plusMinusMm })
  const replaced = stack.find(({ part }) => part.id === instead?.part)
  return {
    before: endPlayOf(room, lengths.map(toleranced)),
    after:
      replaced && instead
        ? endPlayOf(
            room,
            stack.map(({ part, lengthMm = 0 }) =>
              toleranced(part === replaced.part ? instead.lengthMm : lengthMm),
            ),
          )
        : undefined,
  }
}
