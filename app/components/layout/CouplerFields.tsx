import { Plus, X } from 'lucide-react'

import type { BoxDraft, Coupler, CouplerPosition, Engagement, Travel } from 'core'
import {
  COUPLER_KINDS,
  TRAVELS,
  indexBox,
  pairsOf,
  positionsOfPlace,
  removePlace,
  renamePlace,
} from 'core'

import { bodyName, capitalize } from '~/words/names.ts'
import type { Vocabulary } from '~/words/vocabulary.ts'
import { travelWords } from '~/words/vocabulary.ts'
import { lengthText, parseLength } from '~/views/layout/numbers.ts'
import { partTitle } from '~/views/layout/partTitle.ts'
import { withPart } from '~/views/layout/withPart.ts'

import { EntryField, NameField, SelectField } from '~/components/Fields.tsx'
import type { Drafting } from './useDrafting.ts'

interface CouplerFieldsProps {
  readonly drafting: Drafting
  readonly words: Vocabulary
  readonly coupler: Coupler
}

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

export function CouplerFields({ drafting, words, coupler }: CouplerFieldsProps) {
  const { draft, become } = drafting
  const box = indexBox(draft)
  const naming = { box, words }
  const unit = words.lengthUnit
  const put = (change: Partial<Coupler>): null => {
    become(withPart(draft, 'couplers', { ...coupler, ...change }))
    return null
  }
  const putPlace = (at: number, place: CouplerPosition): void => {
    put({ positions: coupler.positions.map((other, index) => (index === at ? place : other)) })
  }
  const bodies = box.bodies.filter((body) => body !== coupler.hub)
  const engagements: readonly (readonly [string, string])[] = [
    ...bodies.map((body) => [`lock:${body}`, `locks ${bodyName(naming, body)}`] as const),
    ...[coupler.hub, ...bodies].map(
      (body) => [`hold:${body}`, `holds ${bodyName(naming, body)} to the case`] as const,
    ),
    ...draft.links.flatMap((link) =>
      pairsOf(link).length > 0
        ? [
            [
              `mesh:${link.id}`,
              `brings in ${partTitle(draft, words, { list: 'links', id: link.id })}`,
            ] as const,
          ]
        : [],
    ),
  ]
  const freePlace = ['1', '2', '3', '4', '5', '6', '7', '8'].find(
    (id) => !coupler.positions.some((place) => place.id === `place ${id}`),
  )
  return (
    <>
      <div className="grid grid-cols-2 gap-2">
        <NameField label="Called" value={coupler.name} onKeep={(name) => put({ name })} />
        <SelectField
          label="Kind"
          value={coupler.kind}
          options={COUPLER_KINDS.map((kind) => [kind, words.couplers[kind]])}
          onChange={(kind) => put({ kind })}
        />
        <SelectField
          label={capitalize(words.hub)}
          value={coupler.hub}
          options={box.bodies.map((body) => [body, capitalize(bodyName(naming, body))])}
          onChange={(hub) => put({ hub })}
        />
        <EntryField
          key={`station ${coupler.stationMm} ${unit}`}
          label="Station"
          unit={unit}
          inputMode="decimal"
          value={lengthText(coupler.stationMm, unit)}
          onCommit={(text) => {
            const length = parseLength(text, unit)
            return length.ok ? put({ stationMm: length.value }) : length.sentence
          }}
        />
      </div>
      {coupler.positions.map((place, at) => (
        <fieldset key={at} className="border-rule border-t pt-2">
          <legend className="sr-only">Place {place.id}</legend>
          <div className="grid grid-cols-[1fr_1fr_auto] items-end gap-2">
            <EntryField
              key={`place ${place.id}`}
              label="Place"
              value={place.id}
              onCommit={(text) => {
                const id = text.trim().slice(0, 60)
                if (id === '' || coupler.positions.some((other) => other.id === id))
                  return 'Each place needs a name of its own.'
                become(renamePlace(draft, coupler.id, place.id, id))
                return null
              }}
            />
            <SelectField
              label="Moved"
              value={place.travel}
              options={TRAVELS.map((travel): [Travel, string] => [
                travel,
                travelWords(words, travel),
              ])}
              onChange={(travel) => {
                putPlace(at, { ...place, travel })
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
          {place.engages.map((engagement, which) => (
            <div key={which} className="grid grid-cols-[1fr_auto] items-end gap-2">
              <SelectField
                label="Does"
                value={engagementKey(engagement)}
                options={engagements}
                onChange={(key) => {
                  const next = parseEngagement(key)
                  if (next)
                    putPlace(at, {
                      ...place,
                      engages: place.engages.map((other, index) =>
                        index === which ? next : other,
                      ),
                    })
                }}
              />
              <button
                type="button"
                className="button-quiet"
                aria-label={`No longer ${engagementKey(engagement)}`}
                onClick={() => {
                  putPlace(at, {
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
              if (next) putPlace(at, { ...place, engages: [...place.engages, next] })
            }}
          />
        </fieldset>
      ))}
      {freePlace && (
        <button
          type="button"
          className="button"
          onClick={() => {
            const place = {
              id: `place ${freePlace}`,
              travel: 'towards-output',
              engages: [],
            } as const
            put({ positions: [...coupler.positions, place] })
          }}
        >
          <Plus aria-hidden /> Another place
        </button>
      )}
    </>
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
