/** The server as a process of its own, run by `npm start` as by tests and benchmarks. */
import { spawn } from 'node:child_process'

import { ROOT } from './paths.mjs'

/**
 * Young objects are few at a time, and the heap grows by half of what is in use before it is
 * tidied: left to itself it grows to five times that while boxes of many kinds are looked at.
 */
const HEAP = ['--max-semi-space-size=4', '--heap-growing-percent=50']

/**
 * Starts `serve.mjs`, which says so by a message once it listens and ends with whoever started it.
 *
 * @param {NodeJS.ProcessEnv} env what it needs beside the environment of this process
 * @param {{ readonly isDev?: boolean, readonly output?: 'inherit' | 'ignore' }} [options]
 */
export function spawnServer(env, { isDev = false, output = 'inherit' } = {}) {
  const args = [...HEAP, 'scripts/serve.mjs', ...(isDev ? ['--dev'] : [])]
  return spawn(process.execPath, args, {
    cwd: ROOT,
    stdio: [output, output, 'inherit', 'ipc'],
    env: {
      ...process.env,
      // Its threads share one arena, and the memory of many requests is cleared away sooner.
      MALLOC_ARENA_MAX: '1',
      NODE_ENV: isDev ? 'development' : 'production',
      ...env,
    },
  })
}
