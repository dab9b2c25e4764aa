import { useMemo } from 'react'

import { deadSensors } from 'core'

import { Table } from '~/components/Table.tsx'
import { lostWords, sensorName } from '~/words/control.ts'
import { capitalize } from '~/words/names.ts'

import { useShift } from './useShift.ts'

/** What a control unit has to see, and which positions go with each of its sensors; nothing where a hand moves all. */
export function DeadSensors() {
  const { naming, solver } = useShift()
  const found = useMemo(() => (solver ? deadSensors(solver) : []), [solver])
  if (found.length === 0) return null
  return (
    <section aria-label="With a sensor dead" className="border-rule border-t-2 pt-2">
      <h3 className="text-[1.15rem] font-semibold">With a sensor dead</h3>
      <p className="text-graphite">
        Found from the box, for a unit that moves nothing whose place it does not see. The maker’s
        unit may be more careful.
      </p>
      <Table
        caption="What cannot be chosen with one sensor of the control unit dead"
        className="w-full text-[0.95rem]"
        rows={found}
        keyOf={({ seen }) => sensorName(naming, seen)}
        columns={[
          {
            heading: 'Not seen',
            isName: true,
            cell: ({ seen }) => capitalize(sensorName(naming, seen)),
          },
          {
            heading: 'Cannot be chosen',
            className: 'whitespace-normal!',
            cell: (row) =>
              lostWords(row).map((said) => (
                <span key={said} className="block">
                  {said}
                </span>
              )),
          },
        ]}
      />
    </section>
  )
}
