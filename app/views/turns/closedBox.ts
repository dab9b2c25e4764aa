/** What a search for the counts of a closed box asks for, and what it is told in. */
import type { BoxDraft, CountLimits, CountSearch, FoundCounts, PosedSearch, TurnCheck } from 'core'
import { LEAST_TOOTH_COUNT, MOST_TOOTH_COUNT, countSets, poseSearch, withToothCounts } from 'core'

import { formatGrouped } from '~/words/format.ts'

/** The limits of a search as they are typed. */
export type LimitTexts = Readonly<Record<keyof CountLimits, string>>

/** What limits a search, with what is asked for it. */
export const LIMIT_FIELDS = [
  ['leastTeeth', 'Least teeth of a gear'],
  ['mostTeeth', 'Most teeth of a gear'],
  ['leastSum', 'Least teeth of a pair together'],
  ['mostSum', 'Most teeth of a pair together'],
] as const satisfies readonly (readonly [keyof CountLimits, string])[]

/** Limits that most boxes of cars and vans keep (common practice). */
export const USUAL_LIMITS: LimitTexts = {
  leastTeeth: '12',
  mostTeeth: '60',
  leastSum: '50',
  mostSum: '70',
}

const SUPERSCRIPTS = '⁰¹²³⁴⁵⁶⁷⁸⁹'

/** "8,031,224", and from ten million millions on "about 3.5 × 10¹³". */
export function formatMany(count: number): string {
  if (count < 1e13) return formatGrouped(count)
  const [size = '', power = ''] = count.toExponential(1).split('e+')
  return `about ${size} × 10${power.replace(/\d/g, (digit) => SUPERSCRIPTS[Number(digit)] ?? '')}`
}

/** The limits that are meant, or what is wrong with them. */
export function parseLimits(
  texts: LimitTexts,
):
  | { readonly ok: true; readonly limits: CountLimits }
  | { readonly ok: false; readonly sentence: string } {
  const values = Object.fromEntries(
    LIMIT_FIELDS.map(([key]) => [
      key,
      /^\d{1,3}$/.test(texts[key].trim()) ? Number(texts[key]) : NaN,
    ]),
  )
  const [leastTeeth = NaN, mostTeeth = NaN, leastSum = NaN, mostSum = NaN] = LIMIT_FIELDS.map(
    ([key]) => values[key],
  )
  const limits = { leastTeeth, mostTeeth, leastSum, mostSum }
  if (Object.values(limits).some(Number.isNaN))
    return { ok: false, sentence: 'Every limit is a whole number of teeth.' }
  if (leastTeeth < LEAST_TOOTH_COUNT || mostTeeth > MOST_TOOTH_COUNT)
    return {
      ok: false,
      sentence: `Gears have ${LEAST_TOOTH_COUNT} to ${MOST_TOOTH_COUNT} teeth.`,
    }
  if (leastTeeth > mostTeeth || leastSum > mostSum)
    return { ok: false, sentence: 'A least is more than its most. Exchange the two.' }
  return { ok: true, limits }
}

/** Why nothing can be searched for. */
function refusalOf(
  posed: Extract<PosedSearch, { readonly ok: false }>,
  labelOf: (position: string) => string,
): string {
  switch (posed.code) {
    case 'no-checks':
      return 'No turn check has been made yet. Make one in each position first.'
    case 'does-not-drive':
      return `Position ${labelOf(posed.position)} drives nothing in the drawing, so its turns say nothing of the counts.`
    case 'not-a-product':
      return `In position ${labelOf(posed.position)} power joins at several speeds, so its turns are no product of pairs. Take that check back.`
    case 'read-too-coarsely':
      return `In position ${labelOf(posed.position)} the output turned no further than it was read. Take that check back and turn the input more.`
    case 'not-well-formed':
      return 'The drawing does not hang together yet. Lay the box out first.'
  }
}

/** The box with nothing counted in it. */
function closed(draft: BoxDraft): BoxDraft {
  return { ...draft, gears: draft.gears.map((gear) => ({ ...gear, toothCount: null })) }
}

/** A search, or the sentence that says why there is none. */
type AskedSearch =
  | { readonly ok: true; readonly search: CountSearch }
  | { readonly ok: false; readonly sentence: string }

/** The search that these limits ask for, of everything or of what is not counted yet. */
export function askSearch(
  draft: BoxDraft,
  checks: readonly TurnCheck[],
  texts: LimitTexts,
  isFromScratch: boolean,
): AskedSearch {
  const parsed = parseLimits(texts)
  if (!parsed.ok) return parsed
  const posed = poseSearch(isFromScratch ? closed(draft) : draft, checks, parsed.limits)
  const labelOf = (position: string): string =>
    draft.positions.find(({ id }) => id === position)?.label ?? position
  return posed.ok ? posed : { ok: false, sentence: refusalOf(posed, labelOf) }
}

function combinationWords(count: number): string {
  return `${formatMany(count)} ${count === 1 ? 'combination' : 'combinations'}`
}

/** How much there is to look through. */
export function aheadWords(search: CountSearch): string {
  const gears = search.gears.length === 1 ? 'one gear' : `${search.gears.length} gears`
  return `${combinationWords(countSets(search))} of the counts of ${gears} to look through.`
}

/** What a search came to. */
export function foundWords({ total, combinations, likeliest }: FoundCounts): string {
  if (total === 0)
    return `${combinations === 1 ? 'The counts as they stand do not fit' : `None of ${combinationWords(combinations)} fits`}. A limit is too narrow, or a turn check is misread.`
  const fit = `${formatMany(total)} ${total === 1 ? 'set fits' : 'sets fit'}, of ${combinationWords(combinations)}.`
  return total > likeliest.length
    ? `${fit} The ${likeliest.length} likeliest are listed; more turns of the output, or narrower sums, leave fewer.`
    : fit
}

/** The box without the counts that are looked for, and with those of a set that was found. */
export function filledIn(
  draft: BoxDraft,
  isFromScratch: boolean,
  search: CountSearch | undefined,
  counts: readonly number[] | undefined,
): BoxDraft {
  const known = isFromScratch ? closed(draft) : draft
  if (!search || !counts) return known
  return withToothCounts(
    known,
    new Map(search.gears.map(({ gear }, at) => [gear, counts[at] ?? 0])),
  )
}
