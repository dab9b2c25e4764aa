import {
  buildPattern,
  exactBoundsOf,
  indexBox,
  judge,
  latestFindings,
  parseSpan,
  readJob,
} from 'core'
import type { EnteredLimit, EntryBody, Measure, ReadingUnit } from 'core'

import {
  boundsText,
  boundsWords,
  figureWords,
  formatFigure,
  judgedWords,
  overruledWords,
  readingIssueWords,
  readingProblemWords,
  readingText,
  reasonWords,
  verdictWords,
} from './measures.ts'

const plain = (text: string): string => text.replaceAll('\u00a0', ' ').replaceAll('\u202f', ' ')

test.each<readonly [number, ReadingUnit, string]>([
  [0.79, 'mm', '0.79 mm'],
  // One thou is 0.0254 mm exactly (NIST SP 811).
  [0.7874, 'thou', '31.0 thou'],
  [25.4, 'in', '1.0000 in'],
  [0.05, 'um', '50 µm'],
  [148_000, 'km', '148,000 km'],
])('%d in %s is written %s', (value, unit, text) => {
  expect(plain(formatFigure(value, unit))).toBe(text)
})

test('a limit is told as bounds of a figure, and as it was entered', () => {
  expect(plain(boundsWords({ least: 0.05, most: 0.15 }, 'mm'))).toBe('0.05 mm to 0.15 mm')
  expect(plain(boundsWords({ least: 0.05 }, 'mm'))).toBe('at least 0.05 mm')
  expect(plain(boundsWords({ most: 0.15 }, 'mm'))).toBe('at most 0.15 mm')
  expect(boundsWords({}, 'mm')).toBe('no limit')
  const limit: EnteredLimit = { source: 'maker', least: '.030', unit: 'in' }
  expect(plain(boundsText(limit))).toBe('at least .030 in')
  expect(plain(boundsText({ source: 'maker', least: '0.05', most: '0.15', unit: 'mm' }))).toBe(
    '0.05 to 0.15 mm',
  )
})

test('a reading of leaves is told by what went in and what did not', () => {
  expect(readingText('31..35')).toBe('31 went in, 35 did not')
  expect(readingText('0.80 … 0.85')).toBe('0.80 went in, 0.85 did not')
  expect(readingText('0.40+0.45')).toBe('0.40+0.45')
})

test.each([
  ['x', 'no-number', '“x” is no number. Write it as 0.79, 31 or 3 7/8.'],
  [' ', 'no-number', 'Write what you read, such as 0.79 or 3 7/8.'],
  ['1/0', 'divided-by-zero', '“1/0” divides by 0. Write the fraction again, such as 3 7/8.'],
] as const)('what is wrong with %j is said with what to do', (text, problem, sentence) => {
  expect(readingProblemWords(text, problem)).toBe(sentence)
})

test('a figure that cannot be is told with the most that can, and the likely slip', () => {
  const issue = { code: 'implausible', at: 0, value: 31, most: 10 } as const
  expect(plain(readingIssueWords(issue, 'mm'))).toBe(
    '31.00 mm is more than this can be (10.00 mm at most). If you read thousandths of an inch, choose thou.',
  )
  expect(readingIssueWords({ code: 'too-few', needed: 3, given: 1 }, 'mm')).toContain('3 readings')
})

describe('why a verdict is what it is', () => {
  const span = (text: string) => {
    const parsed = parseSpan(text)
    if (!parsed.ok) throw new Error(text)
    return parsed.span
  }
  const reasons = (measure: Measure, text: string, limit: Omit<EnteredLimit, 'source' | 'unit'>) =>
    judge(measure, [span(text)], null, exactBoundsOf({ ...limit, source: 'maker', unit: 'mm' }))
      .reasons.map((reason) => plain(reasonWords(reason, 'mm')))
      .join(' ')

  test('a ring gap under its least says by how much', () => {
    expect(reasons('ring-gap', '0.70', { least: '0.80' })).toBe(
      '0.70 mm is 0.10 mm below the least of 0.80 mm. Read at one place: whether it is uneven, as of a bent or cracked part, shows at 3 places round it.',
    )
  })
  test('one on its least says exactly that', () => {
    expect(reasons('ring-gap', '0.80', { least: '0.80' })).toContain(
      '0.80 mm is exactly the least that it may be.',
    )
  })
  test('play over its most says by how much', () => {
    expect(reasons('end-play', '0.20', { least: '0.05', most: '0.15' })).toBe(
      '0.20 mm is 0.05 mm above the most of 0.15 mm.',
    )
  })
  test('what lies well between is within', () => {
    expect(reasons('end-play', '0.10', { least: '0.05', most: '0.15' })).toBe(
      '0.10 mm is within the limit of 0.05 mm to 0.15 mm.',
    )
  })
})

test('a figure between two leaves is told as both', () => {
  const around = { mean: 0.83, least: 0.83, greatest: 0.83, spread: 0 }
  const figures = { ...around, figure: 0.83, between: [0.8, 0.85] } as const
  expect(plain(figureWords(figures, 'mm'))).toBe('between 0.80 mm and 0.85 mm')
  expect(plain(figureWords({ ...figures, between: null }, 'mm'))).toBe('0.83 mm')
})

test('a finding says what was seen, or its figures in the unit that was read, and who overruled it', () => {
  const findings = (...bodies: readonly EntryBody[]) =>
    latestFindings(
      readJob(
        bodies.map((body, at) => ({
          id: `${at}`,
          at: `2026-11-26T10:00:0${at}.000Z`,
          by: 'AB',
          body,
        })),
      ),
    )
  const [seen] = findings({ kind: 'look', part: 'ring:a/b', look: 'grooves', grade: 'replace' })
  if (!seen) throw new Error('nothing seen')
  expect(judgedWords(seen)).toBe('Smooth.')
  expect(overruledWords(seen)).toBeNull()
  const gap: EntryBody = {
    kind: 'measurement',
    part: 'ring:a/b',
    measure: 'ring-gap',
    phase: 'found',
    readings: ['28', '28', '28'],
    unit: 'thou',
    tool: '',
    limit: { source: 'maker', least: '30', unit: 'thou' },
  }
  const [measured] = findings(gap, {
    kind: 'overrule',
    entry: '0',
    verdict: 'watch',
    reason: 'a new cone comes with it',
  })
  if (!measured) throw new Error('nothing measured')
  // 28 thou is 2 thou less than 30.
  expect(plain(judgedWords(measured))).toBe('28.0 thou is 2.0 thou below the least of 30.0 thou.')
  expect(overruledWords(measured)).toBe(
    'The figures say replace. AB says watch: a new cone comes with it',
  )
})

describe('a figure has as many decimals as its verdict needs', () => {
  const said = (figure: number, least: number, unit: 'mm' | 'thou' | 'in') =>
    plain(reasonWords({ code: 'below-least', figure, least }, unit))

  test.each([
    // 0.030 in are 0.762 mm (NIST SP 811).
    [0.76, 0.762, 'mm', '0.760 mm is 0.002 mm below the least of 0.762 mm.'],
    [0.5, 0.762, 'mm', '0.500 mm is 0.262 mm below the least of 0.762 mm.'],
    [0.7, 0.76, 'mm', '0.70 mm is 0.06 mm below the least of 0.76 mm.'],
    [0.7620001, 0.762, 'mm', '0.76200 mm is less than 0.00001 mm below the least of 0.76200 mm.'],
  ] as const)('%d under %d in %s', (figure, least, unit, words) => {
    expect(said(figure, least, unit)).toBe(words)
  })

  test('and so has the limit that is told alone', () => {
    expect(plain(boundsWords({ least: 0.762 }, 'mm'))).toBe('at least 0.762 mm')
    expect(plain(boundsWords({ most: 2 / 3 }, 'mm'))).toBe('at most 0.67 mm')
  })
})

test.each([
  ['shaft:main', 'end-play', 'set by shims'],
  ['shaft:main', 'bearing-feel', 'replace its bearings'],
  ['sleeve:coupler-1-2', 'fork-clearance', 'replace its fork'],
  ['gear:main-2', 'end-play', 'replace its thrust washers'],
  ['gear:main-2', 'pitting', 'replace'],
] as const)('beyond its limit on %s, %s says: %s', (part, what, words) => {
  const box = indexBox(buildPattern('three-shaft', 'unit', {}))
  expect(verdictWords(box, { part, what }, 'replace')).toBe(words)
  expect(verdictWords(box, { part, what }, 'good')).toBe('good')
})
