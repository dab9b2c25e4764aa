/**
 * Whatever reads what people type or send takes a megabyte of anything in a fifth of a second.
 * The fields are those of the schemas, so that a new field is tried too. Times are of the
 * processor, and the least of several tries, since machines are shared.
 */
import { z } from 'zod'

import { buildPattern, indexBox, parseReading, parseSpan } from 'core'

import { boxFileSchema, parseBoxFile } from '../files/boxFile.ts'
import { parseCountsCsv } from '../files/countsCsv.ts'
import { parseDriveCsv } from '../files/driveCsv.ts'
import { sentEntrySchema } from '../files/jobEntry.ts'
import { jobRecordSchema } from '../files/jobRecord.ts'
import { openBoxFile } from '../files/openBoxFile.ts'
import { parsePieces, parseStock, ruleSchema, shelfSchema } from '../files/shelf.ts'
import { parseJson, storable } from '../files/text.ts'
import { findParts, searchableParts } from '../views/measure/findParts.ts'
import { isTooFineForThou } from '../views/measure/thousandths.ts'
import { parseCount } from '../views/count/parseCount.ts'
import { tooLongWords } from '../words/lengths.ts'
import { PLAIN_WORDS } from '../words/vocabulary.ts'
import { editSchema, sentEditSchema } from './edits.ts'

const MEGABYTE = 1_000_000
const MOST_MS = 200

/** A megabyte of each. */
const HOSTILE: Readonly<Record<string, string>> = {
  spaces: ' '.repeat(MEGABYTE),
  'a figure, spaces and a letter': `1${' '.repeat(MEGABYTE)}y`,
  digits: '7'.repeat(MEGABYTE),
  'digits with points': '7.'.repeat(MEGABYTE / 2),
  quotes: '"'.repeat(MEGABYTE),
  brackets: '['.repeat(MEGABYTE),
  braces: '{"a":'.repeat(MEGABYTE / 5),
  'signs of every kind': '+-x×;, /\n'.repeat(MEGABYTE / 10),
  'words with a space': 'a '.repeat(MEGABYTE / 2),
  'halves of pairs and nothing': '\uD800\0'.repeat(MEGABYTE / 2),
  'lines of quotes': '"a\n'.repeat(MEGABYTE / 3),
}
/** What the schemas are tried with, of which there are hundreds of fields. */
const HOSTILE_FIELDS = ['a figure, spaces and a letter', 'digits', 'quotes', 'brackets'] as const

/** The least processor time of tries, which a busy machine does not lengthen. */
function cpuMs(work: () => void): number {
  let least = Infinity
  for (let tries = 0; tries < 8 && least > MOST_MS / 2; tries++) {
    const from = process.cpuUsage()
    work()
    const { user, system } = process.cpuUsage(from)
    least = Math.min(least, (user + system) / 1000)
  }
  return least
}

const draft = buildPattern('three-shaft', 'box', {})
const searchable = searchableParts({ box: indexBox(draft), words: PLAIN_WORDS }, [], new Map())

/** Everything that makes something of text. */
const READERS: Readonly<Record<string, (text: string) => unknown>> = {
  parseReading,
  parseSpan,
  'sizes in mm': (text) => parsePieces(text, 'mm'),
  'sizes in inches': (text) => parsePieces(text, 'in'),
  parseStock,
  parseCount,
  parseJson,
  parseBoxFile,
  openBoxFile,
  'counts from a spreadsheet': (text) => parseCountsCsv(draft, text, PLAIN_WORDS),
  'a course from a spreadsheet': (text) => parseDriveCsv(text),
  'a search for parts': (text) => findParts(searchable, text),
  isTooFineForThou,
  storable,
  tooLongWords: (text) => tooLongWords(text, 20),
}

test.each(Object.keys(READERS))('%s', (name) => {
  for (const [kind, text] of Object.entries(HOSTILE))
    expect([kind, cpuMs(() => READERS[name]?.(text)) < MOST_MS]).toEqual([kind, true])
})

interface Shape {
  readonly type?: string
  readonly const?: unknown
  readonly enum?: readonly unknown[]
  readonly properties?: Readonly<Record<string, Shape>>
  readonly additionalProperties?: Shape | boolean
  readonly propertyNames?: Shape
  readonly items?: Shape
  readonly prefixItems?: readonly Shape[]
  readonly anyOf?: readonly Shape[]
  readonly oneOf?: readonly Shape[]
  readonly $ref?: string
}

/** Values with `text` in one of the places that take text, and something plain in all others. */
function valuesWith(shape: Shape, text: string): readonly unknown[] {
  const choices = shape.anyOf ?? shape.oneOf
  if (choices) return choices.flatMap((choice) => valuesWith(choice, text))
  if (shape.const !== undefined) return []
  switch (shape.type) {
    case 'string':
      return [text]
    case 'array':
      return valuesWith(shape.items ?? shape.prefixItems?.[0] ?? {}, text).map((value) => [value])
    case 'object': {
      const properties = Object.entries(shape.properties ?? {})
      const plain = Object.fromEntries(properties.map(([key, each]) => [key, plainOf(each)]))
      const { additionalProperties: more } = shape
      return [
        ...properties.flatMap(([key, each]) =>
          valuesWith(each, text).map((value) => ({ ...plain, [key]: value })),
        ),
        ...(typeof more === 'object'
          ? [{ [text]: plainOf(more) }, ...valuesWith(more, text).map((value) => ({ a: value }))]
          : []),
      ]
    }
    default:
      return []
  }
}

/** Something of the shape, so that what is beside the text is right. */
function plainOf(shape: Shape): unknown {
  const [choice] = shape.anyOf ?? shape.oneOf ?? []
  if (choice) return plainOf(choice)
  if (shape.const !== undefined) return shape.const
  if (shape.enum) return shape.enum[0]
  switch (shape.type) {
    case 'string':
      return '1'
    case 'number':
    case 'integer':
      return 1
    case 'boolean':
      return true
    case 'array':
      return []
    case 'object':
      return Object.fromEntries(
        Object.entries(shape.properties ?? {}).map(([key, each]) => [key, plainOf(each)]),
      )
    default:
      return null
  }
}

const SCHEMAS: Readonly<Record<string, z.ZodType>> = {
  'a box file': boxFileSchema,
  'an edit': editSchema,
  'an edit on its way': sentEditSchema,
  'an entry': sentEntrySchema,
  'a record of a job': jobRecordSchema,
  'the shelf': shelfSchema,
  'a rule of the shop': ruleSchema,
}

test.each(Object.keys(SCHEMAS))('every field of %s', (name) => {
  const schema = SCHEMAS[name] ?? z.never()
  const shape = z.toJSONSchema(schema, { io: 'input', unrepresentable: 'any', reused: 'inline' })
  let tried = 0
  for (const kind of HOSTILE_FIELDS) {
    // JSON Schema as the package writes it is of this shape.
    for (const value of valuesWith(shape as Shape, HOSTILE[kind] ?? '')) {
      tried += 1
      const ms = cpuMs(() => schema.safeParse(value))
      if (ms >= MOST_MS)
        throw new Error(`${name}: ${kind} took ${ms} ms in ${Object.keys(value ?? {}).join(' ')}`)
    }
  }
  expect(tried).toBeGreaterThan(HOSTILE_FIELDS.length)
})
