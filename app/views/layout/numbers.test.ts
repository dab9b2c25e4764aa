import {
  lengthText,
  parseLength,
  parseTorque,
  parseWhole,
  parseWithin,
  torqueText,
} from './numbers.ts'

test.each([
  ['71.5', 'mm', 71.5],
  ['71,5', 'mm', 71.5],
  [' 0 ', 'mm', 0],
  ['-3.25', 'mm', -3.25],
  // One inch is 25.4 mm exactly (NIST SP 811).
  ['1', 'in', 25.4],
  ['0.001', 'in', 0.025],
] as const)('%j in %s is %d mm', (text, unit, expected) => {
  expect(parseLength(text, unit)).toEqual({ ok: true, value: expected })
})

test.each(['', 'wide', '1 2', '7/8', 'NaN', 'Infinity'])('%j is no length', (text) => {
  expect(parseLength(text, 'mm')).toEqual({
    ok: false,
    sentence: 'Type a length, such as 71.5.',
  })
})

test('a length that no gearbox has points at the unit', () => {
  expect(parseLength('100001', 'mm')).toMatchObject({ ok: false })
  expect(parseLength('-0.1', 'mm', 0)).toMatchObject({
    sentence: 'No gearbox has a length like that. Check the unit.',
  })
})

test('what is shown to type over is read back as it was, to a thousandth of a millimetre', () => {
  for (const lengthMm of [0, 16, 71.5, 123.456, -12.7])
    for (const unit of ['mm', 'in'] as const) {
      const back = parseLength(lengthText(lengthMm, unit), unit)
      expect(back.ok && Math.abs(back.value - lengthMm)).toBeLessThanOrEqual(0.002)
    }
})

test('a number outside its limits names them', () => {
  expect(parseWithin('61', 0, 60, 'A helix angle, in degrees,')).toEqual({
    ok: false,
    sentence: 'A helix angle, in degrees, is 0 to 60.',
  })
  expect(parseWithin('0,5', 0, 50, 'A share')).toEqual({ ok: true, value: 0.5 })
})

test('teeth, planets and starts are whole: parts of one are refused, not rounded', () => {
  const parse = (text: string) => parseWhole(text, 5, 400, 'A tooth count')
  expect(parse('30')).toEqual({ ok: true, value: 30 })
  expect(parse('30.5')).toEqual({
    ok: false,
    sentence: 'A tooth count is a whole number from 5 to 400.',
  })
  expect(parse('4')).toEqual({ ok: false, sentence: 'A tooth count is 5 to 400.' })
})

test('a torque is read in the chosen unit, and its limits are told in that', () => {
  // 1 lb·ft is 1.355 818 N·m (NIST SP 811).
  const read = parseTorque('10', 'lbft', [0, 100], 'A load')
  expect(read.ok && read.value).toBeCloseTo(13.55818, 5)
  expect(torqueText(13.55818, 'lbft')).toBe('10')
  expect(parseTorque('2,5', 'Nm', [0, 100], 'A load')).toEqual({ ok: true, value: 2.5 })
  expect(parseTorque('100', 'lbft', [0, 100], 'A load')).toEqual({
    ok: false,
    sentence: 'A load is 0 to 73.756 lb·ft.',
  })
  expect(parseTorque('x', 'Nm', [0, 100], 'A load').ok).toBe(false)
})
