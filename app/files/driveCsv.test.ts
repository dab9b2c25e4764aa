import { readFileSync, readdirSync } from 'node:fs'

import Papa from 'papaparse'

import type { DriveResult } from 'core'

import { formatDriveCsv, parseDriveCsv } from './driveCsv.ts'

const HEAD = 'seconds,pedal %,brake %,grade %,gear\n'
const problemsOf = (text: string): readonly string[] => {
  const parsed = parseDriveCsv(text)
  return parsed.ok ? [] : parsed.problems
}

test('a course is read in parts of one, in any order of its columns', () => {
  expect(
    parseDriveCsv('\uFEFFgear,Seconds,pedal %,brake %,grade %\n2,1.5,40,0,-8\n,2,0,25,0\n'),
  ).toEqual({
    ok: true,
    rows: [
      { timeS: 1.5, pedal: 0.4, brake: 0, grade: -0.08, ask: '2' },
      { timeS: 2, pedal: 0, brake: 0.25, grade: 0, ask: '' },
    ],
  })
})

test('seconds and pedal are enough', () => {
  expect(parseDriveCsv('seconds,pedal %\n0,0\n1,50\n').ok).toBe(true)
})

test.each([
  [
    'time that goes backwards',
    '0,0,0,0,\n5,0,0,0,\n4,0,0,0,\n',
    'Line 4: its time, 4 s, is not after the 5 s of the line before it.',
  ],
  [
    'the same time twice',
    '0,0,0,0,\n0,9,0,0,\n',
    'Line 3: its time, 0 s, is not after the 0 s of the line before it.',
  ],
  ['a pedal beyond the floor', '0,0,0,0,\n1,120,0,0,\n', 'Line 3: pedal % is 0 to 100, not “120”.'],
  ['words for a brake', '0,0,hard,0,\n1,0,0,0,\n', 'Line 2: brake % is 0 to 100, not “hard”.'],
  ['a line without a time', '0,0,0,0,\n,0,0,0,\n', 'Line 3: it has no seconds.'],
  ['a wall', '0,0,0,0,\n1,0,0,90,\n', 'Line 3: grade % is -40 to 40, not “90”.'],
  ['a day', '0,0,0,0,\n86400,0,0,0,\n', 'Line 3: seconds is 0 to 3600, not “86400”.'],
])('%s is refused with its line', (_, lines, sentence) => {
  expect(problemsOf(HEAD + lines)).toContain(sentence)
})

test('what is no course is refused: other columns, one line, a million lines', () => {
  expect(problemsOf('id,teeth\n1,2\n')).toEqual([
    'There is no column “seconds” and “pedal %”. The first line of a course is: seconds,pedal %,brake %,grade %,gear',
  ])
  expect(problemsOf(`${HEAD}0,0,0,0,\n`)[0]).toContain('at least two lines')
  const long = HEAD + Array.from({ length: 1_000_000 }, (_, at) => `${at},0,0,0,`).join('\n')
  expect(problemsOf(long)[0]).toContain('over 1 MB')
})

test('no more than ten problems are told', () => {
  const lines = Array.from({ length: 40 }, (_, at) => `${at},200,0,0,`).join('\n')
  expect(problemsOf(HEAD + lines)).toHaveLength(10)
})

test('every course that ships is read', () => {
  const folder = new URL('../drives/', import.meta.url)
  const names = readdirSync(folder)
  expect(names.length).toBe(3)
  for (const name of names)
    expect([name, parseDriveCsv(readFileSync(new URL(name, folder), 'utf8')).ok]).toEqual([
      name,
      true,
    ])
})

test('what came of a drive has a line an instant, and gears by their labels', () => {
  const result = {
    labels: ['1', '2'],
    samples: [
      {
        timeS: 0.02,
        mPerS: 10,
        engineRpm: 1_500.4,
        clutchNm: [12.34, 0],
        wheelNm: 150,
        selected: 0,
        ready: 1,
      },
      {
        timeS: 0.04,
        mPerS: 10,
        engineRpm: 1_500,
        clutchNm: [0, 0],
        wheelNm: 0,
        selected: -1,
        ready: -1,
      },
    ],
  } as unknown as DriveResult
  const { data } = Papa.parse<string[]>(formatDriveCsv(result).trim())
  expect(data[0]?.[3]).toBe('clutch 1 N·m')
  expect(data[1]).toEqual(['0.02', '36.00', '1500', '12.3', '0.0', '150', '1', '2'])
  expect(data[2]?.slice(-2)).toEqual(['', ''])
})
