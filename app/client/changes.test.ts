import { jest } from '@jest/globals'

import { hearChanges, serverNow } from './changes.ts'

/** As HTML has it, without the network: what the server says is said by the test. */
class Source extends EventTarget {
  static readonly CLOSED = 2
  static readonly all: Source[] = []
  readyState = 0
  readonly address: string

  constructor(address: string) {
    super()
    this.address = address
    Source.all.push(this)
  }

  close(): void {
    this.readyState = Source.CLOSED
  }

  say(event: 'open' | 'change' | 'time', data = 'a'): void {
    this.readyState = 1
    this.dispatchEvent(new MessageEvent(event, { data }))
  }

  refuse(): void {
    this.readyState = Source.CLOSED
    this.dispatchEvent(new Event('error'))
  }
}

/** The page, which can be seen or not. */
class Page extends EventTarget {
  visibilityState = 'visible'
  readonly documentElement = { dataset: { version: '' } }

  turn(state: 'visible' | 'hidden'): void {
    this.visibilityState = state
    this.dispatchEvent(new Event('visibilitychange'))
  }
}

const last = (): Source => {
  const source = Source.all.at(-1)
  if (!source) throw new Error('nothing was asked for')
  return source
}

let page = new Page()

beforeEach(() => {
  jest.useFakeTimers()
  page = new Page()
  Source.all.length = 0
  const window = new EventTarget()
  Object.assign(globalThis, {
    EventSource: Source,
    document: page,
    addEventListener: window.addEventListener.bind(window),
    removeEventListener: window.removeEventListener.bind(window),
  })
})

afterEach(() => {
  jest.useRealTimers()
})

test('changes that follow one another closely are looked at once', () => {
  const look = jest.fn()
  const stop = hearChanges('a', look)
  expect(last().address).toBe('/events')
  for (let change = 0; change < 3; change++) {
    last().say('change')
    jest.advanceTimersByTime(100)
  }
  expect(look).not.toHaveBeenCalled()
  jest.advanceTimersByTime(200)
  expect(look).toHaveBeenCalledTimes(1)
  stop()
  expect(last().readyState).toBe(Source.CLOSED)
})

test('what changed in a break is looked at when it is over', () => {
  const look = jest.fn()
  const stop = hearChanges(null, look)
  expect(last().address).toBe('/events')
  last().say('open')
  jest.advanceTimersByTime(1_000)
  last().say('open')
  jest.advanceTimersByTime(1_000)
  expect(look).toHaveBeenCalledTimes(2)
  stop()
})

test('a server that is still being started is asked again', () => {
  const look = jest.fn()
  const stop = hearChanges('a', look)
  last().refuse()
  expect(Source.all).toHaveLength(1)
  jest.advanceTimersByTime(3_000)
  expect(Source.all).toHaveLength(2)
  last().say('open')
  jest.advanceTimersByTime(1_000)
  expect(look).toHaveBeenCalledTimes(1)
  last().refuse()
  stop()
  jest.advanceTimersByTime(10_000)
  expect(Source.all).toHaveLength(2)
})

test('a page that cannot be seen hears nothing, and looks when it is seen again', () => {
  const look = jest.fn()
  const stop = hearChanges('a', look)
  page.turn('hidden')
  expect(last().readyState).toBe(Source.CLOSED)
  page.turn('visible')
  expect(Source.all).toHaveLength(2)
  jest.advanceTimersByTime(1_000)
  expect(look).toHaveBeenCalledTimes(1)
  stop()
})

test('a page hears of its own box, and of everything, only', () => {
  const look = jest.fn()
  const stop = hearChanges('a', look)
  last().say('change', 'b')
  jest.advanceTimersByTime(1_000)
  expect(look).not.toHaveBeenCalled()
  last().say('change', '*')
  jest.advanceTimersByTime(1_000)
  expect(look).toHaveBeenCalledTimes(1)
  stop()
})

test('a page asks once whether what it was made of has changed', async () => {
  page.documentElement.dataset.version = 'v1'
  jest.resetModules()
  const { hearChanges: hear } = await import('./changes.ts')
  const asked: string[] = []
  let isChanged = false
  const answer = (address: string) => {
    asked.push(address)
    return Promise.resolve(Response.json(isChanged))
  }
  Object.assign(globalThis, { fetch: answer })
  const look = jest.fn()
  const stop = hear('a', look)
  last().say('open')
  await jest.advanceTimersByTimeAsync(1_000)
  expect(asked).toEqual(['/changed?box=a&known=v1'])
  expect(look).not.toHaveBeenCalled()
  // After a break there may be more than was known.
  last().say('open')
  jest.advanceTimersByTime(1_000)
  expect(look).toHaveBeenCalledTimes(1)
  stop()
  expect(asked).toHaveLength(1)

  page.documentElement.dataset.version = 'v1'
  jest.resetModules()
  isChanged = true
  const { hearChanges: hearAgain } = await import('./changes.ts')
  hearAgain('a', look)
  last().say('open')
  await jest.advanceTimersByTimeAsync(1_000)
  expect(look).toHaveBeenCalledTimes(2)
})

test('the time is the server’s, however wrong the device’s is', () => {
  const stop = hearChanges('a', () => undefined)
  const told = Date.parse('2026-11-26T10:00:00Z')
  last().say('time', `${told}`)
  jest.advanceTimersByTime(2_000)
  expect(serverNow().toISOString()).toBe('2026-11-26T10:00:02.000Z')
  stop()
})
