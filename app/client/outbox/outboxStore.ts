/**
 * What a person has entered and the server has not confirmed, in the browser's store. Keys
 * count up, whatever the clock says, so items are found again in the order of entry, by
 * this page and by others of this browser.
 */

/** As much of the browser's store as is used here; null where the browser keeps nothing. */
export type Store = Pick<Storage, 'length' | 'key' | 'getItem' | 'setItem' | 'removeItem'> | null

export interface Letter<Item> {
  readonly key: string
  readonly item: Item
  /** Why it was set aside; null while it is on its way. */
  readonly aside: string | null
  /** False for what is on this page only and is gone with it. */
  readonly isStored: boolean
}

interface Stored<Item> {
  readonly letters: readonly Letter<Item>[]
  /** Items that cannot be read any more, by key: taken out, and never in the way of others. */
  readonly broken: readonly string[]
}

const KEY_DIGITS = 12

function readLetter<Item>(key: string, text: string): Letter<Item> | undefined {
  try {
    const content: unknown = JSON.parse(text)
    if (typeof content !== 'object' || content === null || !('item' in content)) return undefined
    const aside = 'aside' in content && typeof content.aside === 'string' ? content.aside : null
    // Written by `putLetter`, and refused by the server if it is anything else.
    return { key, item: content.item as Item, aside, isStored: true }
  } catch {
    return undefined
  }
}

/** The keys under a prefix, in the order of entry. */
function keysUnder(store: Store, prefix: string): readonly string[] {
  const keys: string[] = []
  for (let at = 0; at < (store?.length ?? 0); at++) {
    const key = store?.key(at)
    if (key?.startsWith(prefix)) keys.push(key)
  }
  return keys.sort()
}

/** All that waits under a prefix, in the order of entry. */
export function readLetters<Item>(store: Store, prefix: string): Stored<Item> {
  const letters: Letter<Item>[] = []
  const broken: string[] = []
  for (const key of keysUnder(store, prefix)) {
    const letter = readLetter<Item>(key, store?.getItem(key) ?? '')
    if (letter) letters.push(letter)
    else broken.push(key)
  }
  return { letters, broken }
}

function tryTo(write: () => void): boolean {
  try {
    write()
    return true
  } catch {
    // The browser's store is full, or closed to us.
    return false
  }
}

function write<Item>(store: Store, { key, item, aside }: Letter<Item>): boolean {
  if (!store) return false
  return tryTo(() => {
    store.setItem(key, JSON.stringify({ item, aside }))
  })
}

/**
 * Puts an item behind all that wait. `waiting` are those of this page, which may not all be
 * in the store; `tag` tells apart what two pages put at once.
 */
export function putLetter<Item>(
  store: Store,
  prefix: string,
  item: Item,
  waiting: readonly Letter<Item>[],
  tag: string,
): Letter<Item> {
  const places = [...waiting.map(({ key }) => key), ...keysUnder(store, prefix)]
    .map((key) => Number(key.slice(prefix.length, prefix.length + KEY_DIGITS)))
    .filter(Number.isFinite)
  const place = Math.max(0, ...places) + 1
  const key = `${prefix}${`${place}`.padStart(KEY_DIGITS, '0')}-${tag}`
  const letter = { key, item, aside: null, isStored: true }
  return { ...letter, isStored: write(store, letter) }
}

/** Sets an item aside with the reason, or puts it on its way again with null. */
export function setAside<Item>(
  store: Store,
  letter: Letter<Item>,
  aside: string | null,
): Letter<Item> {
  const next = { ...letter, aside }
  return { ...next, isStored: write(store, next) }
}

export function removeLetter(store: Store, key: string): void {
  tryTo(() => store?.removeItem(key))
}

/** The browser's own store; null where it is switched off. */
export function browserStore(): Store {
  try {
    return window.localStorage
  } catch {
    return null
  }
}
