import type { AddressInfo } from 'node:net'

import express from 'express'

import { limitTime } from './budget.ts'

test('a request that is never answered is answered after its time, a stream is left alone', async () => {
  const app = express()
  app.use(limitTime(100))
  app.get('/page', () => undefined)
  app.get('/begun', (_request, response) => {
    response.write('begun')
  })
  app.get('/events', (_request, response) => {
    setTimeout(() => response.end('told'), 300)
  })
  app.get('/quick', (_request, response) => {
    response.send('there')
  })
  const server = app.listen(0, '127.0.0.1')
  await new Promise((resolve) => server.once('listening', resolve))
  const base = `http://127.0.0.1:${(server.address() as AddressInfo).port}`
  const late = await fetch(`${base}/page`)
  expect(late.status).toBe(503)
  expect(await late.text()).toContain('was given up')
  await expect(fetch(`${base}/begun`).then((answer) => answer.text())).rejects.toThrow()
  expect(await (await fetch(`${base}/events`)).text()).toBe('told')
  expect(await (await fetch(`${base}/quick`)).text()).toBe('there')
  server.closeAllConnections()
  await new Promise((resolve) => server.close(resolve))
})
