import { useState } from 'react'

import { leaveOnEnter } from '~/components/Fields.tsx'
import { LONGEST_TRAY, tooLongWords } from '~/words/lengths.ts'

/** Which tray a part lies in while the unit is in pieces. */
export function TrayField({
  tray,
  isDisabled,
  onKeep,
}: {
  readonly tray: string
  readonly isDisabled: boolean
  readonly onKeep: (tray: string) => void
}) {
  const [text, setText] = useState(tray)
  const tooLong = tooLongWords(text, LONGEST_TRAY)
  return (
    <label className="flex flex-wrap items-center gap-2">
      Lies in tray
      <input
        className="field w-[7rem]"
        value={text}
        aria-invalid={tooLong !== null}
        disabled={isDisabled}
        onChange={(event) => {
          setText(event.target.value)
        }}
        onBlur={() => {
          if (text.trim() !== tray && tooLong === null) onKeep(text.trim())
        }}
        onKeyDown={leaveOnEnter}
      />
      {tooLong && (
        <span role="alert" className="text-trouble text-[0.86rem] font-semibold">
          {tooLong}
        </span>
      )}
    </label>
  )
}
