import type { Address, ChangeAddress } from '~/views/addresses.ts'
import { useMemo } from 'react'

import type { InterlockPart, MissingPart, MovedRod } from 'core'
import {
  analyse,
  explainLock,
  isLocked,
  missingParts,
  missingRefs,
  placesWith,
  proveInterlock,
  rodsOf,
} from 'core'

import { useOpenBox } from '~/components/box/boxContext.ts'
import { IssueList } from '~/components/box/IssueList.tsx'
import { WithEveryPart, WithOneOut } from '~/components/shift/InterlockProofs.tsx'
import { useOpenJob } from '~/components/job/jobContext.ts'
import MissingParts from '~/components/shift/MissingParts.tsx'
import { LinkedSection } from '~/components/shift/LinkedSection.tsx'
import { RodKeys } from '~/components/shift/RodKeys.tsx'
import { ShiftProposal, saysWhatMoves } from '~/components/shift/ShiftProposal.tsx'
import { useShift } from '~/components/shift/useShift.ts'
import { useAddress } from '~/components/useAddress.ts'
import { Warning } from '~/components/Warning.tsx'
import { NothingToShow, WorkArea, WorkMain, WorkPanel } from '~/components/WorkArea.tsx'
import { placeDraggedTo } from '~/views/shift/linkage.ts'
import {
  ALL_IN,
  formatMoved,
  holderOf,
  inRows,
  parseMoved,
  possibleOf,
} from '~/views/shift/rodsView.ts'
import { lockSentence } from '~/words/lock.ts'
import { rodName } from '~/words/shift.ts'

const NO_PARTS: readonly InterlockPart[] = []

/** What is out: as the address has it, or else the first of what each missing part may be. */
function outOf(address: string | null, missing: readonly MissingPart[]): ReadonlySet<string> {
  if (address === null) return new Set(missing.flatMap(({ mayBe }) => mayBe[0]?.id ?? []))
  return new Set(address.split('|').filter((id) => id !== '' && id !== ALL_IN))
}

/** The rods as the address has them moved, and what of the interlock is left in between. */
function useRods(search: Address<'interlock'>, change: ChangeAddress<'interlock'>) {
  const { draft, naming } = useShift()
  const { job } = useOpenJob()
  const missing = useMemo(() => missingParts(naming.box, missingRefs(job)), [naming, job])
  const rods = inRows(rodsOf(draft)).filter(
    ({ id, switched }) =>
      switched === undefined ||
      draft.interlockParts?.some(({ selectors }) => selectors.includes(id)) === true,
  )
  const parts = draft.interlockParts ?? NO_PARTS
  const out = outOf(search.out, missing)
  const left = parts.filter(({ id }) => !out.has(id))
  const moved = possibleOf(left, parseMoved(draft, search.moved))
  const refused = rods.find(({ id }) => id === search.held)
  const holder = refused && holderOf(left, moved, refused.id)
  const set = (rod: MovedRod['selector'], place: MovedRod['place'] | null): void => {
    const others = moved.filter(({ selector }) => selector.id !== rod.id)
    if (place && holderOf(left, others, rod.id)) {
      change({ held: rod.id })
      return
    }
    const next = place ? [...others, { selector: rod, place }] : others
    change({ moved: formatMoved(next), held: '' })
  }
  return { rods, parts, missing, out, left, moved, refused, holder, set }
}

/** The interlock part by part: take one out, and try which rods can move together then. */
export default function ShiftInterlock() {
  const { words } = useOpenBox()
  const { draft, naming, solver, issues } = useShift()
  const [search, change] = useAddress('interlock')
  const proof = useMemo(() => (solver ? proveInterlock(solver) : undefined), [solver])
  const { rods, parts, missing, out, left, moved, refused, holder, set } = useRods(search, change)
  const places = placesWith(draft, moved)
  const state = solver && places ? analyse(solver, places) : undefined
  const lock = solver && places ? explainLock(solver, places) : undefined
  if (!solver || !proof)
    return (
      <NothingToShow title={`${draft.name} · Interlock`}>
        <IssueList draft={draft} issues={issues} words={words} />
      </NothingToShow>
    )
  return (
    <WorkArea title={`${draft.name} · Interlock`}>
      <WorkMain label="Rods and what lies between them">
        {!saysWhatMoves(draft) && <ShiftProposal draft={draft} />}
        <LinkedSection
          draft={draft}
          words={words}
          naming={naming}
          rods={rods}
          out={out}
          state={state}
          isLoaded={false}
          scale={null}
          title={`Section along the shafts of ${draft.name} with these rods moved: ${rods.length} rods with ${left.length} of ${parts.length} balls, pins and plates between them`}
          onDragRod={(id, shift, standing) => {
            const rod = rods.find((each) => each.id === id)
            if (rod) set(rod, placeDraggedTo(rod, shift, standing))
          }}
        />
        <RodKeys naming={naming} rods={rods} moved={moved} onSet={set} />
        <div role="status" className="min-h-[1.6rem]">
          {refused && holder && (
            <p className="text-trouble font-semibold">
              The {rodName(naming, refused)} cannot leave its middle: the{' '}
              {rodName(naming, holder.selector)} is out.
            </p>
          )}
        </div>
        {state && isLocked(state) && (
          <Warning>
            {lock ? lockSentence(naming, lock) : 'The box is locked: nothing turns.'} On the road
            that stops the driven wheels.
          </Warning>
        )}
      </WorkMain>
      <WorkPanel label="What the interlock keeps apart">
        <MissingParts naming={naming} solver={solver} missing={missing} />
        <h2 className="text-[1.35rem]">With every part in</h2>
        {rods.length === 0 ? (
          <p>
            No rod is said that a lever moves, so there is nothing to keep apart.
            {(draft.drums ?? []).length > 0 && ' The drum moves one fork after another.'}
          </p>
        ) : (
          <WithEveryPart naming={naming} open={proof.open} />
        )}
        {parts.length > 0 && <h2 className="text-[1.35rem]">With one left out</h2>}
        <WithOneOut naming={naming} without={proof.without} out={out} change={change} />
        <p className="text-graphite text-[0.9rem]">
          A box that locks on the road stops the driven wheels. Count balls and pins back in, and
          try every pair of rods before the cover goes on.
        </p>
      </WorkPanel>
    </WorkArea>
  )
}
