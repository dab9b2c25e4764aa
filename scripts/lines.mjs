/** `npm run -s lines -- REF`: lines of production code by folder, at a commit and now. */
import { execFileSync } from 'node:child_process'
import fs from 'node:fs'
import path from 'node:path'

import { ROOT } from './paths.mjs'

const [ref = 'HEAD'] = process.argv.slice(2)

/** @param {readonly string[]} args */
const git = (...args) =>
  execFileSync('git', [...args], { cwd: ROOT, encoding: 'utf8', maxBuffer: 1e9 })

/** Code that runs in the program: no tests and what helps them, no migrations. @param {string} file */
const isCounted = (file) =>
  /^(core|app|scripts)\/.*\.(ts|tsx|mjs|css)$/.test(file) &&
  !/\.test\.|\/testing\/|\/migrations\/|\.d\.ts$/.test(file)

/** @param {readonly string[]} files @param {(file: string) => string} read */
function linesOf(files, read) {
  const counts = new Map([
    ['core', 0],
    ['app', 0],
    ['scripts', 0],
    ['all', 0],
  ])
  for (const file of files.filter(isCounted))
    for (const of of [file.split('/')[0] ?? '', 'all'])
      counts.set(of, (counts.get(of) ?? 0) + read(file).split('\n').length - 1)
  return counts
}

const listed = (/** @type {string} */ text) => text.split('\n').filter(Boolean)
const before = linesOf(listed(git('ls-tree', '-r', '--name-only', ref)), (file) =>
  git('show', `${ref}:${file}`),
)
const now = linesOf(
  listed(git('ls-files', '-co', '--exclude-standard')).filter((file) =>
    fs.existsSync(path.join(ROOT, file)),
  ),
  (file) => fs.readFileSync(path.join(ROOT, file), 'utf8'),
)
for (const [of, count] of now)
  console.log(`${of.padEnd(8)} ${before.get(of)} at ${ref}, ${count} now`)
