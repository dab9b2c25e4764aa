import { X } from 'lucide-react'
import { Dialog } from 'radix-ui'
import { Link } from 'react-router'

import { CAUTIONS, DEFERENCE } from '~/words/cautions.ts'

const KEYS: readonly (readonly [string, string])[] = [
  ['/', 'to the search of a page'],
  ['1 to 9', 'the position of that number (Trace)'],
  ['R, N', 'reverse, neutral (Trace)'],
  ['← →', 'one position down or up (Trace)'],
  ['Tab, ← →', 'to a sleeve, and move it (Trace)'],
  ['Tab, ← →', 'to a part, and move it by 1 mm, with Shift by 10 mm (Lay out)'],
  ['0 to 9, Delete', 'type the count of the gear, take the part out (Lay out)'],
  ['Enter', 'keep the count and go to the next gear (Count)'],
  ['↑ ↓', 'the gear before or after, in counting order (Count)'],
  ['Ctrl Z, Ctrl Y', 'take back the last entry, enter it again'],
  ['?', 'this help'],
]

export function CautionList() {
  return (
    <>
      <ul className="list-disc space-y-1 pl-5">
        {CAUTIONS.map((caution) => (
          <li key={caution}>{caution}</li>
        ))}
      </ul>
      <p className="mt-3 font-semibold">{DEFERENCE}</p>
    </>
  )
}

interface HelpDialogProps {
  readonly isOpen: boolean
  readonly onOpenChange: (isOpen: boolean) => void
}

/** The keys and the cautions, from anywhere. */
export function HelpDialog({ isOpen, onOpenChange }: HelpDialogProps) {
  return (
    <Dialog.Root open={isOpen} onOpenChange={onOpenChange}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-30 bg-black/50" />
        <Dialog.Content
          aria-describedby={undefined}
          className="bg-sheet border-ink fixed top-1/2 left-1/2 z-40 max-h-[90vh] w-[min(56rem,94%)] -translate-x-1/2 -translate-y-1/2 overflow-auto border-2 p-6"
        >
          <div className="mb-3 flex items-center justify-between">
            <Dialog.Title className="text-2xl">Help</Dialog.Title>
            <Dialog.Close className="button-quiet">
              <X aria-hidden /> Close
            </Dialog.Close>
          </div>
          <div className="grid gap-8 md:grid-cols-2">
            <section>
              <h3 className="mb-2 text-lg">Keys</h3>
              <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-1">
                {KEYS.map(([keys, what]) => (
                  <div key={what} className="contents">
                    <dt className="font-bold whitespace-nowrap">{keys}</dt>
                    <dd>{what}</dd>
                  </div>
                ))}
              </dl>
              <h3 className="mt-5 mb-2 text-lg">How figures are meant</h3>
              <p>
                A ratio is turns of the input for one turn of the output. Its inverse, beside it, is
                turns of the output for one of the input. Senses of rotation are seen from the input
                end. Torques are without losses, but for those under Forces and losses.
              </p>
              <p className="mt-4 flex flex-wrap gap-2">
                <a href="/tour" className="button">
                  Show me round
                </a>
                <Link
                  to="/glossary"
                  className="button"
                  onClick={() => {
                    onOpenChange(false)
                  }}
                >
                  Words of the trade
                </Link>
              </p>
            </section>
            <section>
              <h3 className="mb-2 text-lg">Cautions</h3>
              <CautionList />
            </section>
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  )
}
