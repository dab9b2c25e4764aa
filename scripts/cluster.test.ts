import { spawn, spawnSync } from 'node:child_process'
import fs from 'node:fs'
import os from 'node:os'
import path from 'node:path'

import { jest } from '@jest/globals'
import pg from 'pg'

import { freePort, startCluster } from './cluster.mjs'
import { holdFolder } from './hold.mjs'
import { postgresOwner } from './postgres.mjs'
import { postmasterOn, processesOn } from './postmaster.mjs'

/** A folder that PostgreSQL's own user can enter too. */
const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'udrix-cluster-'))
fs.chmodSync(folder, 0o755)
const isRoot = process.getuid?.() === 0

async function ask(url: string, query: string): Promise<unknown> {
  const client = new pg.Client({ connectionString: url })
  client.on('error', () => undefined)
  await client.connect()
  const { rows } = await client.query<Record<string, unknown>>(query)
  await client.end()
  return rows
}

/** A stopped cluster with one row in it. */
async function makeShop(name: string): Promise<string> {
  const place = path.join(folder, name)
  const cluster = await startCluster(place)
  await ask(cluster.url, 'create table kept (value int); insert into kept values (42)')
  await cluster.stop()
  return place
}

async function expectShop(place: string): Promise<void> {
  const cluster = await startCluster(place)
  try {
    expect(await ask(cluster.url, 'select value from kept')).toEqual([{ value: 42 }])
  } finally {
    await cluster.stop()
  }
}

async function hasEnded(pid: number): Promise<void> {
  while (fs.existsSync(`/proc/${pid}`)) await new Promise((resolve) => setTimeout(resolve, 20))
}

afterAll(() => {
  fs.rmSync(folder, { recursive: true, force: true })
})

test('a cluster is made, keeps its data over a stop, and is taken over when it still runs', async () => {
  const place = path.join(folder, 'first')
  const first = await startCluster(place)
  await ask(first.url, 'create table kept (value int); insert into kept values (42)')
  expect(first.url).toContain(`@127.0.0.1:${first.port}/`)

  // As after a crash of what started it.
  const takenOver = await startCluster(place)
  expect(takenOver.port).toBe(first.port)
  await takenOver.stop()

  const port = await freePort()
  const again = await startCluster(place, { port })
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
  fs.mkdirSync(path.join(broken, 'data.making'), { recursive: true })
  fs.writeFileSync(path.join(broken, 'data.making/half'), '')
  const cluster = await startCluster(broken)
  expect(await ask(cluster.url, 'select 1 as one')).toEqual([{ one: 1 }])
  await cluster.stop()
}, 60_000)

test('the server works as a role that owns its tables and is no superuser, on data from before too', async () => {
  const place = path.join(folder, 'roles')
  const first = await startCluster(place)
  // As versions before kept everything.
  await ask(first.superuserUrl, 'create schema drizzle; create table drizzle.done (value int)')
  await ask(first.superuserUrl, 'create extension pg_trgm; create table kept (value bigserial)')
  await first.stop()
  fs.rmSync(path.join(place, 'shop-password'))
  const again = await startCluster(place)
  expect(
    await ask(
      again.url,
      'select rolsuper, rolcreaterole from pg_roles where rolname = current_user',
    ),
  ).toEqual([{ rolsuper: false, rolcreaterole: false }])
  await ask(again.url, 'insert into kept default values; alter table kept add column more int')
  await expect(ask(again.url, "copy kept to program 'true'")).rejects.toThrow('superuser')
  await expect(ask(again.url, 'alter system set fsync = off')).rejects.toThrow('permission denied')
  // As a restore does.
  await ask(
    again.url,
    'drop schema drizzle cascade; drop schema public cascade; create schema public',
  )
  await ask(again.url, 'create extension pg_trgm')
  await again.stop()
}, 60_000)

describe('nothing that looks like data is replaced by an empty shop', () => {
  test('a copy without PG_VERSION is left alone, with a sentence', async () => {
    const place = await makeShop('partial')
    fs.rmSync(path.join(place, 'data/PG_VERSION'))
    await expect(startCluster(place)).rejects.toThrow('PG_VERSION is missing')
    expect(fs.existsSync(path.join(place, 'data/base'))).toBe(true)
  }, 60_000)

  test('data that are gone are missed', async () => {
    const place = await makeShop('gone')
    fs.renameSync(path.join(place, 'data'), path.join(folder, 'elsewhere'))
    await expect(startCluster(place)).rejects.toThrow('nothing is there')
    fs.renameSync(path.join(folder, 'elsewhere'), path.join(place, 'data'))
    await expectShop(place)
  }, 60_000)

  test('a record that cannot be read is not guessed at', async () => {
    const place = await makeShop('record')
    fs.writeFileSync(`${place}.place.json`, 'garbage')
    await expect(startCluster(place)).rejects.toThrow('cannot be read')
  }, 60_000)

  test('a whole folder that was moved is found in its new place', async () => {
    const place = await makeShop('before/cluster')
    fs.renameSync(path.dirname(place), path.join(folder, 'after'))
    await expectShop(path.join(folder, 'after/cluster'))
  }, 60_000)
})

const asRoot = isRoot ? test : test.skip

describe('as root', () => {
  asRoot(
    'a copy that belongs to root and is open to all is taken over again',
    async () => {
      const place = await makeShop('original')
      const copy = path.join(folder, 'copy')
      spawnSync('cp', ['-r', place, copy])
      fs.chmodSync(path.join(copy, 'data'), 0o755)
      expect(fs.statSync(path.join(copy, 'data')).uid).toBe(0)
      await expectShop(copy)
      expect(fs.statSync(path.join(copy, 'password')).mode & 0o777).toBe(0o600)
    },
    60_000,
  )

  asRoot(
    'a copy without its password gets a new one',
    async () => {
      const place = await makeShop('forgotten')
      fs.rmSync(path.join(place, 'password'))
      await expectShop(place)
    },
    60_000,
  )

  asRoot(
    'a folder that was closed over its data is not forsaken',
    async () => {
      const place = await makeShop('closed/cluster')
      fs.chmodSync(path.dirname(place), 0o700)
      await expect(startCluster(place)).rejects.toThrow('may not enter any longer')
      fs.chmodSync(path.dirname(place), 0o755)
      await expectShop(place)
    },
    60_000,
  )

  asRoot(
    'in a closed folder the data stand in a place of root’s that is written down',
    async () => {
      const closed = path.join(folder, 'private')
      fs.mkdirSync(closed, { mode: 0o700 })
      const place = path.join(closed, 'cluster')
      const cluster = await startCluster(place)
      await ask(cluster.url, 'create table kept (value int); insert into kept values (42)')
      await cluster.stop()
      try {
        expect(cluster.data).toMatch(/^\/var\/lib\/udrix\/[0-9a-f]{12}\/data$/)
        expect(JSON.parse(fs.readFileSync(`${place}.place.json`, 'utf8'))).toEqual({
          folder: path.dirname(cluster.data),
        })
        // Opened later, it is still that place that counts.
        fs.chmodSync(closed, 0o755)
        await expectShop(place)
      } finally {
        fs.rmSync(path.dirname(cluster.data), { recursive: true, force: true })
      }
    },
    60_000,
  )

  asRoot(
    'links and what belongs to others are refused',
    async () => {
      const place = await makeShop('linked')
      const { uid } = postgresOwner()
      const victim = path.join(folder, 'victim')
      fs.writeFileSync(victim, 'mine')
      fs.rmSync(path.join(place, 'postgres.log'))
      fs.symlinkSync(victim, path.join(place, 'postgres.log'))
      await expect(startCluster(place)).rejects.toThrow('is a link')
      expect(fs.readFileSync(victim, 'utf8')).toBe('mine')
      fs.rmSync(path.join(place, 'postgres.log'))
      fs.chownSync(place, uid + 12_345, 0)
      await expect(startCluster(place)).rejects.toThrow('belongs to another user')
    },
    60_000,
  )
})

describe('after any death', () => {
  test.each([
    ['the id of another process', `${process.pid}\n/elsewhere\n1\n5432\n`],
    ['nothing', ''],
    ['garbage', 'not a number\n\n\n'],
  ])(
    'a lock file with %s does not keep it from starting',
    async (name, content) => {
      const place = await makeShop(`pid ${name}`)
      fs.writeFileSync(path.join(place, 'data/postmaster.pid'), content)
      await expectShop(place)
    },
    60_000,
  )

  test('a killed postmaster whose children live on is followed by a new one', async () => {
    const place = path.join(folder, 'orphans')
    const cluster = await startCluster(place)
    await ask(cluster.url, 'create table kept (value int); insert into kept values (42)')
    const busy = ask(cluster.url, 'select pg_sleep(60)').catch(() => undefined)
    const head = postmasterOn(cluster.data)
    expect(head?.port).toBe(cluster.port)
    process.kill(head?.pid ?? 0, 'SIGKILL')
    await expectShop(place)
    await busy
  }, 60_000)

  test('a frozen server is ended, and one in recovery is stopped', async () => {
    const place = path.join(folder, 'frozen')
    const cluster = await startCluster(place)
    await ask(cluster.url, 'create table kept (value int); insert into kept values (42)')
    for (const { pid } of processesOn(cluster.data)) process.kill(pid, 'SIGSTOP')
    await expectShop(place)
    const again = await startCluster(place)
    const backend = processesOn(again.data).find(({ pid }) => pid !== postmasterOn(again.data)?.pid)
    process.kill(backend?.pid ?? 0, 'SIGKILL')
    await again.stop()
    expect(processesOn(again.data)).toEqual([])
    await expectShop(place)
  }, 120_000)

  test('a server that is watched over comes back on its port', async () => {
    const cluster = await startCluster(path.join(folder, 'watched'))
    const silenced = jest.spyOn(console, 'error').mockImplementation(() => undefined)
    cluster.keepAlive()
    const head = postmasterOn(cluster.data)?.pid ?? 0
    process.kill(head, 'SIGKILL')
    await hasEnded(head)
    for (;;)
      try {
        expect(await ask(cluster.url, 'select 1 as one')).toEqual([{ one: 1 }])
        break
      } catch {
        await new Promise((resolve) => setTimeout(resolve, 100))
      }
    await cluster.stop()
    silenced.mockRestore()
  }, 60_000)
})

test('a folder is held by one process, and free as soon as that one is killed', async () => {
  const script = `
    import { holdFolder } from '${path.resolve('scripts/hold.mjs')}'
    await holdFolder(${JSON.stringify(folder)}, 'at 127.0.0.1:1')
    console.log('held')
    setInterval(() => undefined, 1000)`
  const holder = spawn(process.execPath, ['--input-type=module', '-e', script])
  await new Promise((resolve) => holder.stdout.once('data', resolve))
  expect(await holdFolder(folder, 'second')).toEqual({ isHeld: false, by: 'at 127.0.0.1:1' })
  const ended = new Promise((resolve) => holder.once('exit', resolve))
  holder.kill('SIGKILL')
  await ended
  expect(await holdFolder(folder, 'third')).toMatchObject({ isHeld: true })
})
