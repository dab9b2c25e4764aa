import { data, redirect, UNSAFE_ErrorResponseImpl as ErrorResponse } from 'react-router'

import { unlessAway } from './away.ts'

const AWAY = { sentence: 'away' }

/** The router throws answers as well as errors. */
const failing = (error: unknown) => async () => {
  await Promise.resolve()
  throw error
}

test('what the server says is passed on', async () => {
  await expect(unlessAway(() => Promise.resolve({ kind: 'kept' }), AWAY)).resolves.toEqual({
    kind: 'kept',
  })
})

test.each([
  ['no network', new TypeError('Failed to fetch')],
  ['a dead database', new ErrorResponse(503, '', null)],
  ['too much at once', new ErrorResponse(429, '', 'Too many requests')],
])('%s leaves the page, with a status that asks nothing more', async (_, error) => {
  await expect(unlessAway(failing(error), AWAY)).resolves.toEqual(data(AWAY, { status: 503 }))
})

test.each([
  ['a box that is gone', new ErrorResponse(410, '', 'gone')],
  ['another page', redirect('/boxes/1')],
])('%s is the server’s own word', async (_, error) => {
  await expect(unlessAway(failing(error), AWAY)).rejects.toBe(error)
})
