import { Dialog } from 'radix-ui'
import { useState } from 'react'

import { useOpenBox } from '~/components/box/boxContext.ts'
import { CautionList } from '~/components/HelpDialog.tsx'

/** The cautions, once for each box before its first count. */
export function CautionsGate() {
  const { areCautionsRead, confirmCautions, draft } = useOpenBox()
  const isBegun = draft.gears.some((gear) => gear.toothCount !== null)
  const [isOpen, setIsOpen] = useState(!areCautionsRead && !isBegun)
  return (
    <Dialog.Root
      open={isOpen}
      onOpenChange={(next) => {
        setIsOpen(next)
        if (!next) confirmCautions()
      }}
    >
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-30 bg-black/50" />
        <Dialog.Content
          className="bg-sheet border-ink fixed top-1/2 left-1/2 z-40 max-h-[90vh] w-[min(42rem,94%)] -translate-x-1/2 -translate-y-1/2 overflow-auto border-2 p-6 text-[1.05rem]"
          onCloseAutoFocus={(event) => {
            event.preventDefault()
            document.getElementById('count')?.focus()
          }}
        >
          <Dialog.Title className="mb-3 text-2xl">Before you reach into the box</Dialog.Title>
          <Dialog.Description asChild>
            <div>
              <CautionList />
            </div>
          </Dialog.Description>
          <Dialog.Close className="button button-main mt-5 w-full">
            I have read this. Start counting
          </Dialog.Close>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  )
}
