/** A bend: by how much the two wheels of an axle turn unlike, as an address keeps it. */
import type { BoxDraft, Drive, Rational } from 'core'
import { rational } from 'core'

/** The two sides of a differential, as the box has them. */
export type AxleSide = 'left' | 'right'

/** As it is entered: by the bend itself, or by the share of the mean that one side turns faster. */
export type Bend =
  | {
      readonly kind: 'radius'
      /** To the middle of the axle. */
      readonly radiusM: number
      readonly trackM: number
      readonly inner: AxleSide
    }
  /** (left − right) ÷ (left + right), −1 to 1. */
  | { readonly kind: 'difference'; readonly part: number }

/** A bus turns in no more than a few metres, and a bend of more is straight. */
export const BEND = { leastM: 0.1, mostRadiusM: 10_000, mostTrackM: 5 }
const PARTS = 1_000_000

/** The differential of an axle: the sides of the one whose sides both leave the box. */
export function axleOf(
  { outputs }: BoxDraft,
  { balanced }: Drive,
): Drive['balanced'][number] | undefined {
  return balanced.find(({ sides }) => sides.every((side) => outputs.includes(side)))
}

function figureOf(text = ''): number {
  return text === '' ? NaN : Number(text)
}

/** Null where nothing is said, or nothing that can be. */
export function parseBend(text: string | null): Bend | null {
  const [kind, ...rest] = (text ?? '').split(',')
  if (kind === 'difference') {
    const part = figureOf(rest[0])
    return Math.abs(part) <= 1 && part !== 0 ? { kind, part } : null
  }
  const [radiusM, trackM] = [figureOf(rest[0]), figureOf(rest[1])]
  const inner = rest[2]
  const isWithin =
    trackM >= BEND.leastM &&
    trackM <= BEND.mostTrackM &&
    radiusM >= trackM / 2 &&
    radiusM <= BEND.mostRadiusM
  return kind === 'radius' && isWithin && (inner === 'left' || inner === 'right')
    ? { kind, radiusM, trackM, inner }
    : null
}

/** As the address keeps it. */
export function formatBend(bend: Bend): string {
  return bend.kind === 'difference'
    ? `difference,${bend.part}`
    : `radius,${bend.radiusM},${bend.trackM},${bend.inner}`
}

/** (left − right) ÷ (left + right): wheels on one axle turn as far as they are from the middle of the bend. */
export function differenceOf(bend: Bend): Rational {
  const part =
    bend.kind === 'difference'
      ? bend.part
      : ((bend.inner === 'right' ? 1 : -1) * bend.trackM) / (2 * bend.radiusM)
  return rational(Math.round(part * PARTS), PARTS)
}

/** The bend in which two wheels turn so fast, and their mean; null where they do not roll one way. */
export function bendOfWheels(
  left: number,
  right: number,
): { readonly bend: Bend | null; readonly mean: number } | null {
  if (left < 0 || right < 0 || left + right === 0) return null
  const part = Math.round(((left - right) / (left + right)) * PARTS) / PARTS
  return { bend: part === 0 ? null : { kind: 'difference', part }, mean: (left + right) / 2 }
}
