import type { Drive } from './analysis.ts'
import { analyseBox } from './analysis.ts'
import { torqueStretches } from './path.ts'
import { ONE, ZERO, formatFraction, rational } from '../number/rational.ts'
import { boxOf, draftOf, fourSpeed, gear, planetaryDraft, shaft } from '../testing/boxes.ts'
import type { BoxDraft } from '../box/types.ts'

function drive(draft: BoxDraft, label = 'only'): Drive {
  const found = analyseBox(boxOf(draft)).find(({ position }) => position.label === label)
  if (found?.analysis.state !== 'drive') throw new Error(`${label} does not drive`)
  return found.analysis
}

test('torque adds up from station to station, and ends where nothing is carried', () => {
  const at = (stationMm: number, torque: number) => ({
    body: 'shaft',
    stationMm,
    torque: rational(torque),
  })
  const stretches = torqueStretches([at(90, -3), at(10, 1), at(40, 2), at(70, 0)])
  expect(
    stretches.map(({ fromMm, toMm, torque }) => [fromMm, toMm, formatFraction(torque)]),
  ).toEqual([
    [10, 40, '1'],
    [40, 90, '3'],
  ])
})

test('every step is driven before it drives, whatever order the links are listed in', () => {
  const draft = fourSpeed('constant-mesh')
  const reversed = { ...draft, links: [...draft.links].reverse() }
  for (const each of [draft, reversed])
    expect(drive(each, 'R').path.map(({ law }) => law.source)).toEqual([
      'pair-head',
      'reverse-in',
      'reverse-out',
      'coupler-reverse',
    ])
})

test('a planetary set in low: the ring only holds, and the factor is 1 + zr/zs', () => {
  const { path, factors } = drive(planetaryDraft({ sun: 20, ring: 80 }, 'ring', 'sun', 'carrier'))
  expect(path).toHaveLength(1)
  expect(path[0]?.from.map(({ body }) => body)).toEqual(['sun'])
  expect(path[0]?.to.map(({ body }) => body)).toEqual(['carrier'])
  expect(factors?.map(({ ratio, pair }) => [formatFraction(ratio), pair])).toEqual([
    ['5', undefined],
  ])
})

test('where the power splits and joins at different speeds the ratio is no product', () => {
  // The input drives the sun directly and the ring through 30/60 against it; the carrier is out:
  // 100·c = 20·1 + 80·(−1/2) = −20, so c = −1/5.
  const draft = draftOf({
    axes: [{ id: 'line' }, { id: 'beside' }],
    members: [
      shaft('input', 'beside'),
      shaft('ring', 'line'),
      shaft('carrier', 'line'),
      shaft('sun', 'line'),
    ],
    gears: [
      gear('sun-teeth', 'sun', 20),
      gear('ring-teeth', 'ring', 80),
      gear('to-ring', 'input', 30),
      gear('on-ring', 'ring', 60),
      gear('to-sun', 'input', 40),
      gear('on-sun', 'sun', 40),
    ],
    links: [
      { id: 'set', kind: 'planetary', sun: 'sun-teeth', ring: 'ring-teeth', carrier: 'carrier' },
      { id: 'ring-drive', kind: 'external-mesh', a: 'to-ring', b: 'on-ring' },
      { id: 'sun-drive', kind: 'chain', a: 'to-sun', b: 'on-sun' },
    ],
    input: 'input',
    outputs: ['carrier'],
  })
  const { ratio, factors, path } = drive(draft)
  expect(formatFraction(ratio)).toBe('-5')
  expect(factors).toBeUndefined()
  expect(path.length).toBeGreaterThan(1)
})

test('each step passes on the whole power where there is one way', () => {
  for (const label of ['1', '2', '3', '4', 'R'])
    for (const step of drive(fourSpeed('sliding-idler'), label).path)
      for (const end of [...step.from, ...step.to]) expect(end.power.equals(ONE)).toBe(true)
})

test('power that goes back from the output into a planetary set is told as circulating', () => {
  // Sun 20 in, ring 80, carrier out: 5·c = s + 4·r. The carrier drives the ring at half its
  // speed through 20/40 and 30/30, so s = 3·c. Torques are as 1 : 4 : −5, so of one unit of
  // power in at the sun the ring brings 4 · 1/2 · 1/3 = 2/3, which came from the carrier's 5/3.
  const draft = draftOf({
    axes: [{ id: 'line' }, { id: 'beside' }],
    members: [
      shaft('sun', 'line'),
      shaft('ring', 'line'),
      shaft('carrier', 'line'),
      shaft('back', 'beside'),
    ],
    gears: [
      gear('sun-teeth', 'sun', 20),
      gear('ring-teeth', 'ring', 80),
      gear('from-carrier', 'carrier', 20),
      gear('on-back', 'back', 40),
      gear('from-back', 'back', 30),
      gear('on-ring', 'ring', 30),
    ],
    links: [
      { id: 'set', kind: 'planetary', sun: 'sun-teeth', ring: 'ring-teeth', carrier: 'carrier' },
      { id: 'back-in', kind: 'external-mesh', a: 'from-carrier', b: 'on-back' },
      { id: 'back-out', kind: 'external-mesh', a: 'from-back', b: 'on-ring' },
    ],
    input: 'sun',
    outputs: ['carrier'],
  })
  const { ratio, circulations, splits } = drive(draft)
  expect(formatFraction(ratio)).toBe('3')
  expect(circulations).toHaveLength(1)
  const [loop] = circulations
  expect(loop && formatFraction(loop.power)).toBe('2/3')
  expect(loop?.steps.map(({ law }) => law.source).sort()).toEqual(['back-in', 'back-out', 'set'])
  // Nothing of it is an assumption: the balance has one solution.
  expect(splits).toEqual([])
})

test('nothing circulates in a box without such a loop', () => {
  for (const label of ['1', '4', 'R'])
    expect(drive(fourSpeed('sliding-idler'), label).circulations).toEqual([])
})

test('a chain round a differential that turns as a block carries what goes round (by hand)', () => {
  // Input on the case, a chain from case to left side with equal sprockets, the right side drives.
  // The sides bear half of the case each: T_right = T_in, so the case has 2·T_in and the chain T_in.
  const draft = draftOf({
    axes: [{ id: 'main' }, { id: 'beside' }],
    members: [
      { ...shaft('case'), axis: 'main' },
      { ...shaft('left'), axis: 'main' },
      { ...shaft('right'), axis: 'main' },
      { ...shaft('beside'), axis: 'beside' },
    ],
    gears: [
      gear('a', 'case', 30),
      gear('b', 'beside', 30),
      gear('c', 'beside', 24),
      gear('d', 'left', 24),
    ],
    links: [
      { id: 'open', kind: 'differential', case: 'case', left: 'left', right: 'right' },
      { id: 'there', kind: 'chain', a: 'a', b: 'b' },
      { id: 'back', kind: 'chain', a: 'c', b: 'd' },
    ],
    input: 'case',
    outputs: ['right'],
  })
  const [only] = analyseBox(boxOf(draft))
  if (only?.analysis.state !== 'drive') throw new Error('no drive')
  const { ratio, circulations } = only.analysis
  expect(formatFraction(ratio)).toBe('1')
  expect(circulations).toHaveLength(1)
  expect(formatFraction(circulations[0]?.power ?? ZERO)).toBe('1')
})
