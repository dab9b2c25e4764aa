import { useEffect, useState } from 'react'

import type { Approach } from 'core'

import type { Engaging } from '~/views/shift/engaging.ts'
import { engagingAfter } from '~/views/shift/engaging.ts'

/** A coupler that is played on its way in; null while nothing is. */
export function useEngaging(approach: Approach, onEnd: () => void) {
  const [played, setPlayed] = useState<Engaging | null>(null)
  const isPlaying = played !== null
  const isOver = played !== null && played.part >= 1
  const key = JSON.stringify({ ...approach, part: 0 })
  useEffect(() => {
    if (!isPlaying) return undefined
    let before: number | null = null
    let frame = requestAnimationFrame(function next(now) {
      const seconds = Math.min(now - (before ?? now), 100) / 1000
      before = now
      setPlayed((was) => was && engagingAfter(was, approach, seconds))
      frame = requestAnimationFrame(next)
    })
    return () => {
      cancelAnimationFrame(frame)
    }
    // eslint-disable-next-line react-hooks/exhaustive-deps -- by what the approach says
  }, [isPlaying, key])
  useEffect(() => {
    if (!isOver) return
    setPlayed(null)
    onEnd()
  }, [isOver, onEnd])
  return {
    played,
    play: (): void => {
      setPlayed({ part: 0, slip: 1, turned: 0 })
    },
    stop: (): void => {
      setPlayed(null)
    },
  }
}
