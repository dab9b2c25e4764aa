/** What a drum does, in sentences. */
import type {
  Drum,
  DrumProof,
  DrumStretch,
  FalseNeutral,
  StarFault,
  StarRest,
  StarStop,
} from 'core'
import { STAR, fullStar, namesOf } from 'core'

import { UNIT_TEXTS } from './fields.ts'
import { formatNumber } from './format.ts'
import type { Naming } from './names.ts'
import { couplerLabel, couplerName } from './names.ts'
import { listed } from './sentences.ts'
import { stopName } from './shift.ts'

/** "23.5°". */
export function formatAngle(angleDeg: number): string {
  return `${formatNumber(((angleDeg % 360) + 360) % 360, 1)}°`
}

/** "from 23.5° to 31.0°". */
function fromTo({ fromDeg, toDeg }: DrumStretch): string {
  return `from ${formatAngle(fromDeg.toNumber())} to ${formatAngle(toDeg.toNumber())}`
}

/** In two or three letters, for a bar. */
export function stretchLabel({ state, position, atFault }: DrumStretch): string {
  if (atFault.length > 0) return 'X'
  if (state === 'half-engaged') return ''
  return state === 'neutral' ? 'N' : (position?.label ?? '?')
}

/** What the box does over a stretch. */
export function stretchWords(naming: Naming, stretch: DrumStretch): string {
  const { state, position, atFault, depths } = stretch
  const names = (ids: readonly string[]): string =>
    listed(
      ids.flatMap((id) => {
        const coupler = naming.box.couplers.get(id)
        return coupler ? [`the ${couplerName(naming, coupler)}`] : []
      }),
    )
  if (atFault.length > 0)
    return `Locked: ${names(atFault)} are in at once. Their grooves overlap here.`
  switch (state) {
    case 'half-engaged': {
      const touching = depths.filter(({ side, isDeep }) => side !== 0 && !isDeep)
      return `Half engaged: the dogs of ${names(touching.map(({ coupler }) => coupler))} touch and are not deep enough to carry.`
    }
    case 'neutral':
      return 'Neutral: no dogs are in.'
    case 'drive':
      return `In ${position?.label ?? 'a position that is not listed'}.`
    default:
      return position ? `In ${position.label}.` : 'What it does here is not settled.'
  }
}

/** What is wrong with a drum, each at its angle; empty where nothing is. */
export function drumFaults(naming: Naming, proof: DrumProof): readonly string[] {
  const labelOf = ({ stop }: StarStop): string => stopName(naming, stop.position)
  const grooves = (ids: readonly string[]): string =>
    listed(
      ids.flatMap((id) => {
        const coupler = naming.box.couplers.get(id)
        return coupler ? [couplerLabel(naming, coupler)] : []
      }),
    )
  return [
    ...proof.stretches
      .filter(({ atFault }) => atFault.length > 0)
      .map(
        (stretch) =>
          `The drum locks the box ${fromTo(stretch)}: the grooves of ${grooves(stretch.atFault)} have two gears in at once.`,
      ),
    ...proof.stops
      .filter(({ isAsNamed }) => !isAsNamed)
      .map(
        (star) =>
          `The stop at ${formatAngle(star.stop.angleDeg)} is for ${labelOf(star)}, and the box is not in it there.`,
      ),
    ...proof.falseNeutrals
      .filter(({ canRest }) => canRest)
      .map(({ stretch }) => `The star can rest in a false neutral ${fromTo(stretch)}.`),
  ]
}

const HELD_BY: Readonly<Record<StarRest['kind'], string>> = {
  notch: 'friction holds it beside a notch',
  tip: 'friction holds it on a tip',
  flat: 'it lies on a worn tip',
  held: 'the spring is too weak to turn it on',
}

/** A false neutral: where, how wide, and whether it holds. */
export function falseNeutralWords({ stretch, canRest, heldBy }: FalseNeutral): string {
  const width = stretch.toDeg.sub(stretch.fromDeg).toNumber()
  const rests = heldBy
    ? canRest
      ? `can rest here: ${HELD_BY[heldBy.kind]}`
      : `does not rest here, but for ${formatNumber(heldBy.toDeg - heldBy.fromDeg, 1)}° in which it is balanced on a tip`
    : canRest
      ? 'can rest here'
      : 'does not rest here'
  return `${fromTo(stretch)}, ${formatNumber(width, 1)}° wide: the star ${rests}`
}

/** Where the star goes from an angle, or what holds it there. */
export function settleWords(
  naming: Naming,
  star: StarStop | undefined,
  held: StarRest | undefined,
  angleDeg: number,
): string {
  if (!star) return 'No stop of the star is said.'
  const { stop } = star
  const off = Math.abs(((angleDeg - stop.angleDeg + 540) % 360) - 180)
  if (held && (held.kind !== 'notch' || off > SEEN_DEG))
    return `Let go here, the drum stays: ${STAYS_BY[held.kind]}, from ${formatAngle(held.fromDeg)} to ${formatAngle(held.toDeg)}.`
  const label = stopName(naming, stop.position)
  return `Let go here, the star turns the drum to ${label}, at ${formatAngle(stop.angleDeg)}.`
}

/** What turns less than this nobody sees. */
const SEEN_DEG = 0.5

const STAYS_BY: Readonly<Record<StarRest['kind'], string>> = {
  notch: 'friction holds it beside the bottom of its notch',
  tip: 'balanced on a tip friction holds it',
  flat: 'the tip is worn flat',
  held: 'the spring is too weak for the friction',
}

/** Why a star cannot be so. */
export const STAR_FAULT_WORDS: Readonly<Record<StarFault, string>> = {
  'no-stops': 'A star has a stop at least.',
  'no-notches': 'The diameter over the tips has to be larger than in the notches.',
  'arm-too-short': 'The arm does not reach so far: its roller cannot lie in a notch and on a tip.',
  'arm-jams': 'With the arm so, the drum would jam against its roller.',
}

/** What is taken for figures of a star that nobody entered; null where all are. */
export function usualStarWords(drum: Drum): string | null {
  const { star = {} } = drum
  const full = fullStar(drum)
  const figures = namesOf(STAR).flatMap((name) => {
    const { word, unit } = STAR[name]
    return star[name] === undefined
      ? [`${word} ${formatNumber(full[name], 1)}${unit ? UNIT_TEXTS[unit] : ''}`]
      : []
  })
  return figures.length === 0
    ? null
    : `With usual figures for what is not entered: ${listed(figures)}.`
}
