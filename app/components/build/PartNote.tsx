import { useState } from 'react'

import { TypedField } from '~/components/Fields.tsx'
import { LONGEST_TEXT, tooLongWords } from '~/words/lengths.ts'

/** What is noted on a part while it is in the hand; kept on Enter and on leaving the field. */
export function PartNote({
  isDisabled,
  onNote,
}: {
  readonly isDisabled: boolean
  readonly onNote: (text: string) => void
}) {
  const [text, setText] = useState('')
  const isKept = text.trim() !== '' && tooLongWords(text, LONGEST_TEXT) === null
  const keep = (): void => {
    if (!isKept) return
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
        longest={LONGEST_TEXT}
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
