import { useState } from 'react'

import type { BoxDraft, DrumCut } from 'core'
import { usualCut, withDrum } from 'core'

import { useBecome } from '~/components/box/useBecome.ts'
import { EntryField } from '~/components/Fields.tsx'
import { parseWithin } from '~/views/layout/numbers.ts'
import { formatNumber } from '~/words/format.ts'

/** Stops nearer than this do not hold, and how far a fork may go. */
const LEAST_STEP_DEG = 10
const TRAVEL_MM = [2, 40] as const

/** A drum made from how far its stops are apart and how far it moves its forks. */
export function MakeDrum({ draft }: { readonly draft: BoxDraft }) {
  const become = useBecome()
  const usual = usualCut(draft)
  const [cut, setCut] = useState<DrumCut>(usual)
  const keep =
    (key: keyof DrumCut, least: number, most: number, what: string) => (text: string) => {
      const figure = parseWithin(text, least, most, what)
      if (!figure.ok) return figure.sentence
      setCut({ ...cut, [key]: figure.value })
      return null
    }
  return (
    <div className="bg-sheet border-rule flex max-w-[34rem] flex-col gap-2 border p-3">
      <p>
        Made with a stop for each position, in their order, and neutral after the first that it can
        follow. Its grooves can be changed point by point afterwards.
        {draft.selectors && ' It takes the place of the rods and of what lies between them.'}
      </p>
      <div className="grid grid-cols-2 gap-2">
        <EntryField
          label="From stop to stop"
          unit="°"
          inputMode="decimal"
          value={formatNumber(cut.stepDeg, 1)}
          onCommit={keep('stepDeg', LEAST_STEP_DEG, usual.stepDeg, 'The angle')}
        />
        <EntryField
          label="Travel of each fork"
          unit="mm"
          inputMode="decimal"
          value={formatNumber(cut.travelMm, 1)}
          onCommit={keep('travelMm', ...TRAVEL_MM, 'The travel')}
        />
      </div>
      <button
        type="button"
        className="button self-start"
        onClick={() => {
          become(withDrum(draft, cut))
        }}
      >
        Make the drum
      </button>
    </div>
  )
}
