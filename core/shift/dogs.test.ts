import fc from 'fast-check'

import { dogWork } from './dogs.ts'

const FIGURES = { count: 6, freeAngleDeg: 30, depthMm: 4 }
const TASK = { slipRadPerS: 10, speedMPerS: 0.2, inertiaKgM2: 0.05, torqueNm: 100 }

function work(figures: object = {}, task: object = {}) {
  const result = dogWork({ ...FIGURES, ...figures }, { ...TASK, ...task })
  if (!result.ok) throw new Error('all figures are there')
  return result.work
}

const DEG = Math.PI / 180

test('the chance is what is left of the free angle, of the pitch (geometry)', () => {
  // 4 mm at 0.2 m/s take 20 ms; 10 rad/s turn by 0.2 rad, 11.46° of 30°, in a pitch of 60°.
  expect(work().chance).toBeCloseTo((30 * DEG - 0.2) / (60 * DEG), 12)
  expect(work({}, { slipRadPerS: 0 }).chance).toBeCloseTo(0.5, 12)
})

test('at φ·v/h nothing goes in any more: dogs bounce', () => {
  const { mostSlipRadPerS } = work()
  expect(mostSlipRadPerS).toBeCloseTo((30 * DEG) / 0.02, 12)
  const beyond = work({}, { slipRadPerS: mostSlipRadPerS * 1.001 })
  expect([beyond.chance, beyond.meanS, beyond.longestS]).toEqual([0, null, null])
})

test('one that meets a face waits until the next window comes round', () => {
  const window = 30 * DEG - 0.2
  const most = (60 * DEG - window) / 10
  expect(work().longestS).toBeCloseTo(0.02 + most, 12)
  expect(work().meanS).toBeCloseTo(0.02 + ((1 - window / (60 * DEG)) * most) / 2, 12)
})

test('the time on average is that of many dogs that arrive anywhere', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 2, max: 12 }),
      fc.double({ min: 0.2, max: 0.8, noNaN: true }),
      fc.double({ min: 0.05, max: 0.9, noNaN: true }),
      (count, part, slipPart) => {
        const pitch = (2 * Math.PI) / count
        const figures = { count, freeAngleDeg: (part * pitch) / DEG }
        const slipRadPerS = slipPart * work(figures).mostSlipRadPerS
        const { meanS, chance } = work(figures, { slipRadPerS })
        const window = part * pitch - slipRadPerS * 0.02
        // Arrivals evenly over one pitch: inside the window at once, else when it comes round.
        const many = 10_000
        let [sum, atOnce] = [0, 0]
        for (let at = 0; at < many; at++) {
          const place = ((at + 0.5) / many) * pitch
          if (place < window) atOnce++
          else sum += (pitch - place) / slipRadPerS
        }
        expect(Math.abs(chance - atOnce / many)).toBeLessThan(2 / many)
        expect(Math.abs((meanS ?? 0) - 0.02 - sum / many)).toBeLessThan(0.001 * (sum / many) + 1e-6)
      },
    ),
    { numRuns: 50 },
  )
})

test('nothing turning, dogs on dogs stay out: select before it stops, or let it roll (common practice)', () => {
  const still = work({}, { slipRadPerS: 0 })
  expect(still.chance).toBeCloseTo(0.5, 12)
  expect(still.meanS).toBeNull()
})

test('the knock is what is lost, the backlash what the load does over it', () => {
  // ½ · 0.05 · 10², and 100 N·m over 30°.
  expect(work().knockJ).toBeCloseTo(2.5, 12)
  expect(work().backlashJ).toBeCloseTo(100 * 30 * DEG, 12)
})

test('back-taper draws in once it is more than the friction; faces worn round push out', () => {
  // 100 N·m at 50 mm: 4,000 N along the circle.
  const at = (backTaperDeg: number) => work({ meanDiameterMm: 50, backTaperDeg }).drawsInN
  expect(at(10)).toBeCloseTo(4_000 * (Math.tan(10 * DEG) - 0.1), 9)
  expect(at(-10)).toBeCloseTo(-4_000 * (Math.tan(10 * DEG) - 0.1), 9)
  expect(at(3)).toBeCloseTo(0, 12)
  expect(work().drawsInN).toBeNull()
})

test('figures that are missing are named', () => {
  expect(dogWork({ count: 6 }, TASK)).toEqual({ ok: false, missing: ['freeAngleDeg', 'depthMm'] })
})
