/** What the address of a Trace page says, read for one box. */
import type {
  Analysis,
  BoxDraft,
  CouplerPlaces,
  Drive,
  LockCause,
  PositionAnalysis,
  Preselection,
  Share,
  Solver,
  Split,
} from 'core'
import {
  ONE,
  analyse,
  explainLock,
  findPreselections,
  isLocked,
  rational,
  shareOfSplit,
} from 'core'

import type { AnalysedBox } from '~/views/box/analysis.ts'
import { mostTorque } from '~/views/box/analysis.ts'
import type { Layers } from '~/views/section/layers.ts'
import { LAYERS, USUAL_LAYERS } from '~/views/section/layers.ts'
import type { Pace } from '~/views/section/pace.ts'

import { isDown } from './traceInput.ts'
import { axleOf, differenceOf, parseBend } from './bend.ts'
import { MOVED_ID, parsePlaces } from './movedPlaces.ts'

/** The position that is looked at, and how. */
export interface TraceState {
  readonly solver: Solver
  /** Which of the listed positions was selected last. */
  readonly at: number
  readonly selected: PositionAnalysis
  readonly isByHand: boolean
  /** Positions that can wait behind an open clutch while this one carries. */
  readonly preselections: readonly Preselection[]
  /** The one of them that does. */
  readonly waiting: Preselection | undefined
  readonly isOverrun: boolean
  /** How the load divides while the input drives, where it does by assumption or as set. */
  readonly splits: readonly Split[]
  readonly lock: LockCause | undefined
  /** Torque of the ribbon at its full width, for one unit of input torque. */
  readonly fullTorque: number
}

/** The parts of an address on which the analysis of the selected position rests. */
export interface TraceAddress {
  readonly position: string | null
  readonly moved: string | null
  readonly overrun: 'on' | null
  readonly share: string | null
  readonly waits: string | null
  readonly bend: string | null
  readonly pedal: 'down' | null
}

/** Undefined where the box cannot be traced: it does not hang together, or lists no position. */
export function readTraceState(
  draft: BoxDraft,
  { solver, positions, fullTorque }: AnalysedBox,
  address: TraceAddress,
): TraceState | undefined {
  const at = Math.max(
    positions.findIndex(({ position }) => position.id === address.position),
    0,
  )
  const listed = positions[at]
  if (!solver || !listed) return undefined
  const moved = parsePlaces(draft, address.moved)
  const isOverrun = address.overrun === 'on'
  const preselections = moved ? [] : findPreselections(solver, listed.position)
  const waiting = preselections.find(({ position }) => position.id === address.waits)
  const plain = moved
    ? { position: movedPosition(moved), analysis: analyse(solver, moved) }
    : waiting
      ? {
          position: { ...listed.position, couplers: waiting.places },
          analysis: analyse(solver, waiting.places),
        }
      : listed
  const { position } = plain
  const shares = plain.analysis.state === 'drive' ? sharesOf(plain.analysis, address.share) : []
  const driving =
    shares.length > 0 ? analyse(solver, position.couplers, { shares }) : plain.analysis
  const bend = driving.state === 'drive' ? parseBend(address.bend) : null
  const axle = driving.state === 'drive' ? axleOf(draft, driving) : undefined
  const bends = bend && axle && new Map([[axle.link.id, differenceOf(bend)]])
  const analysis =
    isOverrun || bends
      ? analyse(solver, position.couplers, { shares, isOverrun, ...(bends && { bends }) })
      : driving
  const shown = isDown(address, draft) ? withPedalDown(analysis) : analysis
  return {
    solver,
    at,
    selected: { position, analysis: shown },
    isByHand: moved !== null,
    preselections,
    waiting,
    isOverrun,
    splits: driving.state === 'drive' ? driving.splits : [],
    lock: isLocked(analysis) ? explainLock(solver, position.couplers) : undefined,
    fullTorque: Math.max(fullTorque, mostTorque(analysis)),
  }
}

/** With the pedal down the engine turns nothing: in neutral what hangs on the input runs on by itself. */
function withPedalDown(analysis: Analysis): Analysis {
  if (analysis.state !== 'neutral') return analysis
  return {
    ...analysis,
    motions: new Map(
      [...analysis.motions].map(([body, motion]) => [
        body,
        motion.kind === 'turns' ? { kind: 'coasts' } : motion,
      ]),
    ),
  }
}

function movedPosition(couplers: CouplerPlaces): PositionAnalysis['position'] {
  return { id: MOVED_ID, label: 'by hand', couplers }
}

/** Whole per cents that a path may be given. */
export const LEAST_SHARE_PERCENT = 1
export const MOST_SHARE_PERCENT = 99

/** Per cent of the first of the ways on, or the same torque for all of them. */
export type WantedShare = number | 'equal'

/** "input:55,main:equal" → what is wanted, by the body that splits. */
function parseShares(text: string | null): ReadonlyMap<string, WantedShare> {
  return new Map(
    (text ?? '').split(',').flatMap((pair): [string, WantedShare][] => {
      const at = pair.lastIndexOf(':')
      if (at <= 0) return []
      const [body, wanted] = [pair.slice(0, at), pair.slice(at + 1)]
      if (wanted === 'equal') return [[body, wanted]]
      const percent = Number(wanted)
      const isUsable =
        Number.isInteger(percent) && percent >= LEAST_SHARE_PERCENT && percent <= MOST_SHARE_PERCENT
      return isUsable ? [[body, percent]] : []
    }),
  )
}

/** The text with one body's share changed; null takes it out. */
export function withShare(text: string | null, body: string, wanted: WantedShare | null): string {
  const shares = new Map(parseShares(text))
  if (wanted === null) shares.delete(body)
  else shares.set(body, wanted)
  return [...shares].map(([id, part]) => `${id}:${part}`).join(',')
}

/** The first way on gets its per cent, the others divide what is left equally. */
function sharesOf({ splits }: Drive, text: string | null): readonly Share[] {
  const wantedAt = parseShares(text)
  return splits.flatMap((split): Share[] => {
    const wanted = wantedAt.get(split.body)
    const count = split.parts.length
    if (wanted === undefined) return []
    const first = wanted === 'equal' ? ONE.div(rational(count)) : rational(wanted, 100)
    const other = ONE.sub(first).div(rational(count - 1))
    return [
      shareOfSplit(
        split,
        split.parts.map((_, at) => (at === 0 ? first : other)),
      ),
    ]
  })
}

/** "slow" or "paused"; anything else is the normal pace. */
export function parsePace(text: string | null): Pace {
  return text === 'slow' || text === 'paused' ? text : 'normal'
}

/** "torque,speed" → layers; the usual ones where nothing is chosen, and none for "none". */
export function parseLayers(text: string | null): Layers {
  if (text === null) return USUAL_LAYERS
  const named = text.split(',')
  return new Set(LAYERS.filter((layer) => named.includes(layer)))
}

/** As the address keeps it; empty for the usual layers. */
export function formatLayers(layers: Layers): string {
  const isUsual = LAYERS.every((layer) => layers.has(layer) === USUAL_LAYERS.has(layer))
  if (isUsual) return ''
  return LAYERS.filter((layer) => layers.has(layer)).join(',') || 'none'
}
