import { gear } from '../testing/boxes.ts'
import { meshStationMm, pitchRadiusOfModuleMm } from './mesh.ts'

test('two gears that stay where they are mesh half-way between their stations', () => {
  const [a, b] = [
    gear('a', 'upper', 20, { stationMm: 100 }),
    gear('b', 'lower', 40, { stationMm: 104 }),
  ]
  expect(meshStationMm(a, b)).toBe(102)
})

test('a gear that slides comes to its mate, whichever is named first', () => {
  const slides = gear('a', 'upper', 20, { stationMm: 60, mount: 'sliding' })
  const stays = gear('b', 'lower', 40, { stationMm: 104 })
  expect(meshStationMm(slides, stays)).toBe(104)
  expect(meshStationMm(stays, slides)).toBe(104)
})

test('two that both slide meet half-way', () => {
  const [a, b] = [60, 100].map((stationMm) =>
    gear('a', 'upper', 20, { stationMm, mount: 'sliding' }),
  )
  expect(a && b && meshStationMm(a, b)).toBe(80)
})

test('pitch radius: m·z/2 of a spur gear, by cos β more of a helical one (ISO 21771, from memory)', () => {
  expect(pitchRadiusOfModuleMm(gear('a', 'upper', 30), 30, 2)).toBe(30)
  // cos 60° = 1/2, so that the radius doubles; no gear of a gearbox has such a helix.
  const steep = gear('a', 'upper', 30, { helixAngleDeg: 60 })
  expect(pitchRadiusOfModuleMm(steep, 30, 2)).toBeCloseTo(60, 9)
  // m 3, z 25, β 30°: 37.5 / (√3/2) = 43.301 mm.
  const helical = gear('a', 'upper', 25, { helixAngleDeg: 30 })
  expect(pitchRadiusOfModuleMm(helical, 25, 3)).toBeCloseTo(43.301, 3)
})

test('it is the count that is asked for, whatever was counted', () => {
  expect(pitchRadiusOfModuleMm(gear('a', 'upper', null), 40, 2.5)).toBe(50)
})
