/** Random things of a box, of whatever its fields allow: a field that is added is in every such test. */
import fc from 'fast-check'

import type { Field, FieldType, FieldsOf, IdOf } from '../box/fields/field.ts'
import { CHOICES } from '../box/fields/field.ts'

/** Ids to choose from, by what they are of. */
export type Ids = Readonly<Partial<Record<IdOf, readonly string[]>>>

/** Large figures are for no box: a length of a kilometre says nothing more. */
const MOST = 100

function typeOf(field: FieldType, ids: Ids): fc.Arbitrary<unknown> {
  switch (field.type) {
    case 'number':
    case 'whole': {
      const { least, most, isAbove, isBelow } = field
      const [from, to] = [Math.max(least, -MOST), Math.min(most, MOST)]
      if (to - from < 1)
        return fc.double({ min: from, max: to, noNaN: true, minExcluded: isAbove === true })
      return fc.integer({
        min: Math.ceil(from) + (isAbove === true ? 1 : 0),
        max: Math.floor(to) - (isBelow === true ? 1 : 0),
      })
    }
    case 'text':
      return field.isFigure === true
        ? fc.constantFrom('0.05', '3 7/8')
        : fc
            .constantFrom('front bearing', 'long spacer', 'Stück 7', 'A 12/4')
            .map((text) => text.slice(0, field.most).trim())
    case 'choice':
      return fc.constantFrom(...CHOICES[field.choice])
    case 'own-id':
      return fc.constantFrom('a', 'b', 'c')
    case 'id':
      return fc.constantFrom(...(ids[field.of] ?? ['s0']))
    case 'reference':
      return fc.constantFrom('shaft:s0', 'piece:piece-0')
    case 'flag':
      return fc.boolean()
    case 'time':
      return fc.constant('2026-01-31T12:00:00.000Z')
    case 'places':
      return fc.constantFrom({}, { 'coupler-0': '1' })
    case 'pair':
      return fc.tuple(fc.integer({ min: 0, max: 40 }), fc.integer({ min: 50, max: MOST }))
    case 'list':
      return fc.array(typeOf(field.of, ids), { minLength: field.least ?? 0, maxLength: 3 })
    case 'group':
      return recordOf(field.fields, ids, {})
    case 'kinds':
      return fc.oneof(
        ...Object.entries(field.kinds).map(([kind, fields]) =>
          recordOf(fields, ids, {}).map((thing) => ({ ...thing, kind })),
        ),
      )
  }
}

type Own = Readonly<Record<string, fc.Arbitrary<unknown> | undefined>>

function recordOf(
  fields: Readonly<Record<string, Field>>,
  ids: Ids,
  own: Own,
): fc.Arbitrary<Readonly<Record<string, unknown>>> {
  const entries = Object.entries(fields)
  return fc.record(
    Object.fromEntries(
      entries.map(([name, field]) => {
        const known = own[name] ?? typeOf(field, ids)
        return [name, field.isNullable === true ? fc.option(known, { nil: null }) : known]
      }),
    ),
    {
      requiredKeys: entries.flatMap(([name, field]) => (field.isOptional === true ? [] : [name])),
      noNullPrototype: true,
    },
  )
}

/** Anything that has these fields; `own` has those that a test wants otherwise. */
export function thingOf<T>(
  fields: FieldsOf<T>,
  ids: Ids = {},
  own: { readonly [K in keyof T]?: fc.Arbitrary<T[K]> } = {},
): fc.Arbitrary<T> {
  const any = recordOf(fields as unknown as Readonly<Record<string, Field>>, ids, own)
  // The values of a field are of its type.
  return any as fc.Arbitrary<unknown> as fc.Arbitrary<T>
}
