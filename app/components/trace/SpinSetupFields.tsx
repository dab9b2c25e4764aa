import type { AddressChanges } from '~/views/addresses.ts'
import type { Spin, SpinSetup } from 'core'
import { namedPlace } from 'core'

import { SelectField } from '~/components/Fields.tsx'
import { ToggleRow } from '~/components/ToggleRow.tsx'
import type { Naming } from '~/words/names.ts'
import {
  bodyName,
  capitalize,
  countedName,
  couplerName,
  partName,
  placeName,
} from '~/words/names.ts'
import { placesWords } from '~/words/spin.ts'
import { listed } from '~/words/sentences.ts'
import { inWords } from '~/words/vocabulary.ts'

import { formatPlaces } from '~/views/trace/movedPlaces.ts'
import type { SpinTest } from '~/views/trace/spinKeys.ts'
import type { SpinState } from '~/views/trace/spinState.ts'
import { SPIN_TESTS } from '~/views/trace/spinKeys.ts'
import { Warning } from '~/components/Warning.tsx'

interface SpinSetupFieldsProps {
  readonly naming: Naming
  readonly state: SpinState
  readonly result: Spin
  readonly onChange: (changes: AddressChanges<'trace'>) => void
}

function testTitle(naming: Naming, test: SpinTest): string {
  const { input, outputs } = naming.box.draft
  switch (test) {
    case 'input':
      return `1. Turn the ${bodyName(naming, input)}`
    case 'output':
      return `2. Turn the ${bodyName(naming, outputs[0] ?? input)}`
    case 'own':
      return 'A test of your own'
  }
}

type OwnTestProps = Pick<SpinSetupFieldsProps, 'naming' | 'onChange'> &
  Pick<SpinSetup, 'turned' | 'held'>

/** What is turned and held in a test of one's own. */
function OwnTest({ naming, turned, held, onChange }: OwnTestProps) {
  const names = naming.box.bodies.map((id) => [id, capitalize(partName(naming, id))] as const)
  return (
    <div className="flex flex-wrap items-end gap-3">
      <SelectField
        label="Turn"
        value={turned}
        options={names}
        onChange={(id) => {
          onChange({ turned: id })
        }}
      />
      <SelectField
        label="Hold one more"
        value=""
        options={[['', 'choose'], ...names.filter(([id]) => id !== turned && !held.includes(id))]}
        onChange={(id) => {
          if (id !== '') onChange({ held: [...held, id].join(',') })
        }}
      />
      {held.map((id) => (
        <button
          key={id}
          type="button"
          className="button"
          onClick={() => {
            onChange({ held: held.filter((each) => each !== id).join(',') })
          }}
        >
          Let go of the {partName(naming, id)}
        </button>
      ))}
    </div>
  )
}

type SleeveFieldsProps = Pick<SpinSetupFieldsProps, 'naming' | 'onChange'> &
  Pick<SpinSetup, 'places'>

function SleeveFields({ naming, places, onChange }: SleeveFieldsProps) {
  const { draft } = naming.box
  return (
    <details>
      <summary className="text-accent font-semibold">
        {inWords(naming.words, 'Sleeves')}: {placesWords(naming, places)}
      </summary>
      <div className="flex flex-wrap gap-3 pb-1">
        {draft.couplers.map((coupler) => (
          <SelectField
            key={coupler.id}
            label={capitalize(couplerName(naming, coupler))}
            value={namedPlace(places, coupler.id) ?? ''}
            options={coupler.positions.map((place) => [
              place.id,
              place.engages.length === 0 ? 'at its centre' : placeName(naming, coupler, place),
            ])}
            onChange={(place) => {
              onChange({ at: formatPlaces(draft, { ...places, [coupler.id]: place }) })
            }}
          />
        ))}
      </div>
    </details>
  )
}

type DividedProps = Pick<SpinSetupFieldsProps, 'naming' | 'result' | 'onChange'> & {
  readonly setup: SpinSetup
}

/** What an open differential leaves open, and what to hold so that it does not. */
function Divided({ naming, setup, result: { dividing }, onChange }: DividedProps) {
  if (dividing.size === 0) return null
  const { members, outputs } = naming.box.draft
  const shafts = members.map(({ id }) => id).filter((id) => dividing.has(id))
  const first = outputs.find((id) => dividing.has(id)) ?? shafts[0]
  const { turned, held } = setup
  return (
    <div role="status" className="flex flex-wrap items-center gap-x-3 gap-y-1">
      <p className="min-w-[18rem] flex-1">
        {capitalize(listed(shafts.map((id) => `the ${bodyName(naming, id)}`)))} move, or one of them
        stands, as friction has it. Hold one more, and each has one answer.
      </p>
      {first !== undefined && (
        <button
          type="button"
          className="button"
          onClick={() => {
            onChange({ test: 'own', turned, held: [...held, first].join(',') })
          }}
        >
          Hold the {bodyName(naming, first)} too
        </button>
      )}
    </div>
  )
}

/** What is held, what is turned, and where the sleeves stand. */
export function SpinSetupFields({ naming, state, result, onChange }: SpinSetupFieldsProps) {
  const { test, setups } = state
  const { places, held, turned } = setups[test]
  return (
    <div className="flex flex-col gap-2">
      <ToggleRow
        label="Test"
        options={SPIN_TESTS.map((each) => [each, testTitle(naming, each)])}
        selected={test}
        onSelect={(each) => {
          onChange({ test: each === 'input' ? '' : each })
        }}
      />
      {test === 'own' && (
        <OwnTest naming={naming} turned={turned} held={held} onChange={onChange} />
      )}
      <p>
        {held.length === 0
          ? 'Hold nothing'
          : `Hold the ${held.map((id) => partName(naming, id)).join(' and the ')}`}
        , turn the <b>{partName(naming, turned)}</b> by hand and see what moves.
      </p>
      <SleeveFields naming={naming} places={places} onChange={onChange} />
      {result.needed.length > 0 && (
        <p role="status">
          What some parts do depends on counts. Count first:{' '}
          {result.needed.map((gear) => countedName(naming, gear)).join('; ')}.
        </p>
      )}
      <Divided naming={naming} setup={setups[test]} result={result} onChange={onChange} />
      {result.isBlocked && (
        <Warning role="status">
          The {partName(naming, turned)} cannot turn while{' '}
          {held.length === 0
            ? 'the sleeves stand so'
            : `the ${held.map((id) => partName(naming, id)).join(' and the ')} is held`}
          . Do not force it.
        </Warning>
      )}
    </div>
  )
}
