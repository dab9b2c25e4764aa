import { USUAL_TRAVEL_MM } from '../box/couplers.ts'
import {
  DRAWN_MODULE_MM,
  RIM_MM,
  layOutSection,
  pitchRadiusMm,
  sleeveShiftMm,
  slidShiftsMm,
} from './section.ts'
import { gear, planetaryDraft, trainDraft, withCounts } from '../testing/boxes.ts'
import { buildPattern } from '../box/patterns/index.ts'
import { threeShaftBox } from '../box/patterns/threeShaft.ts'

/** Lengths are drawn, so a thousandth of a millimetre is more than anybody sees. */
const DECIMALS = 3

describe('pitch radius (ISO 21771: d = m·z / cos β)', () => {
  test('spur, module 3, 24 teeth: d = 72 mm', () => {
    expect(pitchRadiusMm(gear('g', 's', 24, { moduleMm: 3 }), 24)).toBe(36)
  })
  test('helical, module 2, 30 teeth, 60°: cos 60° = 1/2 doubles it', () => {
    const helical = gear('g', 's', 30, { moduleMm: 2, helixAngleDeg: 60 })
    expect(pitchRadiusMm(helical, 30)).toBeCloseTo(60, DECIMALS)
  })
})

test('gears in mesh touch at the pitch line, also where their tooth sums differ a little', () => {
  const pattern = threeShaftBox({
    name: 'four',
    forwardCount: 4,
    directAt: 4,
    reverse: 'sliding-idler',
  })
  const section = layOutSection(
    withCounts(pattern, {
      'input-head': 19,
      'counter-head': 32,
      'counter-1': 14,
      'main-1': 38,
      'counter-2': 20,
      'main-2': 31,
      'counter-3': 27,
      'main-3': 24,
      'counter-reverse': 14,
      'idler-reverse': 19,
      'main-reverse': 35,
    }),
  )
  const touching = section.meshes.filter(({ isTouching }) => isTouching)
  expect(touching.map(({ link }) => link.id)).toEqual([
    'pair-head',
    'pair-3',
    'pair-2',
    'pair-1',
    'reverse-in',
  ])
  for (const { a, b } of touching)
    expect(a.radiusMm + b.radiusMm).toBeCloseTo(Math.abs(a.yMm - b.yMm), DECIMALS)
  expect(section.meshes.find(({ link }) => link.id === 'reverse-out')?.isTouching).toBe(false)
})

test('the distance between two axes is half the module times the tooth sum (ISO 21771)', () => {
  const [first, second] = layOutSection(trainDraft([[20, 40]])).lanes
  expect((second?.yMm ?? 0) - (first?.yMm ?? 0)).toBeCloseTo((DRAWN_MODULE_MM * 60) / 2, DECIMALS)
})

test('an uncounted gear is drawn to fit its mate and marked as a guess', () => {
  const draft = trainDraft([
    [20, 40],
    [20, 40],
  ])
  const gears = draft.gears.map((each) =>
    each.id === 'driven-1' ? { ...each, toothCount: null } : each,
  )
  const guessed = layOutSection({ ...draft, gears }).gears.find(
    ({ gear: { id } }) => id === 'driven-1',
  )
  expect(guessed?.isCounted).toBe(false)
  expect(guessed?.radiusMm).toBeGreaterThan(0)
})

test('a sleeve moves towards the end that it engages', () => {
  expect(sleeveShiftMm({ id: 'a', travel: 'towards-input', engages: [] })).toBe(-USUAL_TRAVEL_MM)
  expect(sleeveShiftMm({ id: 'b', travel: 'towards-output', engages: [] })).toBe(USUAL_TRAVEL_MM)
  expect(sleeveShiftMm(undefined)).toBe(0)
})

test('a sliding idler goes to the station of its mates', () => {
  const draft = threeShaftBox({
    name: 'four',
    forwardCount: 4,
    directAt: 4,
    reverse: 'sliding-idler',
  })
  const station = (id: string): number =>
    draft.gears.find((each) => each.id === id)?.stationMm ?? NaN
  const slider = draft.couplers.find(({ kind }) => kind === 'sliding-idler')
  const engaged = slider?.positions.find(({ id }) => id === 'reverse')
  if (!engaged) throw new Error('the pattern has no sliding idler')
  expect(slidShiftsMm(layOutSection(draft), new Map([['coupler-reverse', engaged]]))).toEqual(
    new Map([['idler-reverse', station('counter-reverse') - station('idler-reverse')]]),
  )
})

test('a sliding gear with dogs moves as far as a sleeve does', () => {
  const draft = buildPattern('motorcycle', 'six', { speeds: '6' })
  const slider = draft.couplers.find(({ id }) => id === 'coupler-5-6')
  const fifth = slider?.positions.find(({ id }) => id === '5')
  if (!fifth) throw new Error('the pattern has no slider of 5th and 6th')
  expect(slidShiftsMm(layOutSection(draft), new Map([['coupler-5-6', fifth]]))).toEqual(
    new Map([
      ['input-4', -USUAL_TRAVEL_MM],
      ['input-3', -USUAL_TRAVEL_MM],
    ]),
  )
})

test('a ring gear has its metal outside the pitch radius, its sun inside (r = m·z/2)', () => {
  const draft = buildPattern('transfer-case', 'case', {})
  const counts = {
    'transfer-sun': 30,
    'transfer-ring-gear': 60,
    'transfer-sprocket': 20,
    'axle-sprocket': 20,
  }
  const section = layOutSection(withCounts(draft, counts))
  const [set] = section.planetaries
  expect(set?.sunRadiusMm).toBe((DRAWN_MODULE_MM * 30) / 2)
  expect(set?.ringRadiusMm).toBe((DRAWN_MODULE_MM * 60) / 2)
  const ring = section.members.find(({ member }) => member.id === 'transfer-ring')
  expect(ring).toMatchObject({ shape: 'ring', radiusMm: (DRAWN_MODULE_MM * 60) / 2 + RIM_MM })
})

test('planets have room between sun and ring, whichever of them is counted first', () => {
  for (const [sun, ring] of [
    [null, null],
    [45, null],
    [null, 45],
    [20, 80],
  ] as const) {
    const draft = planetaryDraft({ sun: 20, ring: 80 }, 'ring', 'sun', 'carrier')
    const [planetary] = layOutSection({
      ...draft,
      gears: draft.gears.map((each) => ({
        ...each,
        toothCount: each.id === 'sun-gear' ? sun : ring,
      })),
    }).planetaries
    expect(planetary && planetary.ringRadiusMm > 1.2 * planetary.sunRadiusMm).toBe(true)
  }
})
