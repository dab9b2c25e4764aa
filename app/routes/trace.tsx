import { useMemo } from 'react'
import { Outlet } from 'react-router'

import { indexBox } from 'core'

import { analyseDraft } from '~/views/box/analysis.ts'
import { useOpenBox } from '~/components/box/boxContext.ts'
import { IssueList } from '~/components/box/IssueList.tsx'
import type { OpenTrace } from '~/components/trace/traceContext.ts'
import { OpenTraceProvider } from '~/components/trace/traceContext.ts'
import { readTraceInput } from '~/views/trace/traceInput.ts'
import { parseLayers, parsePace, readTraceState } from '~/views/trace/traceState.ts'
import { useAddress } from '~/components/useAddress.ts'
import { NothingToShow } from '~/components/WorkArea.tsx'

export default function Trace() {
  const { draft, words, settings } = useOpenBox()
  const [search, change] = useAddress('trace')
  const analysed = useMemo(() => analyseDraft(draft), [draft])
  const naming = useMemo(() => ({ box: indexBox(draft), words }), [draft, words])
  const { position, moved, overrun, share, waits, bend, pedal } = search
  const state = useMemo(
    () => readTraceState(draft, analysed, { position, moved, overrun, share, waits, bend, pedal }),
    [draft, analysed, position, moved, overrun, share, waits, bend, pedal],
  )
  const input = useMemo(() => readTraceInput(search, settings, draft), [search, settings, draft])
  const layersText = search.layers
  const layers = useMemo(() => parseLayers(layersText), [layersText])
  const { positions, issues } = analysed
  const pace = parsePace(search.motion)
  const trace = useMemo(
    (): OpenTrace | undefined =>
      state && { ...state, search, change, naming, positions, issues, input, layers, pace },
    [state, search, change, naming, positions, issues, input, layers, pace],
  )
  if (!trace)
    return (
      <NothingToShow title={`${draft.name} · Trace`}>
        <h2 className="text-xl">This box cannot be traced yet</h2>
        <IssueList draft={draft} issues={issues} words={words} />
      </NothingToShow>
    )
  return (
    <OpenTraceProvider value={trace}>
      <main className="flex min-h-0 flex-1 flex-col">
        <Outlet />
      </main>
    </OpenTraceProvider>
  )
}
