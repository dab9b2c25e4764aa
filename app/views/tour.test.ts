import { findHere } from '~/views/box/way.ts'
import { PLAIN_WORDS, vocabularyOf } from '~/words/vocabulary.ts'

import { TOUR_LENGTH, tourPath, tourStep } from './tour.ts'

test('the tour has five steps, each on another page of a box', () => {
  const steps = Array.from({ length: TOUR_LENGTH }, (_, at) => at + 1)
  expect(steps).toHaveLength(5)
  const pages = steps.map((at) => new URL(tourPath(at), 'http://box/').pathname.slice(1))
  expect(new Set(pages).size).toBe(5)
  for (const page of pages) expect(findHere(page, null).page.path).toBe(page)
})

test.each([null, '', '0', '6', '1.5', 'x', '-1'])('there is no step %j', (asked) => {
  expect(tourStep(PLAIN_WORDS, asked)).toBeNull()
})

test('it speaks in the words that were chosen', () => {
  const words = vocabularyOf({
    vocabulary: 'layshaft',
    ends: 'input-output',
    lengthUnit: 'mm',
  })
  expect(tourStep(words, '1')?.sentence).toContain('pull a collar')
})
