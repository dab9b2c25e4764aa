/** Kinds of link against worked examples: bevel pairs, worms, planets in pairs and stepped. */
import type { AnalysisOptions, Drive } from './analysis.ts'
import { analyse, prepareSolver } from './analysis.ts'
import { solveForces } from './forces.ts'
import { solveLosses } from './losses.ts'
import { threadEfficiency } from '../box/links/thread.ts'
import { checkBox } from '../box/check.ts'
import type { BoxDraft, ShaftEnd, Worm } from '../box/types.ts'
import { ONE, formatFraction, rational, toNumber } from '../number/rational.ts'
import { boxOf, draftOf, gear, shaft } from '../testing/boxes.ts'

const NM_PER_LBF_IN = 4.4482216152605 * 0.0254
const N_PER_LBF = 4.4482216152605
const MM_PER_IN = 25.4

function driveOf(draft: BoxDraft, options: AnalysisOptions = {}): Drive {
  const analysis = analyse(prepareSolver(boxOf(draft)), {}, options)
  if (analysis.state !== 'drive') throw new Error(`not driving but ${analysis.state}`)
  return analysis
}

const ratioOf = (draft: BoxDraft): string => formatFraction(driveOf(draft).ratio)

function efficiencyOf(draft: BoxDraft, options: AnalysisOptions = {}, mesh = ONE): number | string {
  const losses = solveLosses(boxOf(draft), driveOf(draft, options), { mesh, bearings: ONE })
  return losses.kind === 'solved' ? toNumber(losses.efficiency) : losses.kind
}

const crossing = (parts: Partial<BoxDraft>): BoxDraft =>
  draftOf({
    axes: [{ id: 'one' }, { id: 'other' }],
    members: [shaft('one'), shaft('other')],
    input: 'one',
    outputs: ['other'],
    ...parts,
  })

describe('a bevel pair', () => {
  const bevel = (aNarrows: ShaftEnd, bNarrows: ShaftEnd): BoxDraft => {
    const teeth = {
      moduleMm: MM_PER_IN / 5,
      pressureAngleDeg: 20,
      // The mean radius of the pinion is 1.293 in: 1.5 in less half the face times sin 18.4°.
      faceWidthMm: ((1.5 - 1.293) * 2 * MM_PER_IN) / Math.sin(Math.atan(1 / 3)),
    }
    return crossing({
      gears: [gear('pinion', 'one', 15, teeth), gear('crown', 'other', 45, teeth)],
      links: [{ id: 'bevel', kind: 'bevel', a: 'pinion', b: 'crown', aNarrows, bNarrows }],
    })
  }

  test('cones that narrow towards like ends turn against one another, others alike (geometry)', () => {
    expect(ratioOf(bevel('output-end', 'output-end'))).toBe('-3')
    expect(ratioOf(bevel('input-end', 'input-end'))).toBe('-3')
    expect(ratioOf(bevel('output-end', 'input-end'))).toBe('3')
  })

  test('5 hp at 600 rev/min: 406 lbf along, 46.6 apart, 140 along the axis of the larger (Shigley, worked example on straight bevel gears, from memory)', () => {
    const draft = bevel('output-end', 'output-end')
    const torqueNm = ((63_025 * 5) / 600) * NM_PER_LBF_IN
    const { teeth, missing } = solveForces(boxOf(draft), driveOf(draft), torqueNm)
    const [pinion, crown] = teeth.map(({ tangentialN, radialN, axialN }) =>
      [tangentialN, radialN, axialN].map((newtons) => newtons / N_PER_LBF),
    )
    expect(missing).toEqual([])
    expect(crown?.[0]).toBeCloseTo(406, 0)
    expect(crown?.[1]).toBeCloseTo(46.6, 0)
    // Towards its wide end, which is the input end.
    expect(crown?.[2]).toBeCloseTo(-140, 0)
    expect(pinion?.[1]).toBeCloseTo(-(crown?.[2] ?? 0), 6)
    expect(pinion?.[2]).toBeCloseTo(-(crown?.[1] ?? 0), 6)
  })

  test('without its face the forces cannot be told', () => {
    const draft = bevel('output-end', 'output-end')
    const gears = draft.gears.map(({ faceWidthMm: _faceWidthMm, ...rest }) => rest)
    const bare = { ...draft, gears }
    const { missing } = solveForces(boxOf(bare), driveOf(bare), 10)
    expect(missing.map(({ data }) => data)).toEqual([['face-width'], ['face-width']])
  })
})

describe('a worm and its wheel', () => {
  const LEAD_DEG = (Math.atan(1.0472 / (Math.PI * 2)) * 180) / Math.PI
  const worm = (figures: Partial<Worm> = {}): BoxDraft => {
    const normalModuleMm = (MM_PER_IN / 6) * Math.cos((LEAD_DEG * Math.PI) / 180)
    const teeth = { moduleMm: normalModuleMm, pressureAngleDeg: 14.5 }
    const link = { starts: 2, hand: 'right', leadAngleDeg: LEAD_DEG, friction: 0.03 } as const
    return crossing({
      gears: [gear('wheel', 'other', 30, teeth)],
      links: [{ id: 'worm', kind: 'worm', worm: 'one', wheel: 'wheel', ...link, ...figures }],
    })
  }

  test('the wheel turns once for teeth over starts of the worm, by the hand either way (common practice)', () => {
    expect(ratioOf(worm())).toBe('15')
    expect(ratioOf(worm({ hand: 'left', starts: 1 }))).toBe('-30')
  })

  test('52.5 lbf at a worm of 2 in drive 264 lbf at a wheel of 5 in (Shigley, worked example of a two-start worm, from memory)', () => {
    expect(efficiencyOf(worm())).toBeCloseTo((264 * 2.5) / (52.5 * 1 * 15), 2)
  })

  test.each([
    [1, 0.252],
    [2.5, 0.457],
    [7.5, 0.713],
    [10, 0.766],
  ])(
    'at a lead angle of %d° and a friction of 0.05 it hands on %d (Shigley, table of worm efficiencies, from memory)',
    (leadAngleDeg, part) => {
      expect(threadEfficiency({ leadAngleDeg, friction: 0.05 }, 14.5, 'worm')).toBeCloseTo(part, 3)
    },
  )

  test('a lead angle smaller than the angle of friction does not let the wheel drive (common practice)', () => {
    const overrun = { isOverrun: true }
    expect(efficiencyOf(worm({ leadAngleDeg: 2.5, friction: 0.05 }), overrun)).toBe('holds-itself')
    expect(efficiencyOf(worm({ leadAngleDeg: 20, friction: 0.05 }), overrun)).toBeGreaterThan(0.8)
  })

  test('it turns as another body than its wheel, on another axis', () => {
    const codesOf = (draft: BoxDraft) => {
      const checked = checkBox(draft)
      return checked.ok ? [] : checked.issues.map(({ code }) => code)
    }
    const onWorm = worm()
    const gears = onWorm.gears.map((each) => ({ ...each, member: 'one' }))
    expect(codesOf({ ...onWorm, gears })).toEqual(['link-joins-one-body'])
    const members = [shaft('one', 'one'), shaft('other', 'one')]
    expect(codesOf({ ...onWorm, members })).toEqual(['mesh-on-one-axis'])
  })

  test('what it loses cannot be told without a lead angle', () => {
    expect(efficiencyOf(worm({ leadAngleDeg: undefined }))).toBe('incomplete')
  })

  test('each presses on the other as much as the other on it, along crossed axes (Newton’s third law)', () => {
    const draft = worm()
    const { teeth, shafts } = solveForces(boxOf(draft), driveOf(draft), 10)
    const [wheel] = teeth
    const thrustOf = (member: string) => shafts.find((each) => each.member === member)?.thrustN
    const wormRadiusM = MM_PER_IN / 1000
    expect(Math.abs(thrustOf('one') ?? 0)).toBeCloseTo(wheel?.tangentialN ?? NaN, 3)
    expect(Math.abs(thrustOf('other') ?? 0)).toBeCloseTo(10 / wormRadiusM, 2)
  })
})

describe('planets in pairs', () => {
  const set = (held: 'ring' | 'carrier', output: 'ring' | 'carrier'): BoxDraft =>
    draftOf({
      axes: [{ id: 'line' }],
      members: ['sun', 'ring', 'carrier'].map((id) => shaft(id, 'line')),
      gears: [gear('sun-gear', 'sun', 24), gear('ring-gear', 'ring', 72)],
      links: [
        {
          id: 'set',
          kind: 'double-planetary',
          sun: 'sun-gear',
          ring: 'ring-gear',
          carrier: 'carrier',
        },
        { id: 'brake', kind: 'held', body: held },
      ],
      input: 'sun',
      outputs: [output],
    })

  test('with the carrier held sun and ring turn alike, zr/zs; with the ring held it is 1 − zr/zs (Müller, epicyclic drive trains, from memory)', () => {
    expect(ratioOf(set('carrier', 'ring'))).toBe('3')
    expect(ratioOf(set('ring', 'carrier'))).toBe('-2')
  })

  test('three meshes lie between sun and ring: η³ with the carrier held', () => {
    expect(efficiencyOf(set('carrier', 'ring'), {}, rational(99, 100))).toBeCloseTo(0.99 ** 3, 9)
  })
})

describe('stepped planets', () => {
  const set = (changes: Readonly<Record<string, number | null>> = {}): BoxDraft => {
    const teeth = { 'sun-gear': 20, 'ring-gear': 80, first: 40, second: 20, ...changes }
    const on = { 'sun-gear': 'sun', 'ring-gear': 'ring', first: 'planets', second: 'planets' }
    return draftOf({
      axes: [{ id: 'line' }, { id: 'beside' }],
      members: [
        ...['sun', 'ring', 'carrier'].map((id) => shaft(id, 'line')),
        shaft('planets', 'beside'),
      ],
      gears: Object.entries(on).map(([id, member]) =>
        gear(id, member, teeth[id as keyof typeof teeth]),
      ),
      links: [
        {
          id: 'set',
          kind: 'stepped-planetary',
          sun: 'sun-gear',
          ring: 'ring-gear',
          carrier: 'carrier',
          sunPlanet: 'first',
          ringPlanet: 'second',
        },
        { id: 'brake', kind: 'held', body: 'ring' },
      ],
      input: 'sun',
      outputs: ['carrier'],
    })
  }

  test('ring held: 1 + (z₁·zr)/(zs·z₂) = 1 + (40 × 80)/(20 × 20) = 9 (Machinery’s Handbook, compound planetary gears, from memory)', () => {
    expect(ratioOf(set())).toBe('9')
  })

  test('the planets turn as they roll in the ring that is held: ωc·(1 − zr/z₂) = 1/9 × (1 − 4)', () => {
    const motion = driveOf(set()).motions.get('planets')
    expect(motion?.kind === 'turns' && formatFraction(motion.speed)).toBe('-1/3')
  })

  test('two meshes in a row: (1 + 8·η²)/9, as of a set with whole planets', () => {
    expect(efficiencyOf(set(), {}, rational(99, 100))).toBeCloseTo((1 + 8 * 0.99 ** 2) / 9, 9)
  })

  test('a step of the planets that is not counted is asked for', () => {
    const analysis = analyse(prepareSolver(boxOf(set({ second: null }))), {})
    expect(analysis.state === 'uncounted' && analysis.gears.map(({ id }) => id)).toEqual(['second'])
  })

  test('steps that do not turn as one are told', () => {
    const draft = set()
    const apart: BoxDraft = {
      ...draft,
      gears: draft.gears.map((each) => (each.id === 'second' ? { ...each, mount: 'free' } : each)),
    }
    const checked = checkBox(apart)
    expect(!checked.ok && checked.issues.map(({ code }) => code)).toContain('planet-steps-apart')
  })
})
