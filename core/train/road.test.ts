import { roadSpeedKmh } from './road.ts'

interface Case {
  readonly name: string
  readonly outputRpm: number
  readonly rollingRadiusMm: number
  readonly finalDrive: readonly [driving: number, driven: number] | null
  readonly kmh: number
  readonly source: string
}

const CASES: readonly Case[] = [
  {
    name: 'a wheel of 1 m of circumference at 1000 rev/min rolls 60 km in an hour',
    outputRpm: 1000,
    rollingRadiusMm: 1000 / (2 * Math.PI),
    finalDrive: null,
    kmh: 60,
    source: 'geometry',
  },
  {
    name: '0.3 m, 4000 rev/min, 4 : 1',
    outputRpm: 4000,
    rollingRadiusMm: 300,
    finalDrive: [10, 40],
    kmh: (0.377 * 0.3 * 4000) / 4,
    source: 'v = 0.377·r·n/(i·i_axle), Bosch Automotive Handbook (from memory)',
  },
  {
    name: 'backwards is as fast',
    outputRpm: -1000,
    rollingRadiusMm: 500 / Math.PI,
    finalDrive: null,
    kmh: 60,
    source: 'geometry',
  },
]

test.each(CASES)('$name', ({ outputRpm, rollingRadiusMm, finalDrive, kmh }) => {
  const found = roadSpeedKmh(
    outputRpm,
    rollingRadiusMm,
    finalDrive && { drivingToothCount: finalDrive[0], drivenToothCount: finalDrive[1] },
  )
  // The handbook rounds 0.12π = 0.37699 to 0.377.
  expect(Math.abs(found / kmh - 1)).toBeLessThan(1e-4)
})
