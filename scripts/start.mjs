/**
 * `npm start`: puts in place whatever is missing, starts the database and the server,
 * and stops both on Ctrl-C. `npm run dev` is the same with --dev.
 */
import { spawn } from 'node:child_process'
import net from 'node:net'
import path from 'node:path'

import { startCluster } from './cluster.mjs'
import { ROOT, STATE } from './paths.mjs'
import { SetupError } from './run.mjs'
import { ensureBuild, ensurePackages, ensurePostgres } from './setup.mjs'

const isDev = process.argv.includes('--dev')
const port = Number(process.env.PORT ?? 4700)
const host = process.env.HOST ?? '127.0.0.1'

/** Before anything is touched: another Udrix may be running on this very data. */
async function refuseBusyPort() {
  /** @type {boolean} */
  const isBusy = await new Promise((resolve) => {
    const probe = net.connect({ port, host }, () => {
      probe.destroy()
      resolve(true)
    })
    probe.on('error', () => {
      resolve(false)
    })
  })
  if (isBusy)
    throw new SetupError(
      `Port ${port} is in use: perhaps Udrix runs already, at http://${host}:${port}. To use another port: PORT=4800 npm start`,
    )
}

async function start() {
  await refuseBusyPort()
  const ownUrl = process.env.DATABASE_URL
  if (!ownUrl) await ensurePostgres()
  await ensurePackages()
  if (!isDev) await ensureBuild('build')
  const cluster = ownUrl ? undefined : await startCluster(path.join(STATE, 'cluster'))

  const server = spawn(process.execPath, ['scripts/serve.mjs', ...(isDev ? ['--dev'] : [])], {
    cwd: ROOT,
    stdio: ['inherit', 'inherit', 'inherit', 'ipc'],
    env: {
      ...process.env,
      DATABASE_URL: ownUrl ?? cluster?.url,
      NODE_ENV: isDev ? 'development' : 'production',
    },
  })
  const asked = new AbortController()
  const stop = () => {
    asked.abort()
    server.kill('SIGTERM')
  }
  process.on('SIGINT', stop)
  process.on('SIGTERM', stop)
  process.on('SIGHUP', stop)
  /** @type {number | null} */
  const code = await new Promise((resolve) => server.on('exit', resolve))
  await cluster?.stop()
  process.exitCode = asked.signal.aborted ? 0 : (code ?? 1)
}

try {
  await start()
} catch (error) {
  if (!(error instanceof SetupError)) throw error
  console.error(error.message)
  process.exitCode = 1
}
