import { House, Redo2, TriangleAlert, Undo2, X } from 'lucide-react'
import { useEffect, useMemo, useState } from 'react'
import { useHotkeys } from 'react-hotkeys-hook'
import { Link, Outlet } from 'react-router'

import type { Route } from './+types/box'
import { missingBox, withDatabase } from '~/.server/answers.ts'
import { findBox } from '~/.server/boxes.ts'
import { summariesOf } from '~/.server/jobSummaries.ts'
import { readSettings } from '~/.server/settings.ts'
import type { Entries, LoadedBox } from '~/components/box/boxContext.ts'
import { OpenBoxProvider } from '~/components/box/boxContext.ts'
import { BoxName } from '~/components/box/BoxName.tsx'
import { AllPages, PagesOfStep, Steps, usePlace } from '~/components/box/Way.tsx'
import type { KeptBox } from '~/components/box/useKeptBox.ts'
import { useKeptBox } from '~/components/box/useKeptBox.ts'
import { HelpButton } from '~/components/HelpButton.tsx'
import { useLiveData } from '~/client/live.ts'
import { OutboxNotices } from '~/components/outbox/OutboxNotices.tsx'
import { SettingsControls } from '~/components/SettingsControls.tsx'
import { Tour } from '~/components/Tour.tsx'
import { untilAnswered } from '~/client/waiting.ts'
import { staysOpen, unlessSamePage } from '~/client/staysOpen.ts'
import { originOf } from '~/files/editOrigin.ts'
import { editWords } from '~/words/changes.ts'
import { conflictWords } from '~/words/issues.ts'
import type { Vocabulary } from '~/words/vocabulary.ts'
import { vocabularyOf } from '~/words/vocabulary.ts'

export async function loader({ params, request }: Route.LoaderArgs): Promise<LoadedBox> {
  const [box, settings] = await Promise.all([
    withDatabase(() => findBox(params.boxId)),
    readSettings(request),
  ])
  if (!box) throw await missingBox(params.boxId)
  const { id, draft, revision, isDemo, areCautionsRead } = box
  const job = (await withDatabase(() => summariesOf([box]))).get(id) ?? null
  const origin = originOf(settings)
  return { id, draft, revision, isDemo, areCautionsRead, settings, origin, job }
}

const open = staysOpen<LoadedBox>()

export function clientLoader({ params, request, serverLoader }: Route.ClientLoaderArgs) {
  return untilAnswered(() => open.load(params.boxId, serverLoader), request.signal)
}

export const shouldRevalidate = unlessSamePage

/** Every box has a state of its own: another box is another page, also by the back button. */
export default function Box({ loaderData }: Route.ComponentProps) {
  return <OpenedBox key={loaderData.id} loaderData={loaderData} />
}

interface KeptProps {
  readonly kept: KeptBox
  readonly entries: Entries
}

/** Whether everything is kept: changes of the box, and what is entered in its job. */
function KeptOrNot({ kept: { outbox }, entries }: KeptProps) {
  const isWaiting = outbox.isWaiting || entries === 'waiting'
  const isOnItsWay = outbox.pending.length > 0 || entries === 'on-their-way'
  return (
    <p role="status" className="text-graphite text-[0.78rem] sm:order-3 sm:mr-1 sm:text-[0.86rem]">
      {isWaiting ? '' : isOnItsWay ? 'Keeping…' : 'Kept'}
    </p>
  )
}

/** What takes the last change back. */
function UndoAndRedo({ kept: { undo, redo } }: Pick<KeptProps, 'kept'>) {
  return (
    <>
      <button type="button" className="button-quiet" onClick={undo} disabled={!undo}>
        <Undo2 aria-hidden /> <span className="sr-only">Undo</span>
      </button>
      <button type="button" className="button-quiet" onClick={redo} disabled={!redo}>
        <Redo2 aria-hidden /> <span className="sr-only">Redo</span>
      </button>
    </>
  )
}

interface ConflictsProps {
  readonly kept: KeptBox
  readonly words: Vocabulary
}

/** What somebody else had changed meanwhile, so that it was not placed. */
function Conflicts({ kept: { draft, conflicts, dismissConflicts }, words }: ConflictsProps) {
  if (conflicts.length === 0) return null
  return (
    <div role="alert" className="trouble bg-trouble-wash items-center px-4 py-1">
      <TriangleAlert aria-hidden />
      <ul className="flex-1">
        {conflicts.map((conflict, at) => (
          <li key={at}>{conflictWords(draft, conflict, words)}</li>
        ))}
      </ul>
      <button type="button" className="button-quiet" onClick={dismissConflicts}>
        <X aria-hidden /> Understood
      </button>
    </div>
  )
}

function OpenedBox({ loaderData }: { readonly loaderData: LoadedBox }) {
  const { id, isDemo, settings, job } = loaderData
  useEffect(() => {
    open.remember(id, loaderData)
  }, [id, loaderData])
  useLiveData(id)
  const [areCautionsRead, setAreCautionsRead] = useState(loaderData.areCautionsRead)
  const [entries, setEntries] = useState<Entries>('kept')
  const kept = useKeptBox(id, loaderData, loaderData.origin)
  const { outbox } = kept
  const words = useMemo(() => vocabularyOf(settings), [settings])
  useHotkeys('mod+z', () => kept.undo?.(), { preventDefault: true })
  useHotkeys('mod+shift+z, mod+y', () => kept.redo?.(), { preventDefault: true })
  const place = usePlace({ id, draft: kept.draft, words, job })
  const opened = useMemo(
    () => ({
      ...kept,
      id,
      words,
      settings,
      job,
      areCautionsRead,
      setEntries,
      next: place.next,
      confirmCautions: () => {
        setAreCautionsRead(true)
        // If this does not arrive, the cautions are shown once more some other day.
        fetch(`/boxes/${id}/cautions`, { method: 'POST' }).catch(() => undefined)
      },
    }),
    [kept, id, words, settings, job, areCautionsRead, place.next],
  )
  return (
    <OpenBoxProvider value={opened}>
      <div className="flex min-h-screen flex-col lg:h-screen print:h-auto">
        <header className="border-ink no-print flex items-center gap-x-2 border-b-2 px-4 max-xl:flex-wrap max-sm:gap-x-0 max-sm:px-2">
          <Link to="/" className="button-quiet -ml-2 font-bold max-sm:ml-0">
            <House aria-hidden className="sm:hidden" />{' '}
            <span className="max-sm:sr-only">Bench</span>
          </Link>
          <div className="relative grid min-h-[46px] min-w-0 flex-1 content-center grid-cols-[minmax(0,1fr)_auto] gap-x-2 sm:contents">
            <BoxName isDemo={isDemo} />
            <KeptOrNot kept={kept} entries={entries} />
            <AllPages {...place} />
          </div>
          <Steps {...place} />
          <div className="ml-auto flex flex-none items-center sm:order-4 sm:gap-1">
            <UndoAndRedo kept={kept} />
            <SettingsControls settings={settings} />
            <HelpButton />
          </div>
        </header>
        <PagesOfStep {...place} />
        <Tour base={place.base} />
        <OutboxNotices outbox={outbox} wordsOf={({ edit }) => editWords(kept.draft, words, edit)} />
        <Conflicts kept={kept} words={words} />
        <Outlet />
      </div>
    </OpenBoxProvider>
  )
}
