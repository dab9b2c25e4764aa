import { useEffect, useRef } from 'react'

import { useMayMove } from './section/useMayMove.ts'

/** A page that was hidden goes on where it was. */
const MOST_S = 0.1
/** Where nothing may move, what is played goes on by steps as long as this. */
const STILL_S = 0.8

/** While something is played, tells with each frame how many seconds have gone since the one before. */
export function useFrames(isRunning: boolean, onFrame: (seconds: number) => void): void {
  const mayMove = useMayMove()
  const latest = useRef(onFrame)
  useEffect(() => {
    latest.current = onFrame
  })
  useEffect(() => {
    if (!isRunning) return undefined
    let before: number | null = null
    let gone = 0
    let frame = requestAnimationFrame(function next(now) {
      gone += Math.min((now - (before ?? now)) / 1000, MOST_S)
      before = now
      if (mayMove || gone >= STILL_S) {
        latest.current(gone)
        gone = 0
      }
      frame = requestAnimationFrame(next)
    })
    return () => {
      cancelAnimationFrame(frame)
    }
  }, [isRunning, mayMove])
}
