import { pino } from 'pino'

/**
 * What is told of an error in the log, which others may read: where it happened, and never
 * what people wrote. A database repeats values in its messages and details, so of its
 * errors only code and place are told.
 */
export function plainError(error: unknown): object {
  if (!(error instanceof Error)) return { message: 'not an error' }
  const { name, stack = '', cause } = error
  const code = 'code' in error ? String(error.code) : undefined
  const routine = 'routine' in error ? String(error.routine) : undefined
  const holdsValues = routine !== undefined || 'query' in error
  // The stack begins with the message.
  const frames = stack.split('\n').filter((line) => line.startsWith('    at '))
  return {
    name,
    message: holdsValues ? 'a query failed' : error.message,
    ...(code !== undefined && { code }),
    ...(routine !== undefined && { routine }),
    frames: frames.slice(0, 8).map((line) => line.trim()),
    ...(cause instanceof Error && { cause: plainError(cause) }),
  }
}

/** The server's own log, on standard error as lines of JSON. */
export const log = pino(
  { level: process.env.LOG_LEVEL ?? 'info', serializers: { err: plainError } },
  pino.destination(2),
)
