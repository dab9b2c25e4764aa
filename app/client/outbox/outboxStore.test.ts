import type { Store } from './outboxStore.ts'
import { putLetter, readLetters, removeLetter, setAside } from './outboxStore.ts'

const PREFIX = 'udrix-edits:box:'

/** A browser's store; `room` is how many items fit. */
function storeOf(room = Infinity): NonNullable<Store> & { readonly items: Map<string, string> } {
  const items = new Map<string, string>()
  return {
    items,
    get length() {
      return items.size
    },
    key: (at) => [...items.keys()][at] ?? null,
    getItem: (key) => items.get(key) ?? null,
    setItem: (key, value) => {
      if (items.size >= room && !items.has(key)) throw new Error('QuotaExceededError')
      items.set(key, value)
    },
    removeItem: (key) => items.delete(key),
  }
}

function itemsIn(store: Store): readonly unknown[] {
  return readLetters(store, PREFIX).letters.map(({ item }) => item)
}

test('items come back in the order of entry, also those of another page', () => {
  const store = storeOf()
  const first = putLetter(store, PREFIX, 'count', [], 'page-b')
  putLetter(store, PREFIX, 'undo', [], 'page-a')
  putLetter(store, PREFIX, 'count again', [first], 'page-b')
  expect(itemsIn(store)).toEqual(['count', 'undo', 'count again'])
})

test('the tenth item stands behind the ninth', () => {
  const store = storeOf()
  const numbers = Array.from({ length: 12 }, (_, at) => at)
  for (const number of numbers) putLetter(store, PREFIX, number, [], 'page')
  expect(itemsIn(store)).toEqual(numbers)
})

test('a broken item is told of and in nobody’s way', () => {
  const store = storeOf()
  putLetter(store, PREFIX, 'whole', [], 'page')
  store.setItem(`${PREFIX}000000000000-x`, '{"item": ')
  store.setItem(`${PREFIX}000000000009-x`, 'null')
  store.setItem('somebody else’s', '{')
  expect(readLetters(store, PREFIX)).toMatchObject({
    letters: [{ item: 'whole', aside: null, isStored: true }],
    broken: [`${PREFIX}000000000000-x`, `${PREFIX}000000000009-x`],
  })
})

test('what does not fit, or may not be kept, is known to be on the page only', () => {
  const full = storeOf(1)
  const first = putLetter(full, PREFIX, 'fits', [], 'page')
  const second = putLetter(full, PREFIX, 'does not', [first], 'page')
  expect([first.isStored, second.isStored]).toEqual([true, false])
  expect(first.key < second.key).toBe(true)
  expect(putLetter(null, PREFIX, 'nowhere', [], 'page').isStored).toBe(false)
  expect(readLetters(null, PREFIX)).toEqual({ letters: [], broken: [] })
})

test('what is set aside stays so through a reload, until it is tried again or taken back', () => {
  const store = storeOf()
  const letter = setAside(store, putLetter(store, PREFIX, 'count', [], 'page'), 'the box is gone')
  expect(readLetters(store, PREFIX).letters).toEqual([letter])
  expect(letter.aside).toBe('the box is gone')
  expect(setAside(store, letter, null)).toMatchObject({ aside: null, isStored: true })
  removeLetter(store, letter.key)
  expect(store.items.size).toBe(0)
})
