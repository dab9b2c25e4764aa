import type { Address, ChangeAddress } from '~/views/addresses.ts'
import { X } from 'lucide-react'

import type { DriveWay } from 'core'
import { indexBox } from 'core'

import { SelectField } from '~/components/Fields.tsx'
import type { UnitBeside, UnitName } from '~/views/drive/besideUnits.ts'
import { MOST_BESIDE, besideOf, formatBeside } from '~/views/drive/besideUnits.ts'
import type { BesideAnswer } from '~/views/drive/driveJob.ts'
import type { DriveFigures } from '~/views/drive/driveView.ts'
import { WAY_NAMES, notDrivenWords } from '~/words/drive.ts'
import type { Vocabulary } from '~/words/vocabulary.ts'

import { DrivesTable } from './DriveTables.tsx'

interface BesidePanelProps {
  readonly words: Vocabulary
  readonly own: { readonly name: string; readonly way: DriveWay; readonly figures: DriveFigures }
  readonly answers: readonly BesideAnswer[]
  /** What can be chosen, and what was. */
  readonly choices: readonly UnitName[]
  readonly units: readonly UnitBeside[]
  readonly change: ChangeAddress<'drive'>
}

interface UnitsBesideProps {
  readonly units: readonly { readonly id: string; readonly name: string }[]
  readonly onTakeOut: (id: string) => void
}

function UnitsBeside({ units, onTakeOut }: UnitsBesideProps) {
  if (units.length === 0) return null
  return (
    <ul className="no-print flex flex-wrap gap-2" aria-label="Driven beside it">
      {units.map(({ id, name }) => (
        <li key={id}>
          <button
            type="button"
            className="button"
            aria-label={`Take out ${name}`}
            onClick={() => {
              onTakeOut(id)
            }}
          >
            {name} <X aria-hidden />
          </button>
        </li>
      ))}
    </ul>
  )
}

/** The same course in other units of the bench, each changed as is usual for it. */
export function BesidePanel({ words, own, answers, choices, units, change }: BesidePanelProps) {
  const without = (id: string) => (latest: Address<'drive'>) => ({
    beside: formatBeside(besideOf(latest.beside).filter((each) => each !== id)),
  })
  const free = choices.filter(({ id }) => units.every((unit) => unit.id !== id))
  return (
    <>
      {answers.length > 0 && (
        <DrivesTable
          caption="The same drive in other units"
          heading="Unit, changed"
          drives={[
            { key: 'own', name: `${own.name}, ${WAY_NAMES[own.way]}`, figures: own.figures },
            ...answers.map(({ id, name, way, answer }) => {
              const draft = units.find((unit) => unit.id === id)?.draft
              return {
                key: id,
                name: `${name}, ${WAY_NAMES[way]}`,
                figures: answer.ok
                  ? answer.figures
                  : draft
                    ? notDrivenWords({ box: indexBox(draft), words }, answer)
                    : '',
              }
            }),
          ]}
        />
      )}
      <UnitsBeside
        units={units}
        onTakeOut={(id) => {
          change(without(id))
        }}
      />
      {free.length > 0 && units.length < MOST_BESIDE && (
        <div className="no-print">
          <SelectField
            label="Drive another unit beside it"
            value=""
            options={[
              ['', 'choose a unit'],
              ...free.map(({ id, name }): readonly [string, string] => [id, name]),
            ]}
            onChange={(id) => {
              change((latest) => ({
                beside: formatBeside([...besideOf(latest.beside), id]),
              }))
            }}
          />
        </div>
      )}
    </>
  )
}
