/**
 * The server's stream of what changes, once for all windows of a browser: a browser keeps six
 * connections to one server, and a stream of each window's own would leave none for pages.
 */

/** A browser does not ask again by itself where the answer was that it cannot be had now. */
const AGAIN_MS = 3_000

const EVENTS = ['open', 'time', 'change'] as const

/** What is heard: that the stream is open (again), the server's time, or what has changed. */
export interface Told {
  readonly event: (typeof EVENTS)[number]
  readonly data: string
}

/** Opens a stream, and opens it again whenever it ends; returns what ends it. */
export function openStream(tell: (told: Told) => void): () => void {
  let again: ReturnType<typeof setTimeout> | undefined
  let source = connect()
  function connect(): EventSource {
    const next = new EventSource('/events')
    for (const event of EVENTS)
      next.addEventListener(event, (heard: Event) => {
        tell({ event, data: heard instanceof MessageEvent ? String(heard.data) : '' })
      })
    next.addEventListener('error', () => {
      if (next.readyState !== EventSource.CLOSED) return
      again = setTimeout(() => {
        source = connect()
      }, AGAIN_MS)
    })
    return next
  }
  return () => {
    clearTimeout(again)
    source.close()
  }
}

/** What a window sends to the worker that holds the stream before it leaves. */
export const LEAVE = 'leave'

/** Hears the stream that all windows share, or one of its own where a browser cannot share. */
export function hearStream(tell: (told: Told) => void): () => void {
  if (typeof SharedWorker === 'undefined') return openStream(tell)
  const worker = new SharedWorker(new URL('../workers/changes.ts', import.meta.url), {
    type: 'module',
  })
  let stop = () => {
    worker.port.postMessage(LEAVE)
    worker.port.close()
  }
  worker.port.addEventListener('message', ({ data }: MessageEvent<Told>) => {
    tell(data)
  })
  worker.port.start()
  worker.addEventListener('error', () => {
    stop()
    stop = openStream(tell)
  })
  return () => {
    stop()
  }
}
