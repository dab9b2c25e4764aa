import { X } from 'lucide-react'

import type { BoxDraft, Coupler, CouplerPosition, Engagement, Travel } from 'core'
import { LARGEST, TRAVELS, positionsOfPlace, removePlace, renamePlace } from 'core'

import { EntryField, SelectField } from '~/components/Fields.tsx'
import { tooLongWords } from '~/words/lengths.ts'
import type { Vocabulary } from '~/words/vocabulary.ts'
import { travelWords } from '~/words/vocabulary.ts'
import type { Drafting } from './useDrafting.ts'

/** "lock:main-1" and the like: one engagement as the value of a field. */
function engagementKey(engagement: Engagement): string {
  return `${engagement.kind}:${'body' in engagement ? engagement.body : engagement.link}`
}

function parseEngagement(key: string): Engagement | undefined {
  const [kind, ...rest] = key.split(':')
  const target = rest.join(':')
  if (kind === 'lock' || kind === 'hold') return { kind, body: target }
  return kind === 'mesh' ? { kind, link: target } : undefined
}

interface PlaceFieldsProps {
  readonly drafting: Drafting
  readonly words: Vocabulary
  readonly coupler: Coupler
  readonly place: CouplerPosition
  /** Everything that a place of this coupler may do, by the key of the engagement. */
  readonly engagements: readonly (readonly [key: string, what: string])[]
  readonly onChange: (place: CouplerPosition) => void
}

/** What a coupler does in a place, one thing after another. */
function EngagementFields({
  place,
  engagements,
  onChange,
}: Pick<PlaceFieldsProps, 'place' | 'engagements' | 'onChange'>) {
  const titleOf = (engagement: Engagement): string =>
    engagements.find(([key]) => key === engagementKey(engagement))?.[1] ?? 'what is not there'
  return (
    <>
      {place.engages.map((engagement, which) => (
        <div key={which} className="grid grid-cols-[1fr_auto] items-end gap-2">
          <SelectField
            label="Does"
            value={engagementKey(engagement)}
            options={engagements}
            onChange={(key) => {
              const next = parseEngagement(key)
              if (next)
                onChange({
                  ...place,
                  engages: place.engages.map((other, index) => (index === which ? next : other)),
                })
            }}
          />
          <button
            type="button"
            className="button-quiet"
            aria-label={`No longer: ${titleOf(engagement)}`}
            onClick={() => {
              onChange({
                ...place,
                engages: place.engages.filter((_, index) => index !== which),
              })
            }}
          >
            <X aria-hidden />
          </button>
        </div>
      ))}
      <SelectField
        label={place.engages.length === 0 ? 'Does nothing. Let it also' : 'And also'}
        value=""
        options={[['', 'choose'], ...engagements]}
        onChange={(key) => {
          const next = parseEngagement(key)
          if (next) onChange({ ...place, engages: [...place.engages, next] })
        }}
      />
    </>
  )
}

/** One place that a coupler can be moved to, and what it engages there. */
export function PlaceFields({
  drafting: { draft, become },
  words,
  coupler,
  place,
  engagements,
  onChange,
}: PlaceFieldsProps) {
  return (
    <fieldset className="border-rule border-t pt-2">
      <legend className="sr-only">Place {place.id}</legend>
      <div className="grid grid-cols-[1fr_1fr_auto] items-end gap-2">
        <EntryField
          key={`place ${place.id}`}
          label="Place"
          value={place.id}
          onCommit={(text) => {
            const tooLong = tooLongWords(text, LARGEST.idLength)
            if (tooLong !== null) return tooLong
            const id = text.trim()
            if (id === '' || coupler.positions.some((other) => other.id === id))
              return 'Each place needs a name of its own.'
            become(renamePlace(draft, coupler.id, place.id, id))
            return null
          }}
        />
        <SelectField
          label="Moved"
          value={place.travel}
          options={TRAVELS.map((travel): [Travel, string] => [travel, travelWords(words, travel)])}
          onChange={(travel) => {
            onChange({ ...place, travel })
          }}
        />
        <button
          type="button"
          className="button-quiet"
          aria-label={`Take out place ${place.id}`}
          disabled={coupler.positions.length < 2}
          onClick={() => {
            become(removePlace(draft, coupler.id, place.id))
          }}
        >
          <X aria-hidden />
        </button>
      </div>
      <PlaceUse draft={draft} coupler={coupler.id} place={place.id} />
      <EngagementFields place={place} engagements={engagements} onChange={onChange} />
    </fieldset>
  )
}

/** Which positions go with a place, said before it is taken out. */
function PlaceUse({
  draft,
  coupler,
  place,
}: {
  readonly draft: BoxDraft
  readonly coupler: string
  readonly place: string
}) {
  const used = positionsOfPlace(draft, coupler, place)
  if (used.length === 0) return null
  return (
    <p className="text-graphite text-[0.9rem]">
      Used by {used.length === 1 ? 'position' : 'positions'}{' '}
      {used.map(({ label }) => label).join(', ')}, which {used.length === 1 ? 'goes' : 'go'} with
      it.
    </p>
  )
}
