import { useCallback, useMemo, useState } from 'react'
import { Link } from 'react-router'

import type { AssemblyPart, Direction } from 'core'
import { progressOf, readPartReference, refOfPiece } from 'core'

import { useOpenBox } from '~/components/box/boxContext.ts'
import { BuildMessages } from '~/components/build/BuildMessages.tsx'
import { ExplodedRow } from '~/components/build/ExplodedRow.tsx'
import { InHandPanel } from '~/components/build/InHandPanel.tsx'
import { PartNote } from '~/components/build/PartNote.tsx'
import { useBuild } from '~/components/build/useBuild.ts'
import { PartTiles } from '~/components/build/PartTiles.tsx'
import { Photos } from '~/components/job/Photos.tsx'
import { useOpenJob } from '~/components/job/jobContext.ts'
import { LookButtons } from '~/components/measure/LookButtons.tsx'
import { SectionDrawing } from '~/components/section/SectionDrawing.tsx'
import { useViewState } from '~/components/useViewState.ts'
import { bareParts, inHandOf, lastStep, neighboursOf, trayFor } from '~/views/build/buildView.ts'
import type { Layer, Layers } from '~/views/section/layers.ts'
import { bodyName, capitalize } from '~/words/names.ts'

const LAYERS: Layers = new Set<Layer>(['parts', 'names'])

/** Taking a unit apart and putting it together, one part in hand at a time. */
export default function BuildPage() {
  const { id, draft, words } = useOpenBox()
  const { job, current, record } = useOpenJob()
  const [search, change] = useViewState()
  const direction: Direction = search.get('view') === 'up' ? 'up' : 'down'
  const { naming, section, assembly, order, groups, nameOf } = useBuild()
  const progress = useMemo(
    () => progressOf(assembly, order, job.taken, direction),
    [assembly, order, job.taken, direction],
  )
  const { off } = progress
  const inHand = inHandOf(assembly, order, progress, direction, search.get('part') ?? '')
  const group =
    groups.find(({ bench }) => (bench ?? 'case') === search.get('row')) ??
    groups.find(({ bench }) => bench === (inHand?.part.bench ?? null)) ??
    groups[0]
  const isDisabled = current === undefined || job.isClosed
  const partOf = (ref: string): AssemblyPart | undefined => assembly.byRef.get(ref)
  const trays = useMemo(
    () =>
      new Map(
        [...job.trays].flatMap(([ref, tray]) => {
          const part = assembly.byRef.get(ref)
          return part && off.has(part.id) ? [[part.id, tray] as const] : []
        }),
      ),
    [job.trays, assembly, off],
  )
  const choose = useCallback(
    (part: AssemblyPart) => {
      change({ part: part.id, row: '' })
    },
    [change],
  )
  /** What comes next is in hand again. */
  const letGo = (): void => {
    if (search.has('part') || search.has('row')) change({ part: '', row: '' })
  }
  const touched = useMemo(
    () => new Set(inHand ? neighboursOf(groups, inHand.part, off).flatMap(({ refs }) => refs) : []),
    [groups, inHand, off],
  )
  const handRefs = inHand?.part.refs
  const bare = useMemo(() => bareParts(groups, off), [groups, off])
  const classOf = useCallback(
    (drawn: string): string | undefined => {
      const { kind, id: drawnId } = readPartReference(drawn)
      const piece = kind === 'piece' ? naming.box.pieces.get(drawnId) : undefined
      const ref = piece ? refOfPiece(naming.box, piece) : drawn
      // A gear that stays on its shaft goes where that goes.
      const gear = kind === 'gear' ? naming.box.gears.get(drawnId) : undefined
      const part = assembly.byRef.get(ref) ?? (gear && assembly.byRef.get(`shaft:${gear.member}`))
      if (handRefs?.includes(part?.id ?? ref) === true) return 'in-hand'
      if (part && bare.has(part.id)) return 'is-off'
      return touched.has(ref) ? 'touched' : undefined
    },
    [assembly, naming, bare, handRefs, touched],
  )
  const move = (part: AssemblyPart, is: 'off' | 'in'): void => {
    record({ kind: 'step', part: part.id, is, ...(is === 'off' && { tray: trayOf(part) }) })
    letGo()
  }
  const trayOf = (part: AssemblyPart): string =>
    job.trays.get(part.id) ?? trayFor(groups, order, part, job.trays)
  const look = inHand?.part.part.looks[0]
  const shown = group && {
    index: naming.box,
    section,
    parts: group.parts,
    off,
    trays,
    chosen: inHand?.part.id ?? '',
    nameOf,
    onChoose: choose,
  }
  if (assembly.parts.length === 0)
    return (
      <main className="p-6">
        <title>{`${draft.name} · Build · Udrix`}</title>
        <p className="text-lg">This box has no parts yet. Lay it out first.</p>
      </main>
    )
  return (
    <main className="grid min-h-0 flex-1 lg:grid-cols-[minmax(0,1fr)_23rem] xl:grid-cols-[minmax(0,1fr)_28rem]">
      <title>{`${draft.name} · Build · Udrix`}</title>
      <section
        aria-label="The unit as it stands, and its parts in a row"
        className="flex min-h-0 flex-col gap-1 overflow-auto px-4 pt-2 pb-3"
      >
        <BuildMessages
          naming={naming}
          order={order}
          progress={progress}
          isApart={job.taken.isApart}
          lost={assembly.lost}
          partOf={partOf}
          onUndo={(parts) => {
            for (const part of parts) move(part, 'off')
          }}
        />
        <div className="build min-h-[17rem] flex-1">
          <SectionDrawing
            draft={draft}
            words={words}
            layers={LAYERS}
            classOf={classOf}
            title={`Section along the shafts of ${draft.name}; what is off is drawn pale`}
          />
        </div>
        <div role="group" aria-label="Rows of parts" className="flex flex-wrap gap-1">
          {groups.map(({ bench, parts }) => (
            <button
              key={bench ?? 'case'}
              type="button"
              aria-pressed={group?.bench === bench}
              className="button-quiet aria-pressed:underline"
              onClick={() => {
                change({ row: bench ?? 'case' })
              }}
            >
              {capitalize(bench === null ? 'case' : bodyName(naming, bench))}{' '}
              <span className="text-graphite tabular-nums">
                {parts.filter((part) => !off.has(part.id)).length}/{parts.length}
              </span>
            </button>
          ))}
        </div>
        {shown && group.bench === null && <PartTiles {...shown} />}
        {shown && group.bench !== null && (
          <div className="flex-none overflow-x-auto">
            <div className="build h-[13.5rem] min-w-[44rem]">
              <ExplodedRow
                {...shown}
                title={`Parts of the ${bodyName(naming, group.bench)} in a row`}
              />
            </div>
          </div>
        )}
      </section>
      <aside className="border-rule bg-sheet flex min-h-0 flex-col gap-2 overflow-auto p-4 max-lg:order-first max-lg:border-b-2 lg:border-l-2">
        {!current && <p>Steps are kept in the job of a visit: open one above first.</p>}
        {job.taken.steps.length === 0 && (
          <p className="text-graphite">
            It came as a whole, unless somebody says otherwise.{' '}
            <button
              type="button"
              className="button-quiet text-accent underline"
              disabled={isDisabled}
              onClick={() => {
                record({ kind: 'step', part: null, is: 'off' })
              }}
            >
              It came in pieces
            </button>
          </p>
        )}
        {inHand ? (
          <InHandPanel
            naming={naming}
            section={section}
            inHand={inHand}
            direction={direction}
            total={order.down.length}
            tray={inHand.isOff ? (job.trays.get(inHand.part.id) ?? null) : trayOf(inHand.part)}
            labelsHref={`/boxes/${id}/labels`}
            isDisabled={isDisabled}
            canGoBack={lastStep(job) !== undefined}
            partOf={partOf}
            onChoose={choose}
            onDone={() => {
              move(inHand.part, direction === 'down' ? 'off' : 'in')
            }}
            onStillHere={() => {
              move(inHand.part, direction === 'down' ? 'in' : 'off')
            }}
            onBack={() => {
              const entry = lastStep(job)
              if (entry !== undefined) record({ kind: 'withdraw', entry })
              letGo()
            }}
          >
            {look && (
              <WhenOpened key={inHand.part.id} title="Look at it, photograph it, note it">
                <LookButtons
                  look={look}
                  isDisabled={isDisabled}
                  onGrade={(grade) => {
                    record({ kind: 'look', part: inHand.part.part.ref, look, grade })
                  }}
                />
                <PartNote
                  isDisabled={isDisabled}
                  onNote={(text) => {
                    record({ kind: 'note', text, part: inHand.part.part.ref })
                  }}
                />
                <Photos boxId={id} part={inHand.part.part.ref} />
              </WhenOpened>
            )}
          </InHandPanel>
        ) : (
          <p className="text-lg">
            {direction === 'down' ? (
              <>
                Everything is off.{' '}
                <Link to="?view=up" className="text-accent underline">
                  Put it together
                </Link>{' '}
                when the parts are here.
              </>
            ) : (
              <>
                Everything is in.{' '}
                <Link to={`/boxes/${id}/build/sheet`} className="text-accent underline">
                  Check it at the bench
                </Link>{' '}
                before it leaves.
              </>
            )}
          </p>
        )}
      </aside>
    </main>
  )
}

/** What is only made once somebody opens it, since a part is in hand for a moment. */
function WhenOpened({
  title,
  children,
}: {
  readonly title: string
  readonly children: React.ReactNode
}) {
  const [isOpen, setIsOpen] = useState(false)
  return (
    <details
      onToggle={(event) => {
        setIsOpen(event.currentTarget.open)
      }}
    >
      <summary className="cursor-pointer py-1 font-semibold">{title}</summary>
      {isOpen && children}
    </details>
  )
}
