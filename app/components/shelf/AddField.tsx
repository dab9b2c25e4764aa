import { Plus } from 'lucide-react'
import { useId, useState } from 'react'

interface AddFieldProps {
  readonly label: string
  readonly hint: string
  /** Null adds it; a sentence refuses it and leaves it in the field. */
  readonly onAdd: (text: string) => string | null
}

/** A line to type what is to be added; once it is, the next can be typed. */
export function AddField({ label, hint, onAdd }: AddFieldProps) {
  const [text, setText] = useState('')
  const [problem, setProblem] = useState<string | null>(null)
  const id = useId()
  return (
    <form
      className="grid gap-1"
      onSubmit={(event) => {
        event.preventDefault()
        if (text.trim() === '') return
        const refused = onAdd(text)
        setProblem(refused)
        if (refused === null) setText('')
      }}
    >
      <label htmlFor={id} className="text-[0.9rem] font-semibold">
        {label}
      </label>
      <div className="flex gap-2">
        <input
          id={id}
          className="field min-w-0"
          autoComplete="off"
          value={text}
          aria-invalid={problem !== null}
          aria-describedby={`${id}-hint`}
          onChange={(event) => {
            setText(event.target.value)
            setProblem(null)
          }}
        />
        <button className="button">
          <Plus aria-hidden /> Add
        </button>
      </div>
      {problem !== null && (
        <p role="alert" className="text-trouble text-[0.86rem] font-semibold">
          {problem}
        </p>
      )}
      <p id={`${id}-hint`} className="text-graphite text-[0.86rem]">
        {hint}
      </p>
    </form>
  )
}
