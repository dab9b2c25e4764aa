/**
 * Where an edit of a box comes from. What else is to be known of edits has its place here:
 * whatever is in it is sent, kept, archived and told in the history.
 */
import { z } from 'zod'

import { initialsText } from './text.ts'

export const editOriginSchema = z.strictObject({
  /** Initials of whoever made it; empty where nobody said. */
  by: initialsText().default(''),
})
export type EditOrigin = z.infer<typeof editOriginSchema>

/** Of what a person does by whose settings the page goes. */
export function originOf({ initials }: { readonly initials: string }): EditOrigin {
  return { by: initials }
}

/** Of edits that were kept before anybody asked. */
export const UNKNOWN_ORIGIN: EditOrigin = { by: '' }

/** As a record has it: those from before have none. */
export const keptOriginSchema = editOriginSchema.default(UNKNOWN_ORIGIN)
