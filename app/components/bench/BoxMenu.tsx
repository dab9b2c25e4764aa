import { Copy, Download, Ellipsis, PencilLine, Trash2 } from 'lucide-react'
import { DropdownMenu } from 'radix-ui'
import { useState } from 'react'
import { useSubmit } from 'react-router'

import { RenameDialog } from './RenameDialog.tsx'
import { useBenchAction } from './useBenchAction.ts'

const ITEM = 'menu-item text-accent font-semibold'

/** What can be done with a box as a whole, out of the way of the box. */
export function BoxMenu({ id, name }: { readonly id: string; readonly name: string }) {
  const submit = useSubmit()
  const action = useBenchAction()
  const [isRenamed, setIsRenamed] = useState(false)
  const ask = (intent: 'duplicate' | 'delete') => (): void => {
    void submit({ box: id, intent }, { method: 'post', action })
  }
  return (
    <>
      <DropdownMenu.Root modal={false}>
        <DropdownMenu.Trigger className="button-quiet" aria-label={`More with ${name}`}>
          <Ellipsis aria-hidden />
        </DropdownMenu.Trigger>
        <DropdownMenu.Portal>
          <DropdownMenu.Content
            align="end"
            className="bg-sheet border-ink z-20 min-w-[12rem] border-2 p-1"
          >
            <DropdownMenu.Item
              className={ITEM}
              onSelect={() => {
                setIsRenamed(true)
              }}
            >
              <PencilLine aria-hidden className="size-5" /> Rename
            </DropdownMenu.Item>
            <DropdownMenu.Item className={ITEM} asChild>
              <a href={`/boxes/${id}/file`} download>
                <Download aria-hidden className="size-5" /> Export
              </a>
            </DropdownMenu.Item>
            <DropdownMenu.Item className={ITEM} onSelect={ask('duplicate')}>
              <Copy aria-hidden className="size-5" /> Duplicate
            </DropdownMenu.Item>
            <DropdownMenu.Item className={ITEM} onSelect={ask('delete')}>
              <Trash2 aria-hidden className="size-5" /> Delete
            </DropdownMenu.Item>
          </DropdownMenu.Content>
        </DropdownMenu.Portal>
      </DropdownMenu.Root>
      <RenameDialog id={id} name={name} isOpen={isRenamed} onOpenChange={setIsRenamed} />
    </>
  )
}
