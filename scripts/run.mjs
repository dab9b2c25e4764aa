import { spawn, spawnSync } from 'node:child_process'

import { ROOT } from './paths.mjs'

/** A step that failed in a way that the person can mend; its message says how. */
export class SetupError extends Error {}

/** @type {Set<import('node:child_process').ChildProcess>} */
const children = new Set()
const END_TIMEOUT_MS = 5_000

/**
 * Notes a child for as long as it runs.
 *
 * @template {import('node:child_process').ChildProcess} Child
 * @param {Child} child
 * @returns {Child}
 */
function noted(child) {
  children.add(child)
  for (const event of ['exit', 'error']) child.once(event, () => children.delete(child))
  return child
}

/** Ends what still runs, and resolves when it has: nothing of it goes on beside the next start. */
export async function endChildren() {
  await Promise.all(
    [...children].map(async (child) => {
      const ended = new Promise((resolve) => child.once('exit', resolve))
      child.kill()
      const late = setTimeout(() => child.kill('SIGKILL'), END_TIMEOUT_MS)
      await ended
      clearTimeout(late)
    }),
  )
}

/**
 * Runs a command in the project's root with its output shown; throws when it fails.
 *
 * @param {string} command
 * @param {readonly string[]} args
 * @param {NodeJS.ProcessEnv} [env]
 * @returns {Promise<void>}
 */
export async function run(command, args, env = process.env) {
  const code = await exitCode(command, args, env)
  if (code !== 0) throw new SetupError(`${[command, ...args].join(' ')} failed (${code}).`)
}

/**
 * Runs a command with its output shown and resolves with its exit code.
 *
 * @param {string} command
 * @param {readonly string[]} args
 * @param {NodeJS.ProcessEnv} [env]
 * @returns {Promise<number>}
 */
export function exitCode(command, args, env = process.env) {
  return new Promise((resolve, reject) => {
    const child = noted(spawn(command, [...args], { cwd: ROOT, stdio: 'inherit', env }))
    child.on('error', reject)
    child.on('exit', (code) => {
      resolve(code ?? 1)
    })
  })
}

/**
 * Runs a command in the project's root; what it prints is shown only when it fails.
 *
 * @param {string} command
 * @param {readonly string[]} args
 * @param {NodeJS.ProcessEnv} [env]
 * @returns {Promise<void>}
 */
export async function runQuietly(command, args, env = process.env) {
  const child = noted(
    spawn(command, [...args], { cwd: ROOT, stdio: ['ignore', 'pipe', 'pipe'], env }),
  )
  /** @type {Buffer[]} */
  const printed = []
  for (const stream of [child.stdout, child.stderr])
    stream.on('data', (/** @type {Buffer} */ chunk) => {
      printed.push(chunk)
    })
  /** @type {number | null} */
  const code = await new Promise((resolve, reject) => {
    child.on('error', reject)
    child.on('close', resolve)
  })
  if (code === 0) return
  process.stderr.write(Buffer.concat(printed))
  throw new SetupError(`${[command, ...args].join(' ')} failed (${code}).`)
}

/**
 * Whether a command runs and succeeds; nothing is shown.
 *
 * @param {string} command
 * @param {readonly string[]} args
 */
export function succeeds(command, args) {
  return spawnSync(command, [...args], { stdio: 'ignore' }).status === 0
}

/**
 * Whether we are root, who may install packages but not run PostgreSQL.
 */
export const isRoot = process.getuid?.() === 0
