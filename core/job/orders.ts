/**
 * What a verdict orders. What is measured is often not what is worn: play of a shaft is
 * set by shims, and a rough feel is of its bearings. Each kind of part says what is replaced for
 * what was found on it.
 */
import { pathTo, readPath } from '../box/partPath.ts'
import type { BoxIndex } from '../box/box.ts'
import { indexBox } from '../box/box.ts'
import { oncePer } from '../box/oncePer.ts'
import type { OrderTarget } from '../box/pieces/index.ts'
import { PIECE_DEFINITIONS, isNewEachTime, kindsWhere, memberOfPiece } from '../box/pieces/index.ts'
import type { BoxDraft, Piece } from '../box/types.ts'
import type { Finding, Job } from './job.ts'
import { latestFindings, standingVerdict } from './job.ts'
import type { UnitPartKind } from './partKinds.ts'
import { UNIT_PART_DEFINITIONS } from './partKinds.ts'
import { pieceOfRef, refOfPiece, wholePart } from './unitParts.ts'

/** A part that somebody has to get, and what was found that asks for it. */
export interface Need {
  /** "ring:3-4/towards-output", "piece:ball-bearing-1", "bearings:counter", "shims:main". */
  readonly key: string
  readonly finding: Finding
}

/** Bearings that stand on a shaft and are replaced when it is felt to turn roughly. */
const SHAFT_BEARINGS = kindsWhere(({ bearsShaft }) => bearsShaft === true)

/** The key by which a piece is ordered: alone, or with all that is new each time. */
export function keyOfPiece(index: BoxIndex, piece: Piece): string {
  const together = PIECE_DEFINITIONS[piece.kind].orderedWith
  if (together !== undefined) return together
  return isNewEachTime(piece) ? `new:${piece.kind}` : refOfPiece(index, piece)
}

/** Pieces by the key that they are ordered by, found once for each box. */
const piecesByKey = oncePer((draft: BoxDraft): ReadonlyMap<string, readonly Piece[]> => {
  const index = indexBox(draft)
  const found = new Map<string, Piece[]>()
  for (const piece of draft.pieces ?? []) {
    const key = keyOfPiece(index, piece)
    const alike = found.get(key)
    if (alike) alike.push(piece)
    else found.set(key, [piece])
  }
  return found
})

/** The pieces that are ordered by a key of their own kind; empty where the box has none listed. */
export function piecesOfKey(index: BoxIndex, key: string): readonly Piece[] {
  return piecesByKey(index.draft).get(key) ?? []
}

/** The kind of part that a reference is to; undefined of a piece that is gone. */
function kindOfRef(index: BoxIndex, ref: string): UnitPartKind | undefined {
  const { kind } = readPath(ref)
  if (kind === 'piece') return pieceOfRef(index, ref)?.kind
  return kind === 'ring' || kind === 'sleeve' || kind === 'gear' || kind === 'shaft'
    ? kind
    : undefined
}

/** The pieces of the box that a target means, for the part that it was found on. */
function targetPieces(index: BoxIndex, target: OrderTarget, ref: string): readonly Piece[] {
  const { id } = readPath(ref)
  const piece = pieceOfRef(index, ref)
  const shaft = piece ? memberOfPiece(index, piece)?.id : id
  const pieces = index.draft.pieces ?? []
  switch (target) {
    case 'bearings':
      return pieces.filter(({ kind, on }) => SHAFT_BEARINGS.has(kind) && on === shaft)
    case 'fork':
      return pieces.filter(({ kind, coupler }) => kind === 'fork' && coupler === id)
    case 'shims':
      return pieces.filter(({ kind, on }) => kind === 'shim' && on === shaft)
    case 'runs-on':
      return pieces.filter(({ carries }) => carries?.includes(id) === true)
    case 'thrust-washer':
      return pieces.filter(({ kind, on }) => kind === 'side-washer' && on === piece?.on)
    case 'itself':
    case 'its-shaft':
      return []
  }
}

/** What is replaced, or set, where a finding on a part asks for it. */
export function orderTarget(
  index: BoxIndex,
  { part, what }: Pick<Finding, 'part' | 'what'>,
): OrderTarget {
  const kind = kindOfRef(index, part)
  return (kind && UNIT_PART_DEFINITIONS[kind].orders?.[what]) ?? 'itself'
}

/**
 * The parts that what was found last condemns: the very part, or what its finding leads to, such
 * as the fork of a groove. A shaft whose end play is to be set by shims is not one.
 */
export function condemnedParts(index: BoxIndex, job: Job): ReadonlySet<string> {
  return new Set(
    latestFindings(job).flatMap((finding): readonly string[] => {
      if (standingVerdict(finding) !== 'replace') return []
      const target = orderTarget(index, finding)
      if (target === 'itself') return [wholePart(index, finding.part)]
      return targetPieces(index, target, finding.part).map((piece) => refOfPiece(index, piece))
    }),
  )
}

/**
 * The keys of what a finding orders: the very pieces where the box lists them, else what the
 * part needs in general. Where somebody has written a line by the general key, that stands.
 */
export function orderKeys(
  index: BoxIndex,
  finding: Pick<Finding, 'part' | 'what'>,
  written: ReadonlySet<string> = new Set(),
): readonly string[] {
  const { part } = finding
  const target = orderTarget(index, finding)
  const piece = pieceOfRef(index, part)
  const { id } = readPath(part)
  const shaft = piece && memberOfPiece(index, piece)?.id
  if (target === 'itself') {
    const whole = wholePart(index, part)
    const sold = pieceOfRef(index, whole)
    return [sold ? keyOfPiece(index, sold) : whole]
  }
  if (target === 'its-shaft') return [shaft === undefined ? part : pathTo('shaft', shaft)]
  const general = `${target}:${shaft ?? id}`
  const pieces = written.has(general) ? [] : targetPieces(index, target, part)
  if (pieces.length > 0) return [...new Set(pieces.map((each) => keyOfPiece(index, each)))]
  // A gear that runs on its shaft itself has nothing else to be replaced.
  return [target === 'runs-on' ? part : general]
}

/** Whether a finding is of the unit as it came, and not of what was put in since. */
function isAsFound(finding: Finding): boolean {
  return finding.kind === 'seen' || finding.measured.phase !== 'after'
}

/**
 * What the verdicts ask for, each once, in the order in which it was found. Measuring
 * after the work takes nothing from the list. A later finding of the same kind as found
 * replaces an earlier one, unless the part has been written down meanwhile.
 */
export function needsOf(draft: BoxDraft, job: Job): readonly Need[] {
  const index = indexBox(draft)
  const written = new Set(job.lines.map(({ key }) => key))
  const latest = new Map<string, Finding>()
  const needs = new Map<string, Need>()
  for (const finding of job.findings) {
    if (!isAsFound(finding)) continue
    latest.set(`${finding.part} ${finding.what}`, finding)
    if (standingVerdict(finding) !== 'replace') continue
    if (written.size === 0) continue
    for (const key of orderKeys(index, finding, written))
      if (written.has(key)) needs.set(key, { key, finding })
  }
  for (const finding of latest.values()) {
    if (standingVerdict(finding) !== 'replace') continue
    for (const key of orderKeys(index, finding, written))
      if (!needs.has(key)) needs.set(key, { key, finding })
  }
  return [...needs.values()]
}
