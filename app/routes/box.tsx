import { Redo2, TriangleAlert, Undo2, X } from 'lucide-react'
import { useEffect, useMemo, useState } from 'react'
import { useHotkeys } from 'react-hotkeys-hook'
import { Link, NavLink, Outlet, isRouteErrorResponse, useRevalidator } from 'react-router'
import type { ShouldRevalidateFunctionArgs } from 'react-router'

import type { Route } from './+types/box'
import { noSuchBox, withDatabase } from '~/.server/answers.ts'
import { findBox } from '~/.server/boxes.ts'
import { readSettings } from '~/.server/settings.ts'
import type { LoadedBox } from '~/components/box/boxContext.ts'
import { OpenBoxProvider } from '~/components/box/boxContext.ts'
import { BoxName } from '~/components/box/BoxName.tsx'
import { useKeptBox } from '~/components/box/useKeptBox.ts'
import { HelpButton } from '~/components/HelpButton.tsx'
import { SettingsControls } from '~/components/SettingsControls.tsx'
import { conflictWords } from '~/words/issues.ts'
import { vocabularyOf } from '~/words/vocabulary.ts'

export async function loader({ params, request }: Route.LoaderArgs): Promise<LoadedBox> {
  const [box, settings] = await Promise.all([
    withDatabase(() => findBox(params.boxId)),
    readSettings(request),
  ])
  if (!box) throw noSuchBox()
  const { id, draft, revision, isDemo, areCautionsRead } = box
  return { id, draft, revision, isDemo, areCautionsRead, settings }
}

/** What the server last said of each box opened in this visit. */
const lastLoaded = new Map<string, LoadedBox>()

/** A page that is open stays open while the server or its database does not answer. */
export async function clientLoader({
  params,
  serverLoader,
}: Route.ClientLoaderArgs): Promise<LoadedBox> {
  try {
    return await serverLoader()
  } catch (error) {
    const known = lastLoaded.get(params.boxId)
    const isAway = !isRouteErrorResponse(error) || error.status >= 500
    if (known && isAway) return known
    throw error
  }
}

/** A change of position or of gear asks nothing of the server. */
export function shouldRevalidate({
  currentUrl,
  nextUrl,
  formMethod,
  defaultShouldRevalidate,
}: ShouldRevalidateFunctionArgs) {
  const isSamePage = currentUrl.pathname === nextUrl.pathname && !formMethod
  return isSamePage && currentUrl.search !== nextUrl.search ? false : defaultShouldRevalidate
}

const PAGES = [
  ['layout', 'Lay out'],
  ['count', 'Count'],
  ['turns', 'Turns'],
  ['trace', 'Trace'],
  ['measure', 'Measure'],
  ['ratios', 'Ratios'],
  ['job', 'Job'],
  ['history', 'History'],
] as const

/** Every box has a state of its own: another box is another page, also by the back button. */
export default function Box({ loaderData }: Route.ComponentProps) {
  return <OpenedBox key={loaderData.id} loaderData={loaderData} />
}

function OpenedBox({ loaderData }: { readonly loaderData: LoadedBox }) {
  const { id, isDemo, settings } = loaderData
  useEffect(() => {
    lastLoaded.set(id, loaderData)
  }, [id, loaderData])
  const [areCautionsRead, setAreCautionsRead] = useState(loaderData.areCautionsRead)
  const kept = useKeptBox(id, loaderData)
  const words = useMemo(() => vocabularyOf(settings), [settings])
  const { revalidate } = useRevalidator()
  useEffect(() => {
    const look = () => {
      if (document.visibilityState === 'visible') void revalidate()
    }
    document.addEventListener('visibilitychange', look)
    return () => {
      document.removeEventListener('visibilitychange', look)
    }
  }, [revalidate])
  useHotkeys('mod+z', () => kept.undo?.(), { preventDefault: true })
  useHotkeys('mod+shift+z, mod+y', () => kept.redo?.(), { preventDefault: true })

  const open = useMemo(
    () => ({
      ...kept,
      id,
      words,
      settings,
      areCautionsRead,
      confirmCautions: () => {
        setAreCautionsRead(true)
        // If this does not arrive, the cautions are shown once more some other day.
        fetch(`/boxes/${id}/cautions`, { method: 'POST' }).catch(() => undefined)
      },
    }),
    [kept, id, words, settings, areCautionsRead],
  )
  return (
    <OpenBoxProvider value={open}>
      <div className="flex min-h-screen flex-col lg:h-screen print:h-auto">
        <header className="border-ink no-print flex flex-wrap items-center gap-x-2 border-b-2 px-4">
          <Link to="/" className="button-quiet -ml-2 font-bold">
            Bench
          </Link>
          <BoxName key={kept.draft.name} isDemo={isDemo} />
          <nav aria-label="Pages of this box" className="flex self-stretch">
            {PAGES.map(([page, title]) => (
              <NavLink
                key={page}
                to={page}
                className={({ isActive }) =>
                  `flex min-h-[52px] items-center border-b-4 px-1.5 text-[1.05rem] font-semibold ${isActive ? 'border-accent text-ink' : 'text-accent hover:bg-accent-wash border-transparent'}`
                }
              >
                {title}
              </NavLink>
            ))}
          </nav>
          <div className="ml-auto flex flex-wrap items-center gap-1">
            <p role="status" className="text-graphite mr-1 text-[0.86rem]">
              {kept.isWaiting ? '' : kept.pendingCount > 0 ? 'Keeping…' : 'Kept'}
            </p>
            <button
              type="button"
              className="button-quiet"
              onClick={kept.undo}
              disabled={!kept.undo}
            >
              <Undo2 aria-hidden /> <span className="sr-only">Undo</span>
            </button>
            <button
              type="button"
              className="button-quiet"
              onClick={kept.redo}
              disabled={!kept.redo}
            >
              <Redo2 aria-hidden /> <span className="sr-only">Redo</span>
            </button>
            <SettingsControls settings={settings} />
            <HelpButton />
          </div>
        </header>
        {kept.isWaiting && (
          <p role="alert" className="trouble bg-trouble-wash px-4 py-2">
            <TriangleAlert aria-hidden />
            <span>
              Not yet kept: the database does not answer.{' '}
              {kept.pendingCount === 1
                ? 'Your entry stays'
                : `Your ${kept.pendingCount} entries stay`}{' '}
              on this page, also through a reload, and {kept.pendingCount === 1 ? 'is' : 'are'} kept
              as soon as it is back.
            </span>
          </p>
        )}
        {kept.notices.length > 0 && (
          <div role="alert" className="trouble bg-trouble-wash items-center px-4 py-1">
            <TriangleAlert aria-hidden />
            <ul className="flex-1">
              {kept.notices.map((notice, at) => (
                <li key={at}>
                  {notice.kind === 'refused'
                    ? notice.sentence
                    : conflictWords(kept.draft, notice.conflict, words)}
                </li>
              ))}
            </ul>
            <button type="button" className="button-quiet" onClick={kept.dismissNotices}>
              <X aria-hidden /> Understood
            </button>
          </div>
        )}
        <Outlet />
      </div>
    </OpenBoxProvider>
  )
}
