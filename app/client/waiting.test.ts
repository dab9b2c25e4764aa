import { jest } from '@jest/globals'

import { isAnswered } from './away.ts'
import { stay, untilAnswered, untilDone } from './waiting.ts'

let isUp = true
const signal = new AbortController().signal

beforeEach(() => {
  jest.useFakeTimers()
  Object.assign(globalThis, {
    window: { location: { pathname: '/boxes/1/trace', search: '?position=3' } },
  })
  isUp = true
  globalThis.fetch = jest.fn(() =>
    isUp ? Promise.resolve({ ok: true } as Response) : Promise.reject(new TypeError('no network')),
  )
})
afterEach(() => {
  jest.useRealTimers()
  Reflect.deleteProperty(globalThis, 'window')
})

/** What the server says, once it is there. */
const ask = jest.fn(() =>
  isUp ? Promise.resolve('said') : Promise.reject(new TypeError('no network')),
)

test('what is answered at once is not waited for', async () => {
  await expect(untilAnswered(ask, signal)).resolves.toBe('said')
  expect(fetch).not.toHaveBeenCalled()
})

test('a server that comes back is asked again', async () => {
  isUp = false
  const answer = untilAnswered(ask, signal)
  await jest.advanceTimersByTimeAsync(5_000)
  isUp = true
  await jest.advanceTimersByTimeAsync(1_000)
  await expect(answer).resolves.toBe('said')
})

test('what the server says though it is there is thrown on, and so is what fails beside it', async () => {
  const refusal = new Response('no', { status: 404 })
  const refused = (): Promise<never> => {
    // The router throws answers as well as errors.
    throw refusal as unknown as Error
  }
  await expect(untilAnswered(refused, signal)).rejects.toBe(refusal)
  const broken = new Error('a page that is wrong')
  await expect(untilAnswered(() => Promise.reject(broken), signal)).rejects.toBe(broken)
})

test('whoever stays is led to the page that is seen', async () => {
  isUp = false
  const answer = untilAnswered(ask, signal).catch((error: unknown) => error)
  await jest.advanceTimersByTimeAsync(1_500)
  stay()
  const led = await answer
  expect(isAnswered(led)).toBe(true)
  expect((led as Response).headers.get('location')).toBe('/boxes/1/trace?position=3')
})

test('a page that is left is not waited for any more', async () => {
  const leaving = new AbortController()
  const done = untilDone(() => Promise.resolve(false), leaving.signal)
  await jest.advanceTimersByTimeAsync(1_500)
  leaving.abort()
  await expect(done).resolves.toBe(false)
})
