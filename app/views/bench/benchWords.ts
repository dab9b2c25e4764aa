/** How the bench says which boxes it shows. */
import type { BenchSort, BenchStage, BenchWait } from './benchChoices.ts'

import { stageName } from '~/words/measures.ts'
import type { Vocabulary } from '~/words/vocabulary.ts'

export const SORT_WORDS: Readonly<Record<BenchSort, string>> = {
  touched: 'touched last',
  untouched: 'longest untouched',
  name: 'by name',
  stage: 'by stage',
}

export const WAIT_WORDS: Readonly<Record<BenchWait, string>> = {
  'to-count': 'gears to count',
  'counts-disagree': 'counts that disagree',
  'turns-disagree': 'turns that disagree with the counts',
  'nothing-measured': 'nothing measured yet',
  'to-replace': 'parts beyond the limit',
  'to-order': 'parts to order',
  'on-order': 'parts that have not arrived',
  said: 'what somebody wrote down',
}

export function benchStageWords(words: Vocabulary, stage: BenchStage): string {
  if (stage === 'none') return 'no job yet'
  return stage === 'closed' ? 'job closed' : stageName(words, stage)
}
