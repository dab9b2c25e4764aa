import { shaft } from '../../testing/boxes.ts'
import type { Member } from '../types.ts'
import { plainDiameterMm, stretchesOf, thickestMm } from './shafts.ts'

/** A shaft of 100 mm: 30 mm thick from 20 to 60, and 25 mm from 60 to 80. */
const stepped: Member = {
  ...shaft('main'),
  steps: [
    { fromMm: 20, toMm: 60, diameterMm: 30 },
    { fromMm: 60, toMm: 80, diameterMm: 25 },
  ],
}

test('a shaft is told stretch by stretch, with what nobody stated in between', () => {
  const plain = plainDiameterMm(stepped)
  expect(stretchesOf(stepped)).toEqual([
    { fromMm: 0, toMm: 20, diameterMm: plain, isStated: false },
    { fromMm: 20, toMm: 60, diameterMm: 30, isStated: true },
    { fromMm: 60, toMm: 80, diameterMm: 25, isStated: true },
    { fromMm: 80, toMm: 100, diameterMm: plain, isStated: false },
  ])
})

test('where steps lie over one another the last counts', () => {
  const steps = [...(stepped.steps ?? []), { fromMm: 40, toMm: 70, diameterMm: 35 }]
  const stated = stretchesOf({ ...stepped, steps }).filter(({ isStated }) => isStated)
  expect(stated.map(({ fromMm, toMm, diameterMm }) => [fromMm, toMm, diameterMm])).toEqual([
    [20, 40, 30],
    [40, 60, 35],
    [60, 70, 35],
    [70, 80, 25],
  ])
})

test('a step that goes beyond the shaft ends with it', () => {
  const steps = [{ fromMm: 90, toMm: 140, diameterMm: 20 }]
  expect(stretchesOf({ ...stepped, steps }).at(-1)).toEqual({
    fromMm: 90,
    toMm: 100,
    diameterMm: 20,
    isStated: true,
  })
})

test('a hollow shaft is thicker than the one inside it, where neither is stated', () => {
  expect(plainDiameterMm({ ...stepped, isHollow: true })).toBeGreaterThan(plainDiameterMm(stepped))
})

test('what a part has to pass over is the thickest between two stations', () => {
  expect(thickestMm(stepped, 65, 75)).toBe(25)
  expect(thickestMm(stepped, 50, 75)).toBe(30)
  // A shoulder that is only touched is not passed over.
  expect(thickestMm(stepped, 60, 80)).toBe(25)
  // On the shoulder itself both sides count.
  expect(thickestMm(stepped, 60, 60)).toBe(30)
})

test('a station beyond the shaft meets nothing that is stated', () => {
  expect(thickestMm(stepped, 200, 210)).toBe(plainDiameterMm(stepped))
})
