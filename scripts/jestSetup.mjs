import path from 'node:path'

import { startCluster } from './cluster.mjs'
import { STATE } from './paths.mjs'

/** Services are tested against a PostgreSQL of the tests' own. */
export default async function setUp() {
  const cluster = await startCluster(path.join(STATE, 'test/jest-cluster'))
  process.env.DATABASE_URL = cluster.url
  process.env.LOG_LEVEL = 'silent'
  Object.assign(globalThis, { stopTestCluster: cluster.stop })
}
