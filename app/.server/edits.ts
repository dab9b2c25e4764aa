import { z } from 'zod'

import type { Edit } from 'core'
import { BOX_FIELDS, LARGEST, PART_LISTS } from 'core'

import { keptOriginSchema } from '../files/editOrigin.ts'
import { writtenText } from '../files/text.ts'
import { fieldSchemas, partSchemas, toothCountSchema } from '../files/boxFile.ts'

const id = writtenText().min(1).max(60)
/** Of a part of any list. */
const partId = writtenText().min(1).max(LARGEST.warningLength)
const finalDrive = z
  .strictObject({ drivingToothCount: toothCountSchema, drivenToothCount: toothCountSchema })
  .nullable()

/** More changes than this in one edit come from no page of ours. */
const MOST_CHANGES = 2_000

const part = z.looseObject({ id: partId })

/** A part as it is to become has the shape of its list; what it was is only compared with. */
const partChange = z
  .strictObject({
    kind: z.literal('part'),
    list: z.enum(PART_LISTS),
    id: partId,
    before: part.nullable(),
    after: part.nullable(),
    at: z.int().min(0),
  })
  .superRefine(({ list, id: changed, after }, context) => {
    if (!after) return
    const checked = partSchemas[list].safeParse(after)
    if (!checked.success) context.addIssue(sentenceOf(changed, checked.error))
    if (after.id !== changed) context.addIssue(`The part "${changed}" cannot take another id.`)
  })

const fieldChange = z
  .strictObject({
    kind: z.literal('field'),
    field: z.enum(BOX_FIELDS),
    before: z.unknown(),
    after: z.unknown(),
  })
  .superRefine(({ field, after }, context) => {
    const checked = fieldSchemas[field].safeParse(after ?? undefined)
    if (!checked.success) context.addIssue(sentenceOf(field, checked.error))
  })

const orderChange = z.strictObject({
  kind: z.literal('order'),
  list: z.enum(PART_LISTS),
  before: z.array(partId).max(MOST_CHANGES),
  after: z.array(partId).max(MOST_CHANGES),
})

function sentenceOf(what: string, error: z.ZodError): string {
  return `${what}: ${error.issues[0]?.message ?? 'not kept'}`
}

/** An edit as the browser sends it. */
export const editSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('count'),
    gear: id,
    reading: z.enum(['first', 'second']),
    toothCount: toothCountSchema.nullable(),
    base: toothCountSchema.nullable(),
  }),
  z.strictObject({
    kind: z.literal('settle'),
    gear: id,
    toothCount: toothCountSchema,
    base: z.strictObject({
      first: toothCountSchema.nullable(),
      second: toothCountSchema.nullable(),
    }),
  }),
  z.strictObject({
    kind: z.literal('rename'),
    name: writtenText()
      .trim()
      .min(1, 'A box needs a name.')
      .max(LARGEST.nameLength, `A name has ${LARGEST.nameLength} characters at most.`),
    base: writtenText().max(LARGEST.nameLength, 'No box was called that. Load the page again.'),
  }),
  z.strictObject({ kind: z.literal('final-drive'), finalDrive, base: finalDrive }),
  z.strictObject({
    kind: z.literal('change'),
    changes: z
      .array(z.discriminatedUnion('kind', [partChange, fieldChange, orderChange]))
      .max(MOST_CHANGES),
  }),
]) satisfies z.ZodType<Edit>

/**
 * An edit on its way, under the id that its page gave it and with where it comes from;
 * a bare edit is applied as it comes.
 */
export const sentEditSchema = z.preprocess(
  (sent) => (typeof sent === 'object' && sent !== null && 'edit' in sent ? sent : { edit: sent }),
  z.strictObject({ id: z.uuid().optional(), origin: keptOriginSchema, edit: editSchema }),
)
