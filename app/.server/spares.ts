/** Units that are kept for their parts, and which of those a job could use. */
import { and, desc, eq, ne, sql } from 'drizzle-orm'

import type { BoxDraft } from 'core'
import { alikeParts, condemnedParts, indexBox, readJob } from 'core'

import type { BoxRecord } from './boxes.ts'
import { columns, onBench, readableOf } from './boxes.ts'
import { db } from './db/client.ts'
import { boxes } from './db/tables/boxes.ts'
import { jobsOfBoxes } from './jobs.ts'
import { readRules } from './shelf.ts'

/** More spare units than this nobody looks through for one part. */
const MOST_SPARES = 12

/** Parts of one spare unit that are alike with one that is needed. */
interface SparePart {
  /** The key of what is needed. */
  readonly key: string
  readonly box: string
  readonly boxName: string
  /** References to the parts there. */
  readonly parts: readonly string[]
}

/** The parts of spare units that may stand in for those needed; none that was found to be worn there. */
export async function sparesFor(
  box: Pick<BoxRecord, 'id' | 'draft'>,
  keys: readonly string[],
): Promise<readonly { readonly spare: BoxDraft; readonly found: readonly SparePart[] }[]> {
  if (keys.length === 0) return []
  const rows = await db
    .select(columns)
    .from(boxes)
    .where(and(onBench, ne(boxes.id, box.id), eq(sql`${boxes.document} ->> 'isSpare'`, 'true')))
    .orderBy(desc(boxes.updatedAt))
    .limit(MOST_SPARES)
  const spares = readableOf(rows)
  const [jobs, rules] = await Promise.all([jobsOfBoxes(spares.map(({ id }) => id)), readRules()])
  return spares.flatMap(({ id, draft }) => {
    const ofSpare = jobs.get(id)
    if (!ofSpare) return []
    const condemned = condemnedParts(
      indexBox(draft),
      readJob(ofSpare.at(-1)?.entries ?? [], { sheet: draft.sheet ?? [], rules }),
    )
    const found = keys.flatMap((key): SparePart[] => {
      const parts = alikeParts(box.draft, key, draft).filter((ref) => !condemned.has(ref))
      return parts.length > 0 ? [{ key, box: id, boxName: draft.name, parts }] : []
    })
    return [{ spare: draft, found }]
  })
}
