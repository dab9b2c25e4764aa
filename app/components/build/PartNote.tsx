import { useState } from 'react'

/** What is noted on a part while it is in the hand; kept on Enter and on leaving the field. */
export function PartNote({
  isDisabled,
  onNote,
}: {
  readonly isDisabled: boolean
  readonly onNote: (text: string) => void
}) {
  const [text, setText] = useState('')
  const keep = (): void => {
    if (text.trim() === '') return
    onNote(text.trim())
    setText('')
  }
  return (
    <form
      className="my-2 flex items-end gap-2"
      onSubmit={(event) => {
        event.preventDefault()
        keep()
      }}
    >
      <label className="min-w-0 flex-1 font-semibold">
        Note
        <input
          className="field w-full font-normal"
          value={text}
          disabled={isDisabled}
          onChange={(event) => {
            setText(event.target.value)
          }}
          onBlur={(event) => {
            // Another window is no other field.
            if (document.activeElement !== event.currentTarget) keep()
          }}
        />
      </label>
      <button type="submit" className="button" disabled={isDisabled}>
        Keep
      </button>
    </form>
  )
}
