import { FolderInput } from 'lucide-react'

interface FileButtonProps {
  readonly title: string
  readonly accept: string
  readonly onChoose: (file: File) => void
}

/** A key that asks for a file. */
export function FileButton({ title, accept, onChoose }: FileButtonProps) {
  return (
    <label className="button cursor-pointer has-focus-visible:outline-3">
      <FolderInput aria-hidden /> {title}
      <input
        type="file"
        accept={accept}
        className="sr-only"
        onChange={(event) => {
          const file = event.target.files?.[0]
          // Cleared, so that the same file can be chosen again after it was mended.
          event.target.value = ''
          if (file) onChoose(file)
        }}
      />
    </label>
  )
}
