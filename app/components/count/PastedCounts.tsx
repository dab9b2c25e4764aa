import { useState } from 'react'

import type { Gear } from 'core'

import { useOpenBox } from '~/components/box/boxContext.ts'
import type { ParsedCountsCsv } from '~/files/countsCsv.ts'

import { CountsRead } from './CountsRead.tsx'

interface PastedCountsProps {
  /** The gears that a column goes to, from the one whose field it is pasted into on. */
  readonly gearsFrom: (field: HTMLElement) => readonly Gear[]
  readonly into: 'toothCount' | 'recount'
  readonly className?: string
  readonly children: React.ReactNode
}

/** Fields of counts into which a column of a spreadsheet can be pasted. */
export function PastedCounts({ gearsFrom, into, className, children }: PastedCountsProps) {
  const { draft, words } = useOpenBox()
  const [read, setRead] = useState<ParsedCountsCsv>()
  return (
    <div
      className={className}
      onPaste={(event) => {
        const text = event.clipboardData.getData('text/plain')
        // A single figure goes into its field.
        if (!/[\r\n\t]/.test(text.trim()) || !(event.target instanceof HTMLInputElement)) return
        event.preventDefault()
        const gears = gearsFrom(event.target)
        void import('~/files/countsCsv.ts').then((csv) => {
          setRead(csv.parsePastedCounts(draft, text, words, { gears, into }))
        })
      }}
    >
      {children}
      <CountsRead
        read={read}
        onDone={() => {
          setRead(undefined)
        }}
      />
    </div>
  )
}
