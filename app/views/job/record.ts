/** The record of a job: everything that the next person wants to know, as data. */
import type {
  Box,
  Finding,
  Job,
  LimitSource,
  LineState,
  ReadingUnit,
  Stage,
  Verdict,
  Quantity,
} from 'core'
import { MEASURE_RULES, STACK_UNITS_PER_MM, judgeChecks, stagesOf, standingVerdict } from 'core'

import { orderLines, priceOf, totalsOf } from '~/views/order/orderLines.ts'
import { sheetRows } from '~/views/sheet/sheetRows.ts'
import { HAND_OVER_CAUTION } from '~/words/cautions.ts'
import { unitPartName } from '~/words/jobs.ts'
import { FOUND_NAMES, LOOK_GRADES } from '~/words/measures.ts'
import type { Naming } from '~/words/names.ts'
import { sheetLineName, sheetLineText } from '~/words/sheet.ts'
import { turnedWords } from '~/words/turns.ts'
import type { Vocabulary } from '~/words/vocabulary.ts'

import { cameInOf } from './handOver.ts'

interface RecordedFinding {
  readonly part: string
  readonly reference: string
  readonly what: string
  readonly at: string
  readonly by: string
  readonly phase: 'found' | 'after'
  readonly seen: string | null
  readonly readings: readonly string[]
  readonly unit: ReadingUnit | null
  readonly tool: string
  readonly figure: number | null
  readonly figureUnit: ReadingUnit | null
  readonly limit: {
    readonly least: string | null
    readonly most: string | null
    readonly unit: ReadingUnit
    readonly source: LimitSource
  } | null
  readonly verdict: Verdict | null
  readonly overruled: {
    readonly figuresSay: Verdict | null
    readonly reason: string
    readonly by: string
  } | null
}

export interface JobRecord {
  readonly unit: {
    readonly name: string
    readonly dataSheet: readonly {
      readonly what: string
      readonly says: string
      readonly readFrom: string
    }[]
  }
  readonly job: {
    readonly number: number
    readonly openedAt: string
    readonly isClosed: boolean
    readonly leftOut: string
  }
  readonly cameIn: readonly { readonly what: string; readonly text: string }[]
  readonly found: readonly RecordedFinding[]
  readonly parts: readonly {
    readonly what: string
    readonly why: string
    readonly partNumber: string
    readonly supplier: string
    readonly takenFrom: string
    readonly quantity: number
    readonly price: number | null
    readonly coreBack: number | null
    readonly state: LineState
    readonly isLabour: boolean
    readonly reason: string
  }[]
  readonly cost: { readonly soFar: number; readonly toCome: number; readonly withoutPrice: number }
  readonly set: readonly {
    readonly part: string
    readonly shimsMm: readonly number[]
    readonly expectedMm: number
    readonly measuredMm: number | null
  }[]
  readonly checks: readonly {
    readonly position: string
    readonly turned: string
    readonly isAgreed: boolean | null
  }[]
  readonly stages: readonly { readonly stage: Stage; readonly isDone: boolean }[]
  readonly photographs: readonly {
    readonly id: string
    readonly caption: string
    readonly part: string
  }[]
  readonly notes: readonly { readonly at: string; readonly by: string; readonly text: string }[]
  readonly cautions: readonly string[]
}

/** What figures are worked out in. */
const INSIDE_UNITS: Readonly<Record<Quantity, ReadingUnit>> = {
  length: 'mm',
  angle: 'deg',
  torque: 'Nm',
  distance: 'km',
  share: 'percent',
}

function recordedFinding(naming: Naming, finding: Finding): RecordedFinding {
  const { entry, part, overruled } = finding
  const isMeasured = finding.kind === 'measured'
  const limit = isMeasured ? finding.measured.limit : null
  return {
    part: unitPartName(naming, part),
    reference: part,
    what: FOUND_NAMES[finding.what],
    at: entry.at,
    by: entry.by,
    phase: isMeasured ? finding.measured.phase : 'found',
    seen: isMeasured ? null : LOOK_GRADES[finding.what][finding.verdict],
    readings: isMeasured ? finding.measured.readings : [],
    unit: isMeasured ? finding.measured.unit : null,
    tool: isMeasured ? finding.measured.tool : '',
    figure: isMeasured ? finding.judgement.figures.figure : null,
    figureUnit: isMeasured ? INSIDE_UNITS[MEASURE_RULES[finding.what].judges] : null,
    limit: limit && {
      least: limit.least ?? null,
      most: limit.most ?? null,
      unit: limit.unit,
      source: limit.source,
    },
    verdict: standingVerdict(finding),
    overruled: overruled && {
      figuresSay: finding.verdict,
      reason: overruled.reason,
      by: overruled.by,
    },
  }
}

/** The unit as its data sheet has it; only what is written there. */
function recordedUnit(naming: Naming): JobRecord['unit'] {
  const { draft } = naming.box
  return {
    name: draft.name,
    dataSheet: sheetRows(draft).flatMap(({ line }) =>
      line
        ? [
            {
              what: sheetLineName(naming, line),
              says: sheetLineText(line),
              readFrom: line.from ?? '',
            },
          ]
        : [],
    ),
  }
}

function recordedParts(naming: Naming, job: Job): Pick<JobRecord, 'parts' | 'cost'> {
  const lines = orderLines(naming, job)
  const { soFar, toCome, withoutPrice } = totalsOf(lines)
  return {
    parts: lines.map((line) => ({
      what: line.what,
      why: line.why,
      partNumber: line.partNumber ?? '',
      supplier: line.supplier ?? '',
      takenFrom: line.takenFrom ?? '',
      quantity: line.quantity,
      price: priceOf(line.price),
      coreBack: priceOf(line.core ?? null),
      state: line.state,
      isLabour: line.isLabour === true,
      reason: line.reason ?? '',
    })),
    cost: { soFar, toCome, withoutPrice },
  }
}

/** The record of one job of a unit. */
export function recordOf(
  box: Box,
  words: Vocabulary,
  { number, openedAt }: { readonly number: number; readonly openedAt: string },
  job: Job,
): JobRecord {
  const naming = { box, words }
  const positions = new Map(box.draft.positions.map(({ id, label }) => [id, label]))
  const agreed = new Map(
    judgeChecks(
      box,
      job.checks.map(({ check }) => check),
    ).map(({ check, isAgreed }) => [check.id, isAgreed]),
  )
  return {
    unit: recordedUnit(naming),
    job: { number, openedAt, isClosed: job.isClosed, leftOut: job.leftOut },
    cameIn: cameInOf(job).map(([what, text]) => ({ what, text })),
    found: job.findings.map((finding) => recordedFinding(naming, finding)),
    ...recordedParts(naming, job),
    set: [...job.shims].map(([part, { thicknesses, expected, measuredMm }]) => ({
      part: unitPartName(naming, part),
      shimsMm: thicknesses.map((each) => each / STACK_UNITS_PER_MM),
      expectedMm: expected / STACK_UNITS_PER_MM,
      measuredMm,
    })),
    checks: job.entries.flatMap(({ id, body }) =>
      body.kind === 'turn-check'
        ? [
            {
              position: positions.get(body.position) ?? body.position,
              turned: turnedWords(naming, body),
              isAgreed: agreed.get(id) ?? null,
            },
          ]
        : [],
    ),
    stages: stagesOf(box, job).map(({ stage, isDone }) => ({ stage, isDone })),
    photographs: job.entries.flatMap(({ body }) =>
      body.kind === 'photo'
        ? [
            {
              id: body.photo,
              caption: body.caption,
              part: body.part === undefined ? '' : unitPartName(naming, body.part),
            },
          ]
        : [],
    ),
    notes: job.entries.flatMap(({ at, by, body }) =>
      body.kind === 'note' ? [{ at, by, text: body.text }] : [],
    ),
    cautions: [HAND_OVER_CAUTION],
  }
}
