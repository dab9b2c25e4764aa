/** What the shop has on its shelf, and the rules that it goes by. */
import { eq, like } from 'drizzle-orm'

import type { ShopRule } from 'core'

import type { Shelf } from '../files/shelf.ts'
import { USUAL_SHELF, ruleSchema, shelfSchema } from '../files/shelf.ts'
import { db, transact } from './db/client.ts'
import { shop } from './db/tables/shop.ts'
import { EVERYTHING, announce } from './events.ts'

async function read(name: string): Promise<unknown> {
  const [row] = await db.select({ document: shop.document }).from(shop).where(eq(shop.name, name))
  return row?.document
}

async function keep(name: string, document: unknown): Promise<void> {
  await transact(async (tx) => {
    await tx
      .insert(shop)
      .values({ name, document })
      .onConflictDoUpdate({ target: shop.name, set: { document } })
    await announce(tx, EVERYTHING)
  })
}

/** The shelf as somebody left it; a usual set of leaves before that. */
export async function readShelf(): Promise<Shelf> {
  const document = await read('shelf')
  return document === undefined ? USUAL_SHELF : shelfSchema.parse(document)
}

export async function keepShelf(shelf: Shelf): Promise<void> {
  await keep('shelf', shelf)
}

const RULE = 'rule:'

/** The shop's own limits, one of a measure. */
export async function readRules(): Promise<readonly ShopRule[]> {
  const rows = await db
    .select({ document: shop.document })
    .from(shop)
    .where(like(shop.name, `${RULE}%`))
    .orderBy(shop.name)
  return rows.map(({ document }) => ruleSchema.parse(document))
}

/** Keeps a rule in the place of the shop's former one of that measure. */
export async function keepRule(rule: ShopRule): Promise<void> {
  await keep(`${RULE}${rule.measure}`, rule)
}

/** The shop goes by no rule of its own for this measure any more. */
export async function dropRule(measure: ShopRule['measure']): Promise<void> {
  await transact(async (tx) => {
    await tx.delete(shop).where(eq(shop.name, `${RULE}${measure}`))
    await announce(tx, EVERYTHING)
  })
}
