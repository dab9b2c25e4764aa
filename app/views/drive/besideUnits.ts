/** Other units that are driven over the same course as the one that is open. */
import type { BoxDraft, Car, DriveWay } from 'core'
import { checkBox, prepareSolver } from 'core'

import { topRatioOf, usualCar, usualWay, waysOf } from './driveView.ts'

/** More than these in one table are no comparison. */
export const MOST_BESIDE = 4

export interface UnitName {
  readonly id: string
  readonly name: string
}

export interface UnitBeside extends UnitName {
  readonly draft: BoxDraft
}

/** A unit beside, with the way in which its gears are usually changed and the car that would be its own. */
export interface UsualUnit extends UnitBeside {
  readonly way: DriveWay
  readonly car: Car
}

/** The units that an address names, each once. */
export function besideOf(text: string | null): readonly string[] {
  return [...new Set((text ?? '').split('.'))].filter((id) => id !== '')
}

export function formatBeside(ids: readonly string[]): string {
  return ids.join('.')
}

/** How a unit is usually driven; one that does not hang together is driven too, to be told of. */
export function usualUnit(unit: UnitBeside): UsualUnit {
  const checked = checkBox(unit.draft)
  const solver = checked.ok ? prepareSolver(checked.box) : undefined
  return {
    ...unit,
    way: usualWay(unit.draft, waysOf(solver)),
    car: usualCar(unit.draft, solver && topRatioOf(solver)),
  }
}
