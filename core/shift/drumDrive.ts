/**
 * What turns a drum: a motor by pairs of wheels, or the strokes of a ratchet. A pair turns its driven
 * wheel by driving over driven teeth, so that the motor turns by the quotient the other way.
 */
import type { BoxDraft, Drum, DrumStop } from '../box/types.ts'
import { LARGEST } from '../box/fields/bounds.ts'
import { freshId } from '../box/drafting/ids.ts'
import type { Rational } from '../number/rational.ts'
import { ONE, rational } from '../number/rational.ts'
import { couplersAway } from '../train/analysis.ts'
import { exact } from './drum.ts'

/** From one stop of a drum to the next. */
export interface DrumStep {
  readonly from: DrumStop
  readonly to: DrumStop
  readonly turnDeg: Rational
  /** Of the motor; null where no pair is known. */
  readonly motorTurns: Rational | null
  /** Of the ratchet; null where its stroke is not known. */
  readonly strokes: Rational | null
}

const FULL_TURN = rational(360)

/** Turns of the motor for one of the drum. */
export function motorPerDrum({ train = [] }: Pick<Drum, 'train'>): Rational {
  return train.reduce<Rational>(
    (turns, { drivingToothCount, drivenToothCount }) =>
      turns.mul(rational(drivenToothCount, drivingToothCount)),
    ONE,
  )
}

/** Every way from a stop to the next, in the order of the turn. */
export function drumSteps(drum: Drum): readonly DrumStep[] {
  const { stops, train = [], strokeDeg } = drum
  const inTurn = [...stops].sort((one, other) => one.angleDeg - other.angleDeg)
  return inTurn.slice(1).flatMap((to, at): readonly DrumStep[] => {
    const from = inTurn[at]
    if (!from) return []
    const turnDeg = exact(to.angleDeg).sub(exact(from.angleDeg))
    return [
      {
        from,
        to,
        turnDeg,
        motorTurns: train.length > 0 ? turnDeg.div(FULL_TURN).mul(motorPerDrum(drum)) : null,
        strokes: strokeDeg === undefined ? null : turnDeg.div(exact(strokeDeg)),
      },
    ]
  })
}

/** The drums with one groove on a drum of its own, its stops those of the positions that it is for. */
export function divideDrum(draft: BoxDraft, drum: Drum, coupler: string): readonly Drum[] {
  const drums = draft.drums ?? []
  const track = drum.tracks.find((each) => each.coupler === coupler)
  if (!track || drum.tracks.length < 2 || drums.length >= LARGEST.drums) return drums
  const moves = (position: string | undefined, isMoved: (id: string) => boolean): boolean => {
    const { couplers = {} } = draft.positions.find(({ id }) => id === position) ?? {}
    return (
      couplersAway(
        draft.couplers.filter(({ id }) => isMoved(id)),
        couplers,
      ).length > 0
    )
  }
  const onlyOf = (is: (id: string) => boolean): Drum['stops'] =>
    drum.stops.map((stop) => (moves(stop.position, is) ? stop : { ...stop, position: undefined }))
  const rest = drum.tracks.filter((each) => each !== track)
  const stays = new Set(rest.map((each) => each.coupler))
  return drums.flatMap((each) =>
    each === drum
      ? [
          { ...drum, tracks: rest, stops: onlyOf((id) => stays.has(id)) },
          {
            ...drum,
            id: freshId(draft, 'drum'),
            tracks: [track],
            stops: onlyOf((id) => id === coupler),
          },
        ]
      : [each],
  )
}

/** The drums with one of them joined to the first, whose stops take on what the other's at their angles are for. */
export function joinDrum(drums: readonly Drum[], joined: Drum): readonly Drum[] {
  const [first, ...others] = drums
  if (!first || first === joined) return drums
  const stops = first.stops.map((stop) => ({
    ...stop,
    position:
      stop.position ?? joined.stops.find(({ angleDeg }) => angleDeg === stop.angleDeg)?.position,
  }))
  return [
    { ...first, stops, tracks: [...first.tracks, ...joined.tracks] },
    ...others.filter((each) => each !== joined),
  ]
}
