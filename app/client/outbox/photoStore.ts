/** Photographs that the server has not kept yet, in the browser's database, by their id. */
import type { DBSchema, IDBPDatabase } from 'idb'
import { openDB } from 'idb'

const NAME = 'udrix'
const PHOTOS = 'photos'

interface Schema extends DBSchema {
  [PHOTOS]: { key: string; value: Blob }
}

/** Where the browser keeps nothing, photographs are on this page only. */
const onPage = new Map<string, Blob>()

let opened: Promise<IDBPDatabase<Schema>> | undefined

function database(): Promise<IDBPDatabase<Schema>> {
  opened ??= openDB<Schema>(NAME, 1, {
    upgrade: (db) => {
      db.createObjectStore(PHOTOS)
    },
  })
  return opened
}

/** Keeps a photograph; false where it is on this page only. */
export async function storePhoto(id: string, photo: Blob): Promise<boolean> {
  try {
    await (await database()).put(PHOTOS, photo, id)
    return true
  } catch {
    onPage.set(id, photo)
    return false
  }
}

/** A photograph that waits; undefined where none does. */
export async function findPhoto(id: string): Promise<Blob | undefined> {
  const held = onPage.get(id)
  if (held) return held
  try {
    return await (await database()).get(PHOTOS, id)
  } catch {
    return undefined
  }
}

export async function removePhoto(id: string): Promise<void> {
  onPage.delete(id)
  try {
    await (await database()).delete(PHOTOS, id)
  } catch {
    // It was on the page only.
  }
}
