/**
 * How much one address may ask for in a minute. A person at a bench comes nowhere near; a
 * page or a device gone wild is slowed down before it keeps others waiting.
 */
import type { Request } from 'express'
import { rateLimit } from 'express-rate-limit'

const WINDOW_MS = 60_000
const MOST_WRITES = 3_000
const MOST_READS = 12_000
/** Programs on the machine itself, such as a reverse proxy or a load test, stand for many. */
const LOCAL_FACTOR = 20

const LOOPBACK = /^(127\.|::1$|::ffff:127\.)/

function isRead({ method }: Request): boolean {
  return method === 'GET' || method === 'HEAD'
}

function limiter(most: number, skip: (request: Request) => boolean) {
  return rateLimit({
    windowMs: WINDOW_MS,
    limit: ({ ip = '' }) => (LOOPBACK.test(ip) ? most * LOCAL_FACTOR : most),
    // Whoever has hung up already has no address any more.
    skip: (request) => request.ip === undefined || skip(request),
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    message: 'That is more than Udrix takes from one place in a minute. It goes on by itself.',
  })
}

export const limitReads = limiter(MOST_READS, (request) => !isRead(request))
export const limitWrites = limiter(MOST_WRITES, isRead)
