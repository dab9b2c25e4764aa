import type { Gear } from './types.ts'

/**
 * Where along their axes two gears mesh, in millimetres from the input end: a
 * sliding gear comes to its mate's station, and two that do not slide meet
 * half-way between theirs.
 */
export function meshStationMm(a: Gear, b: Gear): number {
  if (a.mount === 'sliding' && b.mount !== 'sliding') return b.stationMm
  if (b.mount === 'sliding' && a.mount !== 'sliding') return a.stationMm
  return (a.stationMm + b.stationMm) / 2
}

/** The pitch radius of a count: m·z/2, divided by cos β for a helix (ISO 21771). */
export function pitchRadiusOfModuleMm(gear: Gear, toothCount: number, moduleMm: number): number {
  const helix = ((gear.helixAngleDeg ?? 0) * Math.PI) / 180
  return (moduleMm * toothCount) / 2 / Math.cos(helix)
}
