import { X } from 'lucide-react'

import { AddField } from './AddField.tsx'

interface PeopleProps {
  readonly initials: readonly string[]
  readonly onChange: (initials: string[]) => void
}

/** Who enters things, by their initials. */
export function People({ initials, onChange }: PeopleProps) {
  return (
    <section aria-label="People" className="grid content-start gap-1.5">
      <h2 className="text-[1.2rem]">People</h2>
      <AddField
        label="Add initials"
        hint="Offered wherever something is entered."
        onAdd={(text) => {
          const typed = text
            .toUpperCase()
            .split(/[\s,;]+/)
            .filter(Boolean)
          if (typed.some((each) => !/^\p{L}{1,4}$/u.test(each))) return 'One to four letters each.'
          onChange([...new Set([...initials, ...typed])])
          return null
        }}
      />
      <ul aria-label="Initials" className="flex flex-wrap gap-2">
        {initials.map((each) => (
          <li key={each}>
            <button
              type="button"
              className="button"
              aria-label={`Take ${each} off the list`}
              onClick={() => {
                onChange(initials.filter((other) => other !== each))
              }}
            >
              {each} <X aria-hidden />
            </button>
          </li>
        ))}
      </ul>
    </section>
  )
}
