/** The last course that somebody chose from a file: it stays on this device. */
import { useSyncExternalStore } from 'react'

import { browserStore } from './outbox/outboxStore.ts'

const KEY = 'udrix-course'

interface KeptCourse {
  readonly name: string
  readonly csv: string
}

/** As it was read or kept last; undefined before anybody looked. */
let known: KeptCourse | null | undefined
const listeners = new Set<() => void>()

function readCourse(): KeptCourse | null {
  if (known !== undefined) return known
  try {
    const [name, ...lines] = (browserStore()?.getItem(KEY) ?? '').split('\n')
    known = name && lines.length > 0 ? { name, csv: lines.join('\n') } : null
  } catch {
    known = null
  }
  return known
}

function subscribe(listener: () => void): () => void {
  listeners.add(listener)
  return () => listeners.delete(listener)
}

/** The course that is kept; null where there is none, and on the server. */
export function useOwnCourse(): KeptCourse | null {
  return useSyncExternalStore(subscribe, readCourse, () => null)
}

/** Puts it in the place of the one before. False where the browser stores nothing: it is there until the page is left. */
export function keepCourse(course: KeptCourse): boolean {
  known = course
  for (const listener of listeners) listener()
  try {
    const store = browserStore()
    store?.setItem(KEY, `${course.name.replaceAll('\n', ' ')}\n${course.csv}`)
    return store != null
  } catch {
    return false
  }
}
