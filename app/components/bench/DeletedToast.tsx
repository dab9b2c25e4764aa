import { Undo2 } from 'lucide-react'
import { Toast } from 'radix-ui'
import { useState } from 'react'
import { useFetcher } from 'react-router'

const SHOWN_MS = 15_000

/** Says that a box is gone, and brings it back. */
export function DeletedToast({ id, name }: { readonly id: string; readonly name: string }) {
  const [isOpen, setIsOpen] = useState(true)
  const fetcher = useFetcher()
  return (
    <Toast.Provider swipeDirection="right" duration={SHOWN_MS} label="Notice">
      <Toast.Root
        open={isOpen}
        onOpenChange={setIsOpen}
        className="bg-ink text-paper flex items-center justify-between gap-3 p-3"
      >
        <Toast.Title>“{name}” is deleted.</Toast.Title>
        <Toast.Action
          altText={`Bring ${name} back to the bench`}
          className="border-paper inline-flex min-h-[44px] cursor-pointer items-center gap-2 border-2 px-3 font-bold"
          onClick={() => {
            void fetcher.submit(
              { intent: 'restore', box: id },
              { method: 'post', action: '/?index' },
            )
          }}
        >
          <Undo2 aria-hidden className="size-5" /> Undo
        </Toast.Action>
      </Toast.Root>
      <Toast.Viewport className="toasts" />
    </Toast.Provider>
  )
}
