import { readAddress } from '../addresses.ts'
import { WHOLE_BENCH, benchAddress, isFiltered, readBenchView } from './benchView.ts'

const read = (query: string) => readBenchView(readAddress('bench', new URLSearchParams(query)))

test('the address says which boxes and in which order, and gives itself again', () => {
  const view = read('q=van+12&stage=rings&waits=on-order&sort=name')
  expect(view).toEqual({ search: 'van 12', stage: 'rings', waits: 'on-order', sort: 'name' })
  expect(benchAddress(view)).toBe('/?q=van+12&stage=rings&waits=on-order&sort=name')
  expect(benchAddress(view, 'here')).toContain('&after=here')
})

test('what cannot be is left out, and then nothing is', () => {
  const view = read('stage=made-up&waits=&sort=by-luck')
  expect(view).toEqual(WHOLE_BENCH)
  expect(isFiltered(view)).toBe(false)
  expect(benchAddress(view)).toBe('/')
  expect(read(`q=${'x'.repeat(500)}`).search).toHaveLength(120)
})

test.each(['q=a', 'stage=none', 'waits=said'])('%s leaves boxes out', (query) => {
  expect(isFiltered(read(query))).toBe(true)
})
