import type { Address, ChangeAddress } from '~/views/addresses.ts'
import { Fragment, useDeferredValue, useCallback, useMemo, useState } from 'react'
import { Link } from 'react-router'

import type { AssemblyPart, Direction, Job, UnitPart, PartFamily } from 'core'
import { progressOf } from 'core'

import { useOpenBox } from '~/components/box/boxContext.ts'
import { BuildMessages } from '~/components/build/BuildMessages.tsx'
import { InHandPanel } from '~/components/build/InHandPanel.tsx'
import { PartNote } from '~/components/build/PartNote.tsx'
import { UnitAsItStands } from '~/components/build/UnitAsItStands.tsx'
import type { OpenBuild } from '~/components/build/useBuild.ts'
import { useBuild } from '~/components/build/useBuild.ts'
import { Photos } from '~/components/job/Photos.tsx'
import { useOpenJob } from '~/components/job/jobContext.ts'
import { MissingOfJob } from '~/components/shift/MissingOfJob.tsx'
import { LookButtons } from '~/components/measure/LookButtons.tsx'
import { useAddress } from '~/components/useAddress.ts'
import { NothingToShow, WorkArea, WorkMain, WorkPanel } from '~/components/WorkArea.tsx'
import type { InHand } from '~/views/build/buildView.ts'
import { inHandOf, lastStep, standingOf, trayFor } from '~/views/build/buildView.ts'

/** Which part and row are looked at, in the address. */
function useChosen(search: Address<'build'>, change: ChangeAddress<'build'>) {
  const choose = useCallback(
    (part: AssemblyPart) => {
      change({ part: part.id, row: '' })
    },
    [change],
  )
  const chooseRow = useCallback(
    (row: string) => {
      change({ row })
    },
    [change],
  )
  const letGo = (): void => {
    if (search.part !== null || search.row !== null) change({ part: '', row: '' })
  }
  return {
    choose,
    chooseRow,
    /** What comes next is in hand again. */
    letGo,
  }
}

/** While these go in it is told what the job found missing between rods: later it is shut in. */
const ASKED_AT: ReadonlySet<PartFamily> = new Set<PartFamily>(['selectors', 'case'])

/** The tray that a part lies in, or will. */
function trayOf({ groups, order }: OpenBuild, job: Job, part: AssemblyPart): string {
  return job.trays.get(part.id) ?? trayFor(groups, order, part, job.trays)
}

interface NextPartProps {
  readonly build: OpenBuild
  readonly inHand: InHand | undefined
  readonly direction: Direction
  readonly isDisabled: boolean
  readonly onChoose: (part: AssemblyPart) => void
  readonly onMove: (part: AssemblyPart, is: 'off' | 'in') => void
  readonly onLetGo: () => void
}

/** The part in hand and what is done with it, or what comes after the last. */
function NextPart(props: NextPartProps) {
  const { build, inHand, direction, isDisabled, onChoose, onMove, onLetGo } = props
  const { id } = useOpenBox()
  const { box, job, record } = useOpenJob()
  const { naming, section, assembly, order } = build
  if (!inHand) return <NothingLeft direction={direction} boxId={id} />
  const { part, isOff } = inHand
  return (
    <InHandPanel
      naming={naming}
      section={section}
      inHand={inHand}
      direction={direction}
      total={order.down.length}
      tray={isOff ? (job.trays.get(part.id) ?? null) : trayOf(build, job, part)}
      labelsHref={`/boxes/${id}/labels`}
      isDisabled={isDisabled}
      canGoBack={lastStep(job) !== undefined}
      partOf={(ref) => assembly.byRef.get(ref)}
      onChoose={onChoose}
      onDone={() => {
        onMove(part, direction === 'down' ? 'off' : 'in')
      }}
      onStillHere={() => {
        onMove(part, direction === 'down' ? 'in' : 'off')
      }}
      onBack={() => {
        const entry = lastStep(job)
        if (entry !== undefined) record({ kind: 'withdraw', entry })
        onLetGo()
      }}
    >
      {box && direction === 'up' && ASKED_AT.has(part.part.family) && (
        <MissingOfJob box={box} words={naming.words} job={job} />
      )}
      <WhileInHand part={part.part} boxId={id} isDisabled={isDisabled} />
    </InHandPanel>
  )
}

/** What is off, what is in hand, and where what is off lies. */
function useStanding({ assembly, order }: OpenBuild, direction: Direction, asked: string) {
  const { taken, trays } = useOpenJob().job
  const progress = useMemo(
    () => progressOf(assembly, order, taken, direction),
    [assembly, order, taken, direction],
  )
  const inHand = useMemo(
    () => inHandOf(assembly, order, progress, direction, asked),
    [assembly, order, progress, direction, asked],
  )
  const standing = useMemo(
    () => standingOf(assembly, progress.off, inHand, trays),
    [assembly, progress, inHand, trays],
  )
  return { progress, inHand, standing }
}

/** Taking a unit apart and putting it together, one part in hand at a time. */
export default function BuildPage() {
  const { draft } = useOpenBox()
  const { job, current, record } = useOpenJob()
  const [search, change] = useAddress('build')
  const direction: Direction = search.view === 'up' ? 'up' : 'down'
  const build = useBuild()
  const { naming, assembly, order } = build
  const { progress, inHand, standing } = useStanding(build, direction, search.part ?? '')
  // What is next is told before the unit is drawn without what came off.
  const seen = useDeferredValue(standing)
  const isDisabled = current === undefined || job.isClosed
  const partOf = (ref: string): AssemblyPart | undefined => assembly.byRef.get(ref)
  const { choose, chooseRow, letGo } = useChosen(search, change)
  const move = (part: AssemblyPart, is: 'off' | 'in'): void => {
    record({
      kind: 'step',
      part: part.id,
      is,
      ...(is === 'off' && { tray: trayOf(build, job, part) }),
    })
    letGo()
  }
  if (assembly.parts.length === 0)
    return (
      <NothingToShow title={`${draft.name} · Build`}>
        <p>This box has no parts yet. Lay it out first.</p>
      </NothingToShow>
    )
  return (
    <WorkArea title={`${draft.name} · Build`}>
      <WorkMain label="The unit as it stands, and its parts in a row">
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
        <UnitAsItStands
          draft={draft}
          build={build}
          standing={seen}
          direction={direction}
          row={search.row ?? ''}
          onRow={chooseRow}
          onChoose={choose}
        />
      </WorkMain>
      <WorkPanel isFirst>
        {!current && <p>Steps are kept in the job of a visit: open one above first.</p>}
        {job.taken.steps.length === 0 && (
          <CameAsAWhole
            isDisabled={isDisabled}
            onInPieces={() => {
              record({ kind: 'step', part: null, is: 'off' })
            }}
          />
        )}
        <NextPart
          build={build}
          inHand={inHand}
          direction={direction}
          isDisabled={isDisabled}
          onChoose={choose}
          onMove={move}
          onLetGo={letGo}
        />
      </WorkPanel>
    </WorkArea>
  )
}

/** Where nothing was said yet: it came as it was driven, or somebody took it apart before. */
function CameAsAWhole({
  isDisabled,
  onInPieces,
}: {
  readonly isDisabled: boolean
  readonly onInPieces: () => void
}) {
  return (
    <p className="text-graphite">
      It came as a whole, unless somebody says otherwise.{' '}
      <button
        type="button"
        className="button-quiet text-accent underline"
        disabled={isDisabled}
        onClick={onInPieces}
      >
        It came in pieces
      </button>
    </p>
  )
}

/** All steps of a direction are done: what comes after them. */
function NothingLeft({
  direction,
  boxId,
}: {
  readonly direction: Direction
  readonly boxId: string
}) {
  const [done, to, next, when] =
    direction === 'down'
      ? ['off', '?view=up', 'Put it together', 'when the parts are here']
      : ['in', `/boxes/${boxId}/build/sheet`, 'Check it at the bench', 'before it leaves']
  return (
    <p className="text-lg">
      Everything is {done}.{' '}
      <Link to={to} className="text-accent underline">
        {next}
      </Link>{' '}
      {when}.
    </p>
  )
}

/** What is judged, written down and photographed of the part in hand. */
function WhileInHand({
  part: { ref, looks },
  boxId,
  isDisabled,
}: {
  readonly part: UnitPart
  readonly boxId: string
  readonly isDisabled: boolean
}) {
  const { record } = useOpenJob()
  const [look] = looks
  if (!look) return null
  return (
    <WhenOpened of={ref} title="Look at it, photograph it, note it">
      <LookButtons
        look={look}
        isDisabled={isDisabled}
        onGrade={(grade) => {
          record({ kind: 'look', part: ref, look, grade })
        }}
      />
      <PartNote
        isDisabled={isDisabled}
        onNote={(text) => {
          record({ kind: 'note', text, part: ref })
        }}
      />
      <Photos boxId={boxId} part={ref} />
    </WhenOpened>
  )
}

/** What is only made once somebody opens it for a part, which is in hand for a moment. */
function WhenOpened({
  of,
  title,
  children,
}: {
  readonly of: string
  readonly title: string
  readonly children: React.ReactNode
}) {
  const [openedOf, setOpenedOf] = useState('')
  const isOpen = openedOf === of
  return (
    <details
      open={isOpen}
      onToggle={(event) => {
        if (event.currentTarget.open !== isOpen) setOpenedOf(isOpen ? '' : of)
      }}
    >
      <summary className="font-semibold">{title}</summary>
      {isOpen && <Fragment key={of}>{children}</Fragment>}
    </details>
  )
}
