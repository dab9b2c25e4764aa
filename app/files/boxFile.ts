/**
 * The box file: a gearbox as JSON, version 1. The schema here is the only
 * description of the format; docs/box-file.schema.json is generated from it.
 */
import { z } from 'zod'

import type {
  BoxDraft,
  BoxField,
  BoxIssue,
  DogFigures,
  Drum,
  DrumTrack,
  Fields,
  FieldsOf,
  InterlockPart,
  PartList,
  Path,
  Precedence,
  ShaftStep,
} from 'core'
import {
  BOX,
  BOX_FIELDS,
  DOGS,
  DRUM,
  DRUM_TRACK,
  INTERLOCK_PART,
  PART_LISTS,
  PRECEDENCE,
  STEP,
  TEETH,
} from 'core'

import { dogsFault } from '~/words/dogs.ts'

import type { Rule } from './fieldSchema.ts'
import { shapeOf, typeSchema } from './fieldSchema.ts'
import { parseJson } from './text.ts'
import type { Steps } from './versions.ts'
import { broughtUp, newestOf } from './versions.ts'

const BOX_FILE_FORMAT = 'udrix-box'
/** What brings a file of an older version up, heading and all, from each version to the next. */
const STEPS: Steps<unknown> = new Map()
const BOX_FILE_VERSION = newestOf(STEPS)
export const LARGEST_BOX_FILE_BYTES = 1_000_000

/** Tells what is wrong between the fields of a thing, said at one of them. */
function rule<T extends object>(
  fields: FieldsOf<T>,
  path: keyof T & string,
  faultOf: (value: T) => string | null,
): readonly [Fields, Rule] {
  return [
    fields as unknown as Fields,
    (value) => {
      // The fields are those of the thing.
      const message = faultOf(value as T)
      return message === null ? null : { path, message }
    },
  ]
}

const unless = (isRight: boolean, message: string): string | null => (isRight ? null : message)

const isInOrder = (turns: readonly { readonly angleDeg: number }[]): boolean =>
  turns.every(({ angleDeg }, at) => at === 0 || angleDeg > (turns[at - 1]?.angleDeg ?? 0))

function selectorsFault({ kind, selectors }: InterlockPart): string | null {
  const { length } = selectors
  if (new Set(selectors).size < length) return 'Each rod is named once.'
  return unless(
    kind === 'ball' ? length === 2 : kind === 'pin' ? length === 1 : length > 1,
    'A ball lies between two rods, a pin in one, and a plate serves two or more.',
  )
}

function trackFault({ points, touchesFromMm, carriesFromMm }: DrumTrack): string | null {
  if (!isInOrder(points))
    return 'Points of a groove stand in the order of the turn, each at an angle of its own.'
  return unless(carriesFromMm >= touchesFromMm, 'Dogs touch before they are deep enough to carry.')
}

/** What has to hold between the fields of one thing. */
const RULES = new Map([
  rule<ShaftStep>(STEP, 'toMm', ({ fromMm, toMm }) =>
    unless(fromMm < toMm, 'A step begins before it ends.'),
  ),
  rule<DogFigures>(DOGS, 'freeAngleDeg', dogsFault),
  rule<Precedence>(PRECEDENCE, 'then', ({ first, then }) =>
    unless(first !== then, 'A part does not go in before itself.'),
  ),
  rule<InterlockPart>(INTERLOCK_PART, 'selectors', selectorsFault),
  rule<DrumTrack>(DRUM_TRACK, 'points', trackFault),
  rule<Drum>(DRUM, 'stops', ({ stops }) =>
    unless(isInOrder(stops), 'Stops stand in the order of the turn, each at an angle of its own.'),
  ),
])

/** A count of teeth as it comes from outside. */
export const toothCountSchema = typeSchema(
  { word: 'tooth count', ...TEETH },
  RULES,
) as z.ZodType<number>

const draftShape = shapeOf(BOX, RULES)

/** The parts of a box, list by list. */
export const partSchemas = Object.fromEntries(
  PART_LISTS.map((list) => {
    const { word, of } = BOX[list]
    return [list, typeSchema({ word, ...of }, RULES)]
  }),
) as unknown as { readonly [L in PartList]: z.ZodType<NonNullable<BoxDraft[L]>[number]> }

/** The fields of a box besides its parts. */
export const fieldSchemas = Object.fromEntries(
  BOX_FIELDS.map((field) => [field, draftShape[field]]),
) as Readonly<Record<BoxField, z.ZodType>>

/** A box without the heading of a file, as the database keeps it. Its shape is that of the fields of a draft. */
export const draftSchema = z.strictObject(draftShape) as unknown as z.ZodType<BoxDraft>

const HEADING = {
  format: z.literal(BOX_FILE_FORMAT),
  version: z.literal(BOX_FILE_VERSION),
}

export const boxFileSchema = z.strictObject({ ...HEADING, ...draftShape }) as unknown as z.ZodType<
  BoxDraft & z.infer<z.ZodObject<typeof HEADING>>
>

/** One thing wrong with a file: where, and in words. */
export interface FileIssue {
  readonly path: Path
  readonly message: string
  /** The core's code, where the core found it. */
  readonly code?: BoxIssue['code']
}

type ParsedBoxFile =
  | { readonly ok: true; readonly draft: BoxDraft }
  | { readonly ok: false; readonly issues: readonly FileIssue[] }

const MOST_ISSUES_TOLD = 20

/** Zod's issues as ours. Long lists are cut, since nobody mends a file by the thousandth line. */
function fileIssues(error: z.ZodError): readonly FileIssue[] {
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
  const file = broughtUp(STEPS, typeof version === 'number' ? version : NaN, content)
  if (file === null)
    return fail(
      `This file has no known version of the format: "version" must be ${BOX_FILE_VERSION}.`,
      ['version'],
    )
  const parsed = boxFileSchema.safeParse(file)
  if (!parsed.success) return { ok: false, issues: fileIssues(parsed.error) }
  const { format: _format, version: _version, ...draft } = parsed.data
  return { ok: true, draft }
}

/** The text of a box file. */
export function formatBoxFile(draft: BoxDraft): string {
  return `${JSON.stringify({ format: BOX_FILE_FORMAT, version: BOX_FILE_VERSION, ...draft }, null, 2)}\n`
}
