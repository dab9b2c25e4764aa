/** What the shop has on its shelf, and the rules that it goes by. */
import { eq, like, sql } from 'drizzle-orm'

import type { ShopRule } from 'core'

import type { Shelf } from '../files/shelf.ts'
import { ruleBase, ruleSchema, shelfSchema, usualShelf } from '../files/shelf.ts'
import type { LengthUnit } from '../words/format.ts'
import type { Queries } from './db/client.ts'
import { db, transact } from './db/client.ts'
import { shop } from './db/tables/shop.ts'
import { EVERYTHING, announce } from './events.ts'

/** What came of keeping something: kept, or what stands instead, since somebody was faster. */
export type Keeping<T> =
  | { readonly kind: 'kept' }
  | { readonly kind: 'changed'; readonly standing: T }

/** How something of the shop is read, and what its pages hand back to say what they have seen. */
interface Kind<T> {
  readonly read: (document: unknown) => T
  readonly baseOf: (standing: T) => string
}

async function documentOf(queries: Queries, name: string): Promise<unknown> {
  const [row] = await queries
    .select({ document: shop.document })
    .from(shop)
    .where(eq(shop.name, name))
  return row?.document
}

/**
 * Puts a document in the place of what stands, or nothing where it is undefined, one after
 * another; `base` is what its author had seen, and undefined where that does not matter.
 */
async function replace<T>(
  name: string,
  document: unknown,
  { read, baseOf }: Kind<T>,
  base: string | undefined,
): Promise<Keeping<T>> {
  return transact(async (tx): Promise<Keeping<T>> => {
    // There may be no row yet that could be locked.
    await tx.execute(sql`select pg_advisory_xact_lock(hashtext(${`shop ${name}`}))`)
    if (base !== undefined) {
      const standing = read(await documentOf(tx, name))
      if (baseOf(standing) !== base) return { kind: 'changed', standing }
    }
    if (document === undefined) await tx.delete(shop).where(eq(shop.name, name))
    else
      await tx
        .insert(shop)
        .values({ name, document })
        .onConflictDoUpdate({ target: shop.name, set: { document } })
    await announce(tx, EVERYTHING)
    return { kind: 'kept' }
  })
}

/** The shelf; what it is before anybody kept one hangs on the unit of whoever looks at it. */
function shelfIn(unit: LengthUnit): Kind<Shelf> {
  return {
    read: (document) => (document === undefined ? usualShelf(unit) : shelfSchema.parse(document)),
    baseOf: shelfBase,
  }
}

/** What a page of the shelf hands back with a change, to say what it has seen. */
export function shelfBase(shelf: Shelf): string {
  return JSON.stringify(shelf)
}

/** The shelf as somebody left it; a usual set of leaves before that. */
export async function readShelf(unit: LengthUnit): Promise<Shelf> {
  return shelfIn(unit).read(await documentOf(db, 'shelf'))
}

/** Keeps the shelf, where it is still what its author has seen. */
export function keepShelf(shelf: Shelf, unit: LengthUnit, base?: string): Promise<Keeping<Shelf>> {
  return replace('shelf', shelf, shelfIn(unit), base)
}

const RULE_PREFIX = 'rule:'

const RULE: Kind<ShopRule | undefined> = {
  read: (document) => (document === undefined ? undefined : ruleSchema.parse(document)),
  baseOf: (rule) => ruleBase(rule?.limit),
}

/** The shop's own limits, one of a measure. */
export async function readRules(): Promise<readonly ShopRule[]> {
  const rows = await db
    .select({ document: shop.document })
    .from(shop)
    .where(like(shop.name, `${RULE_PREFIX}%`))
    .orderBy(shop.name)
  return rows.map(({ document }) => ruleSchema.parse(document))
}

/**
 * Keeps a limit in the place of the shop's former one of that measure, where that is still what
 * its author has seen; none where it is undefined.
 */
export function keepRule(
  measure: ShopRule['measure'],
  limit: ShopRule['limit'] | undefined,
  base?: string,
): Promise<Keeping<ShopRule | undefined>> {
  return replace(`${RULE_PREFIX}${measure}`, limit && { measure, limit }, RULE, base)
}
