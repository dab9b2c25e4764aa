import { useMemo, useState } from 'react'

import { indexBox } from 'core'

import { useOpenBox } from '~/components/box/boxContext.ts'
import { useOpenJob } from '~/components/job/jobContext.ts'
import { SectionDrawing } from '~/components/section/SectionDrawing.tsx'
import { FoundSets } from '~/components/turns/FoundSets.tsx'
import type { SearchAsked } from '~/components/turns/SearchLimits.tsx'
import { SearchLimits, USUAL_SEARCH } from '~/components/turns/SearchLimits.tsx'
import type { SearchState } from '~/components/turns/useCountSearch.ts'
import { useCountSearch } from '~/components/turns/useCountSearch.ts'
import { Warning } from '~/components/Warning.tsx'
import { aheadWords, askSearch, filledIn, foundWords } from '~/views/turns/closedBox.ts'

/** Counts of a box that stays closed, from its turns alone. */
export default function ClosedBox() {
  const { draft, words } = useOpenBox()
  const { job } = useOpenJob()
  const { state, start, stop } = useCountSearch()
  const [wanted, setWanted] = useState<SearchAsked>(USUAL_SEARCH)
  const [problem, setProblem] = useState<string>()
  /** Which of the sets found is drawn. */
  const [shownAt, setShownAt] = useState(0)
  const naming = useMemo(() => ({ box: indexBox(draft), words }), [draft, words])
  const checks = useMemo(() => job.checks.map(({ check }) => check), [job])
  const { texts, isFromScratch } = wanted
  const asked = useMemo(
    () => askSearch(draft, checks, texts, isFromScratch),
    [draft, checks, texts, isFromScratch],
  )
  const found = state.kind === 'found' ? state : undefined
  const shown = found?.found.likeliest[shownAt]
  const filled = useMemo(
    () => filledIn(draft, isFromScratch, found?.search, shown?.counts),
    [draft, isFromScratch, found, shown],
  )
  return (
    <main className="flex flex-1 flex-col px-4 py-2 lg:min-h-0 lg:overflow-auto">
      <title>{`${draft.name} · Only turns known · Udrix`}</title>
      <p className="py-1">
        The box stays closed: every set of tooth counts that fits the {checks.length}{' '}
        {checks.length === 1 ? 'turn check' : 'turn checks'} of this job, the likeliest first.
      </p>
      <SearchLimits
        wanted={wanted}
        doneShare={state.kind === 'running' ? state.done : undefined}
        onWanted={(next) => {
          setWanted(next)
          setProblem(undefined)
        }}
        onFind={() => {
          setShownAt(0)
          setProblem(asked.ok ? undefined : asked.sentence)
          if (asked.ok) start(asked.search, Number(wanted.seconds))
        }}
        onStop={stop}
      />
      {problem && (
        <Warning role="alert" className="mt-2">
          {problem}
        </Warning>
      )}
      <p role="status" className="py-2 text-[1.1rem]">
        {statusOf(state, asked.ok ? aheadWords(asked.search) : '')}
      </p>
      <div className="h-[17rem] flex-none lg:h-auto lg:min-h-[17rem] lg:flex-1">
        <SectionDrawing
          draft={filled}
          words={words}
          title={`Section along the shafts of ${draft.name}${shown ? `, with set ${shownAt + 1} of those that fit` : ', counts to be found'}`}
        />
      </div>
      {found && found.found.total > 0 && (
        <FoundSets
          naming={naming}
          search={found.search}
          sets={found.found.likeliest}
          shownAt={shownAt}
          onShow={setShownAt}
        />
      )}
    </main>
  )
}

/** How far the search is, in words. */
function statusOf(state: SearchState, ahead: string): string {
  switch (state.kind) {
    case 'idle':
      return ahead
    case 'running':
      return `Searching… ${ahead}`
    case 'stopped':
      return `${state.by === 'time' ? 'Stopped after the time given' : 'Stopped'}. Nothing is listed, because the search was not whole. Narrower sums, or more turns of the output, make it shorter.`
    case 'found':
      return foundWords(state.found)
  }
}
