/**
 * What of an interlock a job found missing, and what that lets in. Balls that are listed as one piece
 * are alike: which of them is missing nobody said, so that each of them may be.
 */
import type { BoxIndex } from '../box/box.ts'
import { interlockSets } from '../box/selectors/propose.ts'
import type { BoxDraft, InterlockPart } from '../box/types.ts'
import type { Job } from '../job/index.ts'
import { latestFindings, pieceOfRef, standingVerdict } from '../job/index.ts'
import type { OpenSet } from '../shift/index.ts'
import { areHeldApart, proveInterlock, rodsOf } from '../shift/index.ts'
import type { Solver } from '../train/index.ts'

/** A piece that is not there, and the balls, pins or plates that it may be. */
export interface MissingPart {
  /** Its reference. */
  readonly part: string
  readonly mayBe: readonly InterlockPart[]
}

/** References of what the job looked for last and did not find. */
export function missingRefs(job: Job): readonly string[] {
  return latestFindings(job).flatMap((finding) =>
    finding.what === 'missing' && standingVerdict(finding) === 'replace' ? [finding.part] : [],
  )
}

/** What of an interlock is missing, of all that a job did not find. */
export function missingParts(index: BoxIndex, refs: readonly string[]): readonly MissingPart[] {
  return refs.flatMap((part): readonly MissingPart[] => {
    const piece = pieceOfRef(index, part)
    const set = interlockSets(index.draft).find(({ couplers }) =>
      couplers.has(piece?.coupler ?? ''),
    )
    const mayBe = (set?.parts ?? []).filter(({ kind }) => piece?.kind === `interlock-${kind}`)
    return mayBe.length > 0 ? [{ part, mayBe }] : []
  })
}

/** The parts of an interlock in each way in which something of it may be missing. */
function waysLeft(
  draft: BoxDraft,
  missing: readonly MissingPart[],
): readonly (readonly InterlockPart[])[] {
  return missing.reduce<readonly (readonly InterlockPart[])[]>(
    (ways, { mayBe }) =>
      ways.flatMap((left) => mayBe.map((out) => left.filter((each) => each !== out))),
    [draft.interlockParts ?? []],
  )
}

/** Whether two couplers may leave their centres together, since something between their rods is missing. */
export function areFreed(
  draft: BoxDraft,
  missing: readonly MissingPart[],
  one: string,
  other: string,
): boolean {
  if (missing.length === 0) return false
  const rodOf = (coupler: string): string | undefined =>
    rodsOf(draft).find(({ places }) =>
      places.some(({ couplers }) => couplers[coupler] !== undefined),
    )?.id
  const [first, second] = [rodOf(one), rodOf(other)]
  return (
    first !== undefined &&
    second !== undefined &&
    waysLeft(draft, missing).some((left) => !areHeldApart(left, first, second))
  )
}

/** What can be in together and locks, for want of what is missing. */
export function openedByMissing(
  solver: Solver,
  { mayBe }: Pick<MissingPart, 'mayBe'>,
): readonly OpenSet[] {
  const { without } = proveInterlock(solver)
  const opened = without
    .filter(({ part }) => mayBe.some(({ id }) => id === part.id))
    .flatMap((loss) => loss.opened)
  return [...new Set(opened)].filter(({ isLocked }) => isLocked)
}
