import { proxy, wrap } from 'comlink'
import { useEffect, useMemo, useState } from 'react'

import type { BoxDraft } from 'core'
import { countCombinations } from 'core'

import type { CombinationsWorker } from '~/workers/combinations.ts'

import type { FoundAll } from '~/views/positions/findAll.ts'
import { findAllAtOnce } from '~/views/positions/findAll.ts'

/** So many are judged in the page within a few tens of milliseconds; more go to a worker. */
const MOST_IN_PAGE = 600

type FoundState =
  | { readonly kind: 'done'; readonly found: FoundAll }
  | { readonly kind: 'working'; readonly done: number; readonly total: number }
  | { readonly kind: 'stopped' }

interface WorkerState {
  readonly draft: BoxDraft
  readonly finding: FoundState
}

/** All positions of the box; a large one is worked out in a worker that can be stopped. */
export function useFoundPositions(draft: BoxDraft): {
  readonly finding: FoundState
  readonly stop: () => void
} {
  const total = countCombinations(draft)
  const inPage = useMemo(
    () => (total <= MOST_IN_PAGE ? findAllAtOnce(draft) : undefined),
    [draft, total],
  )
  const [state, setState] = useState<WorkerState>()
  const [stopped, setStopped] = useState<BoxDraft>()
  useEffect(() => {
    if (inPage || stopped === draft) return
    const worker = new Worker(new URL('../../workers/combinations.ts', import.meta.url), {
      type: 'module',
    })
    const remote = wrap<CombinationsWorker>(worker)
    const report = proxy((done: number) => {
      setState({ draft, finding: { kind: 'working', done, total } })
    })
    remote.run(draft, report).then(
      (found) => {
        setState({ draft, finding: { kind: 'done', found } })
      },
      () => {
        setState({ draft, finding: { kind: 'stopped' } })
      },
    )
    return () => {
      worker.terminate()
    }
  }, [draft, total, inPage, stopped])

  const finding: FoundState = inPage
    ? { kind: 'done', found: inPage }
    : stopped === draft
      ? { kind: 'stopped' }
      : state?.draft === draft
        ? state.finding
        : { kind: 'working', done: 0, total }
  return {
    finding,
    stop: () => {
      setStopped(draft)
    },
  }
}
