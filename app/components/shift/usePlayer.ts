/** A change of gear, or every change up and down, played at a pace that somebody sets. */
import { useRef, useState } from 'react'

import type { ChangeAddress } from '~/views/addresses.ts'
import { useFrames } from '~/components/useFrames.ts'
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
  readonly pace: PlayPace
  readonly setPace: (pace: PlayPace) => void
  /** Plays from a moment of a change, and on to others. */
  readonly play: (played: Played) => void
  /** Stops where it is, and has the address say so. */
  readonly stop: () => void
  /** How long the change is, in parts of steps, which the page knows once it has worked it out. */
  readonly setLast: (last: number) => void
}

export function usePlayer(change: ChangeAddress<'shift'>): Player {
  const [played, setPlayed] = useState<Played | null>(null)
  const [pace, setPace] = useState<PlayPace>('usual')
  const last = useRef(0)
  const stopAt = ({ from, to, at }: Played): void => {
    setPlayed(null)
    change({ from, to, at: `${Math.round(Math.min(at, last.current))}` })
  }
  useFrames(played !== null, (seconds) => {
    if (!played) return
    const at = played.at + seconds * PLAY_PACES[pace] * PARTS_OF_A_STEP
    const [following, ...then] = played.then
    if (at < last.current) setPlayed({ ...played, at })
    else if (following === undefined) stopAt({ ...played, at })
    else setPlayed({ from: played.to, to: following, at: 0, then })
  })
  return {
    played,
    pace,
    setPace,
    play: setPlayed,
    stop: () => {
      if (played) stopAt(played)
    },
    setLast: (parts) => {
      last.current = parts
    },
  }
}
