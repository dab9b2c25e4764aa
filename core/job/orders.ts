/**
 * What a verdict orders. What is measured is often not what is worn: play of a shaft is
 * set by shims, and a rough feel is of its bearings. The table below says, for what was
 * found on which kind of part, what is replaced (common practice); it has one line for each.
 */
import type { Finding, Job, Look } from './job.ts'
import { standingVerdict } from './job.ts'
import type { Measure } from '../measure/measurement.ts'
import type { UnitPartKind } from './unitParts.ts'
import { readPartReference } from './unitParts.ts'

/** What is replaced, beside the part that was looked at. */
export const ORDER_TARGETS = ['itself', 'bearings', 'fork', 'shims', 'thrust-washer'] as const
export type OrderTarget = (typeof ORDER_TARGETS)[number]

export interface OrderRule {
  readonly found: Measure | Look
  readonly on: UnitPartKind
  readonly orders: OrderTarget
}

/** Common practice throughout. */
export const ORDER_RULES: readonly OrderRule[] = [
  // A ring that sits too deep, is cracked or has lost its grooves or tips is worn out.
  { found: 'ring-gap', on: 'ring', orders: 'itself' },
  { found: 'crack', on: 'ring', orders: 'itself' },
  { found: 'grooves', on: 'ring', orders: 'itself' },
  { found: 'tooth-tips', on: 'ring', orders: 'itself' },
  // A fork wears its pads before it wears the groove.
  { found: 'fork-clearance', on: 'sleeve', orders: 'fork' },
  { found: 'dog-engagement', on: 'sleeve', orders: 'itself' },
  { found: 'dog-corners', on: 'sleeve', orders: 'itself' },
  { found: 'backlash', on: 'gear', orders: 'itself' },
  { found: 'tooth-tips', on: 'gear', orders: 'itself' },
  // A free gear floats between thrust washers.
  { found: 'end-play', on: 'gear', orders: 'thrust-washer' },
  // Play and preload of a shaft are set by shims.
  { found: 'end-play', on: 'shaft', orders: 'shims' },
  { found: 'bearing-drag', on: 'shaft', orders: 'bearings' },
  { found: 'bearing-feel', on: 'shaft', orders: 'bearings' },
  { found: 'run-out', on: 'shaft', orders: 'itself' },
  { found: 'spline-rock', on: 'shaft', orders: 'itself' },
]

/** A part that somebody has to get, and what was found that asks for it. */
export interface Need {
  /** "ring:3-4/towards-output", "bearings:counter", "fork:3-4", "shims:main". */
  readonly key: string
  readonly finding: Finding
}

/** The key of what a finding orders; the part itself where no rule says otherwise. */
export function orderKey({ part, what }: Pick<Finding, 'part' | 'what'>): string {
  const { kind, id } = readPartReference(part)
  const rule = ORDER_RULES.find(({ found, on }) => found === what && on === kind)
  return rule === undefined || rule.orders === 'itself' ? part : `${rule.orders}:${id}`
}

/** Whether a finding is of the unit as it came, and not of what was put in since. */
function isAsFound(finding: Finding): boolean {
  return finding.kind === 'seen' || finding.measured.phase !== 'after'
}

/**
 * What the verdicts ask for, each once, in the order in which it was found. Measuring
 * after the work takes nothing from the list. A later finding of the same kind as found
 * replaces an earlier one, unless the part has been written down meanwhile.
 */
export function needsOf(job: Job): readonly Need[] {
  const written = new Set(job.lines.map(({ key }) => key))
  const latest = new Map<string, Finding>()
  const needs = new Map<string, Need>()
  for (const finding of job.findings) {
    if (!isAsFound(finding)) continue
    latest.set(`${finding.part} ${finding.what}`, finding)
    const key = orderKey(finding)
    if (written.has(key) && standingVerdict(finding) === 'replace') needs.set(key, { key, finding })
  }
  for (const finding of latest.values()) {
    const key = orderKey(finding)
    if (standingVerdict(finding) === 'replace' && !needs.has(key)) needs.set(key, { key, finding })
  }
  return [...needs.values()]
}
