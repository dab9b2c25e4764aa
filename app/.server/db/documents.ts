import type { BoxDraft } from 'core'

import { draftSchema } from '../../files/boxFile.ts'

/** A stored document as a draft. Throws when the database holds something else. */
export function draftOfDocument(boxId: string, document: unknown): BoxDraft {
  const parsed = draftSchema.safeParse(document)
  if (!parsed.success)
    throw new Error(`box ${boxId} holds a document of another shape: ${parsed.error.message}`)
  return parsed.data
}
