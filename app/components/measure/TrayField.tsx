import { useState } from 'react'

/** Names of trays are short: they are written on them. */
const LONGEST_TRAY = 20

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
  return (
    <label className="flex items-center gap-2">
      Lies in tray
      <input
        className="field w-[7rem]"
        value={text}
        maxLength={LONGEST_TRAY}
        disabled={isDisabled}
        onChange={(event) => {
          setText(event.target.value)
        }}
        onBlur={() => {
          if (text.trim() !== tray) onKeep(text.trim())
        }}
        onKeyDown={(event) => {
          if (event.key === 'Enter') event.currentTarget.blur()
        }}
      />
    </label>
  )
}
