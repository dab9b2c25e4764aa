import { unit as mathUnit } from 'mathjs'

import { READING_UNITS, UNIT_FACTORS, fromUnit, toUnit, unitsOf } from './units.ts'

/** The same units by their names in a conversion package. */
const PACKAGE_NAMES = {
  mm: ['mm', 'mm'],
  um: ['um', 'mm'],
  in: ['inch', 'mm'],
  thou: ['mil', 'mm'],
  deg: ['deg', 'deg'],
  Nm: ['N m', 'N m'],
  lbft: ['lbf ft', 'N m'],
  lbin: ['lbf inch', 'N m'],
  km: ['km', 'km'],
  mi: ['mile', 'km'],
} as const

/** A share is in percent only, and no conversion has to be checked. */
const CONVERTED = READING_UNITS.filter((name) => name !== 'percent')

describe('units', () => {
  it.each(CONVERTED)('one %s is what a conversion package says', (name) => {
    const [from, into] = PACKAGE_NAMES[name]
    const expected = mathUnit(1, from).toNumber(into)
    expect(fromUnit(1, name) / expected).toBeCloseTo(1, 12)
  })

  it.each([
    // NIST SP 811.
    { value: 1, name: 'in', expected: 25.4 },
    { value: 1, name: 'thou', expected: 0.0254 },
    { value: 1, name: 'lbft', expected: 1.3558179483314004 },
    { value: 1, name: 'mi', expected: 1.609344 },
    // Leaves of 15 and 16 thousandths make 31; source: common practice.
    { value: 15 + 16, name: 'thou', expected: 0.7874 },
  ] as const)('$value $name is $expected', ({ value, name, expected }) => {
    expect(fromUnit(value, name)).toBeCloseTo(expected, 12)
  })

  it.each(READING_UNITS)('a figure in %s comes back as it was entered', (name) => {
    expect(toUnit(fromUnit(31, name), name)).toBeCloseTo(31, 12)
  })

  it('offers only units of the quantity', () => {
    expect(unitsOf('length')).toEqual(['mm', 'um', 'in', 'thou'])
    expect(unitsOf('torque').every((name) => UNIT_FACTORS[name].quantity === 'torque')).toBe(true)
  })
})
