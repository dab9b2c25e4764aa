import { CircleHelp } from 'lucide-react'
import { useState } from 'react'
import { useHotkeys } from 'react-hotkeys-hook'

import { HelpDialog } from './HelpDialog.tsx'

/** Opens the help, as the key "?" does, on every page. */
export function HelpButton() {
  const [isOpen, setIsOpen] = useState(false)
  const open = () => {
    setIsOpen(true)
  }
  useHotkeys('?', open, { useKey: true })
  return (
    <>
      <button type="button" className="button-quiet" onClick={open}>
        <CircleHelp aria-hidden /> <span className="max-sm:sr-only">Help</span>
      </button>
      <HelpDialog isOpen={isOpen} onOpenChange={setIsOpen} />
    </>
  )
}
