import { Plus } from 'lucide-react'

import { freshId, removePart, rodsOf, selectorFaults, slotsOf, LARGEST } from 'core'

import { useBecome } from '~/components/box/useBecome.ts'
import { DeadSensors } from '~/components/shift/DeadSensors.tsx'
import { Gates } from '~/components/shift/Gates.tsx'
import { InterlockFields } from '~/components/shift/InterlockFields.tsx'
import { RodFields } from '~/components/shift/RodFields.tsx'
import { ShiftProposal, saysWhatMoves } from '~/components/shift/ShiftProposal.tsx'
import { useShift } from '~/components/shift/useShift.ts'
import { Warning } from '~/components/Warning.tsx'
import { selectorFaultWords } from '~/words/shift.ts'

/** What is asked here, beside the gate as it is so far. */
function RodsHead() {
  const { draft, naming } = useShift()
  const slots = slotsOf(rodsOf(draft))
  return (
    <div className="flex flex-wrap items-center gap-6">
      <div className="min-w-[16rem] flex-1">
        <h2 className="text-[1.5rem]">Rods and gate</h2>
        <p>
          Each rod has a fork, and places that a lever brings it to. Rows of its gate are counted
          from the driver’s left; forward is away from the driver.
        </p>
      </div>
      {slots.length > 0 && (
        <div className="flex gap-4">
          <Gates naming={naming} slots={slots} />
        </div>
      )}
    </div>
  )
}

/** What moves the couplers of a box: its rods, their places in the gate, and what lies between them. */
export default function ShiftRods() {
  const { draft, naming } = useShift()
  const become = useBecome()
  const rods = draft.selectors ?? []
  const parts = draft.interlockParts ?? []
  return (
    <main className="flex-1 px-4 py-3 lg:min-h-0 lg:overflow-auto" tabIndex={0}>
      <title>{`${draft.name} · Rods and gate · Udrix`}</title>
      <div className="mx-auto grid max-w-[76rem] grid-cols-[minmax(0,1fr)] gap-4">
        <RodsHead />
        {!saysWhatMoves(draft) && <ShiftProposal draft={draft} />}
        {selectorFaults(draft).map((fault) => {
          const sentence = selectorFaultWords(naming, fault)
          return <Warning key={sentence}>{sentence}</Warning>
        })}
        {rods.map((rod) => (
          <RodFields
            key={rod.id}
            naming={naming}
            rod={rod}
            onChange={(next) => {
              become({
                ...draft,
                selectors: rods.map((each) => (each === rod ? next : each)),
              })
            }}
            onRemove={() => {
              become(removePart(draft, { list: 'selectors', id: rod.id }))
            }}
          />
        ))}
        {rods.length < LARGEST.selectors && (
          <button
            type="button"
            className="button justify-self-start"
            onClick={() => {
              become({
                ...draft,
                selectors: [...rods, { id: freshId(draft, 'rod'), places: [] }],
              })
            }}
          >
            <Plus aria-hidden /> Add a rod
          </button>
        )}
        <InterlockFields
          naming={naming}
          rods={rods}
          parts={parts}
          onAdd={(part) => {
            become({
              ...draft,
              interlockParts: [...parts, { id: freshId(draft, `interlock-${part.kind}`), ...part }],
            })
          }}
          onRemove={(id) => {
            become(removePart(draft, { list: 'interlockParts', id }))
          }}
        />
        <DeadSensors />
      </div>
    </main>
  )
}
