/**
 * Sends what a person has entered, one after another; each item stays in the browser's
 * store until the server has kept it, through reloads and outages. What is refused, or
 * answered by somebody else, is set aside with the reason, and those behind it go on.
 */
import type { RefObject } from 'react'
import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { v7 as uuidv7 } from 'uuid'

import type { SentAnswer } from '~/files/sentAnswer.ts'

import type { Foreign } from './answers.ts'
import type { Letter } from './outboxStore.ts'
import { browserStore, putLetter, readLetters, removeLetter, setAside } from './outboxStore.ts'

const RETRY_MS = 2_000
/** An answer that takes longer is told to the person. */
const SLOW_MS = 3_000

export interface Outbox<Item> {
  /** Not confirmed yet, in the order of entry. */
  readonly pending: readonly Item[]
  /** Refused, with the reason. */
  readonly aside: readonly Letter<Item>[]
  /** Whether the last attempt failed or takes long, so that items wait on this page. */
  readonly isWaiting: boolean
  /** Whether something is on this page only, because the browser keeps nothing. */
  readonly isUnsafe: boolean
  /** How many items of an earlier visit could not be read any more. */
  readonly brokenCount: number
  readonly put: (items: readonly Item[]) => void
  readonly retry: (key: string) => void
  readonly takeBack: (key: string) => void
}

interface Delivery<Item, Kept extends { readonly kind: 'kept' }> {
  readonly send: (item: Item) => Promise<SentAnswer<Kept> | Foreign>
  readonly onKept: (answer: Kept, item: Item) => void
}

/**
 * `name` tells this outbox from others in the store. `send` and `onKept` must stay the same
 * functions; `onKept` hears what the server says of each item that it keeps.
 */
export function useOutbox<Item, Kept extends { readonly kind: 'kept' }>(
  name: string,
  { send, onKept }: Delivery<Item, Kept>,
): Outbox<Item> {
  const prefix = `${name}:`
  const { letters, queue, show, replace } = useQueue<Item>()
  const [isWaiting, setIsWaiting] = useState(false)
  const [brokenCount, setBrokenCount] = useState(0)
  const flush = useFlush({ send, onKept }, queue, replace, setIsWaiting)

  /** What is in the store now, with what is on this page only. */
  const look = useCallback(() => {
    const store = browserStore()
    const { letters: found, broken } = readLetters<Item>(store, prefix)
    for (const key of broken) removeLetter(store, key)
    if (broken.length > 0) setBrokenCount((before) => before + broken.length)
    const unsafe = queue.current.filter(({ isStored }) => !isStored)
    if (found.length + unsafe.length > 0 || queue.current.length > 0) show([...found, ...unsafe])
    void flush()
  }, [prefix, queue, show, flush])

  useEffect(() => {
    const first = setTimeout(look)
    return () => {
      clearTimeout(first)
    }
  }, [look])

  /** Another page has sent what this one found in the store; what it puts there is its own. */
  const leaveOutSent = useCallback(() => {
    const there = new Set(readLetters(browserStore(), prefix).letters.map((each) => each.key))
    const left = queue.current.filter((each) => !each.isStored || there.has(each.key))
    if (left.length < queue.current.length) show(left)
  }, [prefix, queue, show])
  useStoredElsewhere(prefix, leaveOutSent)
  useRetries(isWaiting, flush)
  const isUnsafe = letters.some(({ isStored }) => !isStored)
  useLeavingWarning(isUnsafe)

  const put = useCallback(
    (items: readonly Item[]) => {
      for (const item of items)
        show([...queue.current, putLetter(browserStore(), prefix, item, queue.current, uuidv7())])
      void flush()
    },
    [prefix, queue, flush, show],
  )
  const again = useAgain({ queue, replace, flush })
  return { ...useSorted(letters), isWaiting, isUnsafe, brokenCount, put, ...again }
}

/** What is done with a letter that was set aside: it is sent once more, or taken back. */
function useAgain<Item>({
  queue,
  replace,
  flush,
}: Pick<Queue<Item>, 'queue' | 'replace'> & { readonly flush: () => Promise<void> }): Pick<
  Outbox<Item>,
  'retry' | 'takeBack'
> {
  const retry = useCallback(
    (key: string) => {
      const letter = queue.current.find((each) => each.key === key)
      if (letter) replace(key, setAside(browserStore(), letter, null))
      void flush()
    },
    [queue, replace, flush],
  )
  const takeBack = useCallback(
    (key: string) => {
      removeLetter(browserStore(), key)
      replace(key, null)
    },
    [replace],
  )
  return { retry, takeBack }
}

interface Queue<Item> {
  readonly letters: readonly Letter<Item>[]
  /** The same, as it is at the moment. */
  readonly queue: RefObject<readonly Letter<Item>[]>
  readonly show: (next: readonly Letter<Item>[]) => void
  /** Puts another letter in the place of one, or nothing. */
  readonly replace: (key: string, next: Letter<Item> | null) => void
}

/** What waits on this page, as it is shown and as it is at the moment. */
function useQueue<Item>(): Queue<Item> {
  const [letters, setLetters] = useState<readonly Letter<Item>[]>([])
  const queue = useRef<readonly Letter<Item>[]>([])
  const show = useCallback((next: readonly Letter<Item>[]) => {
    queue.current = next
    setLetters(next)
  }, [])
  const replace = useCallback(
    (key: string, next: Letter<Item> | null) => {
      show(
        queue.current.flatMap((letter) => (letter.key === key ? (next ? [next] : []) : [letter])),
      )
    },
    [show],
  )
  return { letters, queue, show, replace }
}

/** Sends what waits, one letter after another, until one has to wait longer. */
function useFlush<Item, Kept extends { readonly kind: 'kept' }>(
  { send, onKept }: Delivery<Item, Kept>,
  queue: Queue<Item>['queue'],
  replace: Queue<Item>['replace'],
  setIsWaiting: (isWaiting: boolean) => void,
): () => Promise<void> {
  const isSending = useRef(false)
  return useCallback(async () => {
    if (isSending.current) return
    isSending.current = true
    const nextLetter = () => queue.current.find(({ aside }) => aside === null)
    for (let letter = nextLetter(); letter; letter = nextLetter()) {
      const slow = setTimeout(() => {
        setIsWaiting(true)
      }, SLOW_MS)
      const answer = await send(letter.item)
      clearTimeout(slow)
      if (answer.kind === 'not-yet') {
        setIsWaiting(true)
        break
      }
      setIsWaiting(false)
      const store = browserStore()
      if (answer.kind === 'kept') {
        removeLetter(store, letter.key)
        replace(letter.key, null)
        onKept(answer, letter.item)
      } else {
        const reason = answer.kind === 'refused' ? answer.sentence : answer.reason
        replace(letter.key, setAside(store, letter, reason))
      }
    }
    isSending.current = false
  }, [send, onKept, queue, replace, setIsWaiting])
}

/** What is on its way and what was set aside. */
function useSorted<Item>(
  letters: readonly Letter<Item>[],
): Pick<Outbox<Item>, 'pending' | 'aside'> {
  const pending = useMemo(
    () => letters.filter(({ aside }) => aside === null).map(({ item }) => item),
    [letters],
  )
  const aside = useMemo(() => letters.filter((letter) => letter.aside !== null), [letters])
  return { pending, aside }
}

/** Hears of what other pages of this browser change in the store under a prefix. */
function useStoredElsewhere(prefix: string, onChange: () => void): void {
  useEffect(() => {
    const onStorage = ({ key }: StorageEvent) => {
      if (key === null || key.startsWith(prefix)) onChange()
    }
    window.addEventListener('storage', onStorage)
    return () => {
      window.removeEventListener('storage', onStorage)
    }
  }, [prefix, onChange])
}

/** Tries again and again while something waits. */
function useRetries(isWaiting: boolean, flush: () => Promise<void>): void {
  useEffect(() => {
    if (!isWaiting) return
    const retry = setInterval(() => void flush(), RETRY_MS)
    return () => {
      clearInterval(retry)
    }
  }, [isWaiting, flush])
}

/** Has the browser ask before it leaves a page with what is nowhere else. */
function useLeavingWarning(isUnsafe: boolean): void {
  useEffect(() => {
    if (!isUnsafe) return
    const warn = (event: BeforeUnloadEvent) => {
      event.preventDefault()
    }
    window.addEventListener('beforeunload', warn)
    return () => {
      window.removeEventListener('beforeunload', warn)
    }
  }, [isUnsafe])
}
