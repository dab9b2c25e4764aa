import { pino } from 'pino'

/** The server's own log, on standard error as lines of JSON. */
export const log = pino({ level: process.env.LOG_LEVEL ?? 'info' }, pino.destination(2))
