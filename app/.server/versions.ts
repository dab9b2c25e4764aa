/** What tells one state of what pages show from another, as the database says it. */
import { createHash } from 'node:crypto'

import { findVersion } from './boxes.ts'
import { findVersionOfAll } from './db/client.ts'

/** The version of a box, or of everything where `boxId` is null; null where there is none. */
export function findVersionOf(boxId: string | null): Promise<string | null> {
  return boxId === null ? findVersionOfAll() : findVersion(boxId)
}

/** A version as pages hand it back: short, and of letters that stand in any address. */
export function digestOf(version: string | null): string {
  return version === null
    ? ''
    : createHash('sha256').update(version).digest('base64url').slice(0, 22)
}
