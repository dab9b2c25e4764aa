import { readFileSync } from 'node:fs'

import {
  analyse,
  buildPattern,
  checkBox,
  formatFraction,
  prepareSolver,
  withToothCounts,
} from './index.ts'

const HERE = new URL('.', import.meta.url)
const BEGIN = /^ {2}\/\/ As core\/README\.md has it\.\n/m

test('what the README of the core shows is what is run here', () => {
  const own = readFileSync(new URL('readme.test.ts', HERE), 'utf8')
  const shown = /```ts\n(.*?)```/s.exec(readFileSync(new URL('README.md', HERE), 'utf8'))?.[1] ?? ''
  const run = own.split(BEGIN)[1]?.split('\n\n')[0] ?? ''
  const plain = (text: string): string => text.replaceAll(/\s+/g, ' ').trim()
  expect(plain(run).length).toBeGreaterThan(300)
  expect(plain(shown)).toContain(plain(run))
})

test('make a box, count, check, analyse, trace', () => {
  // As core/README.md has it.
  const drawn = buildPattern('three-shaft', 'A box', { speeds: '4' })
  const counts = new Map(drawn.gears.map(({ id }, at) => [id, 20 + at]))
  const checked = checkBox(withToothCounts(drawn, counts))
  if (!checked.ok) throw new Error(JSON.stringify(checked.issues))
  const { box } = checked
  const first = box.draft.positions.find(({ label }) => label === '1')
  const traced = analyse(prepareSolver(box), first?.couplers ?? {})
  if (traced.state !== 'drive') throw new Error(traced.state)
  const said = [formatFraction(traced.ratio), ...traced.path.map(({ law }) => law.source)]

  // By hand: driven over driving teeth of the two pairs that the path names.
  const teeth = (id: string): number => counts.get(id) ?? NaN
  const [ratio, ...path] = said
  expect(path).toEqual(['pair-head', 'pair-1', 'coupler-1-2'])
  const [over, under = 1] = (ratio ?? '').split('/').map(Number)
  expect((over ?? NaN) / under).toBeCloseTo(
    (teeth('counter-head') / teeth('input-head')) * (teeth('main-1') / teeth('counter-1')),
    12,
  )
})
