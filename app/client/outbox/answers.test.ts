import { readAnswer } from './answers.ts'

type Given = { readonly kind: 'kept' } | { readonly kind: 'refused'; readonly sentence: string }

function received(status: number, body: string, redirected = false) {
  return { status, redirected, text: () => Promise.resolve(body) }
}

const read = (response: ReturnType<typeof received>) =>
  readAnswer<Given>(response, ['kept', 'refused'])

test.each([
  ['kept', received(200, '{"kind":"kept"}'), { kind: 'kept' }],
  [
    'refused with a status of its own',
    received(410, '{"kind":"refused","sentence":"gone"}'),
    { kind: 'refused', sentence: 'gone' },
  ],
  ['the route’s own outage', received(503, '{"kind":"not-yet"}'), { kind: 'not-yet' }],
  ['a proxy without a server', received(502, '<h1>Bad Gateway</h1>'), { kind: 'not-yet' }],
  ['too much at once', received(429, 'That is more than …'), { kind: 'not-yet' }],
])('%s', async (_case, response, expected) => {
  expect(await read(response)).toEqual(expected)
})

test.each([
  ['a server that fails', received(500, 'Internal Server Error'), 'The server failed at it (500).'],
  ['a request for a password', received(401, ''), 'It was not let through (401).'],
  ['a page of a proxy', received(200, '<html>Sign in</html>'), 'Something other than Udrix'],
  ['another service’s JSON', received(200, '{"ok":true}'), 'Something other than Udrix'],
  [
    'an answer from where it was sent on to',
    received(200, '{"kind":"kept"}', true),
    'Something other',
  ],
  ['null', received(200, 'null'), 'Something other than Udrix'],
])('%s is told apart from an outage', async (_case, response, reason) => {
  const answer = await read(response)
  expect(answer.kind === 'foreign' && answer.reason).toContain(reason)
})
