import { useEffect, useRef } from 'react'
import { useHotkeys } from 'react-hotkeys-hook'

import { useOpenTrace } from './traceContext.ts'

/** Whether a key is meant for something that arrows move: a sleeve's grip, or a slider. */
function movesItself({ target }: KeyboardEvent): boolean {
  return target instanceof Element && target.closest('[data-grip], input') !== null
}

/** Chooses one of the listed positions, by call or by key. */
export function usePositionChoice(onChoose: () => void): (index: number) => void {
  const { positions, at, change } = useOpenTrace()
  // The page follows a little later, so steps in quick succession build on this.
  const latest = useRef(at)
  useEffect(() => {
    latest.current = at
  }, [at])
  const select = (index: number): void => {
    const within = Math.min(Math.max(index, 0), positions.length - 1)
    const next = positions[within]
    latest.current = within
    if (next) change({ position: next.position.id, moved: '', waits: '' }, 'after-paint')
    onChoose()
  }
  useHotkeys(
    'left',
    () => {
      select(latest.current - 1)
    },
    { ignoreEventWhen: movesItself },
  )
  useHotkeys(
    'right',
    () => {
      select(latest.current + 1)
    },
    { ignoreEventWhen: movesItself },
  )
  useHotkeys('*', (event) => {
    if (event.ctrlKey || event.metaKey || event.altKey) return
    const index = positions.findIndex(
      ({ position }) => position.label.toLowerCase() === event.key.toLowerCase(),
    )
    if (index >= 0) select(index)
  })
  return select
}
