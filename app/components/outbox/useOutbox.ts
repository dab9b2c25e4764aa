/**
 * What a person has entered and the server has not confirmed. Items are sent one after
 * another; each stays in the browser's store until the server has answered, through
 * reloads and outages.
 */
import { useCallback, useEffect, useRef, useState } from 'react'

const RETRY_MS = 2_000

interface Waiting<Item> {
  readonly key: string
  readonly item: Item
}

export interface Outbox<Item> {
  /** Not confirmed yet, in the order of entry. */
  readonly pending: readonly Item[]
  /** Whether the last attempt failed, so that items wait on this page. */
  readonly isWaiting: boolean
  readonly put: (items: readonly Item[]) => void
}

/** The server's word on an item; `not-yet` means that it is to be sent again later. */
interface Answer {
  readonly kind: string
}

function stored<Item>(prefix: string): readonly Waiting<Item>[] {
  const found: Waiting<Item>[] = []
  for (let at = 0; at < localStorage.length; at++) {
    const key = localStorage.key(at)
    const text = key?.startsWith(prefix) ? localStorage.getItem(key) : null
    // Written by `remember` below, and refused by the server if it is anything else.
    if (key && text) found.push({ key, item: JSON.parse(text) as Item })
  }
  return found.sort((one, other) => one.key.localeCompare(other.key))
}

function remember<Item>(prefix: string, item: Item, order: number): Waiting<Item> {
  const key = `${prefix}${Date.now().toString().padStart(15, '0')}-${order.toString().padStart(6, '0')}`
  localStorage.setItem(key, JSON.stringify(item))
  return { key, item }
}

/** Posts an item as JSON; whatever goes wrong on the way is `not-yet`. */
export async function postJson<Given extends Answer>(
  url: string,
  item: unknown,
): Promise<Given | { readonly kind: 'not-yet' }> {
  try {
    const response = await fetch(url, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(item),
    })
    // Our own route answers with nothing else; any other body fails to parse.
    return (await response.json()) as Given
  } catch {
    return { kind: 'not-yet' }
  }
}

/**
 * `name` tells this outbox from others in the store. `send` and `onAnswer` must stay the
 * same functions; `onAnswer` hears every answer but `not-yet`.
 */
export function useOutbox<Item, Given extends Answer>(
  name: string,
  send: (item: Item) => Promise<Given | { readonly kind: 'not-yet' }>,
  onAnswer: (answer: Exclude<Given, { readonly kind: 'not-yet' }>, item: Item) => void,
): Outbox<Item> {
  const prefix = `${name}:`
  const [pending, setPending] = useState<readonly Item[]>([])
  const [isWaiting, setIsWaiting] = useState(false)
  const queue = useRef<readonly Waiting<Item>[]>([])
  const isSending = useRef(false)
  const order = useRef(0)

  const show = useCallback((next: readonly Waiting<Item>[]) => {
    queue.current = next
    setPending(next.map(({ item }) => item))
  }, [])

  const flush = useCallback(async () => {
    if (isSending.current) return
    isSending.current = true
    for (let next = queue.current[0]; next; next = queue.current[0]) {
      const answer = await send(next.item)
      if (answer.kind === 'not-yet') {
        setIsWaiting(true)
        break
      }
      setIsWaiting(false)
      localStorage.removeItem(next.key)
      show(queue.current.slice(1))
      // All other answers are the route's own.
      onAnswer(answer as Exclude<Given, { readonly kind: 'not-yet' }>, next.item)
    }
    isSending.current = false
  }, [send, onAnswer, show])

  useEffect(() => {
    const left = stored<Item>(prefix)
    if (left.length > 0) {
      queue.current = left
      setPending(queue.current.map(({ item }) => item))
      void flush()
    }
  }, [prefix, flush])

  useEffect(() => {
    if (!isWaiting) return
    const retry = setInterval(() => void flush(), RETRY_MS)
    return () => {
      clearInterval(retry)
    }
  }, [isWaiting, flush])

  const put = useCallback(
    (items: readonly Item[]) => {
      show([...queue.current, ...items.map((item) => remember(prefix, item, order.current++))])
      void flush()
    },
    [prefix, flush, show],
  )
  return { pending, isWaiting, put }
}
