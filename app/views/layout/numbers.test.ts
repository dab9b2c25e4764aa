import { GEAR, PIECE, DRUM_POINT } from 'core'

import {
  figureText,
  lengthText,
  parseFigure,
  parseLength,
  parseTorque,
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

test('what is typed into a field is held to what the field may be, in the unit that was chosen', () => {
  const said = (...asked: Parameters<typeof parseFigure>) => {
    const entry = parseFigure(...asked)
    return entry.ok ? entry.value : entry.sentence
  }
  expect(said(GEAR.helixAngleDeg, '61', 'mm')).toBe('Helix angle: 0° to 60°.')
  expect(said(GEAR.helixAngleDeg, '', 'mm')).toBeUndefined()
  expect(said(GEAR.faceWidthMm, '1', 'in')).toBe(25.4)
  expect(said(GEAR.faceWidthMm, '0', 'in')).toBe(
    'No gearbox has a length like that. Check the unit.',
  )
  expect(said(GEAR.moduleMm, '51', 'in')).toBe(
    'Normal module: more than 0\u00a0mm, at most 50\u00a0mm.',
  )
  expect(said(DRUM_POINT.angleDeg, '360', 'mm')).toBe('Angle: 0° to below 360°.')
  expect(figureText(GEAR.faceWidthMm, 25.4, 'in')).toBe('1')
  expect(figureText(GEAR.moduleMm, 2, 'in')).toBe('2')
})

test('what is counted is whole: parts of one are refused, not rounded', () => {
  const whole = { ok: false, sentence: 'How many: a whole number, 1 to 999.' }
  expect(parseFigure(PIECE.quantity, '30', 'mm')).toEqual({ ok: true, value: 30 })
  for (const text of ['30.5', '0', 'some'])
    expect(parseFigure(PIECE.quantity, text, 'mm')).toEqual(whole)
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
