import { USUAL_CAR, dragTorqueNm, engineTorqueNm, fullTorqueNm, resistanceOf } from './car.ts'

const { engine } = USUAL_CAR
const RAD = (2 * Math.PI) / 60

test('an engine gives its peak torque at the speed of its peak, less to both sides, and nothing past its most', () => {
  expect(fullTorqueNm(engine, 3_600 * RAD)).toBeCloseTo(180, 9)
  // A third off the peak: 0.35/9 less.
  expect(fullTorqueNm(engine, 2_400 * RAD)).toBeCloseTo(180 * (1 - 0.35 / 9), 9)
  expect(fullTorqueNm(engine, 6_301 * RAD)).toBe(0)
})

test('the pedal leads from drag to full torque', () => {
  const at = 3_600 * RAD
  expect(engineTorqueNm(engine, at, 1)).toBeCloseTo(180, 9)
  expect(engineTorqueNm(engine, at, 0)).toBeCloseTo(-dragTorqueNm(engine, at), 9)
  expect(dragTorqueNm(engine, 6_200 * RAD)).toBeCloseTo(35, 9)
})

test('with the pedal let go an engine keeps itself running about its idle speed', () => {
  const torque = (rpm: number): number => engineTorqueNm(engine, rpm * RAD, 0)
  expect(torque(700)).toBeGreaterThan(0)
  expect(torque(1_000)).toBeLessThan(0)
})

test('air, rolling and grade at 30 m/s (Bosch Automotive Handbook, resistance to motion; from memory)', () => {
  const { airN, rollingN, gradeN, brakeN } = resistanceOf(USUAL_CAR, 30, 0.2, 0.1)
  // ½ · 1.2 · 0.65 · 900
  expect(airN).toBeCloseTo(351, 6)
  // m·g·sin(atan 0.1), and 0.012·m·g·cos
  expect(gradeN).toBeCloseTo(1_300 * 9.81 * Math.sin(Math.atan(0.1)), 6)
  expect(rollingN).toBeCloseTo(0.012 * 1_300 * 9.81 * Math.cos(Math.atan(0.1)), 6)
  expect(brakeN).toBeCloseTo(2_000, 6)
})

test('a car that stands is held by nothing that would move it', () => {
  const { airN, rollingN, brakeN } = resistanceOf(USUAL_CAR, 0, 1, 0)
  expect([airN, rollingN, brakeN]).toEqual([0, 0, 0])
})
