/** What a drum does, in sentences. */
import type { DrumProof, DrumStretch, StarStop } from 'core'

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

/** A false neutral: where, how wide, and whether it holds. */
export function falseNeutralWords({
  stretch,
  canRest,
}: DrumProof['falseNeutrals'][number]): string {
  const width = stretch.toDeg.sub(stretch.fromDeg).toNumber()
  return `${fromTo(stretch)}, ${formatNumber(width, 1)}° wide: the star ${canRest ? 'can rest here' : 'does not rest here'}`
}

/** Where the star goes from an angle. */
export function settleWords(naming: Naming, star: StarStop | undefined): string {
  if (!star) return 'No stop of the star is said.'
  const { stop } = star
  const label = stopName(naming, stop.position)
  return `Let go here, the star turns the drum to ${label}, at ${formatAngle(stop.angleDeg)}.`
}
