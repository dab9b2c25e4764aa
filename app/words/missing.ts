/** What a job found missing of an interlock, in sentences. */
import type { MissingPart, OpenSet } from 'core'

import { unitPartName } from './jobs.ts'
import type { Naming } from './names.ts'
import { capitalize } from './names.ts'
import { listed } from './sentences.ts'
import { INTERLOCK_PART_WORDS, rodPlaceName } from './shift.ts'

/** Of what can be in together, so many are named. */
const MOST_SETS = 4

/** What is missing, what it keeps from happening, and what to do. */
export function missingWords(
  naming: Naming,
  { part: ref, mayBe }: MissingPart,
  opened: readonly OpenSet[],
): string {
  const [part] = mayBe
  const which =
    mayBe.length > 1 && part
      ? ` (one ${INTERLOCK_PART_WORDS[part.kind]} of ${mayBe.length}, any of them)`
      : ''
  const sets = opened.map(({ moved }) =>
    moved.map((rod) => rodPlaceName(naming, rod)).join(' and '),
  )
  const more = sets.length > MOST_SETS ? [`${sets.length - MOST_SETS} more`] : []
  const danger =
    sets.length === 0
      ? 'Nothing more can lock without it.'
      : `Without it these can be in together, and lock the box: ${listed([...sets.slice(0, MOST_SETS), ...more])}.`
  return `${capitalize(unitPartName(naming, ref))}${which}: missing, as the job found. ${danger} Put one in before the cover goes on, then mark it as all there on Measure.`
}
