/**
 * A job: one visit of a unit to the bench, as the log of everything entered. Entries are
 * only ever added, so that two people at one job take nothing from one another; what was
 * wrong is withdrawn by another entry, and what a job *is* follows from reading its log.
 */
import equal from 'fast-deep-equal'

import type { Entered, EnteredLimit } from '../measure/entered.ts'
import { exactBoundsOf, exactFigureOf, spanOf } from '../measure/entered.ts'
import type { ConeCount, Judgement, Measure, Verdict } from '../measure/measurement.ts'
import type { Look } from '../measure/looks.ts'
import { SEVERITY, judge } from '../measure/measurement.ts'
import type { Seen, SpinTicks } from '../train/spin.ts'
import type { TurnCheck } from '../count/turnCheck.ts'
import { parseReading } from '../number/reading.ts'
import type { ReadingUnit } from '../number/units.ts'

import type { KnownLimits } from './limits.ts'
import { judgingLimit } from './limits.ts'

/** In the order of the work (common practice). */
export const STAGES = [
  'intake',
  'lay-out',
  'keyed',
  'count',
  'turn-check',
  'rings',
  'sleeves',
  'shafts',
  'parts',
  'assemble',
  'bench-check',
  'hand-over',
] as const
/** See `STAGES`. */
export type Stage = (typeof STAGES)[number]

/** What is written down when a unit comes in. */
export interface Intake {
  readonly reference: string
  /** As it is stamped or cast on the unit. */
  readonly serial?: string | undefined
  readonly complaint: string
  readonly distance: Entered | null
  readonly oil: string
  readonly cameWith: string
  /** Initials of whose job it is; empty or missing where nobody was named. */
  readonly assignee?: string | undefined
}

const EMPTY_INTAKE: Intake = {
  reference: '',
  complaint: '',
  distance: null,
  oil: '',
  cameWith: '',
}

/** How far a part to get has come. */
export const LINE_STATES = ['needed', 'ordered', 'arrived', 'left-out'] as const
/** See `LINE_STATES`. */
export type LineState = (typeof LINE_STATES)[number]

/** One line of the parts list. */
export interface PartLine {
  /** The part it is for, or a name of its own. */
  readonly key: string
  readonly what: string
  readonly quantity: number
  /** For one, in the shop's money; null where it is not known. */
  readonly price: string | null
  readonly state: LineState
  readonly partNumber?: string | undefined
  readonly supplier?: string | undefined
  /** What comes back for one when the old part is returned, in the shop's money. */
  readonly core?: string | null | undefined
  /** Where it was taken from instead of being bought: a spare unit, the shelf. */
  readonly takenFrom?: string | undefined
  /** Why a person decided otherwise than the verdicts. */
  readonly reason?: string | undefined
  /** Work, and no part. */
  readonly isLabour?: boolean | undefined
}

/** What was measured round the parts that bear on one another along a shaft. */
export interface MeasuredStack {
  /** Between what stops them at either end; null where it is not measured. */
  readonly room: Entered | null
  /** By how much the room and each length may be off, both ways. */
  readonly roomDeviation: Entered
  readonly partDeviation: Entered
  /** Parts that are counted otherwise than is usual of their kind. */
  readonly turned: readonly string[]
  /** What is to be replaced, and the length of the new one. */
  readonly instead?: { readonly part: string; readonly length: Entered | null } | undefined
}

/** What one entry of the log of a job says. */
export type EntryBody =
  | { readonly kind: 'intake'; readonly intake: Intake }
  | { readonly kind: 'note'; readonly text: string; readonly part?: string | undefined }
  | { readonly kind: 'waiting'; readonly for: string }
  | {
      readonly kind: 'turn-check'
      readonly position: string
      /** The body whose turns are the output's, where it is not the first output driven. */
      readonly at?: string | undefined
      readonly inputTurns: string
      readonly outputTurns: string
      readonly errorTurns: string
      /** The input's where it is not said. */
      readonly readAt?: 'output' | undefined
    }
  | {
      /** What was ticked in a spin test, or its ticks taken out. */
      readonly kind: 'spin'
      readonly places: readonly { readonly coupler: string; readonly place: string }[]
      readonly held: readonly string[]
      readonly turned: string
      readonly ticks: readonly { readonly part: string; readonly seen: Seen | null }[]
    }
  | {
      readonly kind: 'measurement'
      readonly part: string
      readonly measure: Measure
      readonly readings: readonly string[]
      readonly unit: ReadingUnit
      readonly radius?: Entered | undefined
      /** What runs in the bore that was read. */
      readonly journal?: Entered | undefined
      readonly tool: string
      readonly limit: EnteredLimit | null
      /** Of a ring: how many cones act together in its pack. */
      readonly cones?: ConeCount | undefined
      /** As it came in, or after the work. */
      readonly phase: 'found' | 'after'
    }
  | { readonly kind: 'look'; readonly part: string; readonly look: Look; readonly grade: Verdict }
  | {
      readonly kind: 'overrule'
      readonly entry: string
      readonly verdict: Verdict
      readonly reason: string
    }
  | {
      readonly kind: 'limit'
      readonly part: string | null
      readonly measure: Measure
      readonly limit: EnteredLimit
    }
  | {
      /** Shims fitted, and what end play they were to leave; in tenths of a micrometre. */
      readonly kind: 'shims'
      readonly part: string
      readonly thicknesses: readonly number[]
      readonly expected: number
    }
  | { readonly kind: 'stack'; readonly shaft: string; readonly stack: MeasuredStack }
  /** Which tray a part lies in; empty where it was taken out of one. */
  | { readonly kind: 'tray'; readonly part: string; readonly tray: string }
  /**
   * A part taken off, into a tray, or put in; null of the whole unit, which comes in pieces or
   * as a whole.
   */
  | {
      readonly kind: 'step'
      readonly part: string | null
      readonly is: 'off' | 'in'
      readonly tray?: string | undefined
    }
  | { readonly kind: 'stage'; readonly stage: Stage; readonly isDone: boolean }
  | { readonly kind: 'line'; readonly line: PartLine }
  | {
      readonly kind: 'photo'
      readonly photo: string
      readonly caption: string
      readonly part?: string | undefined
      readonly entry?: string | undefined
    }
  | { readonly kind: 'withdraw'; readonly entry: string }
  | { readonly kind: 'close'; readonly leftOut: string }
  | { readonly kind: 'reopen' }

/** One line of the log of a job; entries are only ever added. */
export interface Entry {
  readonly id: string
  /** When it was entered, as ISO 8601 in UTC. */
  readonly at: string
  /** Initials of who entered it; empty where nobody said. */
  readonly by: string
  readonly body: EntryBody
}

type Body<K extends EntryBody['kind']> = Extract<EntryBody, { readonly kind: K }>

/** Something judged: by a measurement or by looking, and perhaps overruled. */
export type Finding = {
  readonly entry: Entry
  readonly part: string
  /** What a person said instead of the verdict. */
  readonly overruled: Overruling | null
} & (
  | {
      readonly kind: 'measured'
      readonly what: Measure
      /** With the limit that judges it, which may have been entered after it. */
      readonly measured: Body<'measurement'>
      /** Whether it is judged by another limit than the one that held when it was measured. */
      readonly isJudgedSince: boolean
      readonly judgement: Judgement
      /** What the figures say; null where there is no limit. */
      readonly verdict: Verdict | null
    }
  | { readonly kind: 'seen'; readonly what: Look; readonly verdict: Verdict }
)

/** A finding with the figures it was made from. */
export type Measured = Extract<Finding, { readonly kind: 'measured' }>

interface Overruling {
  readonly verdict: Verdict
  readonly reason: string
  readonly by: string
}

/** Shims as they were fitted, and what was measured after them. */
export interface FittedShims {
  readonly thicknesses: readonly number[]
  /** In tenths of a micrometre. */
  readonly expected: number
  /** The end play first measured afterwards, in mm; null while it has not been. */
  readonly measuredMm: number | null
}

/** What of the unit has been taken off, as far as somebody said so. */
export interface Taken {
  /** Whether what nobody said anything of is off. */
  readonly isApart: boolean
  /** By reference; the latest of each. */
  readonly moved: ReadonlyMap<string, 'off' | 'in'>
  /** The entries that say so, the latest last. */
  readonly steps: readonly Entry[]
}

/** A job as its log tells it. */
export interface Job {
  readonly intake: Intake
  /** Everything that stands, in the order of time. */
  readonly entries: readonly Entry[]
  readonly withdrawn: ReadonlySet<string>
  readonly checks: readonly { readonly entry: Entry; readonly check: TurnCheck }[]
  /** What was ticked in spin tests, in the order of time. */
  readonly spins: readonly SpinTicks[]
  readonly findings: readonly Finding[]
  /** Limits entered for the unit, the latest of each source, part and measure. */
  readonly limits: readonly Body<'limit'>[]
  /** Shims fitted, by part; the latest of each. */
  readonly shims: ReadonlyMap<string, FittedShims>
  /** Stacks as they were measured, by shaft; the latest of each. */
  readonly stacks: ReadonlyMap<string, MeasuredStack>
  readonly marks: ReadonlyMap<Stage, boolean>
  /** Where parts lie, by their reference. */
  readonly trays: ReadonlyMap<string, string>
  readonly taken: Taken
  readonly waitingFor: string
  readonly lines: readonly PartLine[]
  readonly isClosed: boolean
  readonly leftOut: string
}

function checkOf(entry: Entry, body: Body<'turn-check'>): TurnCheck | undefined {
  const [inputTurns, outputTurns, errorTurns] = [
    body.inputTurns,
    body.outputTurns,
    body.errorTurns,
  ].map(parseReading)
  if (!inputTurns?.ok || !outputTurns?.ok || !errorTurns?.ok) return undefined
  return {
    id: entry.id,
    position: body.position,
    ...(body.at !== undefined && { at: body.at }),
    inputTurns: inputTurns.value,
    outputTurns: outputTurns.value,
    readAt: body.readAt ?? 'input',
    errorTurns: errorTurns.value,
  }
}

/** A job while its log is read, entry by entry. */
interface Told {
  intake: Intake
  waitingFor: string
  isClosed: boolean
  leftOut: string
  isApart: boolean
  readonly checks: { readonly entry: Entry; readonly check: TurnCheck }[]
  readonly spins: SpinTicks[]
  readonly findings: Finding[]
  readonly limits: Map<string, Body<'limit'>>
  readonly shims: Map<string, FittedShims>
  readonly stacks: Map<string, MeasuredStack>
  readonly marks: Map<Stage, boolean>
  readonly trays: Map<string, string>
  readonly moved: Map<string, 'off' | 'in'>
  readonly steps: Entry[]
  readonly lines: Map<string, PartLine>
  readonly overrules: Map<string, Overruling>
}

function nothingTold(): Told {
  return {
    intake: EMPTY_INTAKE,
    waitingFor: '',
    isClosed: false,
    leftOut: '',
    isApart: false,
    checks: [],
    spins: [],
    findings: [],
    limits: new Map(),
    shims: new Map(),
    stacks: new Map(),
    marks: new Map(),
    trays: new Map(),
    moved: new Map(),
    steps: [],
    lines: new Map(),
    overrules: new Map(),
  }
}

/** What an entry of each kind changes in what is told of the job. */
const READERS: {
  readonly [Kind in EntryBody['kind']]: (told: Told, body: Body<Kind>, entry: Entry) => void
} = {
  intake: (told, { intake }) => {
    told.intake = intake
  },
  waiting: (told, body) => {
    told.waitingFor = body.for
  },
  'turn-check': ({ checks }, body, entry) => {
    const check = checkOf(entry, body)
    if (check) checks.push({ entry, check })
  },
  spin: ({ spins }, { places, held, turned, ticks }) => {
    const stood = Object.fromEntries(places.map(({ coupler, place }) => [coupler, place]))
    spins.push({ setup: { places: stood, held, turned }, ticks })
  },
  measurement: ({ findings, shims }, body, entry) => {
    const finding = measuredFinding(entry, body, body.limit)
    if (!finding) return
    findings.push(finding)
    const fitted = shims.get(body.part)
    if (fitted?.measuredMm === null && body.measure === 'end-play')
      shims.set(body.part, { ...fitted, measuredMm: finding.judgement.figures.figure })
  },
  look: ({ findings }, { part, look: what, grade: verdict }, entry) => {
    findings.push({ kind: 'seen', entry, part, what, verdict, overruled: null })
  },
  overrule: ({ overrules }, { entry: of, verdict, reason }, { by }) => {
    overrules.set(of, { verdict, reason, by })
  },
  limit: ({ limits }, body) => {
    limits.set(`${body.limit.source} ${body.measure} ${body.part ?? ''}`, body)
  },
  shims: ({ shims }, { part, thicknesses, expected }) => {
    shims.set(part, { thicknesses, expected, measuredMm: null })
  },
  stack: ({ stacks }, { shaft, stack }) => {
    stacks.set(shaft, stack)
  },
  tray: ({ trays }, { part, tray }) => {
    if (tray === '') trays.delete(part)
    else trays.set(part, tray)
  },
  step: (told, { part, is, tray }, entry) => {
    const { moved, steps, trays } = told
    steps.push(entry)
    if (part === null) {
      told.isApart = is === 'off'
      moved.clear()
      if (is === 'in') trays.clear()
      return
    }
    moved.set(part, is)
    if (is === 'in') trays.delete(part)
    else if (tray !== undefined) trays.set(part, tray)
  },
  stage: ({ marks }, { stage, isDone }) => {
    marks.set(stage, isDone)
  },
  line: ({ lines }, { line }) => {
    lines.set(line.key, line)
  },
  close: (told, { leftOut }) => {
    told.isClosed = true
    told.leftOut = leftOut
  },
  reopen: (told) => {
    told.isClosed = false
  },
  // What is written or photographed changes nothing, and what is withdrawn was left out before.
  note: () => undefined,
  photo: () => undefined,
  withdraw: () => undefined,
}

/** The kinds of entries that `readJob` takes. */
// The table above has each of them, and no other.
export const ENTRY_KINDS = Object.keys(READERS) as readonly EntryBody['kind'][]

/** The limits that are known besides a job's log: of the unit's data sheet, and of the shop. */
export type LimitsBeside = Omit<KnownLimits, 'limits'>

const NOTHING_BESIDE: LimitsBeside = { sheet: [], rules: [] }

/**
 * Reads a log, in any order, into the job that it tells of. While a job is open its readings are
 * judged by the limits as they are now, those `beside` the log among them; one that is closed
 * stays as it was closed.
 */
export function readJob(log: readonly Entry[], beside: LimitsBeside = NOTHING_BESIDE): Job {
  const ordered = [...log].sort(
    (one, other) => compare(one.at, other.at) || compare(one.id, other.id),
  )
  const withdrawn = new Set(
    ordered.flatMap(({ body }) => (body.kind === 'withdraw' ? [body.entry] : [])),
  )
  const entries = ordered.filter(({ id }) => !withdrawn.has(id))
  const told = nothingTold()
  for (const entry of entries) {
    // The reader of a kind takes the bodies of that kind.
    const read = READERS[entry.body.kind] as (told: Told, body: EntryBody, entry: Entry) => void
    read(told, entry.body, entry)
  }
  const { isApart, moved, steps, overrules, findings, lines, ...rest } = told
  const limits = [...told.limits.values()]
  const known = { ...(told.isClosed ? NOTHING_BESIDE : beside), limits }
  return {
    ...rest,
    entries,
    withdrawn,
    findings: findings.map((finding) => ({
      ...judgedAgain(finding, known),
      overruled: overrules.get(finding.entry.id) ?? null,
    })),
    limits,
    taken: { isApart, moved, steps },
    lines: [...lines.values()],
  }
}

/** A finding judged by the limits that are known now. */
function judgedAgain(finding: Finding, known: KnownLimits): Finding {
  if (finding.kind !== 'measured') return finding
  const { entry, measured, part, what } = finding
  const limit = judgingLimit(known, part, what, measured.limit)
  return equal(limit, measured.limit)
    ? finding
    : (measuredFinding(entry, measured, limit) ?? finding)
}

/** What a measurement came to by a limit; nothing where none of its readings can be read. */
function measuredFinding(
  entry: Entry,
  body: Body<'measurement'>,
  limit: EnteredLimit | null,
): Measured | undefined {
  const { part, measure: what, readings, unit, radius, journal } = body
  const known = readings.map((text) => spanOf(text, unit)).filter((span) => span !== undefined)
  if (known.length === 0) return undefined
  const beside = radius ?? journal
  const besideMm = beside && exactFigureOf(beside.text, beside.unit)
  const judgement = judge(what, known, besideMm ?? null, exactBoundsOf(limit))
  return {
    kind: 'measured',
    entry,
    part,
    what,
    measured: { ...body, limit },
    isJudgedSince: limit !== body.limit,
    judgement,
    verdict: judgement.verdict,
    overruled: null,
  }
}

/**
 * Limits to be entered before a job is closed, so that it stays as it is judged now: those that
 * its log does not have.
 */
export function limitsToKeep(
  log: readonly Entry[],
  beside: LimitsBeside,
): readonly Body<'limit'>[] {
  const alone = new Map(readJob(log).findings.map((finding) => [finding.entry.id, finding]))
  const limits = new Map<string, Body<'limit'>>()
  for (const finding of readJob(log, beside).findings) {
    if (finding.kind !== 'measured') continue
    const { limit } = finding.measured
    const before = alone.get(finding.entry.id)
    if (!limit || (before?.kind === 'measured' && equal(before.measured.limit, limit))) continue
    const { part, what: measure } = finding
    limits.set(`${part} ${measure}`, { kind: 'limit', part, measure, limit })
  }
  return [...limits.values()]
}

function compare(one: string, other: string): number {
  return one < other ? -1 : one > other ? 1 : 0
}

/** What one measure of one part came to in a job, the latest last. */
export function measuredOn({ findings }: Job, part: string, measure: Measure): readonly Measured[] {
  return findings.filter(
    (finding): finding is Measured =>
      finding.kind === 'measured' && finding.part === part && finding.what === measure,
  )
}

/** The verdict that stands: a person's where one was given. */
export function standingVerdict(finding: Finding): Verdict | null {
  return finding.overruled?.verdict ?? finding.verdict
}

/** The latest finding of each kind on each part. */
export function latestFindings(job: Job): readonly Finding[] {
  const latest = new Map<string, Finding>()
  for (const finding of job.findings) latest.set(`${finding.part} ${finding.what}`, finding)
  return [...latest.values()]
}

/** Of the latest findings on each part that are judged, the worst. */
export function worstByPart(job: Job): ReadonlyMap<string, Finding> {
  const severityOf = (finding: Finding | undefined): number => {
    const verdict = finding && standingVerdict(finding)
    return verdict ? SEVERITY[verdict] : -1
  }
  const worst = new Map<string, Finding>()
  for (const finding of latestFindings(job))
    if (severityOf(finding) > severityOf(worst.get(finding.part))) worst.set(finding.part, finding)
  return worst
}
