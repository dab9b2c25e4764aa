/** A change of gear, or every change up and down, played at a pace that somebody sets. */
import { useEffect, useRef, useState } from 'react'

import type { ChangeAddress } from '~/views/addresses.ts'
import { useMayMove } from '~/components/section/useMayMove.ts'
import { PARTS_OF_A_STEP } from '~/views/shift/moment.ts'

/** Steps in a second. */
const PLAY_PACES = { slow: 0.5, usual: 1.2, quick: 4 } as const
export type PlayPace = keyof typeof PLAY_PACES

/** What is played now. */
interface Played {
  readonly from: string
  readonly to: string
  /** In parts of steps. */
  readonly at: number
  /** Where it goes after `to`, one after another. */
  readonly then: readonly string[]
}

export interface Player {
  readonly played: Played | null
  readonly isRunning: boolean
  readonly pace: PlayPace
  readonly setPace: (pace: PlayPace) => void
  /** Plays from a moment of a change, and on to others. */
  readonly play: (played: Played) => void
  /** Stops where it is, and has the address say so. */
  readonly stop: () => void
  /** How long the change is, which the page knows once it has worked it out. */
  readonly setLast: (last: number) => void
}

/** Where a drawing may not move, whole steps follow one another. */
function shown(played: Played | null, mayMove: boolean): Played | null {
  return played && !mayMove
    ? { ...played, at: Math.floor(played.at / PARTS_OF_A_STEP) * PARTS_OF_A_STEP }
    : played
}

export function usePlayer(change: ChangeAddress<'shift'>): Player {
  const [played, setPlayed] = useState<Played | null>(null)
  const [isRunning, setRunning] = useState(false)
  const [pace, setPace] = useState<PlayPace>('usual')
  const last = useRef(0)
  const mayMove = useMayMove()
  useEffect(() => {
    if (!isRunning) return undefined
    let before: number | null = null
    let frame = requestAnimationFrame(function next(now) {
      // A page that was hidden goes on where it was.
      const gone = Math.min(now - (before ?? now), 100) / 1000
      before = now
      setPlayed((was) => {
        if (!was) return was
        const at = was.at + gone * PLAY_PACES[pace] * PARTS_OF_A_STEP
        const [following, ...then] = was.then
        if (at < last.current || last.current === 0) return { ...was, at }
        return following === undefined
          ? { ...was, at: last.current }
          : { from: was.to, to: following, at: 0, then }
      })
      frame = requestAnimationFrame(next)
    })
    return () => {
      cancelAnimationFrame(frame)
    }
  }, [isRunning, pace])
  const stop = (): void => {
    setRunning(false)
    setPlayed(null)
    if (played)
      change({
        from: played.from,
        to: played.to,
        at: `${Math.round(Math.min(played.at, last.current))}`,
      })
  }
  useEffect(() => {
    if (isRunning && played?.then.length === 0 && last.current > 0 && played.at >= last.current)
      stop()
  })
  return {
    played: shown(played, mayMove),
    isRunning,
    pace,
    setPace,
    play: (next) => {
      last.current = 0
      setPlayed(next)
      setRunning(true)
    },
    stop,
    setLast: (parts) => {
      last.current = parts
    },
  }
}
