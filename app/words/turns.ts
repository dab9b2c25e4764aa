/** Turn checks in sentences. */
import { NBSP } from './format.ts'
import type { EntryBody, JudgedCheck, NextCheck, Rational, Suspect } from 'core'
import { readTurns } from 'core'

import type { Naming } from './names.ts'
import { bodyName, gearName } from './names.ts'

/** "12.545 turns": what the counts make of it, finer than anybody reads. */
export function formatTurns(turns: Rational): string {
  return `${turns.toFixed(3)}${NBSP}turns`
}

/** What was turned and what was read: "12 1/2 in for 10 out, ± 1/8 turn". */
export function turnedWords(
  naming: Naming,
  {
    inputTurns,
    outputTurns,
    errorTurns,
    readAt,
    at,
  }: Extract<EntryBody, { readonly kind: 'turn-check' }>,
): string {
  const out = at === undefined ? 'out' : `at the ${bodyName(naming, at)}`
  return readAt === 'output'
    ? `${outputTurns} ${out} for ${inputTurns} in, ± ${errorTurns} turn`
    : `${inputTurns} in for ${outputTurns} ${out}, ± ${errorTurns} turn`
}

/** What a check says, in one sentence. */
export function checkWords({ check, expectedTurns, isAgreed }: JudgedCheck): string {
  if (isAgreed === null) return 'Counts are missing, so there is nothing to compare with yet.'
  if (!expectedTurns)
    return 'By the counts this position is locked or in neutral, and yet it turned: a count is wrong, or the position is another one.'
  const off = readTurns(check).sub(expectedTurns)
  const by = `${off.abs().toFixed(3)}${NBSP}of a turn`
  const side = off.sign() > 0 ? 'more' : 'fewer'
  const end = check.readAt === 'output' ? ' of the output' : ''
  if (isAgreed)
    return off.isZero()
      ? `The counts make ${formatTurns(expectedTurns)}${end}: just what you read.`
      : `The counts make ${formatTurns(expectedTurns)}${end}. You read ${by} ${side}, within your reading.`
  return `The counts make ${formatTurns(expectedTurns)}${end}. You read ${by} ${side}, which is more than your reading can be off.`
}

/** "33 teeth on the 2nd gear, main shaft instead of 31". */
export function suspectWords(naming: Naming, { miscounts }: Suspect): string {
  if (miscounts.length === 0) return 'The counts are right and the turns were misread'
  return miscounts
    .map(
      ({ gear, toothCount }) =>
        `${gearName(naming, gear)}: ${toothCount} teeth instead of ${gear.toothCount ?? 'none'}`,
    )
    .join(', and ')
}

/** What is said for a suspect besides the check that it explains. */
export function evidenceWords(suspect: Suspect, checkCount: number): string {
  const { agreeing, sharedSums, comparedSums, miscounts } = suspect
  if (miscounts.length === 0) return `${agreeing} of ${checkCount} turn checks agree.`
  const checks = `${agreeing} of ${checkCount} turn checks would agree`
  return comparedSums === 0
    ? `${checks}.`
    : `${checks}, and ${sharedSums} of ${comparedSums} other pairs on the same shafts would have the same sum of teeth.`
}

/** What to turn next; `output` is what the output is called. */
export function nextCheckWords(next: NextCheck, output: string): string {
  const { position, outputTurns, tellsAll } = next
  const turns = outputTurns === 1 ? 'one turn' : `${outputTurns} turns`
  return `Select ${position.label} and turn the input until the ${output} has made ${turns}. ${
    tellsAll
      ? 'That tells all of these apart.'
      : 'That tells most of these apart; the rest only counting again can.'
  }`
}
