import { Dialog } from 'radix-ui'

import { LONGEST_NAME } from 'core'
import { Form } from 'react-router'

import { useBenchAction } from './useBenchAction.ts'

interface RenameDialogProps {
  readonly id: string
  readonly name: string
  readonly isOpen: boolean
  readonly onOpenChange: (isOpen: boolean) => void
}

/** Renames a box from the bench. */
export function RenameDialog({ id, name, isOpen, onOpenChange }: RenameDialogProps) {
  const action = useBenchAction()
  return (
    <Dialog.Root open={isOpen} onOpenChange={onOpenChange}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-30 bg-black/50" />
        <Dialog.Content
          aria-describedby={undefined}
          className="bg-sheet border-ink fixed top-1/3 left-1/2 z-40 w-[min(32rem,94%)] -translate-x-1/2 border-2 p-6"
        >
          <Dialog.Title className="mb-3 text-xl">Rename “{name}”</Dialog.Title>
          <Form
            method="post"
            action={action}
            onSubmit={() => {
              onOpenChange(false)
            }}
          >
            <input type="hidden" name="box" value={id} />
            <input type="hidden" name="base" value={name} />
            <label className="block font-semibold">
              New name
              <input
                className="field mt-1 font-normal"
                name="name"
                defaultValue={name}
                maxLength={LONGEST_NAME}
                required
              />
            </label>
            <div className="mt-4 flex justify-end gap-2">
              <Dialog.Close type="button" className="button">
                Cancel
              </Dialog.Close>
              <button className="button button-main" name="intent" value="rename">
                Rename
              </button>
            </div>
          </Form>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  )
}
