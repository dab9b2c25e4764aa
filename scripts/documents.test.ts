/** @jest-environment node */
/** What README and docs point to is there: whoever follows them finds it. */
import { existsSync, readFileSync, readdirSync } from 'node:fs'
import path from 'node:path'

import { fieldTable } from './fieldTable.ts'
import { ROOT } from './paths.mjs'

const DOCUMENTS = [
  'README.md',
  'CONTRIBUTING.md',
  'core/README.md',
  ...readdirSync(path.join(ROOT, 'docs')).map((name) => `docs/${name}`),
]
const texts = DOCUMENTS.filter((name) => name.endsWith('.md')).map(
  (name) => [name, readFileSync(path.join(ROOT, name), 'utf8')] as const,
)

/** Paths of the repository: they begin with one of its folders. */
const IN_REPOSITORY = /`((?:core|app|e2e|scripts|docs)\/[\w./-]+)`/g

test.each(texts)('every path in %s leads to something', (_, text) => {
  const paths = [...text.matchAll(IN_REPOSITORY)].map(([, found = '']) => found)
  expect(paths.filter((found) => !existsSync(path.join(ROOT, found)))).toEqual([])
})

test.each(texts)('every name that %s says is in a file is in it', (_, text) => {
  const said = [...text.matchAll(/`(\w+)` (?:in|of) `([\w./-]+\.\w+)`/g)]
  const wrong = said.flatMap(([, name = '', file = '']) => {
    const content = readFileSync(path.join(ROOT, file), 'utf8')
    return new RegExp(String.raw`\b${name}\b`).test(content) ? [] : [`${name} in ${file}`]
  })
  expect(wrong).toEqual([])
})

test('the README names what there is to be found', () => {
  const [, readme = ''] = texts[0] ?? []
  expect([...readme.matchAll(IN_REPOSITORY)].length).toBeGreaterThan(40)
})

test('the table of fields is the one that files are read by', () => {
  // The formatter pads the columns.
  const cells = (text: string): readonly string[] => text.replaceAll(/[ -]+/g, ' ').split(/ ?\| ?/)
  const written = readFileSync(path.join(ROOT, 'docs/fields.md'), 'utf8')
  expect(cells(written).join().trim()).toBe(cells(fieldTable()).join().trim())
})
