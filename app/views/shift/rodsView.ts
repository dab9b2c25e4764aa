/** Rods as somebody has set them, to try what an interlock keeps apart. */
import type { BoxDraft, InterlockPart, MovedRod, Selector } from 'core'
import { areHeldApart, leverOf, rodsOf } from 'core'

/** Of an address: every part is in, although the job may have found one missing. */
export const ALL_IN = 'none'

/** Rods away from their middles, as the address has them. */
export function parseMoved(draft: BoxDraft, text: string | null): readonly MovedRod[] {
  const wanted = new Map(
    (text ?? '').split('|').map((each): [string, string] => {
      const [rod = '', place = ''] = each.split('~')
      return [rod, place]
    }),
  )
  return rodsOf(draft).flatMap((selector): MovedRod[] => {
    const place = selector.places.find(({ id }) => id === wanted.get(selector.id))
    return place ? [{ selector, place }] : []
  })
}

export function formatMoved(moved: readonly MovedRod[]): string {
  return moved.map(({ selector, place }) => `${selector.id}~${place.id}`).join('|')
}

/** What keeps a rod in its middle, of those that are away from theirs. */
export function holderOf(
  parts: readonly InterlockPart[],
  moved: readonly MovedRod[],
  rod: string,
): MovedRod | undefined {
  return moved.find(({ selector }) => selector.id !== rod && areHeldApart(parts, selector.id, rod))
}

/** Of rods that somebody moved, those that the parts let out together: a part put back sends one home. */
export function possibleOf(
  parts: readonly InterlockPart[],
  moved: readonly MovedRod[],
): readonly MovedRod[] {
  return moved.reduce<readonly MovedRod[]>(
    (out, rod) => (holderOf(parts, out, rod.selector.id) ? out : [...out, rod]),
    [],
  )
}

/** Rods as they lie beside one another: lever by lever, row by row of its gate, and what has no row after them. */
export function inRows(rods: readonly Selector[]): readonly Selector[] {
  const rowOf = ({ places }: Selector): number =>
    Math.min(...places.map(({ gate }) => gate?.row ?? Infinity))
  return [...rods].sort((one, other) => {
    const [before, after] = [rowOf(one), rowOf(other)]
    return leverOf(one) - leverOf(other) || (before === after ? 0 : before - after)
  })
}
