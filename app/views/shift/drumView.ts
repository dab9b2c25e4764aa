/** A drum unrolled: where its grooves, stops and states are drawn, and how a point is moved. */
import type { Drum, DrumPoint, DrumStop, DrumStretch, DrumTrack } from 'core'

/** The drawing of an unrolled drum, in its own units. */
export const DRUM_WIDTH = 720
export const LANE = 64
/** What the lane of a groove shows on either side of its middle, at the most. */
const LEAST_SHOWN_MM = 10

/** An angle as it is drawn from left to right. */
export function xOfAngle(angleDeg: number): number {
  return (angleDeg / 360) * DRUM_WIDTH
}

/** How far a groove goes from its middle, at the most. */
export function shownMm(track: DrumTrack): number {
  return Math.max(LEAST_SHOWN_MM, ...track.points.map(({ travelMm }) => Math.abs(travelMm) + 1))
}

/** Towards the input end is up. */
export function yOfTravel(track: DrumTrack, lane: number, travelMm: number): number {
  return lane * LANE + LANE / 2 + (travelMm / shownMm(track)) * (LANE / 2)
}

/** The groove as a line over the whole turn. */
export function groovePath(track: DrumTrack, lane: number): string {
  const { points } = track
  const [first] = points
  const last = points.at(-1)
  if (!first || !last) return ''
  const span = first.angleDeg + 360 - last.angleDeg
  // Where the groove stands at the ends of the turn, between its last point and its first.
  const share = (360 - last.angleDeg) / span
  const edgeMm = last.travelMm + (first.travelMm - last.travelMm) * share
  const at = (angleDeg: number, travelMm: number): string =>
    `${xOfAngle(angleDeg).toFixed(1)} ${yOfTravel(track, lane, travelMm).toFixed(1)}`
  return `M${[
    at(0, edgeMm),
    ...points.map(({ angleDeg, travelMm }) => at(angleDeg, travelMm)),
    at(360, edgeMm),
  ].join('L')}`
}

/** A stretch as bars within one turn: what goes on over its end is two. */
export function barsOf({ fromDeg, toDeg }: DrumStretch): readonly (readonly [number, number])[] {
  const [from, to] = [fromDeg.toNumber(), toDeg.toNumber()]
  return to <= 360
    ? [[from, to]]
    : [
        [from, 360],
        [0, to - 360],
      ]
}

/** Which stretch an angle lies in. */
export function stretchAt(
  stretches: readonly DrumStretch[],
  angleDeg: number,
): DrumStretch | undefined {
  return stretches.find((stretch) =>
    barsOf(stretch).some(([from, to]) => angleDeg >= from && angleDeg <= to),
  )
}

/** A drum with one of its grooves given other points, in the order of the turn. */
export function withPoints(drum: Drum, at: number, points: readonly DrumPoint[]): Drum {
  const sorted = [...points].sort((one, other) => one.angleDeg - other.angleDeg)
  return {
    ...drum,
    tracks: drum.tracks.map((track, index) =>
      index === at ? { ...track, points: sorted } : track,
    ),
  }
}

/** A point moved to where it is dragged: within half a degree and a tenth of a millimetre, between its neighbours. */
export function movedPoint(
  track: DrumTrack,
  at: number,
  angleDeg: number,
  travelMm: number,
): readonly DrumPoint[] {
  const least = (track.points[at - 1]?.angleDeg ?? -0.5) + 0.5
  const most = (track.points[at + 1]?.angleDeg ?? 360) - 0.5
  const angle = Math.min(Math.max(Math.round(angleDeg * 2) / 2, least), most)
  const travel = Math.min(Math.max(Math.round(travelMm * 10) / 10, -60), 60)
  return track.points.map((point, index) =>
    index === at ? { angleDeg: angle, travelMm: travel } : point,
  )
}

/** The stop that an angle is nearest to, all round. */
export function nearestStop({ stops }: Drum, angleDeg: number): DrumStop | undefined {
  const off = (stop: DrumStop): number => Math.abs(((stop.angleDeg - angleDeg + 540) % 360) - 180)
  return stops.reduce<DrumStop | undefined>(
    (best, each) => (best && off(best) <= off(each) ? best : each),
    undefined,
  )
}
