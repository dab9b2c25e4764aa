import { Dialog } from 'radix-ui'

interface PreviewProps {
  readonly title: string
  readonly confirm: string
  readonly isBusy?: boolean
  readonly onConfirm: () => void
  readonly onCancel: () => void
  readonly children: React.ReactNode
}

/** What will happen, before it does. */
export function Preview({ title, confirm, isBusy, onConfirm, onCancel, children }: PreviewProps) {
  return (
    <Dialog.Root
      open
      onOpenChange={(isOpen) => {
        if (!isOpen) onCancel()
      }}
    >
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-30 bg-black/50" />
        <Dialog.Content
          aria-describedby={undefined}
          className="bg-sheet border-ink fixed top-1/2 left-1/2 z-40 flex max-h-[92%] w-[min(46rem,94%)] -translate-x-1/2 -translate-y-1/2 flex-col gap-3 border-2 p-6"
        >
          <Dialog.Title className="text-xl">{title}</Dialog.Title>
          <div className="min-h-0 overflow-auto" tabIndex={0} role="region" aria-label={title}>
            {children}
          </div>
          <div className="flex justify-end gap-2">
            <Dialog.Close type="button" className="button">
              Cancel
            </Dialog.Close>
            <button
              type="button"
              className="button button-main"
              disabled={isBusy}
              onClick={onConfirm}
            >
              {confirm}
            </button>
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  )
}
