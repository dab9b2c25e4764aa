/** Waiting for a server that is away, while the page that was left for another stays. */
import { useSyncExternalStore } from 'react'
import { redirect } from 'react-router'

import { isAnswered } from './away.ts'

const AGAIN_MS = 1_000

/** Ends a wait early: the person stays where they are. */
const waits = new Set<() => void>()
const hearers = new Set<() => void>()

function hear(onChange: () => void): () => void {
  hearers.add(onChange)
  return () => hearers.delete(onChange)
}

function tell(): void {
  for (const onChange of hearers) onChange()
}

/** Whether a page is waited for. */
export function useIsWaiting(): boolean {
  return useSyncExternalStore(
    hear,
    () => waits.size > 0,
    () => false,
  )
}

/** Ends all waiting: the page that is seen stays. */
export function stay(): void {
  for (const end of waits) end()
}

/** Whether the server and its database answer. */
export async function isThere(): Promise<boolean> {
  return fetch('/healthz').then(
    ({ ok }) => ok,
    () => false,
  )
}

function afterAWhile(signal: AbortSignal): Promise<void> {
  return new Promise((resolve) => {
    const end = (): void => {
      clearTimeout(timer)
      signal.removeEventListener('abort', end)
      resolve()
    }
    const timer = setTimeout(end, AGAIN_MS)
    signal.addEventListener('abort', end)
  })
}

/** Tries until it succeeds; false where the wait was ended from outside. */
export async function untilDone(
  attempt: () => Promise<boolean>,
  signal: AbortSignal,
): Promise<boolean> {
  if (await attempt()) return true
  const staying = new AbortController()
  const ended = AbortSignal.any([signal, staying.signal])
  const end = (): void => {
    staying.abort()
  }
  waits.add(end)
  tell()
  try {
    for (;;) {
      await afterAWhile(ended)
      if (ended.aborted) return false
      if (await attempt()) return true
    }
  } finally {
    waits.delete(end)
    tell()
  }
}

/**
 * What the server says of a page, as soon as it says anything. What it says though it is there
 * is thrown on. Whoever ends the wait stays on the page that is seen.
 */
export async function untilAnswered<Said>(
  ask: () => Promise<Said>,
  signal: AbortSignal,
): Promise<Said> {
  for (let wasThere = false; ;) {
    try {
      return await ask()
    } catch (error) {
      if (isAnswered(error) || signal.aborted || wasThere) throw error
    }
    if (!(await untilDone(isThere, signal))) {
      const { pathname, search } = window.location
      throw redirect(pathname + search)
    }
    wasThere = true
  }
}
