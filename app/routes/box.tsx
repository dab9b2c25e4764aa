import { Redo2, TriangleAlert, Undo2, X } from 'lucide-react'
import { useEffect, useMemo, useState } from 'react'
import { useHotkeys } from 'react-hotkeys-hook'
import { Link, Outlet } from 'react-router'

import type { Route } from './+types/box'
import { missingBox, withDatabase } from '~/.server/answers.ts'
import { findBox } from '~/.server/boxes.ts'
import { summariesOf } from '~/.server/jobSummaries.ts'
import { readSettings } from '~/.server/settings.ts'
import type { LoadedBox } from '~/components/box/boxContext.ts'
import { OpenBoxProvider } from '~/components/box/boxContext.ts'
import { BoxName } from '~/components/box/BoxName.tsx'
import { PagesOfStep, Steps, usePlace } from '~/components/box/Way.tsx'
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

interface KeptAndUndoProps {
  readonly kept: KeptBox
  readonly isJobWaiting: boolean
}

/** Whether everything is kept, and what takes the last change back. */
function KeptAndUndo({ kept: { outbox, undo, redo }, isJobWaiting }: KeptAndUndoProps) {
  const isWaiting = outbox.isWaiting || isJobWaiting
  return (
    <>
      <p role="status" className="text-graphite mr-1 text-[0.86rem]">
        {isWaiting ? '' : outbox.pending.length > 0 ? 'Keeping…' : 'Kept'}
      </p>
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
  const [isJobWaiting, setIsJobWaiting] = useState(false)
  const kept = useKeptBox(id, loaderData, loaderData.origin)
  const { outbox } = kept
  const words = useMemo(() => vocabularyOf(settings), [settings])
  useHotkeys('mod+z', () => kept.undo?.(), { preventDefault: true })
  useHotkeys('mod+shift+z, mod+y', () => kept.redo?.(), { preventDefault: true })

  const opened = useMemo(
    () => ({
      ...kept,
      id,
      words,
      settings,
      job,
      areCautionsRead,
      setIsJobWaiting,
      confirmCautions: () => {
        setAreCautionsRead(true)
        // If this does not arrive, the cautions are shown once more some other day.
        fetch(`/boxes/${id}/cautions`, { method: 'POST' }).catch(() => undefined)
      },
    }),
    [kept, id, words, settings, job, areCautionsRead],
  )
  const place = usePlace(opened)
  return (
    <OpenBoxProvider value={opened}>
      <div className="flex min-h-screen flex-col lg:h-screen print:h-auto">
        <header className="border-ink no-print flex flex-wrap items-center gap-x-2 border-b-2 px-4">
          <Link to="/" className="button-quiet -ml-2 font-bold">
            Bench
          </Link>
          <BoxName key={kept.draft.name} isDemo={isDemo} />
          <Steps {...place} />
          <div className="ml-auto flex flex-wrap items-center gap-1">
            <KeptAndUndo kept={kept} isJobWaiting={isJobWaiting} />
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
