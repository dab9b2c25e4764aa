import { Search } from 'lucide-react'

/** A field in which something is looked for while it is typed. */
export function SearchField({
  label,
  placeholder,
  value,
  width,
  onChange,
}: {
  /** Read out, not shown. */
  readonly label: string
  readonly placeholder: string
  readonly value: string
  /** A class; as wide as there is room where it is not given. */
  readonly width?: string
  readonly onChange: (text: string) => void
}) {
  return (
    <label className="relative block">
      <span className="sr-only">{label}</span>
      <Search aria-hidden className="text-graphite absolute top-3 left-3 size-5" />
      <input
        type="search"
        className={`field pl-10 ${width ?? ''}`}
        placeholder={placeholder}
        value={value}
        onChange={(event) => {
          onChange(event.target.value)
        }}
      />
    </label>
  )
}
