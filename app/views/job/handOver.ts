/** What goes with a unit when it leaves the bench: what came in, what was found, what was done. */
import type { Box, Finding, Job } from 'core'
import { STAGES, boundsOf, judgeChecks, stagesOf, standingVerdict, unitParts } from 'core'

import type { OrderLine } from '~/views/order/orderLines.ts'
import { orderLines } from '~/views/order/orderLines.ts'
import { entryWords, unitPartName } from '~/words/jobs.ts'
import {
  LOOK_GRADES,
  LOOK_NAMES,
  MEASURE_NAMES,
  SOURCE_NAMES,
  UNIT_NAMES,
  boundsWords,
  readingText,
  stageName,
  verdictWords,
} from '~/words/measures.ts'
import { capitalize } from '~/words/names.ts'
import { sheetLineName, sheetLineText } from '~/words/sheet.ts'
import type { Vocabulary } from '~/words/vocabulary.ts'

/** One thing that was looked at or measured on one part, as it came in and after the work. */
interface HandOverRow {
  readonly part: string
  readonly what: string
  readonly found: string
  /** In words; null where it is not judged. */
  readonly verdict: string | null
  /** Empty where it was not measured after the work. */
  readonly after: string
  readonly afterVerdict: string | null
  /** The limit that it was judged by last; empty where there was none. */
  readonly limit: string
}

export interface HandOver {
  /** What was written down at intake, by what it is. */
  readonly cameIn: readonly (readonly [what: string, text: string])[]
  readonly rows: readonly HandOverRow[]
  /** Shims that were fitted, in words. */
  readonly fitted: readonly string[]
  /** What turning it showed, and the oil and the torques that its data sheet has. */
  readonly checked: readonly string[]
  readonly figures: readonly (readonly [what: string, says: string])[]
  /** All parts but those that were left out. */
  readonly parts: readonly OrderLine[]
  readonly done: readonly string[]
  readonly notDone: readonly string[]
  readonly leftOut: string
}

function foundText(finding: Finding): string {
  return finding.kind === 'seen'
    ? LOOK_GRADES[finding.what][finding.verdict]
    : `${finding.measured.readings.map(readingText).join(' · ')} ${UNIT_NAMES[finding.measured.unit]}`
}

function standingWords(box: Box, finding: Finding): string | null {
  const verdict = standingVerdict(finding)
  return verdict && verdictWords(box, finding, verdict)
}

function limitText(finding: Finding): string {
  const limit = finding.kind === 'measured' ? finding.measured.limit : null
  const bounds = boundsOf(limit ?? null)
  return limit && bounds ? `${boundsWords(bounds, limit.unit)}, ${SOURCE_NAMES[limit.source]}` : ''
}

/** What is known last of one thing, as it came in and after the work. */
interface Known {
  found?: Finding
  after?: Finding
}

/** The findings of a job in the order of its parts, each thing once. */
function rowsOf(box: Box, words: Vocabulary, { findings }: Job): readonly HandOverRow[] {
  const things = new Map<string, Known>()
  for (const finding of findings) {
    const key = `${finding.part} ${finding.what}`
    const phase = finding.kind === 'measured' ? finding.measured.phase : 'found'
    things.set(key, { ...things.get(key), [phase]: finding })
  }
  const order: readonly string[] = unitParts(box.draft).map(({ ref }) => ref)
  return [...things.values()]
    .flatMap(({ found, after }) => {
      const latest = after ?? found
      return latest ? [{ found, after, latest }] : []
    })
    .sort((one, other) => order.indexOf(one.latest.part) - order.indexOf(other.latest.part))
    .map(({ found, after, latest }) => ({
      part: capitalize(unitPartName({ box, words }, latest.part)),
      what: latest.kind === 'seen' ? LOOK_NAMES[latest.what] : MEASURE_NAMES[latest.what],
      found: found ? foundText(found) : '',
      verdict: found ? standingWords(box, found) : null,
      after: after ? foundText(after) : '',
      afterVerdict: after ? standingWords(box, after) : null,
      limit: limitText(latest),
    }))
}

/** The latest turn check of each position, in words. */
function checkedWords(box: Box, words: Vocabulary, job: Job): readonly string[] {
  const latest = new Map(job.checks.map(({ entry, check }) => [check.position, { entry, check }]))
  const judged = judgeChecks(
    box,
    [...latest.values()].map(({ check }) => check),
  )
  return [...latest.values()].map(({ entry, check }) => {
    const isAgreed = judged.find((each) => each.check.id === check.id)?.isAgreed
    const outcome = isAgreed === true ? 'agrees' : isAgreed === false ? 'disagrees' : 'not compared'
    return `${capitalize(entryWords({ box, words }, entry))}: ${outcome} with the counts`
  })
}

/** What was written down at intake, by what it is; nothing that was left empty. */
export function cameInOf({ intake }: Job): HandOver['cameIn'] {
  const { reference, serial = '', complaint, distance, oil, cameWith } = intake
  return (
    [
      ['Owner’s reference', reference],
      ['Serial or casting number', serial],
      ['Complaint', complaint],
      ['Distance', distance ? `${distance.text} ${UNIT_NAMES[distance.unit]}` : ''],
      ['Oil found', oil],
      ['Came with', cameWith],
    ] as const
  ).filter(([, text]) => text !== '')
}

export function handOverOf(box: Box, words: Vocabulary, job: Job): HandOver {
  const naming = { box, words }
  const stages = stagesOf(box, job).filter(({ stage }) => stage !== 'hand-over')
  const named = (isDone: boolean): readonly string[] =>
    STAGES.filter((each) =>
      stages.some(({ stage, isDone: is }) => stage === each && is === isDone),
    ).map((stage) => stageName(words, stage))
  return {
    cameIn: cameInOf(job),
    rows: rowsOf(box, words, job),
    fitted: job.entries
      .filter(({ body }) => body.kind === 'shims')
      .map((entry) => capitalize(entryWords(naming, entry))),
    checked: checkedWords(box, words, job),
    figures: (box.draft.sheet ?? [])
      .filter(({ kind }) => kind !== 'limit')
      .map((line) => [capitalize(sheetLineName(naming, line)), sheetLineText(line)] as const)
      .filter(([, says]) => says !== ''),
    parts: orderLines(naming, job).filter(({ state }) => state !== 'left-out'),
    done: named(true),
    notDone: named(false),
    leftOut: job.leftOut,
  }
}
