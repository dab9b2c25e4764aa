import { useState } from 'react'

import type { Approach } from 'core'

import { useFrames } from '~/components/useFrames.ts'
import type { Engaging } from '~/views/shift/engaging.ts'
import { engagingAfter } from '~/views/shift/engaging.ts'

/** A coupler that is played on its way in; null while nothing is. */
export function useEngaging(approach: Approach, onEnd: () => void) {
  const [played, setPlayed] = useState<Engaging | null>(null)
  useFrames(played !== null, (seconds) => {
    const next = played && engagingAfter(played, approach, seconds)
    if (next && next.part < 1) setPlayed(next)
    else {
      setPlayed(null)
      onEnd()
    }
  })
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
