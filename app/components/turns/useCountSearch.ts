/** A search for the counts of a closed box in a worker of its own, which can be stopped. */
import { proxy, wrap } from 'comlink'
import { useCallback, useEffect, useRef, useState } from 'react'

import type { CountSearch, FoundCounts } from 'core'

import type { ClosedBoxWorker } from '~/workers/closedBox.ts'

export type SearchState =
  | { readonly kind: 'idle' }
  | { readonly kind: 'running'; readonly done: number }
  /** By the person, or after the time that was given it. */
  | { readonly kind: 'stopped'; readonly by: 'person' | 'time' }
  | { readonly kind: 'found'; readonly found: FoundCounts; readonly search: CountSearch }

interface CountSearcher {
  readonly state: SearchState
  /** Begins a search that is stopped after so many seconds. */
  readonly start: (search: CountSearch, mostSeconds: number) => void
  readonly stop: () => void
}

export function useCountSearch(): CountSearcher {
  const [state, setState] = useState<SearchState>({ kind: 'idle' })
  const running = useRef<Worker>(null)
  const limit = useRef<ReturnType<typeof setTimeout>>(undefined)
  const end = useCallback(() => {
    clearTimeout(limit.current)
    running.current?.terminate()
    running.current = null
  }, [])
  useEffect(() => end, [end])
  const start = useCallback(
    (search: CountSearch, mostSeconds: number) => {
      end()
      const worker = new Worker(new URL('../../workers/closedBox.ts', import.meta.url), {
        type: 'module',
      })
      running.current = worker
      setState({ kind: 'running', done: 0 })
      limit.current = setTimeout(() => {
        end()
        setState({ kind: 'stopped', by: 'time' })
      }, mostSeconds * 1000)
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
    setState({ kind: 'stopped', by: 'person' })
  }, [end])
  return { state, start, stop }
}
