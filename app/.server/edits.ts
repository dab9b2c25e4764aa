import { z } from 'zod'

import type { Edit } from 'core'

import { toothCountSchema } from '../boxFile.ts'

const id = z.string().min(1).max(60)
const finalDrive = z
  .strictObject({ drivingToothCount: toothCountSchema, drivenToothCount: toothCountSchema })
  .nullable()

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
    name: z
      .string()
      .trim()
      .min(1, 'A box needs a name.')
      .max(120, 'A name has 120 characters at most.'),
    base: z.string().max(120),
  }),
  z.strictObject({ kind: z.literal('final-drive'), finalDrive, base: finalDrive }),
]) satisfies z.ZodType<Edit>
