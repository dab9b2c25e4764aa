/**
 * From the knob of a lever to a sleeve: each arm hands travel and force on, and what one gains the
 * other loses (statics, without friction). A rod and a fork that is fast on it go by one travel; a fork
 * that swings goes against its rod, by the quotient of its arms.
 */
import type { BoxDraft, Coupler, CouplerPosition, RingFigures, Selector } from '../box/types.ts'
import { rodsOf } from './lever.ts'

/** Travel of what a fork moves, for one of its rod; below 0 where they go against one another. */
export function padsPerRod({ swings }: Pick<Coupler, 'swings'>): number {
  const { rodArmMm, padArmMm } = swings ?? {}
  return rodArmMm === undefined || padArmMm === undefined ? 1 : -padArmMm / rodArmMm
}

/** Force on a rod for one at the knob; null where the lengths of the lever are not known. */
function rodPerKnob({ knobArmMm, fingerArmMm }: Selector): number | null {
  return knobArmMm === undefined || fingerArmMm === undefined ? null : knobArmMm / fingerArmMm
}

/** Forces from the knob to the sleeve, and how far each goes; null of what no length is known for. */
export interface ForkWay {
  readonly rod: Selector
  readonly knobN: number
  readonly rodN: number
  /** At the pads of the fork, and on the sleeve. */
  readonly sleeveN: number
  /** Of the whole way into the place. */
  readonly knobMm: number | null
  readonly rodMm: number | null
  readonly sleeveMm: number | null
}

function rodOf(draft: BoxDraft, { id }: Pick<Coupler, 'id'>): Selector | undefined {
  return rodsOf(draft).find(
    ({ places, switched }) =>
      switched === undefined && places.some(({ couplers }) => couplers[id] !== undefined),
  )
}

/** What a force at the knob comes to at the sleeve of a place; null where no lever with known lengths moves it. */
export function forkWay(
  draft: BoxDraft,
  coupler: Coupler,
  place: Pick<CouplerPosition, 'id'>,
  knobN: number,
): ForkWay | null {
  const rod = rodOf(draft, coupler)
  const perKnob = rod && rodPerKnob(rod)
  if (!rod || perKnob === null || perKnob === undefined) return null
  const perRod = Math.abs(padsPerRod(coupler))
  const travelMm = rod.places.find(({ couplers }) => couplers[coupler.id] === place.id)?.travelMm
  const rodMm = travelMm === undefined ? null : Math.abs(travelMm)
  return {
    rod,
    knobN,
    rodN: knobN * perKnob,
    sleeveN: (knobN * perKnob) / perRod,
    knobMm: rodMm === null ? null : rodMm * perKnob,
    rodMm,
    sleeveMm: rodMm === null ? null : rodMm * perRod,
  }
}

/** The figures of a place's ring, the force on its sleeve by the lengths of lever and fork where these are known. */
export function ringFigures(
  draft: BoxDraft,
  coupler: Coupler,
  place: Pick<CouplerPosition, 'id' | 'ring'> | undefined,
): RingFigures {
  const way = place && forkWay(draft, coupler, place, 1)
  return { ...place?.ring, ...(way && { leverRatio: way.sleeveN }) }
}
