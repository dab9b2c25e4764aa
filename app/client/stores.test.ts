import { keepCourse } from './courseStore.ts'
import { keepTrial, readTrial } from './trialStore.ts'

/** What a browser stores, or none that does. */
function storing(store: Map<string, string> | null): void {
  const localStorage = store && {
    getItem: (key: string) => store.get(key) ?? null,
    setItem: (key: string, value: string) => store.set(key, value),
    removeItem: (key: string) => store.delete(key),
  }
  Object.defineProperty(globalThis, 'window', { configurable: true, value: { localStorage } })
}

/** A browser in which looking at the store is an error, as where cookies are switched off. */
function refusing(): void {
  const window = {
    get localStorage(): never {
      throw new DOMException('denied', 'SecurityError')
    },
  }
  Object.defineProperty(globalThis, 'window', { configurable: true, value: window })
}

afterEach(() => {
  Reflect.deleteProperty(globalThis, 'window')
})

test('a trial of counts is kept for its box alone, until it is ended', () => {
  const store = new Map<string, string>()
  storing(store)
  keepTrial('box-1', 'main-2:36')
  expect(readTrial('box-1')).toBe('main-2:36')
  expect(readTrial('box-2')).toBe('')
  keepTrial('box-1', '')
  expect(readTrial('box-1')).toBe('')
  expect(store.size).toBe(0)
})

test('a browser that stores nothing has no trial, and nothing fails', () => {
  for (const without of [
    refusing,
    () => {
      storing(null)
    },
  ]) {
    without()
    keepTrial('box-1', 'main-2:36')
    expect(readTrial('box-1')).toBe('')
  }
})

test('a full store loses a trial without a word: the address has it still', () => {
  Object.defineProperty(globalThis, 'window', {
    configurable: true,
    value: {
      localStorage: {
        getItem: () => null,
        setItem: () => {
          throw new DOMException('full', 'QuotaExceededError')
        },
      },
    },
  })
  expect(() => {
    keepTrial('box-1', 'main-2:36')
  }).not.toThrow()
})

test('a course is kept under the name of its file, in one line', () => {
  const store = new Map<string, string>()
  storing(store)
  expect(keepCourse({ name: 'over the\nhill.csv', csv: 'time_s,speed_kmh\n0,0\n' })).toBe(true)
  expect([...store.values()]).toEqual(['over the hill.csv\ntime_s,speed_kmh\n0,0\n'])
})

test('it is told that a course is not kept where the browser stores nothing', () => {
  const course = { name: 'hill.csv', csv: 'time_s,speed_kmh\n0,0\n' }
  storing(null)
  expect(keepCourse(course)).toBe(false)
  refusing()
  expect(keepCourse(course)).toBe(false)
})
