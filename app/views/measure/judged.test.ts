import { judged } from './judged.ts'

const LIMIT = { source: 'maker', least: '0.8', unit: 'mm' } as const
const gap = (...written: string[]) =>
  judged({ measure: 'ring-gap', unit: 'mm', written, beside: '', limit: LIMIT })

test('readings are judged by the limit, the exact figures deciding at it (by hand)', () => {
  // At the limit is within it, and to be watched.
  expect(gap('0.8', '0.8', '0.8').judgement?.verdict).toBe('watch')
  expect(gap('0.7', '0.7', '0.7').judgement?.verdict).toBe('replace')
})

test('nothing is judged without a reading, or while one of them is no number', () => {
  expect(gap().judgement).toBeUndefined()
  expect(gap('0.8', 'x').judgement).toBeUndefined()
})

test('what cannot be is told and not judged', () => {
  const { judgement, impossible } = gap('-1')
  expect(judgement).toBeUndefined()
  expect(impossible.map(({ code }) => code)).toEqual(['negative'])
})

test('a clearance is judged once the journal is known, in the unit of its bore', () => {
  const bore = (beside: string) =>
    judged({ measure: 'running-clearance', unit: 'in', written: ['1.002'], beside, limit: null })
  expect(bore('').judgement).toBeUndefined()
  expect(bore('1.000').besideUnit).toBe('in')
  // 0.002 in are 0.0508 mm (NIST SP 811).
  expect(bore('1.000').judgement?.figures.figure).toBeCloseTo(0.0508, 9)
})
