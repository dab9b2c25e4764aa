/** Trains and ratchets before a drum, by hand; drums that are divided move what they moved. */
import { buildPattern } from '../box/patterns/index.ts'
import { divideDrum, drumSteps, joinDrum, motorPerDrum } from './drumDrive.ts'

const bike = buildPattern('motorcycle', 'bike', {})
const [drum] = bike.drums ?? []
if (!drum) throw new Error('it has a drum')

test('a worm of one start on 40 teeth and a pair of 15 on 45: 120 turns of the motor for one of the drum', () => {
  const train = [
    { drivingToothCount: 15, drivenToothCount: 45 },
    { drivingToothCount: 1, drivenToothCount: 40 },
  ]
  expect(motorPerDrum({ train }).toString()).toBe('120')
})

test('stops 60 degrees apart: ten turns of a motor of 60 to 1, two strokes of 30 degrees, two halves about neutral', () => {
  const steps = drumSteps({
    ...drum,
    train: [{ drivingToothCount: 10, drivenToothCount: 600 }],
    strokeDeg: 30,
  })
  const [toNeutral, fromNeutral, ...others] = steps
  for (const { motorTurns, strokes } of others) {
    expect(motorTurns?.toString()).toBe('10')
    expect(strokes?.toString()).toBe('2')
  }
  for (const half of [toNeutral, fromNeutral]) expect(half?.strokes?.toString()).toBe('1')
})

test('nothing is told of a train or a ratchet that nobody described', () => {
  for (const { motorTurns, strokes } of drumSteps(drum))
    expect([motorTurns, strokes]).toEqual([null, null])
})

test('each groove is on one drum after as before, and each stop of a position is on those that move it', () => {
  const [first] = drum.tracks
  if (!first) throw new Error('it has grooves')
  const drums = divideDrum(bike, drum, first.coupler)
  expect(drums).toHaveLength(2)
  expect(
    drums
      .flatMap(({ tracks }) => tracks)
      .map(({ coupler }) => coupler)
      .sort(),
  ).toEqual(drum.tracks.map(({ coupler }) => coupler).sort())
  for (const position of bike.positions) {
    const moved = Object.entries(position.couplers)
    const owners = drums.filter(({ stops }) => stops.some((stop) => stop.position === position.id))
    const expected = drums.filter(({ tracks }) =>
      tracks.some(({ coupler }) =>
        moved.some(([id, place]) => id === coupler && place !== 'centre'),
      ),
    )
    expect(owners).toEqual(expected)
  }
  const joined = joinDrum(drums, drums[1] ?? drum)
  expect(joined).toHaveLength(1)
  expect(joined[0]?.stops).toEqual(drum.stops)
})
