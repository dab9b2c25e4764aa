/** A search for the counts of a closed box in a worker of its own, which can be stopped. */
import { proxy, wrap } from 'comlink'
import { useCallback, useEffect, useRef, useState } from 'react'

import type { CountSearch, FoundCounts } from 'core'

import type { ClosedBoxWorker } from '~/workers/closedBox.ts'

export type SearchState =
  | { readonly kind: 'idle' }
  | { readonly kind: 'running'; readonly done: number }
  | { readonly kind: 'stopped' }
  | { readonly kind: 'found'; readonly found: FoundCounts; readonly search: CountSearch }

export interface CountSearcher {
  readonly state: SearchState
  readonly start: (search: CountSearch) => void
  readonly stop: () => void
}

export function useCountSearch(): CountSearcher {
  const [state, setState] = useState<SearchState>({ kind: 'idle' })
  const running = useRef<Worker>(null)
  const end = useCallback(() => {
    running.current?.terminate()
    running.current = null
  }, [])
  useEffect(() => end, [end])
  const start = useCallback(
    (search: CountSearch) => {
      end()
      const worker = new Worker(new URL('../../workers/closedBox.ts', import.meta.url), {
        type: 'module',
      })
      running.current = worker
      setState({ kind: 'running', done: 0 })
      void wrap<ClosedBoxWorker>(worker)
        .run(
          search,
          proxy((done: number) => {
            if (running.current === worker) setState({ kind: 'running', done })
          }),
        )
        .then((found) => {
          if (running.current !== worker) return
          end()
          setState({ kind: 'found', found, search })
        })
    },
    [end],
  )
  const stop = useCallback(() => {
    end()
    setState({ kind: 'stopped' })
  }, [end])
  return { state, start, stop }
}
