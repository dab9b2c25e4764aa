/** A Udrix of a test's own: database, server and address. */
import type { ChildProcess } from 'node:child_process'
import fs from 'node:fs'
import path from 'node:path'

import type { Browser, BrowserContextOptions, Page, Response } from '@playwright/test'
import { test as base } from '@playwright/test'

import { freePort, startCluster } from '../scripts/cluster.mjs'
import { STATE } from '../scripts/paths.mjs'
import { spawnServer } from '../scripts/serverProcess.mjs'

export interface Udrix {
  readonly url: string
  readonly databaseUrl: string
  /** The server's own process. */
  readonly serverPid: () => number
  readonly stopDatabase: () => Promise<void>
  readonly startDatabase: () => Promise<void>
  /** Another server on the same database. */
  readonly serveAgain: () => Promise<{ readonly url: string; readonly stop: () => Promise<void> }>
  /** Ends the server as a crash would, and starts it again on the same address. */
  readonly crashServer: () => Promise<void>
  readonly stop: () => Promise<void>
}

/** The build that `npm test` makes. */
export const TEST_BUILD = '.udrix/test/build'

function serve(port: number, databaseUrl: string): Promise<ChildProcess> {
  const env = {
    PORT: `${port}`,
    DATABASE_URL: databaseUrl,
    UDRIX_BUILD: TEST_BUILD,
    LOG_LEVEL: 'silent',
  }
  const server = spawnServer(env, { output: 'ignore' })
  return new Promise((resolve, reject) => {
    server.on('message', () => {
      resolve(server)
    })
    server.on('exit', (code) => {
      reject(new Error(`the server ended with ${code ?? 'a signal'}`))
    })
  })
}

function ended(server: ChildProcess, signal: 'SIGTERM' | 'SIGKILL'): Promise<void> {
  return new Promise((resolve) => {
    if (server.exitCode !== null || server.signalCode !== null) {
      resolve()
      return
    }
    server.on('exit', () => {
      resolve()
    })
    server.kill(signal)
  })
}

/** Starts from an empty database in a folder named `name`. */
export async function startUdrix(name: string): Promise<Udrix> {
  const folder = path.join(STATE, 'test', name)
  for (const left of [folder, `${folder}.place.json`])
    fs.rmSync(left, { recursive: true, force: true })
  let cluster = await startCluster(folder)
  const databasePort = cluster.port
  const port = await freePort()
  let server = await serve(port, cluster.url)
  return {
    url: `http://127.0.0.1:${port}`,
    databaseUrl: cluster.url,
    serverPid: () => server.pid ?? 0,
    stopDatabase: () => cluster.stop(),
    startDatabase: async () => {
      cluster = await startCluster(folder, { port: databasePort })
    },
    serveAgain: async () => {
      const otherPort = await freePort()
      const other = await serve(otherPort, cluster.url)
      return { url: `http://127.0.0.1:${otherPort}`, stop: () => ended(other, 'SIGTERM') }
    },
    crashServer: async () => {
      await ended(server, 'SIGKILL')
      server = await serve(port, cluster.url)
    },
    stop: async () => {
      await ended(server, 'SIGTERM')
      await cluster.stop()
    },
  }
}

/** A page of ours answers to clicks and keys only once its script has run: `goto` waits for that. */
function awaitLive(page: Page): void {
  const goto = page.goto.bind(page)
  const reload = page.reload.bind(page)
  const live = async (response: Response | null) => {
    const isPage = response?.ok() && response.headers()['content-type']?.startsWith('text/html')
    if (isPage) await page.locator('html[data-live]').waitFor({ state: 'attached' })
    return response
  }
  page.goto = async (url, options) => live(await goto(url, options))
  page.reload = async (options) => live(await reload(options))
}

/** A page of a Udrix of the test's own. */
export async function openPage(
  browser: Browser,
  baseURL: string,
  options: Pick<BrowserContextOptions, 'hasTouch' | 'viewport'> = {},
): Promise<Page> {
  const page = await browser.newPage({ baseURL, ...options })
  awaitLive(page)
  return page
}

interface OfWorker {
  readonly udrix: Udrix
  /** What a tab remembers once it has fetched all that pages are made of. */
  readonly fetchedAssets: string
}

/**
 * Tests with one Udrix a worker, as `baseURL`. Console errors and foreign requests fail a test.
 * Tabs take themselves to have the whole build, which costs more than most tests; those of
 * `openPage` fetch it.
 */
export const test = base.extend<{ readonly quiet: undefined }, OfWorker>({
  context: async ({ context, fetchedAssets }, use) => {
    context.on('page', awaitLive)
    await context.addInitScript((list) => {
      if (location.protocol.startsWith('http')) sessionStorage.setItem('udrix-assets', list)
    }, fetchedAssets)
    await use(context)
  },
  fetchedAssets: [
    async ({ udrix }, use) => {
      await use(await (await fetch(`${udrix.url}/assets.json`)).text())
    },
    { scope: 'worker' },
  ],
  udrix: [
    async ({}, use, { workerIndex }) => {
      const udrix = await startUdrix(`e2e-${workerIndex}`)
      await use(udrix)
      await udrix.stop()
    },
    { scope: 'worker' },
  ],
  baseURL: async ({ udrix }, use) => {
    await use(udrix.url)
  },
  quiet: [
    async ({ page, baseURL }, use) => {
      const problems: string[] = []
      page.on('pageerror', ({ message }) => {
        // What the router had asked for when the page was left is no problem of the page.
        if (message !== 'signal is aborted without reason') problems.push(message)
      })
      page.on('console', (message) => {
        // The browser reports every refused form; the tests look at the refusal itself.
        if (message.type() === 'error' && !/status of 4\d\d/.test(message.text()))
          problems.push(message.text())
      })
      page.on('request', (request) => {
        const { protocol, origin } = new URL(request.url())
        if (protocol.startsWith('http') && origin !== baseURL) problems.push(request.url())
      })
      await use(undefined)
      base.expect(problems).toEqual([])
    },
    { auto: true },
  ],
})

export { expect } from '@playwright/test'
