/**
 * The box file: a gearbox as JSON, version 1. The schema here is the only
 * description of the format; docs/box-file.schema.json is generated from it.
 */
import { z } from 'zod'

import {
  COUPLER_KINDS,
  GEAR_MOUNTS,
  CLOSING_SIDES,
  FITS,
  GATE_ENDS,
  GATE_GUARDS,
  HANDS,
  INPUT_SENSES,
  INTERLOCK_PART_KINDS,
  LEAST_PRESSURE_ANGLE_DEG,
  LEAST_ROLLING_RADIUS_MM,
  LEAST_TOOTH_COUNT,
  LINK_KIND_NAMES,
  LONGEST_ID,
  LONGEST_NAME,
  LONGEST_PART_NUMBER,
  MARK_KINDS,
  MEASURES,
  MEMBER_KINDS,
  MOST_OF_A_PIECE,
  MOST_PRESSURE_ANGLE_DEG,
  MOST_ROLLING_RADIUS_MM,
  MOST_TOOTH_COUNT,
  PIECE_KINDS,
  PRESS_SEATS,
  READING_UNITS,
  SHEET_KINDS,
  SWITCH_RULES,
  TRAVELS,
  definitionOfKind,
  parseReading,
} from 'core'
import type { BoxDraft, BoxField, BoxIssue, Link, LinkField, PartList, Path } from 'core'

import type { CouplerFigure } from './couplerFigures.ts'
import { DOG_FIELDS, RING_FIELDS, dogsFault } from './couplerFigures.ts'
import { parseJson, storable, writtenText } from './text.ts'

export const BOX_FILE_FORMAT = 'udrix-box'
export const BOX_FILE_VERSION = 1
export const LARGEST_BOX_FILE_BYTES = 1_000_000

const PRESSURE_ANGLE_RANGE = `A pressure angle is ${LEAST_PRESSURE_ANGLE_DEG}° to ${MOST_PRESSURE_ANGLE_DEG}°.`
const ROLLING_RADIUS_RANGE = `A rolling radius is ${LEAST_ROLLING_RADIUS_MM} to ${MOST_ROLLING_RADIUS_MM} mm.`

const QUANTITY_RANGE = `A quantity is a whole number from 1 to ${MOST_OF_A_PIECE}.`

/** More than this no box has that Udrix can draw. */
export const LARGEST = {
  axes: 12,
  members: 60,
  gears: 120,
  links: 200,
  couplers: 24,
  couplerPositions: 8,
  engagements: 8,
  positions: 200,
  rules: 100,
  outputs: 8,
  leftWarnings: 500,
  pieces: 1_000,
  steps: 40,
  carried: 30,
  marks: 10,
  quantity: MOST_OF_A_PIECE,
  sheet: 400,
  precedences: 400,
  /** More would be more rods than couplers, and a switch for each. */
  selectors: 12,
  selectorPlaces: 4,
  gateRows: 6,
  levers: 4,
  interlockParts: 24,
  travelMm: 60,
  drumPoints: 200,
  drumStops: 24,
  inertiaKgM2: 100,
  sheetText: 200,
  reference: 140,
  partNumberLength: LONGEST_PART_NUMBER,
  idLength: LONGEST_ID,
  warningLength: 300,
  nameLength: LONGEST_NAME,
  notesLength: 10_000,
  lengthMm: 100_000,
}

const atMost = (count: number, what: string) => ({
  error: `More than ${count} ${what}: no gearbox that Udrix can draw has so many.`,
})
const id = z
  .string('An id is a text.')
  .min(1, 'An id cannot be empty.')
  .max(LARGEST.idLength, `An id has ${LARGEST.idLength} characters at most.`)
  .refine((text) => storable(text) === text, 'An id has whole characters only, and no NUL.')
  // Parts are looked up by their ids in plain objects too.
  .refine((text) => !(text in Object.prototype), 'This word cannot be an id. Write another.')
const name = writtenText('A name is a text.')
  .trim()
  .min(1, 'A name cannot be empty.')
  .max(LARGEST.nameLength, `A name has ${LARGEST.nameLength} characters at most.`)
const mm = z
  .number('A length is a number of millimetres.')
  .min(-LARGEST.lengthMm, 'No gearbox is that long.')
  .max(LARGEST.lengthMm, 'No gearbox is that long.')
const positiveMm = mm.positive('This length must be more than 0 mm.')
const countRange = `A tooth count is a whole number from ${LEAST_TOOTH_COUNT} to ${MOST_TOOTH_COUNT}.`
export const toothCountSchema = z
  .int(countRange)
  .min(LEAST_TOOTH_COUNT, countRange)
  .max(MOST_TOOTH_COUNT, countRange)

const oneOf = <const T extends readonly [string, ...string[]]>(values: T) =>
  z.enum(values, { error: `This is one of: ${values.join(', ')}.` })

const axis = z.strictObject({ id, name: name.optional() })

const inertiaKgM2 = z
  .number('An inertia is a number of kg·m².')
  .positive('An inertia is more than 0 kg·m².')
  .max(LARGEST.inertiaKgM2, `An inertia is ${LARGEST.inertiaKgM2} kg·m² at most.`)

/** Figures of a part of a coupler, each within what can be. */
function figuresWithin<const Fields extends readonly CouplerFigure<never>[]>(fields: Fields) {
  const within = (what: string, least: number, most: number, unit: string) => {
    const range = `${what} is ${least} to ${most}${unit}.`
    return z.number(range).min(least, range).max(most, range).optional()
  }
  return z.strictObject(
    Object.fromEntries(
      fields.map(({ key, title, least, most, unit }) => [key, within(title, least, most, unit)]),
    ) as Record<Fields[number]['key'], ReturnType<typeof within>>,
  )
}

const ringFigures = figuresWithin(RING_FIELDS)

const dogFigures = figuresWithin(DOG_FIELDS).superRefine((dogs, context) => {
  const fault = dogsFault(dogs)
  if (fault !== null) context.addIssue({ code: 'custom', path: ['freeAngleDeg'], message: fault })
})

const member = z.strictObject({
  id,
  kind: oneOf(MEMBER_KINDS),
  name: name.optional(),
  axis: id,
  fromMm: mm,
  toMm: mm,
  isHollow: z.boolean('This is true or false.').optional(),
  bearingsMm: z
    .tuple([mm, mm], 'A shaft has two bearings, each at a length in millimetres.')
    .refine(([from, to]) => from < to, 'The first bearing stands nearer the input end.')
    .optional(),
  steps: z
    .array(
      z
        .strictObject({ fromMm: mm, toMm: mm, diameterMm: positiveMm })
        .refine(({ fromMm, toMm }) => fromMm < toMm, 'A step begins before it ends.'),
    )
    .max(LARGEST.steps, atMost(LARGEST.steps, 'steps of one shaft'))
    .optional(),
  inertiaKgM2: inertiaKgM2.optional(),
})

const gear = z.strictObject({
  id,
  label: name,
  member: id,
  mount: oneOf(GEAR_MOUNTS),
  toothCount: toothCountSchema.nullable(),
  recount: toothCountSchema.nullable().optional(),
  twinOf: id.optional(),
  stationMm: mm,
  faceWidthMm: positiveMm.optional(),
  moduleMm: positiveMm.max(50, 'No gearbox has a module over 50 mm.').optional(),
  helixAngleDeg: z
    .number('A helix angle is a number of degrees.')
    .min(0, 'A helix angle is 0° to 60°.')
    .max(60, 'A helix angle is 0° to 60°.')
    .optional(),
  hand: oneOf(HANDS).optional(),
  pressureAngleDeg: z
    .number('A pressure angle is a number of degrees.')
    .min(LEAST_PRESSURE_ANGLE_DEG, PRESSURE_ANGLE_RANGE)
    .max(MOST_PRESSURE_ANGLE_DEG, PRESSURE_ANGLE_RANGE)
    .optional(),
  inertiaKgM2: inertiaKgM2.optional(),
})

/** What may be written into a field of a link. */
function linkFieldSchema(field: LinkField): z.ZodType {
  if (field.type === 'choice') return oneOf(field.values)
  const range = `This is ${field.type === 'whole' ? 'a whole number' : 'a number'} from ${field.least} to ${field.most}.`
  const figure = (field.type === 'whole' ? z.int(range) : z.number(range))
    .min(field.least, range)
    .max(field.most, range)
  if (field.isRequired === true) return figure
  return field.isNullable === true ? figure.nullable().optional() : figure.optional()
}

const links = LINK_KIND_NAMES.map((kind) => {
  const { ends, fields } = definitionOfKind(kind)
  return z.strictObject({
    id,
    kind: z.literal(kind),
    ...Object.fromEntries(Object.keys(ends).map((end) => [end, id])),
    ...Object.fromEntries(
      Object.entries(fields).map(([key, field]) => [key, linkFieldSchema(field)]),
    ),
  })
})

// Made of the ends and fields that each kind of link says that it has.
const link = z.discriminatedUnion('kind', links as unknown as readonly [(typeof links)[number]], {
  error: `A link's kind is one of: ${LINK_KIND_NAMES.join(', ')}.`,
}) as unknown as z.ZodType<Link>

const engagement = z.discriminatedUnion(
  'kind',
  [
    z.strictObject({ kind: z.literal('lock'), body: id }),
    z.strictObject({ kind: z.literal('mesh'), link: id }),
    z.strictObject({ kind: z.literal('hold'), body: id }),
  ],
  { error: 'What a coupler engages has the kind lock, mesh or hold.' },
)

const coupler = z.strictObject({
  id,
  kind: oneOf(COUPLER_KINDS),
  name: name.optional(),
  hub: id,
  stationMm: mm,
  positions: z
    .array(
      z.strictObject({
        id,
        travel: oneOf(TRAVELS),
        engages: z
          .array(engagement)
          .max(LARGEST.engagements, atMost(LARGEST.engagements, 'engagements')),
        ring: ringFigures.optional(),
        dogs: dogFigures.optional(),
      }),
    )
    .min(1, 'A coupler has at least one position.')
    .max(LARGEST.couplerPositions, atMost(LARGEST.couplerPositions, 'positions of one coupler')),
  gears: z.array(id).max(LARGEST.engagements, atMost(LARGEST.engagements, 'gears')).optional(),
})

const position = z.strictObject({
  id,
  label: name,
  couplers: z.record(id, id),
  lever: name.optional(),
  isHidden: z.boolean('This is true or false.').optional(),
})

const interlock = z.strictObject({
  id,
  couplers: z.array(id).max(LARGEST.couplers, atMost(LARGEST.couplers, 'couplers')),
})

const rule = z.strictObject({ id, forbids: z.record(id, id), reason: name })

const leftWarning = z.strictObject({
  id: writtenText('A warning is a text.')
    .min(1, 'A warning that was left says which.')
    .max(LARGEST.warningLength, `A warning has ${LARGEST.warningLength} characters at most.`),
  by: writtenText().max(4, 'Initials have four letters at most.'),
  at: z.iso.datetime('A time is written as 2026-01-31T12:00:00Z.'),
})

const piece = z.strictObject({
  id,
  kind: oneOf(PIECE_KINDS),
  name: name.optional(),
  on: id.optional(),
  carries: z.array(id).max(LARGEST.carried, atMost(LARGEST.carried, 'parts carried')).optional(),
  coupler: id.optional(),
  place: id.optional(),
  stationMm: mm.optional(),
  lengthMm: positiveMm.optional(),
  boreMm: positiveMm.optional(),
  outsideMm: positiveMm.optional(),
  quantity: z
    .int(QUANTITY_RANGE)
    .min(1, QUANTITY_RANGE)
    .max(LARGEST.quantity, QUANTITY_RANGE)
    .optional(),
  fit: oneOf(FITS).optional(),
  pressOn: oneOf(PRESS_SEATS).optional(),
  hand: oneOf(HANDS).optional(),
  isSplit: z.boolean('This is true or false.').optional(),
  closesFrom: oneOf(CLOSING_SIDES).optional(),
  marks: z
    .array(z.strictObject({ kind: oneOf(MARK_KINDS), text: name.optional(), with: id.optional() }))
    .max(LARGEST.marks, atMost(LARGEST.marks, 'marks'))
    .optional(),
  isNewEachTime: z.boolean('This is true or false.').optional(),
  putInWith: name.optional(),
  partNumber: writtenText('A part number is a text.')
    .trim()
    .min(1, 'A part number cannot be empty.')
    .max(
      LARGEST.partNumberLength,
      `A part number has ${LARGEST.partNumberLength} characters at most.`,
    )
    .optional(),
})

const sheetText = writtenText('This is a text.')
  .trim()
  .min(1, 'What is not known is left out.')
  .max(LARGEST.sheetText, `A line of a data sheet has ${LARGEST.sheetText} characters at most.`)

/** A figure of a limit; whether it bounds anything is asked where something is judged by it. */
const sheetFigure = sheetText.refine((text) => parseReading(text).ok, {
  error: 'A limit is a number, such as 0.05 or 3 7/8.',
})

const sheetLine = z.strictObject({
  id,
  kind: oneOf(SHEET_KINDS),
  of: writtenText().min(1).max(LARGEST.reference).optional(),
  what: sheetText.optional(),
  text: sheetText.optional(),
  measure: oneOf(MEASURES).optional(),
  least: sheetFigure.optional(),
  most: sheetFigure.optional(),
  unit: oneOf(READING_UNITS).optional(),
  from: sheetText.optional(),
})

const precedence = z
  .strictObject({
    id,
    first: writtenText().min(1).max(LARGEST.reference),
    then: writtenText().min(1).max(LARGEST.reference),
    reason: sheetText.optional(),
  })
  .refine(({ first, then }) => first !== then, 'A part does not go in before itself.')

const travelMm = z
  .number('A travel is a number of millimetres.')
  .min(-LARGEST.travelMm, `A rod moves ${LARGEST.travelMm} mm at most.`)
  .max(LARGEST.travelMm, `A rod moves ${LARGEST.travelMm} mm at most.`)

const GATE_ROWS = `A row of the gate is a whole number from 1 to ${LARGEST.gateRows}.`

const LEVERS = `A lever is a whole number from 1 to ${LARGEST.levers}.`

const selector = z.strictObject({
  id,
  name: name.optional(),
  places: z
    .array(
      z.strictObject({
        id,
        travelMm: travelMm.optional(),
        couplers: z.record(id, id),
        gate: z
          .strictObject({
            row: z.int(GATE_ROWS).min(1, GATE_ROWS).max(LARGEST.gateRows, GATE_ROWS),
            end: oneOf(GATE_ENDS),
            guard: oneOf(GATE_GUARDS).optional(),
            isLampOn: z.boolean('This is true or false.').optional(),
          })
          .optional(),
      }),
    )
    .max(LARGEST.selectorPlaces, atMost(LARGEST.selectorPlaces, 'places of one rod')),
  lever: z.int(LEVERS).min(1, LEVERS).max(LARGEST.levers, LEVERS).optional(),
  switched: oneOf(SWITCH_RULES).optional(),
})

const interlockPart = z
  .strictObject({
    id,
    kind: oneOf(INTERLOCK_PART_KINDS),
    selectors: z
      .array(id)
      .max(LARGEST.selectors, atMost(LARGEST.selectors, 'rods'))
      .refine((ids) => new Set(ids).size === ids.length, 'Each rod is named once.'),
  })
  .refine(
    ({ kind, selectors }) =>
      kind === 'ball'
        ? selectors.length === 2
        : kind === 'pin'
          ? selectors.length === 1
          : selectors.length > 1,
    'A ball lies between two rods, a pin in one, and a plate serves two or more.',
  )

const angleDeg = z
  .number('An angle is a number of degrees.')
  .min(0, 'A drum is measured from 0° on.')
  .lt(360, 'A whole turn is 0° again: an angle is below 360°.')

const drum = z.strictObject({
  id,
  tracks: z
    .array(
      z
        .strictObject({
          coupler: id,
          points: z
            .array(z.strictObject({ angleDeg, travelMm }))
            .min(1, 'A groove has at least one point.')
            .max(LARGEST.drumPoints, atMost(LARGEST.drumPoints, 'points of one groove'))
            .refine(
              (points) =>
                points.every(
                  ({ angleDeg: at }, index) =>
                    index === 0 || at > (points[index - 1]?.angleDeg ?? 0),
                ),
              'Points of a groove stand in the order of the turn, each at an angle of its own.',
            ),
          touchesFromMm: travelMm.positive('Dogs touch at more than 0 mm.'),
          carriesFromMm: travelMm,
        })
        .refine(
          ({ touchesFromMm, carriesFromMm }) => carriesFromMm >= touchesFromMm,
          'Dogs touch before they are deep enough to carry.',
        ),
    )
    .max(LARGEST.couplers, atMost(LARGEST.couplers, 'grooves')),
  stops: z
    .array(
      z.strictObject({
        angleDeg,
        position: id.optional(),
        reachDeg: z
          .number('A reach is a number of degrees.')
          .positive('A notch reaches further than 0°.')
          .max(180, 'A notch reaches 180° at most.')
          .optional(),
      }),
    )
    .max(LARGEST.drumStops, atMost(LARGEST.drumStops, 'stops'))
    .refine(
      (stops) =>
        stops.every(
          ({ angleDeg: at }, index) => index === 0 || at > (stops[index - 1]?.angleDeg ?? 0),
        ),
      'Stops stand in the order of the turn, each at an angle of its own.',
    ),
})

const draftShape = {
  name,
  notes: writtenText().max(LARGEST.notesLength, 'These notes are too long.').optional(),
  axes: z
    .array(axis)
    .min(1, 'A box has at least one axis.')
    .max(LARGEST.axes, atMost(LARGEST.axes, 'axes')),
  members: z
    .array(member)
    .min(1, 'A box has at least one member.')
    .max(LARGEST.members, atMost(LARGEST.members, 'members')),
  gears: z.array(gear).max(LARGEST.gears, atMost(LARGEST.gears, 'gears')),
  links: z.array(link).max(LARGEST.links, atMost(LARGEST.links, 'links')),
  couplers: z.array(coupler).max(LARGEST.couplers, atMost(LARGEST.couplers, 'couplers')),
  positions: z.array(position).max(LARGEST.positions, atMost(LARGEST.positions, 'positions')),
  interlocks: z
    .array(interlock)
    .max(LARGEST.couplers, atMost(LARGEST.couplers, 'interlocks'))
    .optional(),
  rules: z.array(rule).max(LARGEST.rules, atMost(LARGEST.rules, 'rules')).optional(),
  leftWarnings: z
    .array(leftWarning)
    .max(LARGEST.leftWarnings, atMost(LARGEST.leftWarnings, 'warnings left as they are'))
    .optional(),
  pieces: z
    .array(piece)
    .max(LARGEST.pieces, {
      error: `More than ${LARGEST.pieces} parts on shafts and in the case: a unit has some three hundred. Take out what is listed twice.`,
    })
    .optional(),
  sheet: z
    .array(sheetLine)
    .max(LARGEST.sheet, atMost(LARGEST.sheet, 'lines of a data sheet'))
    .optional(),
  precedences: z
    .array(precedence)
    .max(LARGEST.precedences, {
      error: `More than ${LARGEST.precedences} statements of what goes in first. Leave out what the parts tell themselves.`,
    })
    .optional(),
  selectors: z.array(selector).max(LARGEST.selectors, atMost(LARGEST.selectors, 'rods')).optional(),
  interlockParts: z
    .array(interlockPart)
    .max(LARGEST.interlockParts, atMost(LARGEST.interlockParts, 'balls and pins'))
    .optional(),
  drums: z.array(drum).max(1, 'A box has one drum.').optional(),
  isSpare: z.boolean('This is true or false.').nullable().optional(),
  input: id,
  outputs: z
    .array(id)
    .min(1, 'A box has at least one output.')
    .max(LARGEST.outputs, atMost(LARGEST.outputs, 'outputs')),
  finalDrive: z
    .strictObject({ drivingToothCount: toothCountSchema, drivenToothCount: toothCountSchema })
    .nullable()
    .optional(),
  rollingRadiusMm: z
    .number('A rolling radius is a number of millimetres.')
    .min(LEAST_ROLLING_RADIUS_MM, ROLLING_RADIUS_RANGE)
    .max(MOST_ROLLING_RADIUS_MM, ROLLING_RADIUS_RANGE)
    .nullable()
    .optional(),
  inputSense: oneOf(INPUT_SENSES).nullable().optional(),
}

/** The parts of a box, list by list. */
export const partSchemas = {
  axes: axis,
  members: member,
  gears: gear,
  links: link,
  couplers: coupler,
  positions: position,
  interlocks: interlock,
  rules: rule,
  leftWarnings: leftWarning,
  pieces: piece,
  sheet: sheetLine,
  precedences: precedence,
  selectors: selector,
  interlockParts: interlockPart,
  drums: drum,
} as const satisfies Record<PartList, z.ZodType>

/** The fields of a box besides its parts. */
export const fieldSchemas = {
  name: draftShape.name,
  notes: draftShape.notes,
  finalDrive: draftShape.finalDrive,
  rollingRadiusMm: draftShape.rollingRadiusMm,
  inputSense: draftShape.inputSense,
  input: draftShape.input,
  outputs: draftShape.outputs,
  isSpare: draftShape.isSpare,
} as const satisfies Record<BoxField, z.ZodType>

/** A box without the heading of a file, as the database keeps it. */
export const draftSchema = z.strictObject(draftShape) satisfies z.ZodType<BoxDraft>

export const boxFileSchema = z.strictObject({
  format: z.literal(BOX_FILE_FORMAT),
  version: z.literal(BOX_FILE_VERSION),
  ...draftShape,
})

/** One thing wrong with a file: where, and in words. */
export interface FileIssue {
  readonly path: Path
  readonly message: string
  /** The core's code, where the core found it. */
  readonly code?: BoxIssue['code']
}

export type ParsedBoxFile =
  | { readonly ok: true; readonly draft: BoxDraft }
  | { readonly ok: false; readonly issues: readonly FileIssue[] }

const MOST_ISSUES_TOLD = 20

/** Zod's issues as ours. Long lists are cut, since nobody mends a file by the thousandth line. */
export function fileIssues(error: z.ZodError): readonly FileIssue[] {
  return error.issues.slice(0, MOST_ISSUES_TOLD).map((issue) => ({
    path: issue.path.filter((key) => typeof key !== 'symbol'),
    message:
      issue.code === 'unrecognized_keys'
        ? `Udrix does not know ${issue.keys.map((key) => `"${key}"`).join(', ')} here. Take it out, or open the file with the version of Udrix that wrote it.`
        : issue.code === 'invalid_type' && issue.input === undefined
          ? 'This is missing.'
          : issue.message,
  }))
}

/** What keeps a draft from being a box file, such as more parts than one may have. */
export function limitIssues(draft: BoxDraft): readonly FileIssue[] {
  const parsed = draftSchema.safeParse(draft)
  return parsed.success ? [] : fileIssues(parsed.error)
}

/**
 * Reads the text of a box file. The draft that comes back has the right shape;
 * whether it hangs together is for `checkBox` to say.
 */
export function parseBoxFile(text: string): ParsedBoxFile {
  const fail = (message: string, path: Path = []): ParsedBoxFile => ({
    ok: false,
    issues: [{ path, message }],
  })
  if (new TextEncoder().encode(text).length > LARGEST_BOX_FILE_BYTES)
    return fail('This file is over 1 MB. A box file is some ten kilobytes: is it the right file?')
  const json = parseJson(text)
  if (!json.ok)
    return fail(
      json.code === 'too-deep'
        ? 'This file is nested deeper than any box file. Choose a file that Udrix exported.'
        : 'This file is not JSON, so it is not a box file. Choose a file that Udrix exported.',
    )
  const { content } = json
  const heading = z.looseObject({ format: z.unknown(), version: z.unknown() }).safeParse(content)
  if (!heading.success || heading.data.format !== BOX_FILE_FORMAT)
    return fail(`This file does not say "format": "${BOX_FILE_FORMAT}", so it is not a box file.`, [
      'format',
    ])
  const { version } = heading.data
  if (typeof version === 'number' && version > BOX_FILE_VERSION)
    return fail(
      `This file has version ${version} of the format; this Udrix reads version ${BOX_FILE_VERSION}. Open it with a newer Udrix.`,
      ['version'],
    )
  if (version !== BOX_FILE_VERSION)
    return fail(
      `This file has no known version of the format: "version" must be ${BOX_FILE_VERSION}.`,
      ['version'],
    )
  const parsed = boxFileSchema.safeParse(content)
  if (!parsed.success) return { ok: false, issues: fileIssues(parsed.error) }
  const { format: _format, version: _version, ...draft } = parsed.data
  return { ok: true, draft }
}

/** The text of a box file. */
export function formatBoxFile(draft: BoxDraft): string {
  return `${JSON.stringify({ format: BOX_FILE_FORMAT, version: BOX_FILE_VERSION, ...draft }, null, 2)}\n`
}
