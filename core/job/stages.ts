/** How far a job is, stage by stage, from what has been entered. */
import type { Box } from '../box/box.ts'
import { countingProgress } from '../box/counting.ts'
import type { Job, Stage } from './job.ts'
import { STAGES, standingVerdict } from './job.ts'
import { needsOf } from './orders.ts'
import { UNIT_PART_DEFINITIONS } from './partKinds.ts'
import { readMounts, spinRecordsOf } from '../train/spin.ts'
import { judgeChecks, turnablePositions } from '../count/turnCheck.ts'
import { companionsOf } from './companions.ts'
import type { UnitPart } from './unitParts.ts'
import { unitParts } from './unitParts.ts'

/** How far a stage of a job has come. */
export interface StageState {
  readonly stage: Stage
  readonly done: number
  readonly total: number
  readonly isDone: boolean
  /** Whether only a person can say that it is done. */
  readonly isByHand: boolean
  /** Whether a person said that it is done, or opened it again. */
  readonly mark: boolean | null
}

/** Something that a job waits for. */
export type Waiting =
  | { readonly code: 'counts-disagree'; readonly count: number }
  | { readonly code: 'turns-disagree'; readonly count: number }
  | { readonly code: 'to-replace'; readonly count: number }
  | { readonly code: 'to-order'; readonly count: number }
  | { readonly code: 'on-order'; readonly count: number }
  | { readonly code: 'nothing-measured' }
  | { readonly code: 'said'; readonly text: string }

/** What is replaced by the verdicts, what goes with it, and what was written down besides. */
export function neededParts(box: Box, job: Job): readonly string[] {
  const replaced = needsOf(box.draft, job).map(({ key }) => key)
  return [...replaced, ...companionsOf(box.draft, replaced).map(({ key }) => key)]
}

/** Positions whose latest turn check does not agree with the counts. */
function latestChecks(box: Box, job: Job) {
  const latest = new Map(job.checks.map(({ check }) => [check.position, check]))
  return judgeChecks(box, [...latest.values()])
}

/** Measured by what tells most of it, or good for nothing by what was seen. */
export function isJudged(job: Job, { ref, kind, measures: [first] }: UnitPart): boolean {
  const { isJudgedByFirst } = UNIT_PART_DEFINITIONS[kind]
  const findings = job.findings.filter(({ part }) => part === ref)
  return findings.some(
    (finding) =>
      isJudgedByFirst !== true || finding.what === first || standingVerdict(finding) === 'replace',
  )
}

/** Every stage of a job, in order, filled from what has been entered. */
export function stagesOf(box: Box, job: Job): readonly StageState[] {
  const { draft } = box
  const counting = countingProgress(draft)
  const checks = latestChecks(box, job)
  const positions = turnablePositions(box)
  const parts = unitParts(draft)
  const ofKind = (kind: string): readonly [number, number] => {
    const all = parts.filter((part) => part.kind === kind)
    return [all.filter((part) => isJudged(job, part)).length, all.length]
  }
  const keyed = readMounts(draft, spinRecordsOf(box, job.spins))
  const needed = neededParts(box, job)
  const settled = new Set(
    job.lines.flatMap(({ key, state }) =>
      state === 'arrived' || state === 'left-out' ? [key] : [],
    ),
  )
  const { reference, complaint, distance, oil, cameWith } = job.intake
  /** How many of how many; a stage without figures is a person's word. */
  const figures: Readonly<Partial<Record<Stage, readonly [number, number]>>> = {
    intake: [[reference, complaint, distance, oil, cameWith].filter(Boolean).length, 5],
    'lay-out': [draft.gears.length > 0 ? 1 : 0, 1],
    ...(keyed.size > 0 && { keyed: [keyed.size, draft.gears.length] as const }),
    count: [counting.counted - counting.disputed.length, counting.total],
    'turn-check': [
      checks.filter(
        ({ check, isAgreed }) =>
          isAgreed === true && positions.some(({ id }) => id === check.position),
      ).length,
      positions.length,
    ],
    rings: ofKind('ring'),
    sleeves: ofKind('sleeve'),
    shafts: ofKind('shaft'),
    parts: [needed.filter((key) => settled.has(key)).length, needed.length],
    'hand-over': [job.isClosed ? 1 : 0, 1],
  }
  return STAGES.map((stage): StageState => {
    const [done, total] = figures[stage] ?? [0, 0]
    const isByHand = figures[stage] === undefined
    const mark = job.marks.get(stage) ?? null
    // Before anything was found, an empty list of parts says nothing.
    const isKnown = stage !== 'parts' || job.findings.length > 0
    // A reference and what came with the unit are written down where there is any.
    const isEnough = stage === 'intake' ? Boolean(complaint && distance && oil) : done >= total
    return {
      stage,
      done,
      total,
      isByHand,
      mark,
      isDone: mark ?? (!isByHand && isKnown && isEnough),
    }
  })
}

/** The first stage that is not done; the last one when all are. */
export function stageAt(stages: readonly StageState[]): Stage {
  return stages.find(({ isDone }) => !isDone)?.stage ?? 'hand-over'
}

/** What waits for the person, the most pressing first. */
export function waitingOf(box: Box, job: Job): readonly Waiting[] {
  if (job.isClosed) return []
  const disputed = countingProgress(box.draft).disputed.length
  const turns = latestChecks(box, job).filter(({ isAgreed }) => isAgreed === false).length
  const lines = new Map(job.lines.map((line) => [line.key, line.state]))
  const needed = neededParts(box, job)
  const unordered = needed.filter((key) => (lines.get(key) ?? 'needed') === 'needed').length
  const ordered = [...lines.values()].filter((state) => state === 'ordered').length
  const replaced = needsOf(box.draft, job).length
  const waiting: Waiting[] = []
  if (disputed > 0) waiting.push({ code: 'counts-disagree', count: disputed })
  if (turns > 0) waiting.push({ code: 'turns-disagree', count: turns })
  if (replaced > 0 && unordered > 0) waiting.push({ code: 'to-replace', count: replaced })
  if (unordered > 0) waiting.push({ code: 'to-order', count: unordered })
  if (ordered > 0) waiting.push({ code: 'on-order', count: ordered })
  if (job.waitingFor !== '') waiting.push({ code: 'said', text: job.waitingFor })
  if (job.findings.length === 0) waiting.push({ code: 'nothing-measured' })
  return waiting
}
