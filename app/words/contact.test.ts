import type { Approach } from 'core'
import { buildPattern, indexBox, latestFindings, readJob } from 'core'

import { condemnedRingWords, contactWords, wearLeftWords } from './contact.ts'
import { PLAIN_WORDS } from './vocabulary.ts'

const approach: Approach = { part: 0.5, hasRing: true, gapMm: 1, travelMm: 9, depthMm: 4 }

/** A gap of 0.66 mm by a maker’s limit of at least 0.8 mm. */
const [condemning] = latestFindings(
  readJob([
    {
      id: '1',
      at: '2026-03-01T08:00:00.000Z',
      by: 'ab',
      body: {
        kind: 'measurement',
        part: 'ring:coupler-1-2/1',
        measure: 'ring-gap',
        readings: ['0.66', '0.66', '0.66'],
        unit: 'mm',
        tool: '',
        limit: { source: 'maker', unit: 'mm', least: '0.8' },
        phase: 'found',
      },
    },
  ]),
)

test('a ring that is not to be counted on is told with the limit that it is judged by', () => {
  const draft = buildPattern('three-shaft', 'box', {})
  const coupler = draft.couplers.find(({ id }) => id === 'coupler-1-2')
  const place = coupler?.positions.find(({ id }) => id === '1')
  if (!coupler || !place || !condemning) throw new Error('a ring that was found')
  const naming = { box: indexBox(draft), words: PLAIN_WORDS }
  expect(condemnedRingWords(naming, { coupler, place }, condemning)).toMatch(
    /of 1 is judged to be replaced.*below the least of 0\.80/,
  )
})

test('how deep dogs are in is told in the unit that was chosen', () => {
  // 8 of 9 mm of way, 4 mm deep: 3 mm.
  const dogs = { ...approach, hasRing: false, part: 8 / 9 }
  expect(contactWords('in', dogs, 'mm')).toBe(
    'In by 3.00\u00a0mm: the two sides turn as one, up to the angle free between them.',
  )
  expect(contactWords('shallow', { ...dogs, part: 6 / 9 }, 'in')).toMatch(/^In by 0\.039/)
})

test('a ring is in without a depth', () => {
  expect(contactWords('in', approach, 'mm')).toBe('In: the two sides turn as one.')
})

test('what a gap leaves for wear, and that none leaves nothing', () => {
  expect(wearLeftWords(0.66, 0.04, true, 'mm')).toBe(
    'Measured at 0.66\u00a0mm from the gear the ring brakes; its cone may wear by 0.04\u00a0mm in radius until its face meets the gear. The maker’s limit comes before that.',
  )
  expect(wearLeftWords(0.5, null, false, 'mm')).toContain('Enter the half angle')
  expect(wearLeftWords(0, 0, true, 'mm')).toContain('brakes no more. Replace it.')
})

test('a ring that is judged to be replaced may wear no more, whatever is left of its cone', () => {
  const words = wearLeftWords(0.66, 0.04, true, 'mm', condemning)
  expect(words).toContain('judged to be replaced')
  expect(words).not.toContain('may wear by')
  // With its limit: 0.66 is 0.14 below 0.8.
  expect(words).toContain('0.14\u00a0mm below the least of 0.80\u00a0mm')
})
