import { Printer } from 'lucide-react'

/** Prints the page; not on the paper itself. */
export function PrintButton() {
  return (
    <button
      type="button"
      className="button no-print"
      onClick={() => {
        window.print()
      }}
    >
      <Printer aria-hidden /> Print
    </button>
  )
}
