import fc from 'fast-check'

import type { Acting, MotionState, ShaftState } from './dynamics.ts'
import { advance, joinAtOnce, kineticJ, newInstant, newTally } from './dynamics.ts'

const shaft = (parts: Partial<ShaftState>): ShaftState => ({
  radPerS: 0,
  inertiaKgM2: 0.01,
  ratio: null,
  ring: null,
  clutch: { isStuck: false, direction: 1 },
  ...parts,
})

const state = (parts: Partial<MotionState>): MotionState => ({
  engineRadPerS: 0,
  outputRadPerS: 0,
  engineKgM2: 0.2,
  outputKgM2: 20,
  shafts: [shaft({ ratio: 5 })],
  ...parts,
})

const acting = (engine: number, output: number, ...capacities: readonly number[]): Acting => ({
  engineNm: () => engine,
  outputNm: () => output,
  capacityNm: (at) => capacities[at] ?? 0,
})

/** Goes on in steps of 2 ms; returns what was done. */
function go(of: MotionState, acts: Acting, forS: number, stepS = 0.002) {
  const tally = newTally(of.shafts.length)
  const here = newInstant(of.shafts.length)
  for (let at = 0; at < Math.round(forS / stepS); at++) advance(of, acts, stepS, tally, here)
  return { tally, here }
}

test('a clutch with constant torques closes in the time of the textbook: t = Δω / (a₁ + a₂), heat T·Δω·t / 2', () => {
  const of = state({ engineRadPerS: 200 })
  // The engine: (30 − 50) / 0.2 = −100 rad/s². The output: 5·50 / (20 + 25·0.01) rad/s², 5 times that at the shaft.
  const closing = 100 + (25 * 50) / 20.25
  const { tally } = go(of, acting(30, 0, 50), 3)
  expect(of.shafts[0]?.clutch.isStuck).toBe(true)
  expect(tally.clutchJ[0]).toBeCloseTo((50 * 200 * (200 / closing)) / 2, 6)
  // Together from then on, 30 N·m on all of it reduced to the engine.
  const at = 200 / closing
  const together = 200 - 100 * at + ((3 - at) * 30) / (0.2 + 20.25 / 25)
  expect(of.engineRadPerS).toBeCloseTo(together, 6)
})

test('a ring takes J·Δω / T, and lets its gear in', () => {
  const ring = { torqueNm: 40, ofShaft: 1, ofOutput: -2, direction: 1 } as const
  const spinning = shaft({ radPerS: 300, ring })
  const of = state({ outputRadPerS: 100, outputKgM2: 1e9, shafts: [spinning] })
  // 0.01 · 100 / 40 = 25 ms, heat 40 · 100 · 0.025 / 2 = 50 J.
  expect(go(of, acting(0, 0, 0), 0.024).tally.ringJ).toBeLessThan(50)
  expect(spinning.ratio).toBeNull()
  go(of, acting(0, 0, 0), 0.004)
  expect(spinning.ratio).toBe(2)
  expect(spinning.radPerS).toBeCloseTo(200, 6)
})

test('what sticks begins to slip once it would have to bear more than it can', () => {
  const of = state({
    engineRadPerS: 100,
    outputRadPerS: 20,
    shafts: [shaft({ ratio: 5, radPerS: 100, clutch: { isStuck: true, direction: 1 } })],
  })
  // 0.81 of the 100 N·m go on to the output, whose share of the inertia that is: 80.2 N·m.
  const bears = (100 * 20.25) / 25 / (0.2 + 20.25 / 25)
  expect(go(of, acting(100, 0, bears + 0.01), 0.1).here.clutchNm[0]).toBeCloseTo(bears, 9)
  go(of, acting(100, 0, bears - 0.01), 0.1)
  expect(of.shafts[0]?.clutch.isStuck).toBe(false)
  expect(of.engineRadPerS).toBeGreaterThan(5 * of.outputRadPerS)
})

test('two shafts behind two clutches share the output; the one that is free hangs on the engine', () => {
  const stuck = { isStuck: true, direction: 1 } as const
  const free = shaft({ radPerS: 100, inertiaKgM2: 0.05, clutch: { ...stuck } })
  const bound = shaft({ ratio: 5, radPerS: 100, clutch: { ...stuck } })
  const of = state({ engineRadPerS: 100, outputRadPerS: 20, shafts: [free, bound] })
  const { here } = go(of, acting(60, 0, 500, 500), 0.002)
  // All turns together: 60 / (0.2 + 0.05 + 20.25/25).
  const rising = 60 / (0.25 + 20.25 / 25)
  expect(here.engine).toBeCloseTo(rising, 9)
  expect(here.clutchNm[0]).toBeCloseTo(0.05 * rising, 9)
  expect(here.clutchNm[1]).toBeCloseTo((20.25 / 25) * rising, 9)
})

test('two that are joined at once keep their momentum and lose the rest (textbooks: inelastic collision)', () => {
  const of = state({ outputRadPerS: 10, shafts: [shaft({ inertiaKgM2: 5, radPerS: 30 })] })
  const tally = newTally(1)
  joinAtOnce(of, 0, 1, tally)
  // (20·10 + 5·30) / 25 = 14; lost ½·(20·5/25)·20² = 800 J.
  expect(of.outputRadPerS).toBeCloseTo(14, 12)
  expect(tally.knockJ).toBeCloseTo(800, 9)
})

test('whatever slips, sticks and joins: the work done is in the motion and in the heat', () => {
  const figure = (min: number, max: number) => fc.double({ min, max, noNaN: true })
  const ring = { torqueNm: 30, ofShaft: 1, ofOutput: -3, direction: 1 } as const
  fc.assert(
    fc.property(
      figure(-100, 200),
      figure(-300, 300),
      figure(0, 200),
      figure(0, 200),
      figure(0, 300),
      figure(1, 30),
      (engine, output, first, second, speed, turning) => {
        const clutch = { isStuck: false, direction: speed < 5 * turning ? -1 : 1 } as const
        const other = shaft({
          radPerS: 3 * turning + 100,
          ring,
          clutch: { ...clutch, direction: speed < 3 * turning + 100 ? -1 : 1 },
        })
        const of = state({
          engineRadPerS: speed,
          outputRadPerS: turning,
          shafts: [shaft({ ratio: 5, radPerS: 5 * turning, clutch: { ...clutch } }), other],
        })
        const before = kineticJ(of)
        const { tally } = go(of, acting(engine, output, first, second), 1)
        const heat = tally.clutchJ.reduce((sum, each) => sum + each, tally.ringJ)
        for (const each of tally.clutchJ) expect(each).toBeGreaterThan(-1e-6)
        // What is nearly at rest is set to rest, which is worth so little.
        const scale = Math.abs(tally.engineJ) + Math.abs(tally.outputJ) + before + 1
        expect(
          Math.abs(tally.engineJ + tally.outputJ - heat - (kineticJ(of) - before)) / scale,
        ).toBeLessThan(1e-7)
      },
    ),
    { numRuns: 300 },
  )
})
