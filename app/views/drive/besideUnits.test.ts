/** Units beside the one that is driven, in the address and as they are usually driven. */
import { PATTERN_IDS, buildPattern } from 'core'

import { besideOf, formatBeside, usualUnit } from './besideUnits.ts'

test('an address names units one after another, each once', () => {
  expect(besideOf('a.b.c')).toEqual(['a', 'b', 'c'])
  expect(besideOf('a.a..b.')).toEqual(['a', 'b'])
  expect(besideOf(null)).toEqual([])
  expect(besideOf('')).toEqual([])
})

test('what was put into the address comes back from it', () => {
  for (const ids of [[], ['one'], ['one', 'two', 'three']])
    expect(besideOf(formatBeside(ids))).toEqual(ids)
})

test.each(PATTERN_IDS)('a %s is driven in a way of its own, with a car', (pattern) => {
  const unit = { id: 'u', name: 'unit', draft: buildPattern(pattern, 'unit', {}) }
  const { way, car, ...rest } = usualUnit(unit)
  expect(rest).toEqual(unit)
  expect(way).not.toBe('')
  expect(car.massKg).toBeGreaterThan(0)
})

test('one that does not hang together is driven too, to be told of', () => {
  const draft = { ...buildPattern('three-shaft', 'unit', {}), input: 'nowhere' }
  expect(usualUnit({ id: 'u', name: 'unit', draft }).car.massKg).toBeGreaterThan(0)
})
