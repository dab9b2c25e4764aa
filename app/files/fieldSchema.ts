/** Schemas of the things in a box, made of their fields. */
import { z } from 'zod'

import type { Field, FieldType, Fields, NumberField, TextField } from 'core'
import { CHOICES, LARGEST, parseReading } from 'core'

import { rangeWords } from '~/words/fields.ts'

import { storable, writtenText } from './text.ts'

/** What is wrong between the fields of a thing: where, and in words; null where nothing is. */
export type Rule = (
  value: Readonly<Record<string, unknown>>,
) => { readonly path: string; readonly message: string } | null

/** What a schema is made with besides the fields: rules between the fields of a thing. */
type Rules = ReadonlyMap<Fields, Rule>

const id = z
  .string('An id is a text.')
  .min(1, 'An id cannot be empty.')
  .max(LARGEST.idLength, `An id has ${LARGEST.idLength} characters at most.`)
  .refine((text) => storable(text) === text, 'An id has whole characters only, and no NUL.')
  // Parts are looked up by their ids in plain objects too.
  .refine((text) => !(text in Object.prototype), 'This word cannot be an id. Write another.')

const reference = writtenText().min(1).max(LARGEST.reference)

function numberSchema(field: NumberField & { readonly word: string }): z.ZodType {
  const { type, least, most, isAbove, isBelow } = field
  const range = rangeWords(field)
  const number = type === 'whole' ? z.int(range) : z.number(range)
  const from = isAbove === true ? number.gt(least, range) : number.min(least, range)
  return isBelow === true ? from.lt(most, range) : from.max(most, range)
}

function textSchema({ most, mayBeEmpty, isFigure }: TextField): z.ZodType {
  const tooLong = `This has ${most} characters at most.`
  const text = writtenText('This is a text.')
  if (mayBeEmpty === true) return text.max(most, tooLong)
  const said = text.trim().min(1, 'This cannot be empty.').max(most, tooLong)
  return isFigure === true
    ? said.refine((figure) => parseReading(figure).ok, {
        error: 'This is a number, such as 0.05 or 3 7/8.',
      })
    : said
}

/** Of a field's type, whether or not it may be left out. */
export function typeSchema(field: FieldType & { readonly word: string }, rules: Rules): z.ZodType {
  const { word } = field
  switch (field.type) {
    case 'number':
    case 'whole':
      return numberSchema({ ...field, word })
    case 'text':
      return textSchema(field)
    case 'choice': {
      const values = CHOICES[field.choice]
      return z.enum(values, { error: `This is one of: ${values.join(', ')}.` })
    }
    case 'own-id':
    case 'id':
      return id
    case 'reference':
      return reference
    case 'flag':
      return z.boolean('This is true or false.')
    case 'time':
      return z.iso.datetime('A time is written as 2026-01-31T12:00:00Z.')
    case 'places':
      return z.record(id, id)
    case 'pair': {
      const each = typeSchema({ ...field.of, word }, rules) as z.ZodType<number>
      return z
        .tuple([each, each], 'These are two, from the input end.')
        .refine(([from, to]) => from < to, 'The first stands nearer the input end.')
    }
    case 'list': {
      const { of, least, most, many } = field
      const list = z
        .array(typeSchema({ ...of, word }, rules))
        .max(most, `More than ${most} ${many}: no gearbox that Udrix can draw has so many.`)
      return least === undefined ? list : list.min(least, 'There is at least one of these.')
    }
    case 'group':
      return groupSchema(field.fields, rules)
    case 'kinds': {
      const kinds = Object.entries(field.kinds).map(([kind, { id: own, ...fields }]) =>
        z.strictObject({ ...(own && { id }), kind: z.literal(kind), ...shapeOf(fields, rules) }),
      )
      return z.discriminatedUnion('kind', kinds as unknown as readonly [(typeof kinds)[number]], {
        error: `This kind is one of: ${Object.keys(field.kinds).join(', ')}.`,
      })
    }
  }
}

function fieldSchema(field: Field, rules: Rules): z.ZodType {
  const whole = typeSchema(field, rules)
  const known = field.isNullable === true ? whole.nullable() : whole
  return field.isOptional === true ? known.optional() : known
}

function groupSchema(fields: Fields, rules: Rules): z.ZodType {
  const group = z.strictObject(shapeOf(fields, rules))
  const rule = rules.get(fields)
  if (!rule) return group
  return group.superRefine((value, context) => {
    const fault = rule(value)
    if (fault)
      context.addIssue({ code: 'custom', path: fault.path.split('.'), message: fault.message })
  })
}

/** A schema for each field of a thing, by its name. */
export function shapeOf(
  fields: Fields,
  rules: Rules = new Map(),
): Readonly<Record<string, z.ZodType>> {
  return Object.fromEntries(
    Object.entries(fields).map(([name, field]) => [name, fieldSchema(field, rules)]),
  )
}
