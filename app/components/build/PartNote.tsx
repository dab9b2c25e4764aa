import { useState } from 'react'

import { TypedField } from '~/components/Fields.tsx'

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
      <TypedField
        label="Note"
        isGrowing
        value={text}
        isDisabled={isDisabled}
        onType={setText}
        onBlur={(event) => {
          // Another window is no other field.
          if (document.activeElement !== event.currentTarget) keep()
        }}
      />
      <button type="submit" className="button" disabled={isDisabled}>
        Keep
      </button>
    </form>
  )
}
