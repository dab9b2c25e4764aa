import { useHotkeys } from 'react-hotkeys-hook'

import { useOpenTrace } from './traceContext.ts'

/** Whether a key is meant for something that arrows move: a sleeve's grip, or a slider. */
function movesItself({ target }: KeyboardEvent): boolean {
  return target instanceof Element && target.closest('[data-grip], input') !== null
}

/** Chooses one of the listed positions, by call or by key. */
export function usePositionChoice(onChoose: () => void): (index: number) => void {
  const { positions, at, change } = useOpenTrace()
  const select = (index: number): void => {
    const next = positions[Math.min(Math.max(index, 0), positions.length - 1)]
    if (next) change({ position: next.position.id, moved: '', waits: '' })
    onChoose()
  }
  useHotkeys(
    'left',
    () => {
      select(at - 1)
    },
    { ignoreEventWhen: movesItself },
  )
  useHotkeys(
    'right',
    () => {
      select(at + 1)
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
