import fc from 'fast-check'

import type { Address } from './addresses.ts'
import { formatAddress, readAddress } from './addresses.ts'

const read = (query: string) => readAddress('trace', new URLSearchParams(query))

test('an address says what its keys hold, and null of the others', () => {
  const address = read('position=3&overrun=on&input-moved=main-1,counter&job=x')
  expect(address).toMatchObject({ position: '3', overrun: 'on', 'input-moved': 'main-1,counter' })
  expect(address.moved).toBeNull()
  expect('job' in address).toBe(false)
})

test.each([
  ['overrun', 'off'],
  ['motion', 'fast'],
  ['test', '__proto__'],
] as const)('%s is never %s: what cannot be is left out', (key, value) => {
  expect(read(`${key}=${value}`)[key]).toBeNull()
})

test('whatever texts an address holds come back from it', () => {
  fc.assert(
    fc.property(fc.string({ unit: 'grapheme' }), fc.string({ unit: 'grapheme' }), (gear, first) => {
      const address: Address<'count'> = { gear, first, pass: 'second' }
      const query = new URLSearchParams(formatAddress('count', address))
      expect(readAddress('count', query)).toEqual(address)
    }),
  )
})

test('an address that says nothing has no question mark', () => {
  expect(formatAddress('count', { gear: null, first: null, pass: null })).toBe('')
  expect(formatAddress('trace', { position: '2', moved: null })).toBe('?position=2')
})

test('a request is read like an address', () => {
  const request = new Request('http://shop.test/?q=van&sort=name')
  expect(readAddress('bench', request)).toMatchObject({ q: 'van', sort: 'name', stage: null })
})
