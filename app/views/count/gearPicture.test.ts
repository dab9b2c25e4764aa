import { NOTHING_MEASURED, identifyGear } from './gearFigures.ts'
import type { GearTexts } from './gearFigures.ts'
import { onWheel, outline, pictureGear } from './gearPicture.ts'

const picture = (typed: Partial<GearTexts>) =>
  pictureGear(identifyGear({ ...NOTHING_MEASURED, ...typed }, 'mm'))

test('with nothing typed some gear is drawn, and said to be none in particular', () => {
  const { gear, mate, isCountGuessed } = picture({})
  expect(gear.toothCount).toBeGreaterThan(10)
  expect(mate).toBeUndefined()
  expect(isCountGuessed).toBe(true)
})

test('diameters in modules are z, z + 2 and z − 2.5 (ISO 53, from memory)', () => {
  const { gear } = picture({ teeth: '20' })
  expect(2 * gear.pitchRadius).toBe(20)
  expect(2 * gear.tipRadius).toBe(22)
  expect(2 * gear.rootRadius).toBe(17.5)
  expect(outline(gear)).toHaveLength(80)
})

test('mates stand half the sum of their teeth apart, a tooth of one in a gap of the other', () => {
  const { gear, mate, width } = picture({ teeth: '20', mateTeeth: '30' })
  if (!mate) throw new Error('there is no mate')
  expect(mate.centre).toEqual([25, 0])
  expect(width).toBe(11 + 25 + 16)
  expect(onWheel(gear, gear.pitchRadius, 0)).toEqual([10, 0])
  // Half a pitch from a tooth of the mate is a gap, and there the two touch.
  const [x, y] = onWheel(mate, mate.pitchRadius, -0.5)
  expect(x).toBeCloseTo(10)
  expect(y).toBeCloseTo(0)
})

test('a broken gear is drawn with the teeth that it had', () => {
  // 2·rₐ·sin(5·180°/24) of a gear of 24 teeth and module 2, outside 52.
  const chord = 52 * Math.sin((5 * Math.PI) / 24)
  const { gear, steps } = picture({ outside: '52', chord: chord.toFixed(2), pitches: '5' })
  expect(gear.toothCount).toBe(24)
  expect(steps).toBe(5)
})

test.each(['0', '-3', '1.5', 'x', '9999'])('a count of %s is not drawn', (teeth) => {
  expect(picture({ teeth }).isCountGuessed).toBe(true)
})
