/** Tables that go out, read back by papaparse, as a spreadsheet program would read them. */
import Papa from 'papaparse'

import { buildPattern, indexBox } from 'core'

import type { OrderLine } from '~/views/order/orderLines.ts'
import { PLAIN_WORDS } from '~/words/vocabulary.ts'

import { formatOrderCsv } from './orderCsv.ts'
import { formatForcesCsv, formatPartsCsv } from './traceCsv.ts'

const naming = { box: indexBox(buildPattern('three-shaft', 'unit', {})), words: PLAIN_WORDS }

function read(csv: string): readonly Record<string, string>[] {
  // RFC 4180: lines end with CR LF, the last one too.
  expect(csv.endsWith('\r\n')).toBe(true)
  const { data, errors } = Papa.parse<Record<string, string>>(csv.trimEnd(), { header: true })
  expect(errors).toEqual([])
  return data
}

const LINE: OrderLine = {
  key: 'ring:coupler-1-2/2',
  what: 'Ring for 2',
  why: 'judged to be replaced: gap',
  quantity: 2,
  price: '12.5',
  state: 'needed',
  isWritten: true,
}

describe('the parts list', () => {
  test('has a column for each thing that is written of a line', () => {
    const [row] = read(
      formatOrderCsv([
        {
          ...LINE,
          partNumber: 'P-1',
          supplier: 'Bearings, Inc.',
          takenFrom: 'unit 7',
          core: '20',
          reason: 'says "soon"',
        },
      ]),
    )
    expect(row).toMatchObject({
      part: 'Ring for 2',
      'part number': 'P-1',
      supplier: 'Bearings, Inc.',
      'taken from': 'unit 7',
      quantity: '2',
      'price each': '12.5',
      'core back': '20',
      reason: 'says "soon"',
    })
  })

  test('leaves empty what nobody wrote', () => {
    const [row] = read(formatOrderCsv([{ ...LINE, price: null }]))
    expect(row).toMatchObject({ 'part number': '', supplier: '', 'price each': '', reason: '' })
  })

  test('labour is done or to be done, and not ordered', () => {
    const states = (['needed', 'arrived'] as const).map((state) => ({
      ...LINE,
      state,
      isLabour: true,
    }))
    expect(read(formatOrderCsv(states)).map(({ state }) => state)).toEqual(['to do', 'done'])
  })

  test('a text that a spreadsheet would take for a formula is none', () => {
    const [row] = read(formatOrderCsv([{ ...LINE, reason: '=1+1' }]))
    expect(row?.reason).toBe("'=1+1")
  })
})

describe('what parts do', () => {
  const part = {
    id: 'main-3',
    name: '3rd gear',
    on: 'main shaft',
    speedRpm: 1_000,
    sense: 'with the input',
    torqueNm: 100,
    state: 'carries',
  } as const

  test('power is torque × speed: 100 N·m at 1000 rev/min are 10.472 kW (2π · 1000/60 · 100 W)', () => {
    const [row] = read(formatPartsCsv([part], ''))
    expect(row).toMatchObject({
      id: 'main-3',
      'speed rev/min': '1000',
      'torque N·m': '100',
      'power kW': '10.472',
    })
  })

  test('a speed that nothing settles is left empty, and makes no power', () => {
    const [row] = read(formatPartsCsv([{ ...part, speedRpm: null, sense: '' }], ''))
    expect(row).toMatchObject({ 'speed rev/min': '', 'power kW': '0' })
  })

  test('figures are numbers to a thousandth, also below 0', () => {
    const [row] = read(formatPartsCsv([{ ...part, speedRpm: -333.333_33, torqueNm: 0.000_4 }], ''))
    expect(row).toMatchObject({ 'speed rev/min': '-333.333', 'torque N·m': '0' })
  })
})

test('forces: a line a gear without bearings, a line a shaft without teeth', () => {
  const [gear] = naming.box.draft.gears
  if (!gear) throw new Error('no gear')
  const rows = read(
    formatForcesCsv(naming, {
      teeth: [{ gear, tangentialN: 1000.000_4, radialN: 364, axialN: -250 }],
      shafts: [
        {
          member: 'main',
          thrustN: -250,
          bearings: [
            { stationMm: 0, radialN: 500 },
            { stationMm: 200, radialN: 564.5 },
          ],
        },
      ],
      missing: [],
    } as unknown as Parameters<typeof formatForcesCsv>[1]),
  )
  expect(rows).toHaveLength(2)
  expect(rows[0]).toMatchObject({
    'tangential N': '1000',
    'axial N': '-250',
    'first bearing N': '',
  })
  expect(rows[1]).toMatchObject({
    'tangential N': '',
    'axial N': '-250',
    'first bearing mm': '0',
    'second bearing N': '564.5',
  })
})
