import { Plus, Trash2, X } from 'lucide-react'

import type { FieldsOf, GateSlot, Selector, SelectorPlace, SwitchRule } from 'core'
import {
  FIRST_LEVER,
  GATE,
  LARGEST,
  SELECTOR,
  SELECTOR_PLACE,
  SWINGING_FORK,
  SWITCH_RULES,
  isClutch,
  leverOf,
  namesOf,
} from 'core'

import { FieldEntries } from '~/components/FieldEntry.tsx'
import { useBecome } from '~/components/box/useBecome.ts'
import { CheckField, SelectField } from '~/components/Fields.tsx'
import { withPart } from '~/views/layout/withPart.ts'
import type { Naming } from '~/words/names.ts'
import { capitalize, couplerLabel, couplerName, placeName } from '~/words/names.ts'
import { SWITCH_NAMES, rodName, rodPlaceName } from '~/words/shift.ts'

interface RodFieldsProps {
  readonly naming: Naming
  readonly rod: Selector
  readonly onChange: (rod: Selector) => void
  readonly onRemove: () => void
}

/** Coupler and place as one choice. */
const KEY = '~'

/** Places of the couplers that a rod can bring in, each with its coupler as one choice. */
function placeChoices(naming: Naming): readonly (readonly [string, string])[] {
  return naming.box.draft.couplers
    .filter((coupler) => !isClutch(coupler))
    .flatMap((coupler) =>
      coupler.positions
        .filter(({ engages }) => engages.length > 0)
        .map(
          (place) =>
            [
              `${coupler.id}${KEY}${place.id}`,
              `${capitalize(couplerName(naming, coupler))} in ${placeName(naming, coupler, place)}`,
            ] as const,
        ),
    )
}

/** One rod: what moves it, and where its places lie. */
export function RodFields({ naming, rod, onChange, onRemove }: RodFieldsProps) {
  const setPlace = (place: SelectorPlace, next: SelectorPlace): void => {
    onChange({ ...rod, places: rod.places.map((each) => (each === place ? next : each)) })
  }
  const title = capitalize(rodName(naming, rod))
  const choices = placeChoices(naming)
  return (
    <section aria-label={title} className="border-rule flex flex-col gap-2 border-t-2 pt-2">
      <div className="flex flex-wrap items-end gap-3">
        <h3 className="min-w-[9rem] text-[1.15rem] font-semibold">{title}</h3>
        <div className="grid w-[30rem] max-w-full grid-cols-[1fr_1.3fr_1.2fr] items-end gap-2">
          <FieldEntries
            naming={naming}
            fields={SELECTOR}
            of={rod}
            names={['name', 'actuator', 'channel']}
            onChange={(change) => {
              onChange({ ...rod, ...change })
              return null
            }}
          />
        </div>
        <div className="w-[18rem] max-w-full">
          <SelectField
            label="Moved"
            value={rod.switched ?? `${leverOf(rod)}`}
            options={[
              ...leverChoices(naming),
              ...SWITCH_RULES.map((rule): readonly [SwitchRule, string] => [
                rule,
                SWITCH_NAMES[rule],
              ]),
            ]}
            onChange={(value) => {
              const switched = SWITCH_RULES.find((rule) => rule === value)
              const number = Number(value)
              const lever = number > FIRST_LEVER ? number : undefined
              onChange({ ...rod, switched, lever })
            }}
          />
        </div>
        <button type="button" className="button-quiet ml-auto" onClick={onRemove}>
          <Trash2 aria-hidden /> Take out this rod
        </button>
      </div>
      <WhereItLies naming={naming} rod={rod} onChange={onChange} />
      {rod.places.map((place, at) => (
        <PlaceFields
          key={place.id}
          naming={naming}
          title={`${title}, place ${at + 1}`}
          place={place}
          choices={choices}
          isByLever={rod.switched === undefined}
          onChange={(next) => {
            setPlace(place, next)
          }}
          onRemove={() => {
            onChange({ ...rod, places: rod.places.filter((each) => each !== place) })
          }}
        />
      ))}
      {rod.places.length < LARGEST.selectorPlaces && (
        <button
          type="button"
          className="button-quiet self-start"
          onClick={() => {
            const taken = new Set(rod.places.map(({ id }) => id))
            let number = 1
            while (taken.has(`place-${number}`)) number++
            onChange({ ...rod, places: [...rod.places, { id: `place-${number}`, couplers: {} }] })
          }}
        >
          <Plus aria-hidden /> A place of this rod
        </button>
      )}
    </section>
  )
}

/** Where a rod lies, the lengths of its lever, and of the forks on it that swing. */
function WhereItLies({
  naming,
  rod,
  onChange,
}: Pick<RodFieldsProps, 'naming' | 'rod' | 'onChange'>) {
  const become = useBecome()
  const { draft } = naming.box
  const moved = new Set(rod.places.flatMap(({ couplers }) => Object.keys(couplers)))
  const forks = draft.couplers.filter(({ id }) => moved.has(id))
  const others = draft.couplers.filter((each) => !isClutch(each) && !moved.has(each.id))
  const passes = new Set(rod.passes ?? [])
  return (
    <details>
      <summary className="min-h-[44px] content-center font-semibold">
        Where it lies, and lengths
      </summary>
      <div className="grid grid-cols-2 items-end gap-2 lg:grid-cols-5">
        <FieldEntries
          naming={naming}
          fields={SELECTOR}
          of={rod}
          names={rod.switched === undefined ? ['inside', 'knobArmMm', 'fingerArmMm'] : ['inside']}
          shown={{
            inside: {
              unsaid: 'none: beside the others',
              options: (draft.selectors ?? [])
                .filter((other) => other.id !== rod.id && other.inside === undefined)
                .map((other): readonly [string, string] => [other.id, rodName(naming, other)]),
            },
          }}
          onChange={(change) => {
            onChange({ ...rod, ...change })
            return null
          }}
        />
        {forks.map((coupler) => (
          <FieldEntries
            key={coupler.id}
            naming={naming}
            fields={SWINGING_FORK}
            of={coupler.swings ?? {}}
            names={namesOf(SWINGING_FORK)}
            onChange={(change) => {
              const swings = { ...coupler.swings, ...change }
              const isFast = swings.rodArmMm === undefined && swings.padArmMm === undefined
              become(
                withPart(draft, 'couplers', {
                  ...coupler,
                  swings: isFast ? undefined : swings,
                }),
              )
              return null
            }}
          />
        ))}
      </div>
      {others.length > 0 && (
        <div
          role="group"
          aria-label="Passes through the fork of"
          className="flex flex-wrap gap-x-4"
        >
          <span className="min-h-[44px] content-center">Passes through the fork of</span>
          {others.map(({ id, ...coupler }) => (
            <CheckField
              key={id}
              label={couplerLabel(naming, { id, ...coupler })}
              isChecked={passes.has(id)}
              onChange={(isOn) => {
                const rest = [...passes].filter((each) => each !== id)
                const next = isOn ? [...rest, id] : rest
                onChange({ ...rod, passes: next.length === 0 ? undefined : next })
              }}
            />
          ))}
        </div>
      )}
    </details>
  )
}

/** The levers that a box has, and one more. */
function leverChoices({ box: { draft } }: Naming): readonly (readonly [string, string])[] {
  const used = (draft.selectors ?? []).filter(({ switched }) => switched === undefined)
  const most = Math.max(FIRST_LEVER, ...used.map(leverOf))
  return Array.from({ length: Math.min(most + 1, LARGEST.levers) }, (_, at) => [
    `${at + 1}`,
    at === 0 ? 'by the lever, through its gate' : `by lever ${at + 1}, through a gate of its own`,
  ])
}

interface PlaceFieldsProps {
  readonly naming: Naming
  readonly title: string
  readonly place: SelectorPlace
  readonly choices: readonly (readonly [string, string])[]
  readonly isByLever: boolean
  readonly onChange: (place: SelectorPlace) => void
  readonly onRemove: () => void
}

/** What a place of a rod moves: one coupler, or two. */
function MovedFields({
  naming,
  place,
  choices,
  onChange,
}: Pick<PlaceFieldsProps, 'naming' | 'place' | 'choices' | 'onChange'>) {
  const moved = Object.entries(place.couplers).map(([id, at]) => `${id}${KEY}${at}`)
  return (
    <>
      <SelectField
        label={`Moves, for ${rodPlaceName(naming, { place })}`}
        value={moved[0] ?? ''}
        options={[['', 'nothing'], ...choices]}
        onChange={(value) => {
          const [coupler = '', at = ''] = value.split(KEY)
          // The first of several is chosen here; the others stay.
          const rest = Object.entries(place.couplers).slice(1)
          onChange({
            ...place,
            couplers: value === '' ? {} : { [coupler]: at, ...Object.fromEntries(rest) },
          })
        }}
      />
      <SelectField
        label="and"
        value={moved[1] ?? ''}
        options={[['', 'nothing more'], ...choices]}
        onChange={(value) => {
          const [first] = Object.entries(place.couplers)
          const [coupler = '', at = ''] = value.split(KEY)
          onChange({
            ...place,
            couplers: {
              ...(first && { [first[0]]: first[1] }),
              ...(value !== '' && { [coupler]: at }),
            },
          })
        }}
      />
    </>
  )
}

/** A place that has no row yet is not in the gate. */
const GATE_ENTRIES = { ...GATE, row: { ...GATE.row, isOptional: true } } as const

/** Where a place lies in the gate, how it is guarded, and whether it lights the lamp. */
function GateFields({
  naming,
  place,
  onChange,
}: Pick<PlaceFieldsProps, 'naming' | 'place' | 'onChange'>) {
  const gate: Partial<GateSlot> & Pick<GateSlot, 'end'> = { end: 'forward', ...place.gate }
  return (
    <FieldEntries<Partial<GateSlot>, keyof GateSlot>
      naming={naming}
      fields={GATE_ENTRIES as unknown as FieldsOf<Partial<GateSlot>>}
      of={gate}
      names={['row', 'end', 'guard', 'isLampOn']}
      shown={{ guard: { unsaid: 'no' } }}
      onChange={(change) => {
        const isOut = 'row' in change && !change.row
        onChange({ ...place, gate: isOut ? undefined : { row: 1, ...gate, ...change } })
        return null
      }}
    />
  )
}

function PlaceFields(props: PlaceFieldsProps) {
  const { naming, title, place, choices, isByLever, onChange, onRemove } = props
  return (
    <div
      role="group"
      aria-label={title}
      className="grid grid-cols-2 items-end gap-2 lg:grid-cols-[repeat(7,minmax(0,1fr))_auto]"
    >
      <MovedFields naming={naming} place={place} choices={choices} onChange={onChange} />
      <FieldEntries
        naming={naming}
        fields={SELECTOR_PLACE}
        of={place}
        names={['travelMm']}
        onChange={(change) => {
          onChange({ ...place, ...change })
          return null
        }}
      />
      {isByLever && <GateFields naming={naming} place={place} onChange={onChange} />}
      <button
        type="button"
        className="button-quiet min-h-[44px] min-w-[44px] self-center"
        aria-label={`Take out ${title}`}
        onClick={onRemove}
      >
        <X aria-hidden />
      </button>
    </div>
  )
}
