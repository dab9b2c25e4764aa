/**
 * The record of a job as an open file: what came in, what was found and measured, what was
 * replaced, set and checked. JSON, version 1; docs/job-record.schema.json is generated from
 * the schema here. It is written for whoever comes after, and read back by nothing.
 */
import Papa from 'papaparse'
import { z } from 'zod'

import {
  LIMIT_SOURCES,
  LINE_STATES,
  READING_UNITS,
  STAGES,
  VERDICTS,
  UNIT_FACTORS,
  figureOf,
  toUnit,
} from 'core'

import type { JobRecord } from '../views/job/record.ts'

const JOB_RECORD_FORMAT = 'udrix-job-record'
const JOB_RECORD_VERSION = 1

const verdict = z.enum(VERDICTS)
const figure = z.number().describe('In mm, degrees, N·m or percent, as judged.')

const finding = z.strictObject({
  part: z.string().describe('What the part is called.'),
  reference: z.string().describe('How Udrix refers to it.'),
  what: z.string(),
  at: z.iso.datetime(),
  by: z.string(),
  phase: z.enum(['found', 'after']).describe('As it came in, or after the work.'),
  seen: z.string().nullable().describe('What was seen; null of a measurement.'),
  readings: z.array(z.string()).describe('As they were read; none of a look.'),
  unit: z.enum(READING_UNITS).nullable(),
  tool: z.string(),
  figure: figure.nullable().describe('What the readings come to, in the unit beside it.'),
  figureUnit: z.enum(READING_UNITS).nullable(),
  limit: z
    .strictObject({
      least: z.string().nullable(),
      most: z.string().nullable(),
      unit: z.enum(READING_UNITS),
      source: z.enum(LIMIT_SOURCES),
    })
    .nullable(),
  verdict: verdict.nullable().describe('What stands: a person’s where one was given.'),
  overruled: z
    .strictObject({ figuresSay: verdict.nullable(), reason: z.string(), by: z.string() })
    .nullable(),
})

const shape = {
  unit: z.strictObject({
    name: z.string(),
    dataSheet: z.array(
      z.strictObject({ what: z.string(), says: z.string(), readFrom: z.string() }),
    ),
  }),
  job: z.strictObject({
    number: z.int(),
    openedAt: z.iso.datetime(),
    isClosed: z.boolean(),
    leftOut: z.string(),
  }),
  cameIn: z.array(z.strictObject({ what: z.string(), text: z.string() })),
  found: z.array(finding),
  parts: z.array(
    z.strictObject({
      what: z.string(),
      why: z.string(),
      partNumber: z.string(),
      supplier: z.string(),
      takenFrom: z.string(),
      quantity: z.number(),
      price: z.number().nullable(),
      coreBack: z.number().nullable(),
      state: z.enum(LINE_STATES),
      isLabour: z.boolean(),
      reason: z.string(),
    }),
  ),
  cost: z.strictObject({ soFar: z.number(), toCome: z.number(), withoutPrice: z.int() }),
  set: z.array(
    z.strictObject({
      part: z.string(),
      shimsMm: z.array(z.number()),
      expectedMm: z.number(),
      measuredMm: z.number().nullable(),
    }),
  ),
  checks: z.array(
    z.strictObject({ position: z.string(), turned: z.string(), isAgreed: z.boolean().nullable() }),
  ),
  stages: z.array(z.strictObject({ stage: z.enum(STAGES), isDone: z.boolean() })),
  photographs: z.array(z.strictObject({ id: z.string(), caption: z.string(), part: z.string() })),
  notes: z.array(z.strictObject({ at: z.iso.datetime(), by: z.string(), text: z.string() })),
  cautions: z.array(z.string()),
}

/** A record without the heading of a file. */
export const recordSchema = z.strictObject(shape)

export const jobRecordSchema = z.strictObject({
  format: z.literal(JOB_RECORD_FORMAT),
  version: z.literal(JOB_RECORD_VERSION),
  ...shape,
})

/** The text of a record. */
export function formatJobRecord(record: JobRecord): string {
  const heading = { format: JOB_RECORD_FORMAT, version: JOB_RECORD_VERSION }
  return `${JSON.stringify({ ...heading, ...record }, null, 2)}\n`
}

const COLUMNS = [
  'part',
  'what',
  'phase',
  'readings',
  'readings unit',
  'figure',
  'least',
  'most',
  'unit',
  'limit from',
  'seen',
  'verdict',
  'overruled because',
  'tool',
  'by',
  'at',
] as const

/** More are noise of the arithmetic. */
const FIGURE_DECIMALS = 6

/** The figure and its limit in one unit: that of the readings, where it measures the same. */
function figureColumns({ unit, figure, figureUnit, limit }: JobRecord['found'][number]) {
  const isAlike =
    unit !== null &&
    figureUnit !== null &&
    UNIT_FACTORS[unit].quantity === UNIT_FACTORS[figureUnit].quantity
  const shown = isAlike ? unit : figureUnit
  if (shown === null) return ['', '', '', '']
  const inUnit = (value: number | undefined): string =>
    value === undefined ? '' : `${Number(toUnit(value, shown).toFixed(FIGURE_DECIMALS))}`
  const end = (text: string | null | undefined): string =>
    limit && text ? (limit.unit === shown ? text : inUnit(figureOf(text, limit.unit))) : ''
  return [inUnit(figure ?? undefined), end(limit?.least), end(limit?.most), shown]
}

/** The measurements and looks of a job as a spreadsheet has them. */
export function formatFindingsCsv({ found }: JobRecord): string {
  const data = found.map((each) => [
    each.part,
    each.what,
    each.phase === 'after' ? 'after the work' : 'as found',
    each.readings.join(' · '),
    each.unit ?? '',
    ...figureColumns(each),
    each.limit?.source ?? '',
    each.seen ?? '',
    each.verdict ?? '',
    each.overruled?.reason ?? '',
    each.tool,
    each.by,
    each.at,
  ])
  return `${Papa.unparse({ fields: [...COLUMNS], data }, { escapeFormulae: true })}\r\n`
}
