import Papa from 'papaparse'

import type { Entry, EntryBody } from 'core'
import { buildPattern, checkBox, readJob, withToothCounts } from 'core'

import { recordOf } from '~/views/job/record.ts'
import { PLAIN_WORDS } from '~/words/vocabulary.ts'

import { formatFindingsCsv, formatJobRecord, jobRecordSchema, recordSchema } from './jobRecord.ts'

const draft = {
  ...buildPattern('three-shaft', 'Ostrel', { speeds: '4' }),
  sheet: [
    { id: 'a', kind: 'serial' as const, text: 'K 4471', from: 'plate' },
    {
      id: 'b',
      kind: 'limit' as const,
      measure: 'end-play',
      of: 'shaft:main',
      least: '0.05',
      most: '0.15',
      unit: 'mm',
    },
  ],
}
const checked = checkBox(withToothCounts(draft, new Map()))
if (!checked.ok) throw new Error('the pattern hangs together')
const { box } = checked

const AT = '2026-03-02T09:00:00.000Z'
const log = (...bodies: readonly EntryBody[]): readonly Entry[] =>
  bodies.map((body, at) => ({
    id: `0000000${at}`,
    at: AT.replace('00.000Z', `${`${at}`.padStart(2, '0')}.000Z`),
    by: 'AB',
    body,
  }))

const LIMIT = { source: 'maker', least: '0.05', most: '0.15', unit: 'mm' } as const
const play = (reading: string, phase: 'found' | 'after'): EntryBody => ({
  kind: 'measurement',
  part: 'shaft:main',
  measure: 'end-play',
  readings: [reading],
  unit: 'mm',
  tool: 'dial',
  limit: LIMIT,
  phase,
})
const job = readJob(
  log(
    {
      kind: 'intake',
      intake: {
        reference: 'van 3',
        complaint: 'whines, =SUM(A1)',
        distance: { text: '148000', unit: 'km' },
        oil: '',
        cameWith: '',
      },
    },
    play('0.31', 'found'),
    { kind: 'shims', part: 'shaft:main', thicknesses: [2000, 500], expected: 600 },
    play('0.09', 'after'),
    { kind: 'look', part: 'gear:main-3', look: 'tooth-tips', grade: 'replace' },
    { kind: 'overrule', entry: '00000004', verdict: 'watch', reason: 'runs in' },
    {
      kind: 'turn-check',
      position: '1',
      inputTurns: '4',
      outputTurns: '1',
      errorTurns: '1/8',
    },
    { kind: 'note', text: '=1+1' },
    { kind: 'photo', photo: '01900000-0000-7000-8000-000000000000', caption: 'the rail' },
    { kind: 'close', leftOut: 'no road test' },
  ),
)
const record = recordOf(box, PLAIN_WORDS, { number: 2, openedAt: AT }, job)

test('a record is what its schema says', () => {
  expect(recordSchema.parse(record)).toEqual(record)
  expect(jobRecordSchema.parse(JSON.parse(formatJobRecord(record)))).toMatchObject({
    format: 'udrix-job-record',
    version: 1,
  })
})

test('found and after, with the limit and where it came from', () => {
  expect(record.found.map(({ phase, figure, verdict }) => [phase, figure, verdict])).toEqual([
    ['found', 0.31, 'replace'],
    ['after', 0.09, 'good'],
    ['found', null, 'watch'],
  ])
  expect(record.found[0]?.limit).toEqual(LIMIT)
  expect(record.found[2]?.overruled).toEqual({
    figuresSay: 'replace',
    reason: 'runs in',
    by: 'AB',
  })
})

test('shims, checks, photographs, notes, the data sheet and the caution are in it', () => {
  // 2000 and 500 tenths of a micrometre are 0.20 and 0.05 mm.
  expect(record.set).toEqual([
    { part: 'main shaft', shimsMm: [0.2, 0.05], expectedMm: 0.06, measuredMm: 0.09 },
  ])
  expect(record.checks).toEqual([
    { position: '1', turned: '4 in for 1 out, ± 1/8 turn', isAgreed: null },
  ])
  expect(record.photographs.map(({ caption }) => caption)).toEqual(['the rail'])
  expect(record.notes).toMatchObject([{ text: '=1+1', by: 'AB' }])
  expect(record.unit.dataSheet).toContainEqual({
    what: 'serial number',
    says: 'K 4471',
    readFrom: 'plate',
  })
  expect(record.unit.dataSheet).toContainEqual(
    expect.objectContaining({ what: 'end play of the main shaft' }),
  )
  expect(record.job).toEqual({ number: 2, openedAt: AT, isClosed: true, leftOut: 'no road test' })
  expect(record.cautions).toHaveLength(1)
})

test('a verdict that was overruled orders nothing, and one of the shims does', () => {
  expect(record.parts.map(({ what }) => what)).toContain('Shim of the main shaft')
  expect(record.parts.some(({ what }) => what.startsWith('3rd gear'))).toBe(false)
})

test('the spreadsheet has a line for each finding and no formula', () => {
  const csv = formatFindingsCsv(record)
  const { data } = Papa.parse<readonly string[]>(csv.trim())
  expect(data).toHaveLength(1 + record.found.length)
  expect(data[1]?.slice(0, 10)).toEqual([
    'main shaft',
    'end play',
    'as found',
    '0.31',
    'mm',
    '0.31',
    '0.05',
    '0.15',
    'mm',
    'maker',
  ])
})

test('a figure and its limit are in one unit, that of the readings where it measures the same', () => {
  const of = (body: Partial<Extract<EntryBody, { kind: 'measurement' }>>) =>
    Papa.parse<readonly string[]>(
      formatFindingsCsv(
        recordOf(
          box,
          PLAIN_WORDS,
          { number: 1, openedAt: AT },
          readJob(log({ ...play('9', 'found'), ...body } as EntryBody)),
        ),
      ).trim(),
    ).data[1]?.slice(3, 9)
  // 0.05 and 0.15 mm by 25.4 µm a thou.
  expect(of({ unit: 'thou' })).toEqual(['9', 'thou', '9', '1.968504', '5.905512', 'thou'])
  // A rock read as a length is judged as an angle: 2·asin(s/2r) of 1 mm at 100 mm.
  const rock = of({
    measure: 'spline-rock',
    readings: ['1'],
    unit: 'mm',
    radius: { text: '100', unit: 'mm' },
    limit: null,
  })
  expect(rock?.slice(0, 2)).toEqual(['1', 'mm'])
  expect(Number(rock?.[2])).toBeCloseTo(0.5729602, 5)
  expect(rock?.[5]).toBe('deg')
})
