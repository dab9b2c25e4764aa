import { Archive, FilePlus2, Ruler } from 'lucide-react'
import { useEffect } from 'react'
import { Link, data, redirect, useLocation } from 'react-router'

import {
  countDeleted,
  deleteBox,
  duplicateBox,
  editBox,
  findDemoBox,
  restoreBox,
} from '~/.server/boxes.ts'
import { lastEditsOf, listBoxes } from '~/.server/bench.ts'
import { OUTAGE_SENTENCE, noSuchBox, unlessOutage, withDatabase } from '~/.server/answers.ts'
import { summariesOf } from '~/.server/jobSummaries.ts'
import { editSchema } from '~/.server/edits.ts'
import { importBox } from '~/.server/importBox.ts'
import { readForm, refuseInput, textOf } from '~/.server/requests.ts'
import { readSettings } from '~/.server/settings.ts'
import { readShelf } from '~/.server/shelf.ts'
import { BenchFilter } from '~/components/bench/BenchFilter.tsx'
import { BoxRow } from '~/components/bench/BoxRow.tsx'
import { DeletedToast } from '~/components/bench/DeletedToast.tsx'
import { ImportBox } from '~/components/bench/ImportBox.tsx'
import { TourOffer } from '~/components/bench/TourOffer.tsx'
import { untilAnswered } from '~/client/waiting.ts'
import { useLiveData } from '~/client/live.ts'
import { useLastWord } from '~/components/useLastWord.ts'
import { staysOpen } from '~/client/staysOpen.ts'
import { AWAY_SENTENCE, unlessAway } from '~/client/away.ts'
import { benchAddress, isFiltered, readBenchView } from '~/views/bench/benchView.ts'
import { glanceAt, touchedBy } from '~/views/bench/glance.ts'
import { conflictWords, refusalWords } from '~/words/issues.ts'
import { PLAIN_WORDS, vocabularyOf } from '~/words/vocabulary.ts'
import { Warning } from '~/components/Warning.tsx'
import { PageHead } from '~/components/PageHead.tsx'

import type { EditOrigin } from '~/files/editOrigin.ts'
import { originOf } from '~/files/editOrigin.ts'
import { readAddress } from '~/views/addresses.ts'

import type { Route } from './+types/bench'

export async function loader({ request }: Route.LoaderArgs) {
  const address = readAddress('bench', request)
  const view = readBenchView(address)
  const [page, settings] = await Promise.all([
    withDatabase(() => listBoxes(view, address.after)),
    readSettings(request),
  ])
  const [jobs, edits, shelf, deletedCount, demoBox] = await withDatabase(() =>
    Promise.all([
      summariesOf(page.boxes),
      lastEditsOf(page.boxes.map(({ id }) => id)),
      readShelf(settings.lengthUnit),
      countDeleted(),
      settings.isTourOffered ? findDemoBox() : null,
    ]),
  )
  const words = vocabularyOf(settings)
  const boxes = page.boxes.map(({ id, isDemo, draft, updatedAt }) => {
    const job = jobs.get(id) ?? null
    return {
      id,
      isDemo,
      glance: glanceAt(draft, words),
      job,
      touched: touchedBy(updatedAt, job, edits.get(id)),
    }
  })
  // Whoever has a job here is one of them too.
  const assignees = [...jobs.values()].flatMap(({ assignee }) => assignee || [])
  const people = [...new Set([...shelf.initials, ...assignees])]
  return { ...page, boxes, view, settings, people, deletedCount, isTourOffered: demoBox !== null }
}

const open = staysOpen<Awaited<ReturnType<typeof loader>>>()

export function clientLoader({ request, serverLoader }: Route.ClientLoaderArgs) {
  return untilAnswered(() => open.load(new URL(request.url).search, serverLoader), request.signal)
}

export async function action({ request }: Route.ActionArgs) {
  const [form, settings] = await Promise.all([readForm(request), readSettings(request)])
  const outcome = await unlessOutage(() => change(form, originOf(settings)))
  return outcome ?? data({ kind: 'notice' as const, sentence: OUTAGE_SENTENCE }, { status: 503 })
}

/** What cannot be done now is said on the page, which stays. */
export function clientAction({ serverAction }: Route.ClientActionArgs) {
  return unlessAway(serverAction, { kind: 'notice' as const, sentence: AWAY_SENTENCE })
}

/** Does what one of the bench's forms asks for. */
async function change(form: FormData, origin: EditOrigin) {
  const id = textOf(form, 'box')
  switch (form.get('intent')) {
    case 'import': {
      const outcome = await importBox(form.get('file'))
      if (!outcome.ok) return data({ kind: 'not-imported' as const, ...outcome }, { status: 400 })
      return redirect(`/boxes/${outcome.id}`)
    }
    case 'rename': {
      const refused = (sentence: string) =>
        data({ kind: 'notice' as const, sentence }, { status: 400 })
      const [name, base] = [textOf(form, 'name'), textOf(form, 'base')]
      const edit = editSchema.safeParse({ kind: 'rename', name, base })
      if (!edit.success) return refused(refuseInput(edit.error).sentence)
      const outcome = await editBox(id, edit.data, { origin })
      if (outcome.kind === 'refused') return refused(refusalWords(outcome.refusal))
      if (outcome.kind !== 'kept') throw noSuchBox()
      const { conflict, box } = outcome
      return conflict
        ? {
            kind: 'notice' as const,
            sentence: conflictWords(box.draft, conflict, PLAIN_WORDS),
          }
        : { kind: 'renamed' as const }
    }
    case 'duplicate': {
      if (!(await duplicateBox(id))) throw noSuchBox()
      return { kind: 'duplicated' as const }
    }
    case 'delete': {
      const deleted = await deleteBox(id)
      if (!deleted) throw noSuchBox()
      return { kind: 'deleted' as const, at: Date.now(), ...deleted }
    }
    case 'restore': {
      if (!(await restoreBox(id))) throw noSuchBox()
      return { kind: 'restored' as const }
    }
    default:
      throw data('The bench does not know what to do with that. Load the page again.', {
        status: 400,
      })
  }
}

type LoaderData = Route.ComponentProps['loaderData']

/** Why no box is listed, and what to do about it. */
function NoBoxes({ view, total }: Pick<LoaderData, 'view' | 'total'>) {
  const { search } = view
  if (total > 0)
    return (
      <>
        No more boxes come after these.{' '}
        <Link to={benchAddress(view)} className="text-accent underline">
          Back to the first ones
        </Link>
      </>
    )
  if (!isFiltered(view))
    return 'The bench is empty. Start a new box: choose the pattern nearest to what lies before you, then count its teeth.'
  return search === ''
    ? 'No box stands so. Choose another stage, or “Show all”.'
    : `No box has “${search}” in its name or in what was written of it${(view.stage ?? view.waits) ? ', and stands so' : ''}. Search for a part of it, or “Show all”.`
}

/** How many boxes there are, and the way to those that are not shown. */
function BenchPages({ loaderData }: { readonly loaderData: LoaderData }) {
  const { total, isTotalCut, next, view, deletedCount } = loaderData
  const { search } = view
  return (
    <nav aria-label="Pages of the bench" className="flex items-center gap-4 py-3">
      <p className="text-graphite">
        {isTotalCut ? `More than ${total}` : total} {total === 1 ? 'box' : 'boxes'}
        {search !== '' && ` with “${search}”`}
      </p>
      {deletedCount > 0 && (
        <Link to="/deleted" className="text-accent flex min-h-[44px] items-center underline">
          Deleted boxes ({deletedCount})
        </Link>
      )}
      {next !== null && (
        <Link to={benchAddress(view, next)} className="button ml-auto">
          More boxes
        </Link>
      )}
    </nav>
  )
}

export default function Bench({ loaderData, actionData }: Route.ComponentProps) {
  const { boxes, unreadable, total, isWhole, view, settings, people, isTourOffered } = loaderData
  const words = vocabularyOf(settings)
  useLiveData(null)
  const { search: address } = useLocation()
  useEffect(() => {
    open.remember(address, loaderData)
  }, [address, loaderData])
  const said = useLastWord(actionData)
  const deleted = said?.kind === 'deleted' ? said : undefined
  const refused = said?.kind === 'not-imported' ? said : undefined

  return (
    <div className="mx-auto flex min-h-screen max-w-[1280px] flex-col px-5 pb-6">
      <PageHead title="Bench" about="Udrix: counted teeth, exact ratios, traced torque" isBench />
      <main>
        <div className="flex flex-wrap items-center gap-3 py-4">
          <Link to="/new" className="button button-main">
            <FilePlus2 aria-hidden /> Start a new box
          </Link>
          <ImportBox words={words} refused={refused} />
          <Link to="/shelf" className="button">
            <Ruler aria-hidden /> Shelf
          </Link>
          <Link to="/archive" className="button">
            <Archive aria-hidden /> Archive
          </Link>
        </div>
        {isTourOffered && <TourOffer />}
        {said?.kind === 'notice' && (
          <Warning role="alert" className="mb-3">
            {said.sentence}
          </Warning>
        )}
        <BenchFilter view={view} words={words} people={people} />
        {!isWhole && (
          <Warning className="mb-3">
            Much has changed, and not all jobs have been looked at yet: that is being done. Load the
            page again in a moment to see all of them in their places.
          </Warning>
        )}
        {unreadable.length > 0 && (
          <Warning className="mb-3">
            {unreadable.map((name) => `“${name}”`).join(', ')} cannot be read by this version of
            Udrix. Nothing was changed: open {unreadable.length === 1 ? 'it' : 'them'} with the
            version that kept {unreadable.length === 1 ? 'it' : 'them'}.
          </Warning>
        )}
        {boxes.length === 0 && unreadable.length === 0 ? (
          <p className="py-10 text-lg">
            <NoBoxes view={view} total={total} />
          </p>
        ) : (
          <ul className="border-ink border-t-2" aria-label="Boxes on the bench">
            {boxes.map((box) => (
              <BoxRow key={box.id} box={box} words={words} />
            ))}
          </ul>
        )}
        <BenchPages loaderData={loaderData} />
      </main>
      {deleted && (
        <DeletedToast key={`${deleted.id} ${deleted.at}`} id={deleted.id} name={deleted.name} />
      )}
    </div>
  )
}
