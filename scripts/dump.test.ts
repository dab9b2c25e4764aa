/** `npm run backup` and `npm run restore`, run as the shop runs them, on databases of their own. */
import { spawnSync } from 'node:child_process'
import fs from 'node:fs'
import os from 'node:os'
import path from 'node:path'

import { drizzle } from 'drizzle-orm/node-postgres'
import { migrate } from 'drizzle-orm/node-postgres/migrator'
import pg from 'pg'

import { programPath } from './postgres.mjs'

const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'udrix-dump-'))
const base = process.env.DATABASE_URL ?? ''
const made: string[] = []

afterAll(async () => {
  fs.rmSync(folder, { recursive: true, force: true })
  for (const name of made) await query(base, `drop database if exists ${name} with (force)`)
})

async function query<Row extends object>(url: string, text: string): Promise<readonly Row[]> {
  const client = new pg.Client({ connectionString: url })
  await client.connect()
  try {
    return (await client.query<Row>(text)).rows
  } finally {
    await client.end()
  }
}

async function makeDatabase(name: string): Promise<string> {
  const full = `dump_${name}_${process.env.JEST_WORKER_ID ?? '1'}`
  await query(base, `drop database if exists ${full} with (force)`)
  await query(base, `create database ${full}`)
  made.push(full)
  const url = new URL(base)
  url.pathname = `/${full}`
  return url.href
}

/** A shop with so many boxes. */
async function makeShop(name: string, boxCount: number): Promise<string> {
  const url = await makeDatabase(name)
  const client = new pg.Client({ connectionString: url })
  await client.connect()
  await migrate(drizzle(client), { migrationsFolder: 'app/.server/db/migrations' })
  await client.query(
    `insert into boxes (id, name, document) select gen_random_uuid(), 'box ' || n, '{}' from generate_series(1, ${boxCount}) n`,
  )
  await client.end()
  return url
}

function run(work: 'backup' | 'restore', file: string, url: string) {
  const { status, stdout, stderr } = spawnSync(process.execPath, ['scripts/dump.mjs', work, file], {
    encoding: 'utf8',
    env: { ...process.env, DATABASE_URL: url, UDRIX_DATA: path.join(folder, 'state') },
  })
  return { status, said: stdout + stderr }
}

const boxCountIn = async (url: string) =>
  (await query<{ count: number }>(url, 'select count(*)::int as count from boxes'))[0]?.count

/** The file that the restore names as the copy of what was there. */
function copyNamed(said: string): string {
  return /What was there until now is in (\S+):/.exec(said)?.[1] ?? ''
}

test('a backup is its owner’s only, and comes back in the place of what is there, of which a copy is kept', async () => {
  const [three, seven] = await Promise.all([makeShop('three', 3), makeShop('seven', 7)])
  const file = path.join(folder, 'three.backup')
  expect(run('backup', file, three)).toMatchObject({ status: 0 })
  expect(fs.statSync(file).mode & 0o777).toBe(0o600)
  const restored = run('restore', file, seven)
  expect(restored).toMatchObject({ status: 0 })
  expect(restored.said).toContain('holds 3 boxes')
  expect(restored.said).toContain('in the place of 7 boxes')
  expect(await boxCountIn(seven)).toBe(3)
  const copy = copyNamed(restored.said)
  expect(fs.statSync(copy).mode & 0o777).toBe(0o600)
  expect(run('restore', copy, seven)).toMatchObject({ status: 0 })
  expect(await boxCountIn(seven)).toBe(7)
}, 120_000)

test('an empty database takes a backup as it is', async () => {
  const file = path.join(folder, 'two.backup')
  expect(run('backup', file, await makeShop('two', 2))).toMatchObject({ status: 0 })
  const empty = await makeDatabase('empty')
  expect(run('restore', file, empty).said).toContain('put into an empty database')
  expect(await boxCountIn(empty)).toBe(2)
}, 120_000)

describe('what is no backup of this Udrix changes nothing', () => {
  let shop = ''
  beforeAll(async () => {
    shop = await makeShop('kept', 5)
  }, 60_000)

  async function expectRefused(file: string, sentence: string): Promise<void> {
    const refused = run('restore', file, shop)
    expect(refused.status).toBe(1)
    expect(refused.said).toContain(sentence)
    expect(refused.said).not.toContain('Everything is again')
    expect(await boxCountIn(shop)).toBe(5)
  }

  /** As a database is dumped by hand. */
  function dumpOf(url: string, name: string): string {
    const file = path.join(folder, name)
    spawnSync(programPath('pg_dump'), ['--format=custom', '--file', file, url])
    return file
  }

  test('another program’s database', async () => {
    const other = await makeDatabase('other')
    await query(other, 'create table customers (id int); insert into customers values (1)')
    await expectRefused(dumpOf(other, 'other.dump'), 'it has no table drizzle.__drizzle_migrations')
    // Nor is a backup put over what is another program's.
    const file = path.join(folder, 'over.backup')
    run('backup', file, shop)
    expect(run('restore', file, other).said).toContain('The database is another program’s')
    expect(await query(other, 'select id from customers')).toEqual([{ id: 1 }])
  }, 60_000)

  test('a backup with a function in it', async () => {
    const trapped = await makeShop('trapped', 1)
    await query(trapped, 'create function public.f() returns int language sql as $$ select 1 $$')
    await expectRefused(dumpOf(trapped, 'trapped.dump'), 'it holds FUNCTION public f()')
  }, 60_000)

  test('another program with the same tools', async () => {
    const similar = await makeShop('similar', 1)
    await query(similar, 'update drizzle.__drizzle_migrations set created_at = created_at + 5')
    await expectRefused(dumpOf(similar, 'similar.dump'), 'the backup of another program')
  }, 60_000)

  test('a newer Udrix', async () => {
    const newer = await makeShop('newer', 1)
    await query(
      newer,
      "insert into drizzle.__drizzle_migrations (hash, created_at) values ('later', 1900000000000)",
    )
    await expectRefused(dumpOf(newer, 'newer.dump'), 'is of a newer Udrix')
  }, 60_000)

  test('a file that was broken off, text, and no file', async () => {
    const whole = dumpOf(shop, 'whole.dump')
    const half = path.join(folder, 'half.dump')
    fs.writeFileSync(half, fs.readFileSync(whole).subarray(0, fs.statSync(whole).size * 0.6))
    await expectRefused(half, 'is no whole backup')
    const text = path.join(folder, 'text.dump')
    fs.writeFileSync(text, 'select 1;\n')
    await expectRefused(text, 'is no whole backup')
    await expectRefused(path.join(folder, 'absent.dump'), 'There is no file')
  }, 60_000)

  test('a copy that cannot be written', async () => {
    const state = path.join(folder, 'state')
    const file = path.join(folder, 'again.backup')
    run('backup', file, shop)
    fs.rmSync(state, { recursive: true, force: true })
    // A file where the folder of the data would be.
    fs.writeFileSync(state, '')
    expect(run('restore', file, shop).status).toBe(1)
    fs.rmSync(state)
    expect(await boxCountIn(shop)).toBe(5)
  }, 60_000)
})

test('a backup that fails leaves nothing behind', () => {
  const file = path.join(folder, 'nothing.backup')
  const gone = new URL(base)
  gone.pathname = '/there_is_no_such_database'
  expect(run('backup', file, gone.href).status).toBe(1)
  expect(fs.readdirSync(folder).filter((name) => name.startsWith('nothing'))).toEqual([])
})
