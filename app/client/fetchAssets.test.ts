import { jest } from '@jest/globals'

import { fetchAssets } from './fetchAssets.ts'

const LIST = '["/assets/a.js","/assets/b.js","/assets/c.css"]'

function withServer(list: string | null) {
  const asked: string[] = []
  const fetched = jest.fn((path: string) => {
    asked.push(path)
    if (path !== '/assets.json') return Promise.resolve(new Response('x'))
    return Promise.resolve(list === null ? new Response('', { status: 503 }) : new Response(list))
  })
  const kept = new Map<string, string>()
  Object.assign(globalThis, {
    fetch: fetched,
    sessionStorage: {
      getItem: (key: string) => kept.get(key) ?? null,
      setItem: (key: string, value: string) => kept.set(key, value),
    },
  })
  return asked
}

beforeEach(() => {
  jest
    .spyOn(performance, 'getEntriesByType')
    .mockReturnValue([{ name: 'http://shop:4700/assets/a.js' } as PerformanceEntry])
})

const { signal } = new AbortController()

test('what the page has not loaded is fetched, once for a tab and a build', async () => {
  const asked = withServer(LIST)
  await fetchAssets(signal)
  expect(asked).toEqual(['/assets.json', '/assets/b.js', '/assets/c.css'])
  await fetchAssets(signal)
  expect(asked.slice(3)).toEqual(['/assets.json'])
})

test('another build is fetched again', async () => {
  withServer(LIST)
  await fetchAssets(signal)
  const kept = sessionStorage
  const asked = withServer('["/assets/d.js"]')
  Object.assign(globalThis, { sessionStorage: kept })
  await fetchAssets(signal)
  expect(asked).toEqual(['/assets.json', '/assets/d.js'])
})

test('without a list nothing is fetched, and the next page tries again', async () => {
  const asked = withServer(null)
  await fetchAssets(signal)
  expect(asked).toEqual(['/assets.json'])
  const later = withServer(LIST)
  await fetchAssets(signal)
  expect(later).toContain('/assets/b.js')
})
