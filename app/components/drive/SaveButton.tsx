import { Download } from 'lucide-react'

interface SaveButtonProps {
  readonly title: string
  /** Of the file. */
  readonly name: string
  readonly textOf: () => string
}

/** A key that saves a text that the page itself has made. */
export function SaveButton({ title, name, textOf }: SaveButtonProps) {
  return (
    <button
      type="button"
      className="button"
      onClick={() => {
        const address = URL.createObjectURL(new Blob([textOf()], { type: 'text/csv' }))
        const link = document.createElement('a')
        link.href = address
        link.download = name
        link.click()
        URL.revokeObjectURL(address)
      }}
    >
      <Download aria-hidden /> {title}
    </button>
  )
}
