/** Units of the bench that are put beside one on the same drive. */
import { and, desc, ne } from 'drizzle-orm'

import type { UnitBeside, UnitName } from '~/views/drive/besideUnits.ts'
import { MOST_BESIDE, besideOf } from '~/views/drive/besideUnits.ts'

import { columns, findBox, onBench, readableOf } from './boxes.ts'
import { db } from './db/client.ts'
import { boxes } from './db/tables/boxes.ts'

/** The units last worked on; more than these nobody chooses from. */
const MOST_CHOICES = 40

/** What can be put beside a unit, the one last worked on first. */
export async function unitsToChoose(id: string): Promise<readonly UnitName[]> {
  const rows = await db
    .select(columns)
    .from(boxes)
    .where(and(onBench, ne(boxes.id, id)))
    .orderBy(desc(boxes.updatedAt))
    .limit(MOST_CHOICES)
  return readableOf(rows).map((box) => ({ id: box.id, name: box.draft.name }))
}

/** The units that an address names; those that are gone are left out. */
export async function unitsBeside(asked: string | null): Promise<readonly UnitBeside[]> {
  const found = await Promise.all(besideOf(asked).slice(0, MOST_BESIDE).map(findBox))
  return found.flatMap((box) =>
    box ? [{ id: box.id, name: box.draft.name, draft: box.draft }] : [],
  )
}
