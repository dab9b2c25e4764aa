/** What the shop has on its shelf. */
import { eq } from 'drizzle-orm'

import type { Shelf } from '../shelf.ts'
import { USUAL_SHELF, shelfSchema } from '../shelf.ts'
import { db } from './db/client.ts'
import { shop } from './db/tables/shop.ts'

const NAME = 'shelf'

/** The shelf as somebody left it; a usual set of leaves before that. */
export async function readShelf(): Promise<Shelf> {
  const [row] = await db.select({ document: shop.document }).from(shop).where(eq(shop.name, NAME))
  return row ? shelfSchema.parse(row.document) : USUAL_SHELF
}

export async function keepShelf(shelf: Shelf): Promise<void> {
  await db
    .insert(shop)
    .values({ name: NAME, document: shelf })
    .onConflictDoUpdate({ target: shop.name, set: { document: shelf } })
}
