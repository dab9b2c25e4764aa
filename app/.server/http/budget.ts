/** How long a request may take, so that nothing is held for one that never ends. */
import type { NextFunction, Request, Response } from 'express'

/** A photograph over a slow network takes most of it; any page a hundredth. */
const MOST_MS = 60_000
/** Streams, and archives of any size, which are sent and read as they come. */
const UNBOUNDED = /^\/(?:events$|archive[./])/

/** Answers 503 where there is no answer after `mostMs`, and breaks off one that has begun. */
export function limitTime(mostMs: number = MOST_MS) {
  return (request: Request, response: Response, next: NextFunction): void => {
    if (!UNBOUNDED.test(request.path)) {
      const timer = setTimeout(() => {
        if (response.headersSent) response.destroy()
        else
          response
            .status(503)
            .type('text/plain')
            .send('This took longer than Udrix works on one thing, and was given up.')
      }, mostMs)
      response.once('close', () => {
        clearTimeout(timer)
      })
    }
    next()
  }
}
