import type { Complaint } from 'core'
import { buildPattern, indexBox } from 'core'

import { complaintTitle, complaintWords, goodEvidenceWords } from './complaints.ts'
import { PLAIN_WORDS } from './vocabulary.ts'

const draft = buildPattern('three-shaft', 'box', {})
const naming = { box: indexBox(draft), words: PLAIN_WORDS }
const [first, second] = draft.positions
if (!first || !second) throw new Error('an empty pattern')

const said = (complaint: Complaint) => complaintWords(naming, complaint, 'Nm')

test('a ring that takes longer than a push says so with both times', () => {
  const fast = { kind: 'fast', from: second, into: first } as const
  expect(said({ ...fast, takesS: 0.31 })).toContain(
    'takes 0.31\u00a0s; pushed through in 0.10\u00a0s the teeth are there before',
  )
  expect(said({ ...fast, takesS: 0.05 })).toContain('the ring is worn or the clutch drags')
  expect(said({ ...fast, takesS: null })).toContain('Enter its figures')
})

test('cold oil is told with its torque, and when the ring cannot at all', () => {
  const cold = { kind: 'cold', into: first, dragNm: 5, warmS: 0.2 } as const
  expect(said({ ...cold, coldS: 0.5 })).toContain('5.0\u00a0N·m of cold oil')
  expect(said({ ...cold, coldS: null })).toContain('cannot bring the speeds together at all')
})

test('every complaint has a title in quotes of the trade', () => {
  expect(complaintTitle({ kind: 'standing', into: first, hasRing: false })).toBe(
    'It crunches when selecting at a stand',
  )
  expect(said({ kind: 'standing', into: first, hasRing: false })).toContain('Wait, or touch a gear')
})

test('pushed out, drawn in or held by friction alone', () => {
  const place = draft.couplers[0]?.positions[0]
  if (!place) throw new Error('no place')
  const out = (drawsInN: number | null) => said({ kind: 'jumps-out', place, loadNm: 60, drawsInN })
  expect(out(-150)).toContain('push it out with 150\u00a0N')
  expect(out(150)).toContain('draws')
  expect(out(0)).toContain('no back-taper')
  expect(out(null)).toContain('other flanks')
})

test('what speaks for the parts is told with its job, one or several', () => {
  expect(goodEvidenceWords(2, 0, 0)).toBe('Job 2 has nothing yet that bears on it.')
  expect(goodEvidenceWords(2, 1, 0)).toBe('1 finding of job 2 that could bear on it: good.')
  expect(goodEvidenceWords(2, 3, 1)).toBe('3 findings of job 2 besides: good.')
  // What is wrong stands above already.
  expect(goodEvidenceWords(2, 0, 1)).toBe('')
})
