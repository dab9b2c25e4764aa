import { Plus } from 'lucide-react'

import type { Coupler } from 'core'
import { COUPLER, indexBox, pairsOf } from 'core'

import type { Naming } from '~/words/names.ts'
import { bodyName, capitalize } from '~/words/names.ts'
import type { Vocabulary } from '~/words/vocabulary.ts'
import { partTitle } from '~/views/layout/partTitle.ts'
import { withPart } from '~/views/layout/withPart.ts'

import { FieldEntries } from '~/components/FieldEntry.tsx'
import { PlaceFields } from './PlaceFields.tsx'
import type { Drafting } from './useDrafting.ts'

interface CouplerFieldsProps {
  readonly drafting: Drafting
  readonly words: Vocabulary
  readonly coupler: Coupler
}

/** All that a place of a coupler may do, by the key of the engagement. */
function engagementsOf(
  naming: Naming,
  { hub }: Coupler,
): readonly (readonly [key: string, what: string])[] {
  const { draft, bodies: all } = naming.box
  const bodies = all.filter((body) => body !== hub)
  return [
    ...bodies.map((body) => [`lock:${body}`, `locks ${bodyName(naming, body)}`] as const),
    ...[hub, ...bodies].map(
      (body) => [`hold:${body}`, `holds ${bodyName(naming, body)} to the case`] as const,
    ),
    ...draft.links.flatMap((link) =>
      pairsOf(link).length > 0
        ? [
            [
              `mesh:${link.id}`,
              `brings in ${partTitle(draft, naming.words, { list: 'links', id: link.id })}`,
            ] as const,
          ]
        : [],
    ),
  ]
}

export function CouplerFields({ drafting, words, coupler }: CouplerFieldsProps) {
  const { draft, become } = drafting
  const box = indexBox(draft)
  const naming = { box, words }
  const put = (change: Partial<Coupler>): null => {
    become(withPart(draft, 'couplers', { ...coupler, ...change }))
    return null
  }
  const engagements = engagementsOf(naming, coupler)
  const freePlace = ['1', '2', '3', '4', '5', '6', '7', '8'].find(
    (id) => !coupler.positions.some((place) => place.id === `place ${id}`),
  )
  return (
    <>
      <div className="grid grid-cols-2 gap-2">
        <FieldEntries
          naming={naming}
          fields={COUPLER}
          of={coupler}
          names={['name', 'kind', 'hub', 'stationMm']}
          shown={{ hub: { label: capitalize(words.hub) } }}
          onChange={put}
        />
      </div>
      {coupler.positions.map((place, at) => (
        <PlaceFields
          key={at}
          drafting={drafting}
          coupler={coupler}
          place={place}
          engagements={engagements}
          words={words}
          onChange={(next) => {
            put({
              positions: coupler.positions.map((other, index) => (index === at ? next : other)),
            })
          }}
        />
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
