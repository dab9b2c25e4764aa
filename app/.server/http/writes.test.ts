import type { AddressInfo } from 'node:net'

import express from 'express'

import { guardWrites } from './writes.ts'

test('fields are bounded closer than files, and either says so', async () => {
  const app = express()
  app.use(guardWrites())
  app.post('/shelf', (request, response) => {
    request.resume()
    request.on('end', () => response.send('taken'))
  })
  const server = app.listen(0, '127.0.0.1')
  await new Promise((resolve) => server.once('listening', resolve))
  const { port } = server.address() as AddressInfo
  const statusOf = async (type: string, bytes: number): Promise<number> => {
    const answer = await fetch(`http://127.0.0.1:${port}/shelf`, {
      method: 'POST',
      headers: { 'Content-Type': type },
      body: '+'.repeat(bytes),
    })
    await answer.text()
    return answer.status
  }
  const fields = 'application/x-www-form-urlencoded;charset=UTF-8'
  expect(await statusOf(fields, 390_000)).toBe(200)
  expect(await statusOf(fields, 410_000)).toBe(413)
  expect(await statusOf('multipart/form-data; boundary=b', 1_000_000)).toBe(200)
  expect(await statusOf('multipart/form-data; boundary=b', 1_200_000)).toBe(413)
  server.closeAllConnections()
  await new Promise((resolve) => server.close(resolve))
})
