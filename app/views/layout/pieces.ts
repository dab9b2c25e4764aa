/** What is proposed for a box. */
import type { BoxDraft, Piece, PieceKind } from 'core'
import { proposePieces } from 'core'

/** Pieces of one kind that a box could be given at once. */
interface Proposal {
  readonly kind: PieceKind
  readonly pieces: readonly Piece[]
}

/** What the drawing tells of that the box has none of yet, by kind. */
export function proposalsOf(draft: BoxDraft): readonly Proposal[] {
  const byKind = new Map<PieceKind, Piece[]>()
  for (const piece of proposePieces(draft))
    byKind.set(piece.kind, [...(byKind.get(piece.kind) ?? []), piece])
  return [...byKind].map(([kind, pieces]) => ({ kind, pieces }))
}

/** The box with the proposed pieces of the kinds that were chosen. */
export function withProposed(draft: BoxDraft, kinds: ReadonlySet<PieceKind>): BoxDraft {
  const added = proposePieces(draft).filter(({ kind }) => kinds.has(kind))
  return { ...draft, pieces: [...(draft.pieces ?? []), ...added] }
}
