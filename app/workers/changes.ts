/** Holds the stream of changes for all windows of a browser, as long as one of them hears it. */
import type { Told } from '~/client/changeStream.ts'
import { LEAVE, openStream } from '~/client/changeStream.ts'

const ports = new Set<MessagePort>()
let stop: (() => void) | undefined
let isOpen = false
let anchor: { readonly serverMs: number; readonly workerMs: number } | undefined

function tell(told: Told): void {
  if (told.event === 'open') isOpen = true
  if (told.event === 'time') anchor = { serverMs: Number(told.data), workerMs: performance.now() }
  for (const port of ports) port.postMessage(told)
}

/** Who comes later hears at once what the others have heard before. */
function greet(port: MessagePort): void {
  if (anchor) {
    const nowMs = anchor.serverMs + performance.now() - anchor.workerMs
    port.postMessage({ event: 'time', data: `${nowMs}` } satisfies Told)
  }
  if (isOpen) port.postMessage({ event: 'open', data: '' } satisfies Told)
}

function leave(port: MessagePort): void {
  ports.delete(port)
  if (ports.size > 0) return
  stop?.()
  stop = undefined
  isOpen = false
}

globalThis.addEventListener('connect', (event) => {
  // The event of a shared worker, by which each window is let in, has one port.
  const [port] = (event as MessageEvent).ports
  if (!port) return
  ports.add(port)
  port.addEventListener('message', ({ data }) => {
    if (data === LEAVE) leave(port)
  })
  port.start()
  greet(port)
  stop ??= openStream(tell)
})
