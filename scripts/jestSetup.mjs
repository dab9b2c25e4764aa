import path from 'node:path'

import pg from 'pg'

import { startCluster } from './cluster.mjs'
import { STATE } from './paths.mjs'

/**
 * Services are tested against a PostgreSQL of the tests' own, with a database for each
 * worker, so that tests that run side by side do not see one another's rows.
 * @param {{ maxWorkers: number }} config
 */
export default async function setUp({ maxWorkers }) {
  const cluster = await startCluster(path.join(STATE, 'test/jest-cluster'))
  const client = new pg.Client({ connectionString: cluster.superuserUrl })
  await client.connect()
  // What is tested survives no power cut, and the disk of a shared machine takes its time.
  await client.query('alter system set fsync = off')
  await client.query('select pg_reload_conf()')
  for (let worker = 1; worker <= maxWorkers; worker++) {
    await client.query(`drop database if exists worker_${worker} with (force)`)
    await client.query(`create database worker_${worker}`)
  }
  await client.end()
  process.env.DATABASE_URL = cluster.superuserUrl
  process.env.LOG_LEVEL = 'silent'
  Object.assign(globalThis, { stopTestCluster: cluster.stop })
}
