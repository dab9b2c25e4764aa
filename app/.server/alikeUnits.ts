/** Other units of the kind of one: those on the bench with the same shafts and gears. */
import { and, desc, eq, ne, sql } from 'drizzle-orm'

import type { BoxDraft, Entry } from 'core'

import type { BoxRecord } from './boxes.ts'
import { columns, findBox, onBench, readableOf } from './boxes.ts'
import { db } from './db/client.ts'
import { boxes } from './db/tables/boxes.ts'
import { isId } from './ids.ts'
import { jobsOfBox } from './jobs.ts'

/** More than this nobody chooses from. */
const MOST_UNITS = 30

interface AlikeUnit {
  readonly id: string
  readonly name: string
}

/** A unit with the job in which it was last put together. */
interface OtherUnit extends AlikeUnit {
  readonly draft: BoxDraft
  readonly entries: readonly Entry[]
}

export async function alikeUnits({ id, draft }: BoxRecord): Promise<readonly AlikeUnit[]> {
  /** Whether a list of the other has the very ids of this one's. */
  const hasIdsOf = (list: 'members' | 'gears') =>
    eq(
      sql`jsonb_path_query_array(${boxes.document}, ${`$.${list}[*].id`}::jsonpath)`,
      sql`${JSON.stringify(draft[list].map((part) => part.id))}::jsonb`,
    )
  const rows = await db
    .select(columns)
    .from(boxes)
    .where(and(onBench, ne(boxes.id, id), hasIdsOf('members'), hasIdsOf('gears')))
    .orderBy(desc(boxes.updatedAt))
    .limit(MOST_UNITS)
  return readableOf(rows).map((box) => ({ id: box.id, name: box.draft.name }))
}

/** The unit that an address names; null where there is none. */
export async function otherUnit(id: string | null): Promise<OtherUnit | null> {
  if (id === null || !isId(id)) return null
  const box = await findBox(id)
  if (!box) return null
  const jobs = await jobsOfBox(id)
  return {
    id,
    name: box.draft.name,
    draft: box.draft,
    entries: jobs.at(-1)?.entries ?? [],
  }
}
