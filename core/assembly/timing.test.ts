/** Timing marks by arithmetic, and by turning the gears tooth by tooth. */
import { buildPattern } from '../box/patterns/index.ts'
import type { BoxDraft, Mesh } from '../box/types.ts'
import { draftOf, gear, shaft } from '../testing/boxes.ts'
import { timingsOf } from './timing.ts'

function mesh(a: string, b: string): Mesh {
  return { id: `${a} ${b}`, kind: 'external-mesh', a, b }
}

/** A driver on the input, two countershafts alike, and a gear on the main shaft between them. */
function twoCounters(driver: number, counter: number, second: number): BoxDraft {
  return draftOf({
    axes: [{ id: 'line' }, { id: 'a' }, { id: 'b' }],
    members: [shaft('input', 'line'), shaft('main', 'line'), shaft('ca', 'a'), shaft('cb', 'b')],
    gears: [
      gear('driver', 'input', driver, { mount: 'fixed', stationMm: 10 }),
      gear('third', 'main', 40, { mount: 'free', stationMm: 40 }),
      gear('ca-head', 'ca', counter, { mount: 'fixed', stationMm: 10 }),
      gear('ca-3', 'ca', second, { mount: 'fixed', stationMm: 40 }),
      gear('cb-head', 'cb', counter, { mount: 'fixed', stationMm: 10, twinOf: 'ca-head' }),
      gear('cb-3', 'cb', second, { mount: 'fixed', stationMm: 40, twinOf: 'ca-3' }),
    ],
    links: [
      mesh('driver', 'ca-head'),
      mesh('driver', 'cb-head'),
      mesh('ca-3', 'third'),
      mesh('cb-3', 'third'),
    ],
    input: 'input',
    outputs: ['main'],
  })
}

test.each([
  // Driver, counter, second pair; teeth between marks, turns until they meet, what is over.
  [40, 46, 30, 20, 23, { numerator: -8, denominator: 23 }],
  [36, 48, 24, 18, 4, { numerator: 1, denominator: 2 }],
  [42, 45, 45, 21, 15, { numerator: 0, denominator: 1 }],
  [41, 45, 30, null, 45, { numerator: -1, denominator: 3 }],
])('driver %i, counter %i, pair %i', (driver, counter, second, apart, turns, offTeeth) => {
  const [timing, ...others] = timingsOf(twoCounters(driver, counter, second))
  expect(others).toEqual([])
  expect(timing).toMatchObject({
    shafts: ['ca', 'cb'],
    driver: 'driver',
    marksApart: apart,
    meetAfterTurns: turns,
    pairs: [{ gear: 'third', on: ['ca-3', 'cb-3'], offTeeth }],
  })
})

test('the marks meet again when they do so tooth by tooth', () => {
  for (const [z, zShaft] of [
    [40, 46],
    [36, 48],
    [41, 45],
    [30, 30],
  ] as const) {
    const [timing] = timingsOf(twoCounters(z, zShaft, 30))
    let teeth = 0
    do teeth++
    while (teeth % z !== 0 || teeth % zShaft !== 0)
    expect(timing?.meetAfterTurns).toBe(teeth / z)
  }
})

test('a box with one countershaft has nothing to time; the heavy one has its two', () => {
  expect(timingsOf(buildPattern('three-shaft', 'box', {}))).toEqual([])
  const heavy = buildPattern('heavy', 'box', { speeds: '10', range: 'planetary' })
  const counted = {
    ...heavy,
    gears: heavy.gears.map((each) => ({ ...each, toothCount: 40 })),
  }
  expect(timingsOf(counted).map(({ shafts }) => shafts)).toEqual([['counter-a', 'counter-b']])
})
