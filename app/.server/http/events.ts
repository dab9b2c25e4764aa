/**
 * Changes as server-sent events: of one box with ?box=, of all without. The first event is
 * the server's time, by which pages date what is entered on them. A page that says with
 * ?known= what it was made of is told whether something has changed since.
 */
import type { Request, Response } from 'express'

import { EVERYTHING, onChange } from '../events.ts'
import { isId } from '../ids.ts'
import { digestOf, findVersionOf } from '../versions.ts'

/** Keeps the connection from being taken for dead on its way. */
const HEARTBEAT_MS = 25_000

const open = new Set<Response>()

/** Answers with events until the page is closed. */
export function sendEvents(request: Request, response: Response): void {
  const { box, known } = request.query
  if (box !== undefined && !(typeof box === 'string' && isId(box))) {
    response.status(404).type('text/plain').send('There is no such box.')
    return
  }
  response.writeHead(200, {
    'Content-Type': 'text/event-stream',
    // Compression would hold events back until there are many.
    'Cache-Control': 'no-store, no-transform',
  })
  open.add(response)
  const send = (event: string, content: string): void => {
    // A server that ends has ended it, and what was asked for before may be told later.
    if (!response.writableEnded) response.write(`event: ${event}\ndata: ${content}\n\n`)
  }
  send('time', `${Date.now()}`)
  const stop = onChange((changed) => {
    if (box === undefined || changed === box || changed === EVERYTHING) send('change', changed)
  })
  const tellOnceMore = () => {
    send('change', box ?? EVERYTHING)
  }
  if (typeof known === 'string')
    findVersionOf(box ?? null).then((version) => {
      if (digestOf(version) !== known) tellOnceMore()
    }, tellOnceMore)
  const beat = setInterval(() => {
    send('time', `${Date.now()}`)
  }, HEARTBEAT_MS)
  response.on('close', () => {
    clearInterval(beat)
    stop()
    open.delete(response)
  })
}

/** Ends all of them, so that the server can end. */
export function endEvents(): void {
  for (const response of open) response.end()
}
