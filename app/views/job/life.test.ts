/** The life of a unit over two visits. */
import type { EntryBody } from 'core'
import { buildPattern, indexBox, readJob, unitParts } from 'core'

import { PLAIN_WORDS } from '~/words/vocabulary.ts'

import type { LivedJob } from './life.ts'
import { lifeOf } from './life.ts'

const draft = buildPattern('three-shaft', 'unit', { forward: '4', overdrives: 'none' })
const naming = { box: indexBox(draft), words: PLAIN_WORDS }
const looked = unitParts(draft).find(({ kind, looks }) => kind === 'gear' && looks.length > 0)
const [look] = looked?.looks ?? []
if (!looked || !look) throw new Error('nothing to look at')

function visit(number: number, ...bodies: readonly EntryBody[]): LivedJob {
  const openedAt = new Date(Date.UTC(2026, number, 5)).toISOString()
  const log = bodies.map((body, at) => ({
    id: `${number}-${at}`,
    at: new Date(Date.UTC(2026, number, 5, 8, 0, at)).toISOString(),
    by: '',
    body,
  }))
  return { id: `job-${number}`, number, openedAt, job: readJob(log) }
}

const seen = (grade: 'good' | 'replace'): EntryBody => ({
  kind: 'look',
  part: looked.ref,
  look,
  grade,
})

const first = visit(
  1,
  {
    kind: 'intake',
    intake: {
      reference: '',
      complaint: 'noise in second',
      distance: { text: '80000', unit: 'km' },
      oil: '',
      cameWith: '',
    },
  },
  seen('replace'),
  {
    kind: 'line',
    line: {
      key: looked.ref,
      what: 'Gear',
      quantity: 2,
      price: '10.25',
      state: 'arrived',
      partNumber: 'G-7',
    },
  },
)
const second = visit(2, seen('good'))

test('each visit says what it came with, what was put in and what that cost', () => {
  const [one, two] = lifeOf(naming, [first, second]).jobs
  expect(one).toMatchObject({ number: 1, complaint: 'noise in second', replaced: ['Gear (G-7)'] })
  expect(one?.distance.replace('\u00a0', ' ')).toBe('80000 km')
  // 2 × 10.25 by hand.
  expect(one?.cost).toBe(20.5)
  expect(two).toMatchObject({ number: 2, complaint: '', distance: '', replaced: [], cost: 0 })
})

test('one thing is one row over all visits, empty where nobody looked', () => {
  const { rows } = lifeOf(naming, [first, visit(2), visit(3, seen('good'))])
  expect(rows).toHaveLength(1)
  expect(rows[0]?.found.map((each) => each?.verdict ?? null)).toEqual(['replace', null, 'good'])
})

test('what was looked at twice in a visit is told by the later look', () => {
  const { rows } = lifeOf(naming, [visit(1, seen('replace'), seen('good'))])
  expect(rows[0]?.found.map((each) => each?.verdict)).toEqual(['good'])
})

test('a unit that never came has no life', () => {
  expect(lifeOf(naming, [])).toEqual({ jobs: [], rows: [] })
})
