import type { Approach } from 'core'

import { contactWords, wearLeftWords } from './contact.ts'

const approach: Approach = { part: 0.5, hasRing: true, gapMm: 1, travelMm: 9, depthMm: 4 }

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
  const words = wearLeftWords(0.66, 0.04, true, 'mm', true)
  expect(words).toContain('judged to be replaced')
  expect(words).not.toContain('may wear by')
})
