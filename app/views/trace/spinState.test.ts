import { buildPattern } from '../../../core/box/patterns/index.ts'
import { fourSpeed } from '../../../core/testing/boxes.ts'
import { analyseDraft } from '~/views/box/analysis.ts'
import { PATTERN_IDS, indexBox, isSameSetup, setMount, spin, spinRecordsOf } from 'core'
import { entryBodySchema } from '~/files/jobEntry.ts'

import { boxOf } from '../../../core/testing/boxes.ts'
import {
  neutralPlaces,
  noTicks,
  readSpin,
  shownSetup,
  spinEntry,
  testOf,
  tick,
} from './spinState.ts'
import type { SpinAddress } from './spinState.ts'
import { readAddress } from '../addresses.ts'
import { towingOf } from './towing.ts'

const draft = fourSpeed('constant-mesh')
const { positions } = analyseDraft(draft)
const read = (query: string) =>
  readSpin(draft, positions, readAddress('trace', new URLSearchParams(query)))

test('the two tests of the trade: hold the output and turn the input, then the other way (common practice)', () => {
  const { test: first, setups } = read('')
  expect(first).toBe('input')
  expect(setups.input).toMatchObject({ held: ['main'], turned: 'input' })
  expect(setups.output).toMatchObject({ held: ['input'], turned: 'main' })
  expect(Object.values(setups.input.places)).toEqual(
    draft.couplers.map(
      ({ positions: places }) => places.find(({ engages }) => engages.length === 0)?.id,
    ),
  )
})

test('a test of one’s own: what is turned cannot be held as well, and what is nothing is passed over', () => {
  expect(read('test=own&turned=counter&held=counter,main,gone').setups.own).toMatchObject({
    turned: 'counter',
    held: ['main'],
  })
})

test('ticks go into the address and come back; a tick changed is one tick', () => {
  let address: SpinAddress = {}
  const press = (part: string, what: 'moved' | 'stood' | null): void => {
    address = { ...address, ...tick(address, 'input', part, what) }
  }
  const records = () => spinRecordsOf(indexBox(draft), readSpin(draft, positions, address).ticked)
  press('main-1', 'moved')
  press('counter', 'stood')
  press('main-1', 'stood')
  expect(records()).toEqual([
    {
      setup: read('').setups.input,
      seen: new Map([
        ['counter', 'stood'],
        ['main-1', 'stood'],
      ]),
    },
  ])
  press('main-1', null)
  press('counter', null)
  expect(Object.values(address)).toEqual(['', ''])
  expect(Object.values(noTicks())).toEqual(['', '', '', '', '', ''])
})

test('a test with a sleeve elsewhere is none of those shown, and its address shows it', () => {
  const places = { ...read('').setups.input.places, 'coupler-1-2': '1' }
  const setup = { ...read('').setups.input, places }
  expect(testOf(draft, read(''), setup)).toBeUndefined()
  const shown = readSpin(draft, positions, shownSetup(draft, positions, setup))
  expect(shown.test).toBe('input')
  expect(isSameSetup(draft, shown.setups.input, setup)).toBe(true)
  const own = { places, held: ['main', 'input'], turned: 'counter' }
  const address = shownSetup(draft, positions, own)
  expect(isSameSetup(draft, readSpin(draft, positions, address).setups.own, own)).toBe(true)
})

test('ticks are an entry that a job keeps; one without any tick is refused', () => {
  const { setups } = read('')
  const entry = spinEntry({ setup: setups.input, ticks: [{ part: 'counter', seen: 'moved' }] })
  expect(entryBodySchema.parse(entry)).toEqual(entry)
  expect(
    entryBodySchema.safeParse(spinEntry({ setup: setups.input, ticks: [] })).error?.issues[0]
      ?.message,
  ).toBe('Tick at least one part.')
})

test('a box that is drawn wrongly and drives in no gear is still tested in neutral', () => {
  const loose = setMount(draft, 'input-head', 'free')
  const places = neutralPlaces(loose, analyseDraft(loose).positions)
  expect(Object.values(places)).toEqual(
    loose.couplers.map(({ positions: of }) => of.find(({ engages }) => engages.length === 0)?.id),
  )
})

test('neutral is a listed neutral position where couplers without a centre would drive', () => {
  const heavy = buildPattern('heavy', 'box', { speeds: '10' })
  const places = neutralPlaces(heavy, analyseDraft(heavy).positions)
  expect(Object.keys(places)).toHaveLength(heavy.couplers.length)
})

test('towed in neutral only the main shaft turns, and the countershaft throws no oil (common practice)', () => {
  const result = spin(boxOf(draft), { places: {}, held: [], turned: 'main' })
  const { turning, standing, running } = towingOf(boxOf(draft), result)
  expect(turning).toEqual(['main'])
  expect(standing).toEqual(expect.arrayContaining(['input', 'counter', 'main-1']))
  expect(running).toEqual(expect.arrayContaining(['main-1', 'main-2', 'main-3']))
  expect(running).not.toContain('counter-1')
})

test.each(PATTERN_IDS)(
  'towed in neutral, every body of %s turns with the output or is not driven',
  (id) => {
    const pattern = buildPattern(id, 'box', {})
    const box = boxOf(pattern)
    const [output = ''] = pattern.outputs
    const places = neutralPlaces(pattern, analyseDraft(pattern).positions)
    const { turning, standing, running } = towingOf(
      box,
      spin(box, { places, held: [], turned: output }),
    )
    expect(turning).toContain(output)
    expect([...turning, ...standing].sort()).toEqual([...box.bodies].sort())
    for (const gear of running) {
      const member = box.gears.get(gear)?.member ?? ''
      expect(turning.includes(gear)).not.toBe(turning.includes(member))
    }
  },
)
