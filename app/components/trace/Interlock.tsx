import { Lock, LockOpen, Undo2 } from 'lucide-react'

interface InterlockProps {
  readonly isOn: boolean
  readonly onChange: (isOn: boolean) => void
  /** Why a sleeve did not move just now. */
  readonly held: string | undefined
  /** Puts the sleeves back where the last position has them; undefined when none was moved. */
  readonly onReset: (() => void) | undefined
}

/** The interlock, to be left out as at a bad assembly, and what it just did. */
export function Interlock({ isOn, onChange, held, onReset }: InterlockProps) {
  const Icon = isOn ? Lock : LockOpen
  return (
    <div className="no-print flex min-h-[44px] flex-wrap items-center gap-x-4">
      <button
        type="button"
        aria-pressed={isOn}
        className="button-quiet -ml-2"
        onClick={() => {
          onChange(!isOn)
        }}
      >
        <Icon aria-hidden /> {isOn ? 'Interlock in place' : 'Interlock left out'}
      </button>
      {onReset && (
        <button type="button" className="button-quiet" onClick={onReset}>
          <Undo2 aria-hidden /> Sleeves back
        </button>
      )}
      <p role="status" className="text-trouble font-semibold">
        {held}
      </p>
    </div>
  )
}
