import type { CouplerPosition, DogFigures, Match } from 'core'
import { DOGS, namesOf } from 'core'

import { FieldEntries } from '~/components/FieldEntry.tsx'
import { TorqueField } from '~/components/Fields.tsx'
import { caughtDogs } from '~/views/shift/caughtDogs.ts'
import { COUPLER_M_S, MOST_LOAD_NM } from '~/views/shift/shiftInput.ts'
import type { TorqueUnit } from '~/words/format.ts'
import { dogSentences, dogsFault, neededDogWords } from '~/words/dogs.ts'
import type { Naming } from '~/words/names.ts'
import { placeName } from '~/words/names.ts'
import { leftOutWords } from '~/words/ring.ts'

import { NumberOfView } from './NumberOfView.tsx'

interface DogPanelProps {
  readonly naming: Naming
  readonly match: Match
  readonly place: CouplerPosition
  readonly inputRpm: number
  /** With which the coupler moves, and what it bears. */
  readonly speedMPerS: number
  readonly torqueNm: number
  readonly torqueUnit: TorqueUnit
  readonly onDogs: (dogs: DogFigures) => void
  readonly onSpeed: (mPerS: number) => void
  readonly onTorque: (torqueNm: number) => void
}

/** Whether dogs without a ring catch, and the figures that it takes to say so. */
export function DogPanel(props: DogPanelProps) {
  const { naming, match, place, inputRpm, speedMPerS, torqueNm, torqueUnit } = props
  const { onDogs, onSpeed, onTorque } = props
  const dogs = place.dogs ?? {}
  const { result, missing, slipRpm, bandRpm } = caughtDogs(naming.box, match, dogs, {
    inputRpm,
    speedMPerS,
    torqueNm,
  })
  return (
    <section aria-label="Dogs" className="flex flex-col gap-1">
      <h2 className="text-[1.15rem] font-semibold">
        Do the dogs of {placeName(naming, match.coupler, place)} catch?
      </h2>
      {result.ok ? (
        <>
          {dogSentences({
            work: result.work,
            slipRpm,
            torqueNm,
            bandRpm,
            unit: torqueUnit,
          }).map((sentence) => (
            <p key={sentence}>{sentence}</p>
          ))}
          {missing.length > 0 && <p className="text-graphite">{leftOutWords(naming, missing)}</p>}
        </>
      ) : (
        <p>{neededDogWords(result.missing)}</p>
      )}
      <details className="no-print">
        <summary className="font-semibold">Figures of the dogs</summary>
        <div className="grid grid-cols-2 items-end gap-2">
          <FieldEntries
            key={`${match.coupler.id} ${place.id}`}
            naming={naming}
            fields={DOGS}
            of={dogs}
            names={namesOf(DOGS)}
            onChange={(change) => {
              const next = { ...dogs, ...change }
              const fault = dogsFault(next)
              if (fault === null) onDogs(next)
              return fault
            }}
          />
          <NumberOfView
            label="Coupler moved at"
            unit="m/s"
            value={speedMPerS}
            least={COUPLER_M_S[0]}
            most={COUPLER_M_S[1]}
            what="A speed of a coupler"
            onChange={onSpeed}
          />
          <TorqueField
            label="Load, or overrun, at the dogs"
            unit={torqueUnit}
            valueNm={torqueNm}
            leastNm={0}
            mostNm={MOST_LOAD_NM}
            onKeep={onTorque}
          />
        </div>
      </details>
    </section>
  )
}
