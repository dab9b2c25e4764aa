import type { BoxPosition, Coupler, Interlock, Rule } from 'core'
import { POSITION, RULE, indexBox, namedPlace } from 'core'

import { capitalize, couplerName, placeName } from '~/words/names.ts'
import type { Vocabulary } from '~/words/vocabulary.ts'
import { withPart } from '~/views/layout/withPart.ts'

import { FieldEntries } from '~/components/FieldEntry.tsx'
import { CheckField, SelectField } from '~/components/Fields.tsx'
import type { Drafting } from './useDrafting.ts'

interface Common {
  readonly drafting: Drafting
  readonly words: Vocabulary
}

/** The place of every coupler in a position or a rule. */
function Places({
  drafting: { draft },
  words,
  places,
  isOptional,
  onChange,
}: Common & {
  readonly places: Readonly<Record<string, string>>
  /** Whether a coupler may be left out of it altogether. */
  readonly isOptional: boolean
  readonly onChange: (places: Readonly<Record<string, string>>) => void
}) {
  const naming = { box: indexBox(draft), words }
  return draft.couplers.map((coupler: Coupler) => (
    <SelectField
      key={coupler.id}
      label={capitalize(couplerName(naming, coupler))}
      value={namedPlace(places, coupler.id) ?? ''}
      options={[
        ['', isOptional ? 'wherever it is' : 'at its centre'],
        ...coupler.positions.map((place): [string, string] => [
          place.id,
          placeName(naming, coupler, place),
        ]),
      ]}
      onChange={(place) => {
        const { [coupler.id]: _before, ...others } = places
        onChange(place === '' ? others : { ...others, [coupler.id]: place })
      }}
    />
  ))
}

export function PositionFields({
  drafting,
  words,
  position,
}: Common & { readonly position: BoxPosition }) {
  const { draft, become } = drafting
  const put = (change: Partial<BoxPosition>): null => {
    become(withPart(draft, 'positions', { ...position, ...change }))
    return null
  }
  const naming = { box: indexBox(draft), words }
  const entries = { naming, fields: POSITION, of: position, onChange: put }
  return (
    <>
      <div className="grid grid-cols-2 gap-2">
        <FieldEntries {...entries} names={['label', 'lever']} />
      </div>
      <FieldEntries {...entries} names={['isHidden']} />
      <Places
        drafting={drafting}
        words={words}
        places={position.couplers}
        isOptional={false}
        onChange={(couplers) => put({ couplers })}
      />
    </>
  )
}

export function InterlockFields({
  drafting: { draft, become },
  words,
  interlock,
}: Common & { readonly interlock: Interlock }) {
  const naming = { box: indexBox(draft), words }
  return (
    <fieldset>
      <legend className="text-[0.9rem] font-semibold">
        Only one of these leaves its centre at a time
      </legend>
      {draft.couplers.map((coupler) => (
        <CheckField
          key={coupler.id}
          label={capitalize(couplerName(naming, coupler))}
          isChecked={interlock.couplers.includes(coupler.id)}
          onChange={(isIn) => {
            const couplers = isIn
              ? [...interlock.couplers, coupler.id]
              : interlock.couplers.filter((id) => id !== coupler.id)
            become(withPart(draft, 'interlocks', { ...interlock, couplers }))
          }}
        />
      ))}
    </fieldset>
  )
}

export function RuleFields({ drafting, words, rule }: Common & { readonly rule: Rule }) {
  const { draft, become } = drafting
  const put = (change: Partial<Rule>): null => {
    become(withPart(draft, 'rules', { ...rule, ...change }))
    return null
  }
  return (
    <>
      <FieldEntries
        naming={{ box: indexBox(draft), words }}
        fields={RULE}
        of={rule}
        names={['reason']}
        shown={{ reason: { label: 'Why' } }}
        onChange={put}
      />
      <h3 className="text-[0.95rem]">Forbidden together</h3>
      <Places
        drafting={drafting}
        words={words}
        places={rule.forbids}
        isOptional
        onChange={(forbids) => put({ forbids })}
      />
    </>
  )
}
