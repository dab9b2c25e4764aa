import { Pause, Play, Repeat2 } from 'lucide-react'

import type { PlayPace, Player } from './usePlayer.ts'

const PACE_NAMES: Readonly<Record<PlayPace, string>> = {
  slow: 'slow',
  usual: 'usual',
  quick: 'quick',
}

const PACES_IN_ORDER = ['slow', 'usual', 'quick'] as const satisfies readonly PlayPace[]

interface PlayControlsProps {
  readonly player: Player
  readonly onPlay: () => void
  /** All forward positions, up and down again. */
  readonly onRun: () => void
  readonly children: React.ReactNode
}

/** Play, pause, the whole run, and how fast. */
export function PlayControls({ player, onPlay, onRun, children }: PlayControlsProps) {
  const { played, pace, setPace, stop } = player
  const isRunning = played !== null
  return (
    <div className="no-print flex flex-wrap items-center gap-x-2 gap-y-1">
      <button type="button" className="button-main button" onClick={isRunning ? stop : onPlay}>
        {isRunning ? <Pause aria-hidden /> : <Play aria-hidden />}
        {isRunning ? 'Pause' : 'Play'}
      </button>
      <button type="button" className="button-quiet" onClick={onRun} disabled={isRunning}>
        <Repeat2 aria-hidden /> All gears
      </button>
      <div role="group" aria-label="Pace" className="flex gap-1">
        {PACES_IN_ORDER.map((each) => (
          <button
            key={each}
            type="button"
            className="button-quiet aria-pressed:bg-accent-wash"
            aria-pressed={each === pace}
            onClick={() => {
              setPace(each)
            }}
          >
            {PACE_NAMES[each]}
          </button>
        ))}
      </div>
      {children}
    </div>
  )
}
