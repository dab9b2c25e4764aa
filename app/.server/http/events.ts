/**
 * Changes as server-sent events, of all boxes, each by the id of its box. The first event is the
 * server's time, by which pages date what is entered on them. Whether something has changed
 * since a page was made is asked for by itself, with ?known= as the page was told it.
 */
import type { Request, Response } from 'express'

import { isDatabaseOutage } from '../db/client.ts'
import { onChange } from '../events.ts'
import { isId } from '../ids.ts'
import { digestOf, findVersionOf } from '../versions.ts'

/** Keeps the connection from being taken for dead on its way. */
const HEARTBEAT_MS = 25_000

const open = new Set<Response>()

/** Answers with events until the page is closed. */
export function sendEvents(_request: Request, response: Response): void {
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
    send('change', changed)
  })
  const beat = setInterval(() => {
    send('time', `${Date.now()}`)
  }, HEARTBEAT_MS)
  response.on('close', () => {
    clearInterval(beat)
    stop()
    open.delete(response)
  })
}

/** Tells whether a box, or anything without ?box=, is other than what is ?known= of it. */
export async function tellChanged(request: Request, response: Response): Promise<void> {
  const { box, known } = request.query
  if (box !== undefined && !(typeof box === 'string' && isId(box))) {
    response.status(404).type('text/plain').send('There is no such box.')
    return
  }
  try {
    const version = await findVersionOf(box ?? null)
    response.json(digestOf(version) !== known)
  } catch (error) {
    if (!isDatabaseOutage(error)) throw error
    response.status(503).type('text/plain').send('The database does not answer.')
  }
}

/** Ends all of them, so that the server can end. */
export function endEvents(): void {
  for (const response of open) response.end()
}
