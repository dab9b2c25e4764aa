/** What an entry of a job looks like on its way to the server and in the database. */
import { z } from 'zod'

import type { Entry, EntryBody, ReadingProblem } from 'core'
import {
  CONE_COUNTS,
  LIMIT_SOURCES,
  LINE_STATES,
  LOOKS,
  MEASURES,
  MOST_FITTED,
  MOST_READINGS,
  MOST_THICKNESS,
  READING_UNITS,
  SEEN,
  STAGES,
  UNIT_FACTORS,
  MEASURE_RULES,
  VERDICTS,
  checkBounds,
  checkReadings,
  exactFigureOf,
  figureOf,
  fromUnit,
  parseReading,
  parseSpan,
  spanOf,
  LARGEST,
} from 'core'

import { LONGEST_LINE, LONGEST_TEXT, LONGEST_TRAY } from '../words/lengths.ts'
import { readingIssueWords, readingProblemWords } from '../words/measures.ts'

import { areInitials } from '../settings.ts'
import { initialsText, writtenText } from './text.ts'
import type { Steps } from './versions.ts'
import { ENTRY_VERSION, broughtUp } from './versions.ts'

const id = z.uuid()
const partRef = writtenText().min(1).max(LARGEST.reference)
const longText = writtenText()
  .trim()
  .max(LONGEST_TEXT, `A text has ${LONGEST_TEXT} characters at most. Make two notes of it.`)
const shortText = writtenText()
  .trim()
  .max(LONGEST_LINE, `This has ${LONGEST_LINE} characters at most.`)
const unit = z.enum(READING_UNITS)

function problemOf(text: string): ReadingProblem | undefined {
  const reading = parseReading(text)
  return reading.ok ? undefined : reading.code
}

const reading = writtenText()
  .max(60, 'A reading has 60 characters at most.')
  .superRefine((text, context) => {
    const problem = problemOf(text)
    if (problem) context.addIssue(readingProblemWords(text, problem))
  })

function isNotNegative(text: string): boolean {
  const parsed = parseReading(text)
  return !parsed.ok || parsed.value.sign() >= 0
}

const positiveTurns = reading.refine((text) => {
  const parsed = parseReading(text)
  return !parsed.ok || parsed.value.sign() > 0
}, 'Turns are more than 0.')

/** Of a measurement: also what went in and what did not. */
const spanReading = writtenText()
  .max(60, 'A reading has 60 characters at most.')
  .superRefine((text, context) => {
    const parsed = parseSpan(text)
    if (!parsed.ok) context.addIssue(readingProblemWords(text, parsed.code))
  })

const entered = z.strictObject({ text: reading, unit })

const stackLength = entered.superRefine(({ text, unit: of }, context) => {
  const mm = figureOf(text, of)
  if (UNIT_FACTORS[of].quantity !== 'length') context.addIssue('A length is in mm or in.')
  else if (mm !== undefined && (mm < 0 || mm > LARGEST.lengthMm))
    context.addIssue('No gearbox has a length like that. Check the unit.')
})

export const limitSchema = z
  .strictObject({
    source: z.enum(LIMIT_SOURCES),
    least: reading.optional(),
    most: reading.optional(),
    unit,
  })
  .superRefine(({ least, most, unit: of }, context) => {
    const bounds = {
      least: least === undefined ? undefined : figureOf(least, of),
      most: most === undefined ? undefined : figureOf(most, of),
    }
    for (const issue of checkBounds(bounds)) context.addIssue(readingIssueWords(issue, of))
  })

const measurement = z
  .strictObject({
    kind: z.literal('measurement'),
    part: partRef,
    measure: z.enum(MEASURES),
    readings: z
      .array(spanReading)
      .max(
        MOST_READINGS,
        `One measurement has ${MOST_READINGS} readings at most. Split it, or keep the ones that matter.`,
      ),
    unit,
    radius: entered.optional(),
    journal: entered.optional(),
    tool: shortText,
    limit: limitSchema.nullable(),
    cones: z.literal(CONE_COUNTS).optional(),
    phase: z.enum(['found', 'after']),
  })
  .superRefine(({ measure, readings, unit: of, radius, journal }, context) => {
    const rule = MEASURE_RULES[measure]
    if (UNIT_FACTORS[of].quantity !== rule.reads) {
      context.addIssue('This is not read in that unit.')
      return
    }
    const values = readings.map((text) => spanOf(text, of))
    const known = values.filter((value) => value !== undefined)
    if (known.length < values.length) return
    const beside = radius ?? journal
    const besideMm = beside ? (exactFigureOf(beside.text, beside.unit) ?? null) : null
    for (const issue of checkReadings(measure, known, besideMm))
      context.addIssue(readingIssueWords(issue, of))
  })

const turnCheck = z
  .strictObject({
    kind: z.literal('turn-check'),
    position: writtenText().min(1).max(60),
    at: partRef.optional(),
    inputTurns: positiveTurns,
    outputTurns: positiveTurns,
    errorTurns: positiveTurns,
    readAt: z.literal('output').optional(),
  })
  .refine(({ readAt, outputTurns, errorTurns }) => {
    const [read, error] = [parseReading(outputTurns), parseReading(errorTurns)]
    return readAt !== 'output' || !read.ok || !error.ok || read.value.isGreaterThan(error.value)
  }, 'The output turned no further than it can be read. Turn the input more, or read finer.')

const spinTest = z.strictObject({
  kind: z.literal('spin'),
  places: z
    .array(z.strictObject({ coupler: partRef, place: partRef }))
    .max(LARGEST.couplers, 'A test names each coupler once.'),
  held: z.array(partRef).max(LARGEST.members, 'Nobody holds as much as that.'),
  turned: partRef,
  ticks: z
    .array(z.strictObject({ part: partRef, seen: z.enum(SEEN).nullable() }))
    .min(1, 'Tick at least one part.')
    .max(LARGEST.members + LARGEST.gears, 'That is more than a box has parts.'),
})

const tray = writtenText()
  .trim()
  .max(LONGEST_TRAY, `A tray is called by ${LONGEST_TRAY} characters at most.`)

const LONGEST_DISTANCE_KM = 5_000_000

const distance = entered.superRefine(({ text, unit: of }, context) => {
  const parsed = parseReading(text)
  if (!parsed.ok) return
  if (UNIT_FACTORS[of].quantity !== 'distance') context.addIssue('A distance is in km or mi.')
  else if (parsed.value.sign() < 0) context.addIssue('A distance run is not below 0.')
  else if (fromUnit(parsed.value.toNumber(), of) > LONGEST_DISTANCE_KM)
    context.addIssue(`No unit has run ${text} ${of}. Read the figure again.`)
})

/** What each kind of entry holds; every refusal is a sentence for the person. */
const BODIES = {
  intake: z.strictObject({
    kind: z.literal('intake'),
    intake: z.strictObject({
      reference: shortText,
      serial: shortText.optional(),
      complaint: longText,
      distance: distance.nullable(),
      oil: shortText,
      cameWith: shortText,
      assignee: initialsText()
        .refine(areInitials, 'Whose job it is, is said by one to four letters.')
        .optional(),
    }),
  }),
  note: z.strictObject({
    kind: z.literal('note'),
    text: longText.min(1, 'A note has something in it.'),
    part: partRef.optional(),
  }),
  waiting: z.strictObject({ kind: z.literal('waiting'), for: shortText }),
  'turn-check': turnCheck,
  spin: spinTest,
  measurement: measurement,
  look: z.strictObject({
    kind: z.literal('look'),
    part: partRef,
    look: z.enum(LOOKS),
    grade: z.enum(VERDICTS),
  }),
  overrule: z.strictObject({
    kind: z.literal('overrule'),
    entry: id,
    verdict: z.enum(VERDICTS),
    reason: shortText.min(1, 'Say why: the next person will want to know.'),
  }),
  limit: z.strictObject({
    kind: z.literal('limit'),
    part: partRef.nullable(),
    measure: z.enum(MEASURES),
    limit: limitSchema,
  }),
  shims: z.strictObject({
    kind: z.literal('shims'),
    part: partRef,
    thicknesses: z.array(z.int().min(1).max(MOST_THICKNESS)).min(1).max(MOST_FITTED),
    expected: z.int().min(-MOST_THICKNESS).max(MOST_THICKNESS),
  }),
  stack: z.strictObject({
    kind: z.literal('stack'),
    shaft: partRef,
    stack: z.strictObject({
      room: stackLength.nullable(),
      roomDeviation: stackLength,
      partDeviation: stackLength,
      turned: z
        .array(partRef)
        .max(LARGEST.pieces + LARGEST.gears, 'That is more than a box has parts.'),
      instead: z.strictObject({ part: partRef, length: stackLength.nullable() }).optional(),
    }),
  }),
  tray: z.strictObject({ kind: z.literal('tray'), part: partRef, tray }),
  step: z.strictObject({
    kind: z.literal('step'),
    part: partRef.nullable(),
    is: z.enum(['off', 'in']),
    tray: tray.optional(),
  }),
  stage: z.strictObject({ kind: z.literal('stage'), stage: z.enum(STAGES), isDone: z.boolean() }),
  line: z.strictObject({
    kind: z.literal('line'),
    line: z.strictObject({
      key: partRef,
      what: shortText.min(1, 'Say what the part is.'),
      quantity: z.int('A quantity is a whole number.').min(1, 'At least one.').max(1_000),
      price: reading.refine(isNotNegative, 'A price is not below 0.').nullable(),
      state: z.enum(LINE_STATES),
      partNumber: writtenText()
        .trim()
        .max(
          LARGEST.partNumberLength,
          `A part number has ${LARGEST.partNumberLength} characters at most.`,
        )
        .optional(),
      supplier: shortText.optional(),
      core: reading
        .refine(isNotNegative, 'What comes back for a core is not below 0.')
        .nullable()
        .optional(),
      takenFrom: shortText.optional(),
      reason: shortText.optional(),
      isLabour: z.boolean().optional(),
    }),
  }),
  photo: z.strictObject({
    kind: z.literal('photo'),
    photo: id,
    caption: shortText,
    part: partRef.optional(),
    entry: id.optional(),
  }),
  withdraw: z.strictObject({ kind: z.literal('withdraw'), entry: id }),
  close: z.strictObject({ kind: z.literal('close'), leftOut: longText }),
  reopen: z.strictObject({ kind: z.literal('reopen') }),
} satisfies { readonly [K in EntryBody['kind']]: z.ZodType<Extract<EntryBody, { kind: K }>> }

const { intake, ...others } = BODIES

/** An entry's content. */
export const entryBodySchema = z.discriminatedUnion('kind', [intake, ...Object.values(others)])

/** What brings the body of an entry of an older version up, from each version to the next. */
export const ENTRY_STEPS: Steps<unknown> = new Map()

/** Before this no clock of a device that still runs can stand. */
const EARLIEST = '2000-01-01T00:00:00.000Z'
const LATEST = '2200-01-01T00:00:00.000Z'

const moment = z.iso
  .datetime()
  .refine(
    (text) => text >= EARLIEST && text < LATEST,
    'The clock of this device is wrong by many years. Set it, then try again.',
  )

export const entrySchema = z.strictObject({
  id,
  at: moment,
  by: initialsText(),
  body: entryBodySchema,
}) satisfies z.ZodType<Entry>

/** An entry that an older page made, as this version has it; those that do not say so are of the first. */
function sentBroughtUp(sent: unknown): unknown {
  const parsed = z
    .looseObject({ version: z.int().default(1), entry: z.looseObject({ body: z.unknown() }) })
    .safeParse(sent)
  if (!parsed.success) return sent
  const { version, entry, ...rest } = parsed.data
  const body = broughtUp(ENTRY_STEPS, version, entry.body)
  return body === null ? sent : { ...rest, version: ENTRY_VERSION, entry: { ...entry, body } }
}

/** An entry on its way, with what the sender's clock says as it is sent. */
export const sentEntrySchema = z.preprocess(
  sentBroughtUp,
  z.strictObject({
    jobId: z.uuid(),
    entry: entrySchema,
    sentAt: moment.optional(),
    version: z.literal(
      ENTRY_VERSION,
      'This page is of another version of Udrix than the server. Load it again, then enter this once more.',
    ),
  }),
)
