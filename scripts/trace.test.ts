import { spawnSync } from 'node:child_process'
import fs from 'node:fs'
import os from 'node:os'
import path from 'node:path'

import { z } from 'zod'

import { boxFileSchema } from '../app/files/boxFile.ts'
import { ROOT } from './paths.mjs'

const EXAMPLE = path.join(ROOT, 'docs/example-box.json')

function trace(...args: readonly string[]): {
  readonly code: number | null
  readonly output: unknown
} {
  const { status, stdout } = spawnSync(
    process.execPath,
    ['--import', 'tsx', 'scripts/trace.ts', ...args],
    {
      cwd: ROOT,
      encoding: 'utf8',
    },
  )
  return { code: status, output: JSON.parse(stdout) }
}

function fileOf(content: string): string {
  const file = path.join(fs.mkdtempSync(path.join(os.tmpdir(), 'udrix-')), 'box.json')
  fs.writeFileSync(file, content)
  return file
}

test('the documented example is traced: 45/15 and 36/24 by hand', () => {
  expect(trace(EXAMPLE)).toMatchObject({
    code: 0,
    output: {
      name: 'Two-speed example',
      positions: [
        {
          label: '1',
          state: 'drive',
          ratio: '-3',
          inverse: '-1/3',
          product: ['45/15'],
          engaged: [{ coupler: 'coupler-1-2', travel: 'towards-input' }],
          path: [{ link: 'pair-1' }, { link: 'coupler-1-2' }],
        },
        { label: '2', state: 'drive', ratio: '-3/2', speeds: { output: '-2/3' } },
        { label: 'N', state: 'neutral', speeds: { output: 'coasts' } },
      ],
      warnings: [],
    },
  })
}, 30_000)

test('one position alone, and one that the box does not have', () => {
  expect(trace(EXAMPLE, '--position', '2').output).toMatchObject({ positions: [{ label: '2' }] })
  expect(trace(EXAMPLE, '--position', '9')).toMatchObject({
    code: 1,
    output: {
      issues: [{ path: ['positions'], message: 'There is no position 9; there are 1, 2, N.' }],
    },
  })
}, 30_000)

test('a faulty file gives its issues and exit code 1', () => {
  const content = fs.readFileSync(EXAMPLE, 'utf8')
  expect(trace(fileOf('nonsense'))).toMatchObject({ code: 1, output: { issues: [{ path: [] }] } })
  expect(trace(fileOf(content.replace('"input": "input"', '"input": "gone"')))).toMatchObject({
    code: 1,
    output: { issues: [{ code: 'unknown-id', path: ['input'], id: 'gone' }] },
  })
  expect(trace('/nowhere.json').code).toBe(1)
}, 30_000)

test('the published schema is the one that reads the files', () => {
  const published: unknown = JSON.parse(
    fs.readFileSync(path.join(ROOT, 'docs/box-file.schema.json'), 'utf8'),
  )
  expect(published).toEqual(
    JSON.parse(JSON.stringify(z.toJSONSchema(boxFileSchema, { target: 'draft-2020-12' }))),
  )
})
