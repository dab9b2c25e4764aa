/**
 * The solver against general-purpose packages: exact fractions of mathjs for
 * speeds, the singular value decomposition of ml-matrix for what can move at all.
 * A failing case is printed with its seed; run it again with { seed, path }.
 */
import fc from 'fast-check'
import { fraction, lusolve } from 'mathjs'
import type { Fraction as MathFraction } from 'mathjs'
import { Matrix, pseudoInverse } from 'ml-matrix'

import type { Analysis, Drive } from './analysis.ts'
import { analyse, analyseBox, prepareSolver, shareOfSplit, surveyBox } from './analysis.ts'
import { checkBox } from '../box/check.ts'
import { engagedLaws, standingLaws } from './laws.ts'
import type { PathStep } from './path.ts'
import { ONE, ZERO, formatFraction, rational, toNumber } from '../number/rational.ts'
import { halfCounted, tangle, train, wideTangle } from '../testing/arbitraries.ts'
import { PATTERNS, buildPattern } from '../box/patterns/index.ts'
import { boxOf, draftOf, gear, shaft, withCounts } from '../testing/boxes.ts'
import { classifyByFloats, lawRow } from '../testing/floats.ts'
import type { BoxDraft } from '../box/types.ts'

/** Relative error allowed to the float solution. */
const FLOAT_TOLERANCE = 1e-9

function only(draft: BoxDraft): Analysis {
  const [entry] = analyseBox(boxOf(draft))
  if (!entry) throw new Error('the box lists no position')
  return entry.analysis
}

function drive(draft: BoxDraft): Drive {
  const analysis = only(draft)
  if (analysis.state !== 'drive') throw new Error(`not driving but ${analysis.state}`)
  return analysis
}

test('speeds of random trains equal those of mathjs, exactly', () => {
  fc.assert(
    fc.property(train, (draft) => {
      const box = boxOf(draft)
      const analysis = drive(draft)
      const laws = standingLaws(box).map((law) => lawRow(law, box.bodies))
      const inputTurns = box.bodies.map((body) => (body === draft.input ? 1 : 0))
      const matrix = [...laws, inputTurns].map((line) => line.map((entry) => fraction(entry)))
      const right = [...laws.map(() => 0), 1].map((entry) => fraction(entry))
      // With fractions in, lusolve gives a column of fractions; its types only know numbers.
      const speeds = lusolve(matrix as never, right) as unknown as MathFraction[][]
      box.bodies.forEach((body, at) => {
        const motion = analysis.motions.get(body)
        expect(motion?.kind === 'turns' && formatFraction(motion.speed)).toBe(
          speeds[at]?.[0]?.toFraction(),
        )
      })
    }),
    { numRuns: 60 },
  )
})

/** The analysis of the one position, which must be what the singular values say. */
function expectAsFloats(draft: BoxDraft): Analysis {
  const analysis = only(draft)
  const expected = classifyByFloats(draft, {})
  expect(analysis.state).toBe(expected.state)
  if (analysis.state === 'drive' && expected.ratio !== undefined)
    expect(Math.abs(toNumber(analysis.ratio) / expected.ratio - 1)).toBeLessThan(FLOAT_TOLERANCE)
  return analysis
}

test('what random tangles of every link can do equals what their singular values say', () => {
  const seen = new Set<string>()
  fc.assert(
    fc.property(tangle, (draft) => {
      seen.add(expectAsFloats(draft).state)
    }),
    { numRuns: 400 },
  )
  // The generator must not have missed what it is for.
  expect([...seen].sort()).toEqual(['drive', 'input-locked', 'locked', 'neutral', 'output-locked'])
})

test('what boxes with differentials and several outputs do equals what singular values say', () => {
  const seen = new Set<string>()
  fc.assert(
    fc.property(wideTangle, (draft) => {
      const analysis = expectAsFloats(draft)
      seen.add(analysis.state)
      if (analysis.state === 'undetermined') expect(analysis.open.length).toBeGreaterThan(0)
    }),
    { numRuns: 800 },
  )
  expect([...seen].sort()).toEqual([
    'drive',
    'input-locked',
    'locked',
    'neutral',
    'output-locked',
    'undetermined',
  ])
})

test('wheels behind a case that an uncounted pair holds are locked, not neutral', () => {
  // Seed 486915325: s2 is held and in mesh with the case s3, whatever the counts; s1 and s4 are its sides.
  const shafts = ['s0', 's1', 's2', 's3', 's4']
  const draft = draftOf({
    axes: shafts.map((id) => ({ id })),
    members: shafts.map((id) => shaft(id)),
    gears: [gear('a', 's2', null), gear('b', 's3', null)],
    links: [
      { id: 'pair', kind: 'external-mesh', a: 'a', b: 'b' },
      { id: 'differential', kind: 'differential', case: 's3', left: 's1', right: 's4' },
      { id: 'pawl', kind: 'held', body: 's2' },
    ],
    input: 's0',
    outputs: ['s4', 's1'],
  })
  expect(only(draft).state).toBe('output-locked')
})

test('what is said of a half-counted box holds whatever the missing counts are', () => {
  const teeth = fc.array(fc.integer({ min: 12, max: 60 }), { minLength: 16, maxLength: 16 })
  let said = 0
  fc.assert(
    fc.property(halfCounted(wideTangle), teeth, (draft, counts) => {
      const analysis = only(draft)
      if (analysis.state === 'uncounted') return
      if (draft.gears.some(({ toothCount }) => toothCount === null)) said++
      const gears = draft.gears.map((each, at) => ({
        ...each,
        toothCount: each.toothCount ?? (counts[at] ?? 12) + (each.id.endsWith('-b') ? 60 : 0),
      }))
      // A ring is larger than its sun.
      if (!checkBox({ ...draft, gears }).ok) return
      expect(analysis.state).toBe(classifyByFloats({ ...draft, gears }, {}).state)
    }),
    { numRuns: 1000 },
  )
  expect(said).toBeGreaterThan(100)
})

test('in a drive with several outputs all bodies are in balance, and power out equals power in', () => {
  fc.assert(
    fc.property(wideTangle, (draft) => {
      const analysis = only(draft)
      if (analysis.state !== 'drive') return
      const torques = new Map([[draft.input, ONE]])
      for (const [law, multiplier] of analysis.multipliers)
        for (const { body, coefficient } of law.terms)
          torques.set(body, (torques.get(body) ?? ZERO).add(multiplier.mul(coefficient)))
      for (const torque of torques.values()) expect(formatFraction(torque)).toBe('0')
      const out = analysis.outputs.reduce((sum, each) => sum.add(each.speed.mul(each.torque)), ZERO)
      expect(formatFraction(out)).toBe('1')
    }),
    { numRuns: 400 },
  )
})

test('in a drive, every body is in balance and power in equals power out', () => {
  fc.assert(
    fc.property(fc.oneof(train, tangle), (draft) => {
      const analysis = only(draft)
      if (analysis.state !== 'drive') return
      // Power through the links, body by body: what comes in goes out, but at the two ends.
      const net = new Map([
        [draft.input, ONE],
        [draft.outputs[0] ?? '', ONE.neg()],
      ])
      for (const step of analysis.path) {
        for (const end of step.from) net.set(end.body, (net.get(end.body) ?? ZERO).sub(end.power))
        for (const end of step.to) net.set(end.body, (net.get(end.body) ?? ZERO).add(end.power))
      }
      for (const power of net.values()) expect(formatFraction(power)).toBe('0')
    }),
    { numRuns: 300 },
  )
})

test('on the overrun every torque turns round, and every step goes the other way', () => {
  fc.assert(
    fc.property(fc.oneof(train, tangle), (draft) => {
      const solver = prepareSolver(boxOf(draft))
      const [forwards, back] = [analyse(solver, {}), analyse(solver, {}, { isOverrun: true })]
      if (forwards.state !== 'drive' || back.state !== 'drive') return
      expect(formatFraction(back.ratio)).toBe(formatFraction(forwards.ratio))
      expect(back.outputs.map(({ torque }) => formatFraction(torque.neg()))).toEqual(
        forwards.outputs.map(({ torque }) => formatFraction(torque)),
      )
      const bodies = (ends: PathStep['from']): string => ends.map(({ body }) => body).join()
      expect(back.path.map(({ from, to }) => `${bodies(to)} > ${bodies(from)}`).sort()).toEqual(
        forwards.path.map(({ from, to }) => `${bodies(from)} > ${bodies(to)}`).sort(),
      )
    }),
    { numRuns: 200 },
  )
})

test('a share set at a split is the share found there, and the box stays in balance', () => {
  const cases = fc.tuple(fc.integer({ min: 1, max: 9 }), fc.integer({ min: 1, max: 9 }))
  const draft = buildPattern('heavy', 'box', {})
  const twin = {
    ...draft,
    gears: draft.gears.map((gear) => ({
      ...gear,
      toothCount: gear.id.includes('ring') ? 90 : gear.id.includes('head') ? 36 : 30,
    })),
  }
  const solver = prepareSolver(boxOf(twin))
  const places = { ...twin.positions[0]?.couplers }
  fc.assert(
    fc.property(cases, ([one, other]) => {
      const assumed = analyse(solver, places)
      if (assumed.state !== 'drive') throw new Error(assumed.state)
      const [split] = assumed.splits
      if (!split) throw new Error('the load of two countershafts is not left open')
      expect(split.parts.map(({ part }) => formatFraction(part))).toEqual(['1/2', '1/2'])
      const share = shareOfSplit(split, [rational(one), rational(other)])
      const set = analyse(solver, places, { shares: [share] })
      if (set.state !== 'drive') throw new Error(set.state)
      expect(set.splits[0]?.isSet).toBe(true)
      expect(set.splits[0]?.parts.map(({ part }) => formatFraction(part))).toEqual(
        [one, other].map((part) => formatFraction(rational(part, one + other))),
      )
      expect(set.outputs.map(({ torque }) => formatFraction(torque))).toEqual(
        assumed.outputs.map(({ torque }) => formatFraction(torque)),
      )
    }),
    { numRuns: 20 },
  )
})

test('the torque in the last stretch is the ratio', () => {
  fc.assert(
    fc.property(train, (draft) => {
      const { ratio, stretches } = drive(draft)
      const last = stretches.filter(({ body }) => body === draft.outputs[0]).at(-1)
      expect(last && formatFraction(last.torque)).toBe(formatFraction(ratio))
    }),
    { numRuns: 100 },
  )
})

test('exchanging input and output inverts the ratio', () => {
  fc.assert(
    fc.property(fc.oneof(train, tangle), (draft) => {
      const analysis = only(draft)
      if (analysis.state !== 'drive') return
      const back = drive({ ...draft, input: draft.outputs[0] ?? '', outputs: [draft.input] })
      expect(formatFraction(back.ratio)).toBe(formatFraction(analysis.ratio.inverse()))
    }),
    { numRuns: 200 },
  )
})

test('an idler of any size turns the sense of an external pair and nothing else', () => {
  const teeth = fc.integer({ min: 12, max: 90 })
  fc.assert(
    fc.property(teeth, teeth, teeth, (driving, driven, idler) => {
      const mesh = (id: string, a: string, b: string) =>
        ({ id, kind: 'external-mesh', a, b }) as const
      const shafts = ['one', 'between', 'two']
      const draft: BoxDraft = {
        name: 'idler',
        axes: shafts.map((id) => ({ id })),
        members: shafts.map((id) => ({ id, kind: 'shaft', axis: id, fromMm: 0, toMm: 10 })),
        gears: [
          ['a', 'one', driving] as const,
          ['i', 'between', idler] as const,
          ['b', 'two', driven] as const,
        ].map(([id, member, toothCount]) => ({
          id,
          label: id,
          member,
          mount: 'fixed',
          toothCount,
          stationMm: 5,
        })),
        links: [mesh('in', 'a', 'i'), mesh('out', 'i', 'b')],
        couplers: [],
        positions: [{ id: 'only', label: 'only', couplers: {} }],
        input: 'one',
        outputs: ['two'],
      }
      expect(formatFraction(drive(draft).ratio)).toBe(formatFraction(rational(driven, driving)))
    }),
  )
})

/** Every pattern with random counts, the same on both countershafts; a ring is larger than its sun. */
const counted: fc.Arbitrary<BoxDraft> = fc
  .tuple(
    fc.constantFrom(...PATTERNS.map(({ id }) => id)),
    fc.array(fc.integer({ min: 12, max: 60 }), { minLength: 60, maxLength: 60 }),
  )
  .map(([id, teeth]) => {
    const pattern = buildPattern(id, id, { axles: 'two' })
    const counts: Record<string, number> = {}
    pattern.gears.forEach((each, at) => {
      const kin = each.id.replace('-b-', '-a-')
      counts[each.id] = counts[kin] ?? (teeth[at] ?? 20) + (kin.includes('ring') ? 60 : 0)
    })
    return withCounts(pattern, counts)
  })

test('what leaves at all outputs together is the power that was put in', () => {
  fc.assert(
    fc.property(counted, (draft) => {
      for (const { analysis } of analyseBox(boxOf(draft))) {
        if (analysis.state !== 'drive') continue
        const power = analysis.outputs.reduce(
          (sum, { speed, torque }) => sum.add(speed.mul(torque)),
          ZERO,
        )
        expect(formatFraction(power)).toBe('1')
        expect(formatFraction(analysis.outputs[0]?.speed.inverse() ?? ZERO)).toBe(
          formatFraction(analysis.ratio),
        )
      }
    }),
    { numRuns: 40 },
  )
})

test('the two sides of every open differential take the same torque', () => {
  fc.assert(
    fc.property(counted, (draft) => {
      for (const { analysis } of analyseBox(boxOf(draft))) {
        if (analysis.state !== 'drive' || analysis.balanced.length === 0) continue
        const torqueOf = (body: string) =>
          analysis.outputs.find((output) => output.body === body)?.torque
        for (const {
          sides: [left, right],
        } of analysis.balanced) {
          const [one, other] = [torqueOf(left), torqueOf(right)]
          if (one && other) expect(formatFraction(one)).toBe(formatFraction(other))
        }
      }
    }),
    { numRuns: 40 },
  )
})

test('a survey says of every position what its analysis does', () => {
  fc.assert(
    fc.property(fc.oneof(counted, tangle), (draft) => {
      const box = boxOf(draft)
      const analyses = analyseBox(box)
      surveyBox(box).forEach(({ position, state, ratio }, at) => {
        const analysis = analyses[at]?.analysis
        expect([position.id, state]).toEqual([position.id, analysis?.state])
        expect(ratio && formatFraction(ratio)).toBe(
          analysis?.state === 'drive' ? formatFraction(analysis.ratio) : null,
        )
      })
    }),
    { numRuns: 60 },
  )
})

test('a survey of a half-counted box leaves the same positions open', () => {
  const draft = buildPattern('three-shaft', 'half', { speeds: '5' })
  const half = withCounts(draft, {
    'input-head': 20,
    'counter-head': 40,
    'counter-1': 20,
    'main-1': 40,
  })
  expect(surveyBox(boxOf(half)).map(({ position, state }) => [position.label, state])).toEqual([
    ['1', 'drive'],
    ['2', 'uncounted'],
    ['3', 'uncounted'],
    ['4', 'drive'],
    ['5', 'uncounted'],
    ['N', 'neutral'],
    ['R', 'uncounted'],
  ])
})

test('in a bend the mean of the two sides is the case, each turns as the bend has it, and torques stay', () => {
  const parts = fc.integer({ min: -100, max: 100 })
  let bent = 0
  fc.assert(
    fc.property(fc.oneof(counted, wideTangle), parts, (draft, percent) => {
      const solver = prepareSolver(boxOf(draft))
      for (const { couplers } of draft.positions) {
        const straight = analyse(solver, couplers)
        if (straight.state !== 'drive' || straight.balanced.length !== 1) continue
        const [differential] = straight.balanced
        if (differential?.link.kind !== 'differential') continue
        const bends = new Map([[differential.link.id, rational(percent, 100)]])
        const turning = analyse(solver, couplers, { bends })
        if (turning.state !== 'drive') throw new Error('a bend takes no drive away')
        const speedOf = (body: string, of: Analysis): number => {
          const motion = of.motions.get(body)
          return motion?.kind === 'turns' ? toNumber(motion.speed) : 0
        }
        const [left, right] = differential.sides.map((side) => speedOf(side, turning))
        const carried = speedOf(differential.link.case, turning)
        if (left === undefined || right === undefined) throw new Error('two sides')
        expect((left + right) / 2).toBeCloseTo(carried, 9)
        expect(left - right).toBeCloseTo((percent / 100) * (left + right), 9)
        expect(formatFraction(turning.ratio)).toBe(formatFraction(straight.ratio))
        // Power in is power out, with the same torque at each side (an open differential, common practice).
        const power = turning.outputs.reduce(
          (sum, { speed, torque }) => sum + toNumber(speed) * toNumber(torque),
          0,
        )
        expect(power).toBeCloseTo(1, 9)
        expect(turning.outputs.map(({ torque }) => formatFraction(torque))).toEqual(
          straight.outputs.map(({ torque }) => formatFraction(torque)),
        )
        // Against the least squares of a general-purpose package, with a row for the bend.
        const { box } = solver
        const rows = [...solver.standing, ...engagedLaws(box, couplers)].map((law) =>
          lawRow(law, box.bodies),
        )
        const sides = box.bodies.map((body) =>
          body === differential.sides[0]
            ? 100 - percent
            : body === differential.sides[1]
              ? -100 - percent
              : 0,
        )
        const turned = box.bodies.map((body) => (body === draft.input ? 1 : 0))
        const solved = pseudoInverse(new Matrix([...rows, sides, turned])).mmul(
          Matrix.columnVector([...rows.map(() => 0), 0, 1]),
        )
        box.bodies.forEach((body, at) => {
          const motion = turning.motions.get(body)
          if (motion?.kind === 'turns')
            expect(solved.get(at, 0)).toBeCloseTo(toNumber(motion.speed), 6)
        })
        bent++
      }
    }),
    { numRuns: 300 },
  )
  expect(bent).toBeGreaterThan(20)
})
