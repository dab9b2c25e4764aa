import { useState } from 'react'

import type { BoxDraft } from 'core'
import {
  analyse,
  brokenInterlock,
  brokenRule,
  centreOf,
  checkBox,
  explainLock,
  prepareSolver,
  namedPlace,
} from 'core'

import { SelectField } from '~/components/Fields.tsx'
import { shortResult } from '~/words/results.ts'
import { lockSentence } from '~/words/lock.ts'
import { capitalize, couplerName, placeName } from '~/words/names.ts'
import { balanceSentence, openSentence } from '~/words/sentences.ts'
import type { Vocabulary } from '~/words/vocabulary.ts'

import { barWords } from '~/views/positions/proposals.ts'

interface CombinationTrialProps {
  readonly draft: BoxDraft
  readonly words: Vocabulary
}

/** Any combination that a person likes to try: what it does, and why it locks. */
export function CombinationTrial({ draft, words }: CombinationTrialProps) {
  const [chosen, setChosen] = useState<Readonly<Record<string, string>>>({})
  const checked = checkBox(draft)
  if (!checked.ok || draft.couplers.length === 0) return null
  const naming = { box: checked.box, words }
  const places = Object.fromEntries(
    draft.couplers.map((coupler) => {
      const wanted = coupler.positions.find(({ id }) => id === chosen[coupler.id])
      return [coupler.id, (wanted ?? centreOf(coupler) ?? coupler.positions[0])?.id ?? '']
    }),
  )
  const solver = prepareSolver(checked.box)
  const analysis = analyse(solver, places)
  const cause = explainLock(solver, places)
  const isBarred =
    brokenInterlock(draft, places) !== undefined || brokenRule(draft, places) !== undefined
  return (
    <section aria-label="Try a combination" className="border-ink mt-3 border-t-2 pt-2">
      <h2 className="text-[1.1rem]">Try a combination</h2>
      <div className="grid grid-cols-2 gap-2 md:grid-cols-3 xl:grid-cols-4">
        {draft.couplers.map((coupler) => (
          <SelectField
            key={coupler.id}
            label={capitalize(couplerName(naming, coupler))}
            value={namedPlace(places, coupler.id) ?? ''}
            options={coupler.positions.map((place): [string, string] => [
              place.id,
              place.engages.length === 0 ? 'centre' : placeName(naming, coupler, place),
            ])}
            onChange={(place) => {
              setChosen({ ...chosen, [coupler.id]: place })
            }}
          />
        ))}
      </div>
      <p aria-live="polite" className="mt-2" data-testid="trial">
        <b className="text-[1.2rem]">{capitalize(shortResult(analysis))}</b>.{' '}
        {cause && lockSentence(naming, cause)}
        {analysis.state === 'undetermined' && openSentence(naming, analysis)}
        {analysis.state === 'drive' && balanceSentence(naming, analysis)}
        {isBarred && ` ${barWords(draft, places)}`}
      </p>
    </section>
  )
}
