import { readAddress } from '../addresses.ts'
import { WHOLE_BENCH, benchAddress, isFiltered, readBenchView } from './benchView.ts'

const read = (query: string) => readBenchView(readAddress('bench', new URLSearchParams(query)))

test('the address says which boxes and in which order, and gives itself again', () => {
  const query = 'q=van+12&who=MK&since=2026-09-01&until=2026-09-30&stage=rings&waits=on-order'
  const view = read(`${query}&sort=name`)
  expect(view).toEqual({
    ...{ search: 'van 12', stage: 'rings', waits: 'on-order', sort: 'name' },
    ...{ who: 'MK', since: '2026-09-01', until: '2026-09-30' },
  })
  expect(benchAddress(view)).toBe(`/?${query}&sort=name`)
  expect(benchAddress(view, 'here')).toContain('&after=here')
})

test('what cannot be is left out, and then nothing is', () => {
  const view = read('stage=made-up&waits=&sort=by-luck&who=M1&since=2026-02-30&until=yesterday')
  expect(view).toEqual(WHOLE_BENCH)
  expect(isFiltered(view)).toBe(false)
  expect(benchAddress(view)).toBe('/')
  expect(read(`q=${'x'.repeat(500)}`).search).toHaveLength(120)
})

test.each(['0000-01-01', '1969-12-31', '3000-01-01', '9999-12-31', '+010000-01-01'])(
  'no unit was here on %s',
  (day) => {
    expect(read(`since=${encodeURIComponent(day)}&until=${encodeURIComponent(day)}`)).toEqual(
      WHOLE_BENCH,
    )
  },
)

test.each(['q=a', 'stage=none', 'waits=said', 'who=mk', 'since=2026-09-01', 'until=2026-09-01'])(
  '%s leaves boxes out',
  (query) => {
    expect(isFiltered(read(query))).toBe(true)
  },
)
