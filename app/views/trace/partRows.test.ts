import { PATTERN_IDS, analyse, buildPattern, indexBox, prepareSolver } from 'core'

import { boxOf, fourSpeed, planetaryDraft } from '../../../core/testing/boxes.ts'
import { formatForcesCsv, formatPartsCsv } from '~/files/traceCsv.ts'
import { PLAIN_WORDS } from '~/words/vocabulary.ts'

import { partRows } from './partRows.ts'

const input = { torqueNm: 100, speedRpm: 1000, torqueUnit: 'Nm' } as const

function rowsOf(draft: ReturnType<typeof fourSpeed>, label: string) {
  const position = draft.positions.find((each) => each.label === label)
  const analysis = analyse(prepareSolver(boxOf(draft)), position?.couplers ?? {})
  return partRows({ box: indexBox(draft), words: PLAIN_WORDS }, analysis, input)
}

/** 40/20 and 40/20 in 1st, 30/30 in 3rd, by hand from 100 N·m at 1000 rev/min. */
const FIRST: readonly (readonly [
  id: string,
  rpm: number,
  sense: string,
  torque: number,
  state: string,
])[] = [
  ['input', 1000, 'with the input', 100, 'carries'],
  ['input-head', 1000, 'with the input', 100, 'carries'],
  ['counter', 500, 'against the input', 200, 'carries'],
  ['counter-head', 500, 'against the input', 200, 'carries'],
  ['counter-1', 500, 'against the input', 200, 'carries'],
  ['counter-3', 500, 'against the input', 0, 'idles'],
  ['main-1', 250, 'with the input', 400, 'carries'],
  ['main-3', 500, 'with the input', 0, 'idles'],
  ['main', 250, 'with the input', 400, 'carries'],
]

test.each(FIRST)('in 1st %s turns %s rev/min', (id, speedRpm, sense, torqueNm, state) => {
  const row = rowsOf(fourSpeed('constant-mesh'), '1').find((each) => each.id === id)
  expect(row).toMatchObject({ speedRpm, sense, torqueNm, state })
})

test('in neutral the output coasts, and nothing carries', () => {
  const rows = rowsOf(fourSpeed('constant-mesh'), 'N')
  expect(rows.find(({ id }) => id === 'main')).toMatchObject({ speedRpm: null, state: 'coasts' })
  expect(rows.every(({ torqueNm }) => torqueNm === 0)).toBe(true)
})

test('a ring that is held takes zr/zs of the sun’s torque and stands (Willis)', () => {
  const rows = rowsOf(planetaryDraft({ sun: 20, ring: 80 }, 'ring', 'sun', 'carrier'), 'only')
  expect(rows.find(({ state }) => state === 'holds')).toMatchObject({ speedRpm: 0, torqueNm: 400 })
})

test('every gear follows its member, from the input end', () => {
  const rows = rowsOf(fourSpeed('constant-mesh'), '1')
  expect(rows.slice(0, 2).map(({ name, on }) => [name, on])).toEqual([
    ['Input shaft', ''],
    ['Head gear', 'input shaft'],
  ])
})

test('the file has the figures in full, with power as 2π·n·T/60', () => {
  const lines = formatPartsCsv(rowsOf(fourSpeed('constant-mesh'), '1'), 'this').split('\r\n')
  expect(lines[0]).toBe('id,part,on,speed rev/min,sense,torque N·m,power kW,state,taken to be')
  // 2π × 250 / 60 × 400 / 1000.
  expect(lines).toContain(
    'main-1,1st gear,main shaft,250,with the input,400,10.472,carries power,this',
  )
})

test('forces as a file: a gear with its three, a shaft with its thrust and bearings', () => {
  const draft = fourSpeed('constant-mesh')
  const naming = { box: indexBox(draft), words: PLAIN_WORDS }
  const [gear] = draft.gears
  if (!gear) throw new Error('the box has no gears')
  const law = {
    id: 'pair',
    source: 'pair',
    kind: 'external-mesh',
    terms: [],
    uncounted: [],
  } as const
  const csv = formatForcesCsv(naming, {
    teeth: [{ gear, law, tangentialN: 1000, radialN: 364, axialN: -250 }],
    shafts: [
      {
        member: 'main',
        thrustN: 250,
        bearings: [
          { stationMm: 0, radialN: 500 },
          { stationMm: 200, radialN: 600 },
        ],
        areBearingsAssumed: true,
      },
    ],
    missing: [],
  })
  expect(csv.split('\r\n').slice(1, 3)).toEqual([
    '"head gear, input shaft",1000,364,-250,,,,,',
    'main shaft,,,250,0,500,200,600,bearings at the ends of the shaft; all shafts in one plane',
  ])
})

describe.each(PATTERN_IDS)('rows of %s', (id) => {
  const pattern = buildPattern(id, 'box', {})
  const counts = new Map<string, number>()
  const draft = {
    ...pattern,
    gears: pattern.gears.map((gear, at) => {
      const kin = gear.id.replace('-b-', '-a-')
      const toothCount = counts.get(kin) ?? 19 + ((at * 7) % 23) + (kin.includes('ring') ? 80 : 0)
      counts.set(kin, toothCount)
      return { ...gear, toothCount }
    }),
  }
  const solver = prepareSolver(boxOf(draft))
  const naming = { box: indexBox(draft), words: PLAIN_WORDS }

  test('every part has one row, and what coasts or stands carries no power', () => {
    for (const { couplers } of draft.positions) {
      const rows = partRows(naming, analyse(solver, couplers), input)
      expect(rows).toHaveLength(draft.members.length + draft.gears.length)
      for (const { state, speedRpm, torqueNm } of rows) {
        if (state === 'coasts') expect([speedRpm, torqueNm]).toEqual([null, 0])
        if (state === 'stands' || state === 'holds') expect(speedRpm).toBe(0)
        if (state === 'idles') expect(torqueNm).toBe(0)
        if (state === 'carries') expect(torqueNm).toBeGreaterThan(0)
      }
    }
  })

  test('power in is power out (energy balance)', () => {
    for (const { couplers } of draft.positions) {
      const analysis = analyse(solver, couplers)
      if (analysis.state !== 'drive') continue
      const out = analysis.outputs.reduce(
        (sum, { speed, torque }) => sum + speed.toNumber() * torque.toNumber(),
        0,
      )
      // Floats of exact fractions.
      expect(out).toBeCloseTo(1, 9)
    }
  })
})
