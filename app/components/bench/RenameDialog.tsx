import { useState } from 'react'

import { Dialog } from 'radix-ui'

import { LARGEST } from 'core'
import { Form } from 'react-router'

import { TypedField } from '~/components/Fields.tsx'
import { tooLongWords } from '~/words/lengths.ts'

import { useBenchAction } from './useBenchAction.ts'

interface RenameFormProps {
  readonly id: string
  readonly name: string
  readonly onSent: () => void
}

function RenameForm({ id, name, onSent }: RenameFormProps) {
  const action = useBenchAction()
  const [typed, setTyped] = useState(name)
  const isKept = typed.trim() !== '' && tooLongWords(typed, LARGEST.nameLength) === null
  return (
    <Form method="post" action={action} onSubmit={onSent}>
      <input type="hidden" name="box" value={id} />
      <input type="hidden" name="base" value={name} />
      <TypedField
        label="New name"
        name="name"
        value={typed}
        longest={LARGEST.nameLength}
        onType={setTyped}
      />
      <div className="mt-4 flex justify-end gap-2">
        <Dialog.Close type="button" className="button">
          Cancel
        </Dialog.Close>
        <button className="button button-main" name="intent" value="rename" disabled={!isKept}>
          Rename
        </button>
      </div>
    </Form>
  )
}

interface RenameDialogProps {
  readonly id: string
  readonly name: string
  readonly isOpen: boolean
  readonly onOpenChange: (isOpen: boolean) => void
}

/** Renames a box from the bench. */
export function RenameDialog({ id, name, isOpen, onOpenChange }: RenameDialogProps) {
  return (
    <Dialog.Root open={isOpen} onOpenChange={onOpenChange}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-30 bg-black/50" />
        <Dialog.Content
          aria-describedby={undefined}
          className="bg-sheet border-ink fixed top-1/3 left-1/2 z-40 w-[min(32rem,94%)] -translate-x-1/2 border-2 p-6"
        >
          <Dialog.Title className="mb-3 text-xl">Rename “{name}”</Dialog.Title>
          <RenameForm
            id={id}
            name={name}
            onSent={() => {
              onOpenChange(false)
            }}
          />
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  )
}
