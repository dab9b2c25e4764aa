import type { Server } from 'node:http'
import type { AddressInfo } from 'node:net'

import express from 'express'

import { fourSpeed } from '../../../core/testing/boxes.ts'
import { createBox } from '../boxes.ts'
import { onEmptyBench } from '../testing/emptyBench.ts'
import { answerKept } from './keptPages.ts'

onEmptyBench()

/** Serves pages that are made when nobody else is at it; the first is held until its reader is gone. */
async function serve(): Promise<{ readonly server: Server; readonly base: string }> {
  const app = express()
  let isFirst = true
  app.use((_request, response, next) => {
    if (isFirst)
      response.once('close', () => {
        next()
      })
    else next()
    isFirst = false
  })
  app.use(answerKept(() => 'nonce'))
  app.use((_request, response) => {
    response.send('made')
  })
  const server = await new Promise<Server>((resolve) => {
    const listening = app.listen(0, '127.0.0.1', () => {
      resolve(listening)
    })
  })
  return { server, base: `http://127.0.0.1:${(server.address() as AddressInfo).port}` }
}

test('who leaves before a page is made keeps nobody else waiting for it', async () => {
  const { server, base } = await serve()
  const page = `${base}/boxes/${await createBox(fourSpeed('constant-mesh'))}/trace`
  await expect(fetch(page, { signal: AbortSignal.timeout(200) })).rejects.toThrow()
  const answers = await Promise.all(
    [1, 2, 3].map(async () => (await fetch(page, { signal: AbortSignal.timeout(5_000) })).text()),
  )
  expect(answers).toEqual(['made', 'made', 'made'])
  server.closeAllConnections()
  await new Promise((resolve) => server.close(resolve))
})
