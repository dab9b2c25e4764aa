/** PostgreSQL's own programs, run as the user that they accept. */
import { spawn, spawnSync } from 'node:child_process'
import fs from 'node:fs'
import path from 'node:path'

import { SetupError, isRoot } from './run.mjs'

const DEBIAN_PROGRAMS = '/usr/lib/postgresql'

/** @returns {string | undefined} the folder of the newest PostgreSQL programs */
export function postgresPrograms() {
  const versions = fs.existsSync(DEBIAN_PROGRAMS) ? fs.readdirSync(DEBIAN_PROGRAMS) : []
  return versions
    .filter((version) => fs.existsSync(path.join(DEBIAN_PROGRAMS, version, 'bin/initdb')))
    .sort((one, other) => Number(other) - Number(one))
    .map((version) => path.join(DEBIAN_PROGRAMS, version, 'bin'))[0]
}

/**
 * The user and group that PostgreSQL runs as: it refuses root, who runs it as `postgres`.
 *
 * @returns {{ uid: number, gid: number }}
 */
export function postgresOwner() {
  if (!isRoot) return { uid: process.getuid?.() ?? 0, gid: process.getgid?.() ?? 0 }
  const ids = ['-u', '-g'].map((flag) =>
    Number(spawnSync('id', [flag, 'postgres'], { encoding: 'utf8' }).stdout),
  )
  const [uid, gid] = ids
  if (!uid || !gid) throw new SetupError('There is no user "postgres" to run PostgreSQL as.')
  return { uid, gid }
}

/**
 * The full path of one of PostgreSQL's programs.
 *
 * @param {string} program
 * @returns {string}
 */
export function programPath(program) {
  const programs = postgresPrograms()
  if (!programs)
    throw new SetupError('PostgreSQL is missing. Install the Debian package postgresql.')
  return path.join(programs, program)
}

/**
 * Runs one of PostgreSQL's programs as the right user; fails with its output.
 *
 * @param {string} program
 * @param {readonly string[]} args
 * @param {string} [input] what it reads on standard input
 * @returns {Promise<void>}
 */
export function runPostgres(program, args, input) {
  return new Promise((resolve, reject) => {
    const child = spawn(programPath(program), [...args], {
      cwd: '/',
      env: { ...process.env, LC_ALL: 'C.UTF-8' },
      stdio: [input === undefined ? 'ignore' : 'pipe', 'pipe', 'pipe'],
      ...(isRoot ? postgresOwner() : {}),
    })
    let output = ''
    for (const stream of [child.stdout, child.stderr])
      stream?.on('data', (chunk) => {
        output += String(chunk)
      })
    child.on('error', reject)
    child.on('exit', (code) => {
      if (code === 0) resolve()
      else reject(new SetupError(`${program} failed (${code}):\n${output.trim()}`))
    })
    child.stdin?.on('error', () => undefined).end(input)
  })
}
