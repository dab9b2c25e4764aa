import fc from 'fast-check'

import { countingOrder } from 'core'

import { fourSpeed, withCounts } from '../../core/testing/boxes.ts'
import { PLAIN_WORDS } from '../words/vocabulary.ts'

import { formatCountsCsv, parseCountsCsv, parsePastedCounts } from './countsCsv.ts'

const draft = fourSpeed('constant-mesh')
const parse = (text: string) => parseCountsCsv(draft, text, PLAIN_WORDS)

test('counts go out and come back as they were, whatever they are', () => {
  const toothCount = fc.option(fc.integer({ min: 5, max: 400 }))
  fc.assert(
    fc.property(fc.array(toothCount, { minLength: 11, maxLength: 11 }), (counts) => {
      const counted = {
        ...draft,
        gears: draft.gears.map((gear, at) => ({ ...gear, toothCount: counts[at] ?? null })),
      }
      const back = parse(formatCountsCsv(counted, PLAIN_WORDS))
      expect(back.ok && back.draft.gears.map((gear) => gear.toothCount)).toEqual(
        counted.gears.map((gear) => gear.toothCount),
      )
    }),
  )
})

test('only what differs is a change', () => {
  const text = formatCountsCsv(draft, PLAIN_WORDS).replace(
    /^main-1,(.*),40,/m,
    (_line, middle: string) => `main-1,${middle},41,`,
  )
  const back = parse(text)
  expect(back.ok && back.changed.map(({ gear, toothCount }) => [gear.id, toothCount])).toEqual([
    ['main-1', 41],
  ])
})

test('another order, other line ends and a semicolon as a spreadsheet may write them', () => {
  const back = parse('\uFEFFTeeth;ID\n41;main-1\n\n')
  expect(back.ok && back.changed.map(({ toothCount }) => toothCount)).toEqual([41])
})

test.each([
  ['gear,count\nmain-1,4', 'There is no column "id" and "teeth"'],
  ['id,teeth\nmain-9,40', 'Line 2: this box has no gear with the id “main-9”.'],
  ['id,teeth\nmain-1,40\nmain-1,41', 'Line 3: 1st gear, main shaft stands twice.'],
  ['id,teeth\nmain-1,40.5', 'Line 2, 1st gear, main shaft: “40.5” is no tooth count.'],
  ['id,teeth\nmain-1,forty', 'Line 2, 1st gear, main shaft: “forty” is no tooth count.'],
  [`id,teeth\n${'x'.repeat(200_001)}`, 'This file is over 200 kB.'],
])('%j is refused whole', (text, sentence) => {
  const back = parse(text)
  expect(back.ok ? '' : back.problems.join(' ')).toContain(sentence)
})

describe('a column that is pasted', () => {
  const gears = countingOrder(draft)
  const paste = (text: string, into: 'toothCount' | 'recount' = 'toothCount', from = 0) =>
    parsePastedCounts(draft, text, PLAIN_WORDS, { gears: gears.slice(from), into })

  test('goes to one gear after another from the one in hand on, past what is empty', () => {
    const read = paste('41\r\n\r\n43\r\n', 'toothCount', 1)
    expect(read.ok && read.changed.map(({ gear, toothCount }) => [gear.id, toothCount])).toEqual([
      [gears[1]?.id, 41],
      [gears[3]?.id, 43],
    ])
    const second = paste('20\n30', 'recount')
    expect(second.ok && second.changed.map(({ recount }) => recount)).toEqual([20, 30])
  })

  test.each([
    ['what is no count', '41\nforty', 'Line 2, '],
    ['several columns', '41\tmain\n43', 'Line 1 has several cells.'],
    [
      'more lines than gears',
      Array.from({ length: 400 }, () => '41').join('\n'),
      '400 lines were copied',
    ],
    ['more than any column', '4'.repeat(20_001), 'more than a column of counts'],
  ])('%s is refused whole', (_what, text, sentence) => {
    const read = paste(text)
    expect(read.ok ? '' : read.problems.join(' ')).toContain(sentence)
  })
})

test('no text whatever brings a crash or a count that is none', () => {
  fc.assert(
    fc.property(
      fc.oneof(
        fc.string(),
        fc.string().map((text) => `id,teeth\n${text}`),
      ),
      (text) => {
        const back = parse(text)
        if (back.ok)
          for (const { toothCount } of back.changed)
            expect(toothCount === null || (toothCount >= 5 && toothCount <= 400)).toBe(true)
      },
    ),
  )
})

test('a label that a spreadsheet would take for a formula is only text', () => {
  const gears = withCounts(draft, {}).gears.map((gear) => ({ ...gear, label: '=1+1' }))
  expect(formatCountsCsv({ ...draft, gears }, PLAIN_WORDS)).not.toMatch(/,=1\+1/)
})
