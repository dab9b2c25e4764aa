import type { Server } from 'node:http'
import http from 'node:http'
import type { AddressInfo } from 'node:net'

import { watchHealth } from './watchdog.mjs'

/** A server whose answers are withheld while `isSilent` says so. */
async function serve(isSilent: (asked: number) => boolean) {
  let asked = 0
  const server = http.createServer((_request, response) => {
    if (!isSilent(asked++)) response.writeHead(503).end()
  })
  await new Promise<void>((resolve) => {
    server.listen(0, '127.0.0.1', resolve)
  })
  const { port } = server.address() as AddressInfo
  return { server, url: `http://127.0.0.1:${port}/healthz`, askedCount: () => asked }
}

function close(server: Server): Promise<void> {
  server.closeAllConnections()
  return new Promise((resolve) => {
    server.close(() => {
      resolve()
    })
  })
}

test('a server that answers nothing any more is told of after its time, and not sooner', async () => {
  const { server, url } = await serve((asked) => asked > 1)
  const from = performance.now()
  await new Promise<void>((resolve) => {
    watchHealth(url, resolve, { everyMs: 50, patienceMs: 400 })
  })
  expect(performance.now() - from).toBeGreaterThan(400)
  await close(server)
})

test('any answer in time is one, also that the database is away', async () => {
  const { server, url, askedCount } = await serve((asked) => asked % 2 === 0)
  let isTold = false
  const stop = watchHealth(
    url,
    () => {
      isTold = true
    },
    { everyMs: 40, patienceMs: 600 },
  )
  while (askedCount() < 12) await new Promise((resolve) => setTimeout(resolve, 20))
  stop()
  expect(isTold).toBe(false)
  await close(server)
})
