import { formatFraction } from 'core'

import { readLossInput } from './lossInput.ts'

test('99 and 99.5 % are taken where nothing is entered (common practice)', () => {
  const { efficiencies, texts, problems } = readLossInput({})
  expect(formatFraction(efficiencies.mesh)).toBe('99/100')
  expect(formatFraction(efficiencies.bearings)).toBe('199/200')
  expect(texts).toEqual({ mesh: '99', bearings: '99.5' })
  expect(problems).toEqual({ mesh: undefined, bearings: undefined })
})

test('a decimal comma is read, to a hundredth of a per cent', () => {
  const { efficiencies } = readLossInput({ mesh: '97,25' })
  expect(formatFraction(efficiencies.mesh)).toBe('389/400')
})

test.each(['', '101', '20', 'good'])('"%s" leaves the usual one and says so', (text) => {
  const { efficiencies, problems, texts } = readLossInput({ mesh: text })
  expect(formatFraction(efficiencies.mesh)).toBe('99/100')
  expect(texts.mesh).toBe(text)
  expect(problems.mesh).toMatch(/^Enter 50 to 100 %/)
})
