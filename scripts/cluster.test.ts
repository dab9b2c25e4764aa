import fs from 'node:fs'
import os from 'node:os'
import path from 'node:path'

import pg from 'pg'

import { freePort, startCluster } from './cluster.mjs'

/** A folder that PostgreSQL's own user can enter too. */
const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'udrix-cluster-'))
fs.chmodSync(folder, 0o755)

async function ask(url: string, query: string): Promise<unknown> {
  const client = new pg.Client({ connectionString: url })
  await client.connect()
  const { rows } = await client.query<Record<string, unknown>>(query)
  await client.end()
  return rows
}

afterAll(() => {
  fs.rmSync(folder, { recursive: true, force: true })
})

test('a cluster is made, keeps its data over a stop, and is taken over when it still runs', async () => {
  const first = await startCluster(folder)
  await ask(first.url, 'create table kept (value int); insert into kept values (42)')
  expect(first.url).toContain(`@127.0.0.1:${first.port}/`)

  // As after a crash of what started it.
  const takenOver = await startCluster(folder)
  expect(takenOver.port).toBe(first.port)
  await takenOver.stop()

  const port = await freePort()
  const again = await startCluster(folder, { port })
  expect(again.port).toBe(port)
  expect(await ask(again.url, 'select value from kept')).toEqual([{ value: 42 }])
  expect(await ask(again.url, 'show listen_addresses')).toEqual([{ listen_addresses: '127.0.0.1' }])
  await expect(ask(again.url.replace(/:[0-9a-f]+@/, ':wrong@'), 'select 1')).rejects.toThrow(
    'password authentication failed',
  )
  await again.stop()
  // Stopping what is stopped already is no error.
  await again.stop()
}, 60_000)

test('a cluster whose making was broken off is made anew', async () => {
  const broken = path.join(folder, 'broken')
  fs.mkdirSync(path.join(broken, 'data'), { recursive: true })
  fs.writeFileSync(path.join(broken, 'data/half'), '')
  const cluster = await startCluster(broken)
  expect(await ask(cluster.url, 'select 1 as one')).toEqual([{ one: 1 }])
  await cluster.stop()
}, 60_000)
