/**
 * What each kind of part is looked at and measured for, and among what it is listed: one
 * line for each kind (common practice throughout).
 */
import type { PieceKind } from '../box/types.ts'
import type { Measure } from '../measure/measurement.ts'
import type { Look } from './job.ts'

/** Groups in which parts are gone through at the bench, in that order. */
export const PART_FAMILIES = [
  'rings',
  'sleeves',
  'gears',
  'shafts',
  'bearings',
  'washers',
  'hubs',
  'selectors',
  'clutch',
  'case',
] as const
/** See `PART_FAMILIES`. */
export type PartFamily = (typeof PART_FAMILIES)[number]

/** A gear or shaft of the drawing, or a piece. */
export type UnitPartKind = 'gear' | 'shaft' | PieceKind

/** See the columns. What it is measured for first is what tells most of it. */
export interface UnitPartDefinition {
  readonly family: PartFamily
  readonly measures: readonly Measure[]
  readonly looks: readonly Look[]
  /** Whether anything found of it judges it; else only what it is measured for first. */
  readonly isJudgedByAny: boolean
}

function line(
  family: PartFamily,
  measures: readonly Measure[],
  looks: readonly Look[],
): UnitPartDefinition {
  return { family, measures, looks, isJudgedByAny: true }
}

/** A part of which one measurement tells most. */
function mainLine(...of: Parameters<typeof line>): UnitPartDefinition {
  return { ...line(...of), isJudgedByAny: false }
}

/** A bearing that is turned by hand. */
const ROLLING = line('bearings', ['bearing-drag'], ['bearing-feel', 'pitting'])

/** What each kind of part is judged by. */
export const UNIT_PART_DEFINITIONS: Readonly<Record<UnitPartKind, UnitPartDefinition>> = {
  ring: mainLine('rings', ['ring-gap'], ['crack', 'grooves', 'tooth-tips']),
  sleeve: mainLine('sleeves', ['fork-clearance', 'dog-engagement', 'spline-rock'], ['dog-corners']),
  gear: mainLine(
    'gears',
    ['backlash', 'end-play', 'running-clearance', 'cone-contact'],
    ['tooth-tips', 'cone-feel'],
  ),
  shaft: mainLine(
    'shafts',
    ['end-play', 'run-out', 'bearing-drag', 'spline-rock', 'preload'],
    ['bearing-feel'],
  ),
  'ball-bearing': ROLLING,
  'roller-bearing': ROLLING,
  'taper-bearing': { ...ROLLING, measures: ['preload', 'bearing-drag'] },
  'pilot-bearing': { ...ROLLING, measures: [] },
  'release-bearing': { ...ROLLING, family: 'clutch', measures: [] },
  'needle-bearing': line('bearings', [], ['pitting', 'bearing-feel']),
  'bearing-race': line('bearings', [], ['pitting']),
  bush: line('bearings', ['running-clearance'], ['scoring']),
  spacer: line('washers', ['thickness'], ['scoring']),
  'thrust-washer': line('washers', ['thickness'], ['scoring']),
  shim: line('washers', ['thickness'], ['scoring']),
  'snap-ring': line('washers', ['groove-width', 'thickness'], []),
  nut: line('washers', [], ['thread']),
  key: line('washers', ['thickness'], ['step-wear']),
  flange: line('shafts', ['spline-rock', 'run-out'], ['scoring']),
  'speed-wheel': line('shafts', [], ['tooth-tips', 'crack']),
  hub: line('hubs', ['spline-rock'], ['step-wear', 'crack']),
  'hub-key': line('hubs', ['thickness'], ['step-wear']),
  spring: line('hubs', ['free-length'], ['crack']),
  ball: line('hubs', [], ['scoring']),
  fork: line('selectors', ['thickness'], ['step-wear', 'bent', 'crack']),
  rod: line('selectors', [], ['bent', 'scoring']),
  detent: line('selectors', ['free-length'], ['scoring']),
  'interlock-ball': line('selectors', [], ['scoring']),
  'friction-plate': line('clutch', ['thickness', 'stack-height', 'pack-clearance'], ['burnt']),
  'steel-plate': line('clutch', ['flatness', 'thickness'], ['burnt']),
  piston: line('clutch', [], ['scoring']),
  'clutch-disc': line('clutch', ['thickness', 'run-out'], ['burnt']),
  'clutch-fork': line('clutch', [], ['step-wear', 'bent', 'crack']),
  case: line('case', ['flatness'], ['crack']),
  'end-plate': line('case', ['flatness'], ['crack']),
  'intermediate-plate': line('case', ['flatness'], ['crack']),
  'bearing-carrier': line('case', ['running-clearance'], ['crack']),
  'tail-housing': line('case', ['running-clearance'], ['crack']),
  cover: line('case', ['flatness'], ['crack']),
  'dummy-shaft': line('case', [], ['scoring']),
  'idler-pin': line('shafts', ['running-clearance'], ['scoring']),
  seal: line('case', [], ['scoring']),
  gasket: line('case', [], []),
  bolt: line('case', [], ['thread']),
  switch: line('case', [], ['thread']),
  'oil-guide': line('case', [], ['crack']),
}
