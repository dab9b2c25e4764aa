import type { GearTexts } from './gearFigures.ts'
import { NOTHING_MEASURED, identifyGear, rangeMissed, withoutMissed } from './gearFigures.ts'

const measured = (figures: Partial<GearTexts>): GearTexts => ({ ...NOTHING_MEASURED, ...figures })

test('an outside diameter of (z + 2)·m tells the module (ISO 21771, standard addendum)', () => {
  const { moduleMm, sizes } = identifyGear(measured({ outside: '64', teeth: '30' }), 'mm')
  expect(moduleMm).toBeCloseTo(2, 12)
  expect(sizes[0]).toMatchObject({ series: 'module, first series', size: 2 })
})

test('a length is read in the unit chosen: 2.52 in over 30 teeth are 64 mm', () => {
  const { moduleMm } = identifyGear(measured({ outside: '2.5197', teeth: '30' }), 'in')
  expect(moduleMm).toBeCloseTo(2, 3)
})

test('shafts of 20 and 40 teeth of module 2 are 60 mm apart; half a module is profile shift', () => {
  const pair = { outside: '44', teeth: '20', mateTeeth: '40', mateOutside: '84' }
  expect(identifyGear(measured(pair), 'mm')).toMatchObject({
    mates: { areMates: true },
    apart: { byCountsMm: 60, offMm: undefined },
  })
  expect(identifyGear(measured({ ...pair, centre: '60.9' }), 'mm').apart?.isShift).toBe(true)
  expect(identifyGear(measured({ ...pair, centre: '61.5' }), 'mm').apart?.isShift).toBe(false)
})

test('nothing is said of what is not settled yet', () => {
  expect(identifyGear(NOTHING_MEASURED, 'mm')).toEqual({
    moduleMm: undefined,
    sizes: [],
    expected: undefined,
    spanned: undefined,
    moduleBySpanMm: undefined,
    moduleByTwoSpansMm: undefined,
    mates: undefined,
    apart: undefined,
    counts: [],
    isChordTooLong: false,
  })
})

test('a figure that cannot be says within what it would have to lie', () => {
  const missed = (figures: Partial<GearTexts>, figure: keyof GearTexts) =>
    rangeMissed(measured(figures), figure, 'mm')
  expect(missed({ teeth: '30.5' }, 'teeth')).toEqual({ kind: 'count', least: 5, most: 400 })
  expect(missed({ outside: '4' }, 'outside')).toEqual({ kind: 'length', least: 5, most: 2000 })
  expect(missed({ helix: '61' }, 'helix')).toEqual({ kind: 'angle', least: 0, most: 60 })
  expect(missed({ teeth: '30' }, 'teeth')).toBeUndefined()
  expect(missed({}, 'span')).toBeUndefined()
})

test('what cannot have been measured is left out of the picture', () => {
  const texts = measured({ outside: '-5', teeth: '30', helix: '61' })
  expect(withoutMissed(texts, 'mm')).toEqual(measured({ teeth: '30', helix: '' }))
})
