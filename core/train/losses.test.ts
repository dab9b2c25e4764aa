import fc from 'fast-check'

import type { AnalysisOptions, Drive } from './analysis.ts'
import { analyse, prepareSolver } from './analysis.ts'
import type { Efficiencies, Losses } from './losses.ts'
import { USUAL_EFFICIENCIES, solveLosses } from './losses.ts'
import type { Rational } from '../number/rational.ts'
import { ONE, formatFraction, rational } from '../number/rational.ts'
import { tangle, train, wideTangle } from '../testing/arbitraries.ts'
import { boxOf, fourSpeed, planetaryDraft, trainDraft } from '../testing/boxes.ts'
import type { BoxDraft } from '../box/types.ts'

const MESH = rational(99, 100)
const BEARINGS = rational(995, 1000)
const TEETH_ONLY: Efficiencies = { mesh: MESH, bearings: ONE }

function driveOf(draft: BoxDraft, position = 0, options: AnalysisOptions = {}): Drive {
  const analysis = analyse(
    prepareSolver(boxOf(draft)),
    draft.positions[position]?.couplers ?? {},
    options,
  )
  if (analysis.state !== 'drive') throw new Error(`not driving but ${analysis.state}`)
  return analysis
}

function solved(draft: BoxDraft, drive: Drive, efficiencies: Efficiencies): Losses {
  const losses = solveLosses(boxOf(draft), drive, efficiencies)
  if (losses.kind !== 'solved') throw new Error(losses.kind)
  return losses
}

function efficiency(
  draft: BoxDraft,
  efficiencies: Efficiencies,
  position = 0,
  options: AnalysisOptions = {},
): string {
  const losses = solveLosses(boxOf(draft), driveOf(draft, position, options), efficiencies)
  return losses.kind === 'solved' ? formatFraction(losses.efficiency) : losses.kind
}

const power = (base: Rational, exponent: number): Rational =>
  Array.from({ length: exponent }, () => base).reduce((product, each) => product.mul(each), ONE)

test.each([1, 2, 3])(
  '%d pairs in series multiply their efficiencies (common practice)',
  (pairs) => {
    const draft = trainDraft(Array.from({ length: pairs }, () => [20, 40] as const))
    expect(efficiency(draft, TEETH_ONLY)).toBe(formatFraction(power(MESH, pairs)))
    expect(efficiency(draft, USUAL_EFFICIENCIES)).toBe(
      formatFraction(power(MESH, pairs).mul(power(BEARINGS, pairs + 1))),
    )
  },
)

test('on the overrun the wheels must give what is lost besides', () => {
  const draft = trainDraft([[20, 40]])
  const drive = driveOf(draft, 0, { isOverrun: true })
  const losses = solved(draft, drive, TEETH_ONLY)
  // One unit of drag at the engine asks 2 at the output, and 1/0.99 as much with the loss.
  expect(formatFraction(losses.outputs[0]?.torque.abs() ?? ONE)).toBe('200/99')
  expect(formatFraction(losses.efficiency)).toBe('99/100')
})

test('direct drive loses nothing in meshes (common practice)', () => {
  const draft = fourSpeed('sliding-idler')
  const direct = draft.positions.findIndex(({ label }) => label === '4')
  expect(efficiency(draft, TEETH_ONLY, direct)).toBe('1')
  expect(efficiency(draft, USUAL_EFFICIENCIES, direct)).toBe(formatFraction(power(BEARINGS, 2)))
})

/** Two meshes in the carrier's frame. */
const BASIC = MESH.mul(MESH)

test.each([
  // Ring held, sun drives: (1 + η0·zr/zs) / (1 + zr/zs).
  ['ring', 'sun', 'carrier', ONE.add(BASIC.mul(rational(4))).div(rational(5))],
  // Sun held, ring drives: (1 + η0·zs/zr) / (1 + zs/zr).
  ['sun', 'ring', 'carrier', ONE.add(BASIC.div(rational(4))).div(rational(5, 4))],
  // Carrier held: an ordinary train of two meshes.
  ['carrier', 'sun', 'ring', BASIC],
  // Ring held, carrier drives: (1 + zr/zs) / (1 + zr/zs/η0).
  ['ring', 'carrier', 'sun', rational(5).div(ONE.add(rational(4).div(BASIC)))],
] as const)(
  'a planetary set with the %s held, from %s to %s (Machinery’s Handbook, epicyclic gearing; from memory)',
  (held, input, output, expected) => {
    const draft = planetaryDraft({ sun: 20, ring: 80 }, held, input, output)
    expect(efficiency(draft, TEETH_ONLY)).toBe(formatFraction(expected))
  },
)

test('without losses the torque is that of the ideal box', () => {
  fc.assert(
    fc.property(train, (draft) => {
      const drive = driveOf(draft)
      const losses = solved(draft, drive, { mesh: ONE, bearings: ONE })
      expect(losses.outputs[0] && formatFraction(losses.outputs[0].torque)).toBe(
        formatFraction(drive.ratio),
      )
    }),
    { numRuns: 60 },
  )
})

test('what comes out and what is lost make what goes in, link by link', () => {
  let compared = 0
  fc.assert(
    fc.property(fc.oneof(train, tangle, wideTangle), fc.boolean(), (draft, isOverrun) => {
      const analysis = analyse(prepareSolver(boxOf(draft)), {}, { isOverrun })
      if (analysis.state !== 'drive') return
      const losses = solveLosses(boxOf(draft), analysis, USUAL_EFFICIENCIES)
      if (losses.kind !== 'solved') return
      compared++
      const lost = [...losses.links, ...losses.bearings]
      for (const each of lost) expect(each.power.sign()).toBe(1)
      // On the overrun one unit is taken at the input, and the outputs give it and all that is lost.
      const given = isOverrun ? losses.efficiency.inverse() : ONE
      const sum = lost.reduce(
        (total, each) => total.add(each.power),
        isOverrun ? ONE : losses.efficiency,
      )
      expect(formatFraction(sum)).toBe(formatFraction(given))
      expect(losses.efficiency.isGreaterThan(ONE)).toBe(false)
    }),
    { numRuns: 400 },
  )
  expect(compared).toBeGreaterThan(80)
})

test('load that goes through what coasts is lost in an unknown measure, and that is said', () => {
  const shaft = (id: string) => ({ id, kind: 'shaft', axis: id, fromMm: 0, toMm: 100 }) as const
  const differential = (id: string, right: string) =>
    ({ id, kind: 'differential', case: 'case', left: 'left', right }) as const
  const ids = ['in', 'left', 'case', 'out']
  // Both have their left side and their case in common, which nothing gives a speed.
  const draft: BoxDraft = {
    name: 'two differentials',
    axes: ids.map((id) => ({ id })),
    members: ids.map(shaft),
    gears: [],
    links: [differential('first', 'in'), differential('second', 'out')],
    couplers: [],
    positions: [{ id: 'only', label: 'only', couplers: {} }],
    input: 'in',
    outputs: ['out'],
  }
  const losses = solveLosses(boxOf(draft), driveOf(draft), USUAL_EFFICIENCIES)
  expect(losses.kind).toBe('unsettled')
})
