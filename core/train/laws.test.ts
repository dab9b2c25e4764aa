import { bearingLaws, connectedBodies, engagedLaws, lawsOfLink, standingLaws } from './laws.ts'
import type { Law } from './laws.ts'
import { formatFraction } from '../number/rational.ts'
import {
  boxOf,
  draftOf,
  fourSpeed,
  gear,
  planetaryDraft,
  shaft,
  trainDraft,
} from '../testing/boxes.ts'
import type { BoxDraft, Coupler } from '../box/types.ts'

/** A law as "12·one + 24·two". */
function text(law: Law): string {
  return law.terms
    .map(({ coefficient, body }) => `${formatFraction(coefficient)}·${body}`)
    .join(' + ')
}

function lawsOf(draft: BoxDraft): readonly string[] {
  return standingLaws(boxOf(draft)).map(text)
}

const threeShafts = draftOf({
  axes: [{ id: 'line' }],
  members: [shaft('a', 'line'), shaft('b', 'line'), shaft('c', 'line')],
  input: 'a',
  outputs: ['c'],
})

describe('each kind of link has its law', () => {
  test.each<readonly [string, BoxDraft, string, string]>([
    ['external mesh', trainDraft([[12, 24]]), '12·shaft-0 + 24·shaft-1', 'ISO 21771 notation'],
    [
      'internal mesh',
      trainDraft([[20, 80, 'internal-mesh']]),
      '20·shaft-0 + -80·shaft-1',
      'ISO 21771 notation',
    ],
    ['chain', trainDraft([[17, 51, 'chain']]), '17·shaft-0 + -51·shaft-1', 'geometry'],
    [
      'planetary set',
      planetaryDraft({ sun: 20, ring: 80 }, null, 'sun', 'carrier'),
      '20·sun + 80·ring + -100·carrier',
      'Willis equation',
    ],
    [
      'differential',
      {
        ...threeShafts,
        links: [{ id: 'd', kind: 'differential', case: 'a', left: 'b', right: 'c' }],
      },
      '1·b + 1·c + -2·a',
      'common practice: the case turns at the mean of its sides',
    ],
    [
      'two bodies joined',
      { ...threeShafts, links: [{ id: 'j', kind: 'joined', a: 'a', b: 'b' }] },
      '1·a + -1·b',
      'equal speeds',
    ],
    [
      'a body held',
      { ...threeShafts, links: [{ id: 'h', kind: 'held', body: 'b' }] },
      '1·b',
      'no speed',
    ],
  ])('%s', (_name, draft, law, _source) => {
    expect(lawsOf(draft)).toEqual([law])
  })
})

test('a free gear takes part by itself, a fixed one as its shaft', () => {
  const draft = fourSpeed('constant-mesh')
  const pair = draft.links.find(({ id }) => id === 'pair-2')
  if (!pair) throw new Error('the box has no second pair')
  expect(lawsOfLink(boxOf(draft), pair).map(text)).toEqual(['25·counter + 35·main-2'])
})

test('a sliding mesh is no standing law, and comes with its coupler', () => {
  const box = boxOf(fourSpeed('sliding-idler'))
  expect(standingLaws(box).map(({ source }) => source)).not.toContain('reverse-in')
  expect(engagedLaws(box, {})).toEqual([])
  expect(engagedLaws(box, { 'coupler-reverse': 'reverse' }).map(text)).toEqual([
    '16·counter + 25·idler',
    '25·idler + 32·main',
  ])
})

test('a coupler can hold a body to the case, and lock two', () => {
  const coupler: Coupler = {
    id: 'range',
    kind: 'range',
    hub: 'ring',
    stationMm: 10,
    positions: [
      { id: 'low', travel: 'towards-input', engages: [{ kind: 'hold', body: 'ring' }] },
      { id: 'high', travel: 'towards-output', engages: [{ kind: 'lock', body: 'carrier' }] },
    ],
  }
  const box = boxOf({
    ...planetaryDraft({ sun: 20, ring: 80 }, null, 'sun', 'carrier'),
    couplers: [coupler],
    positions: [{ id: 'low', label: 'low', couplers: { range: 'low' } }],
  })
  expect(engagedLaws(box, { range: 'low' }).map(text)).toEqual(['1·ring'])
  expect(engagedLaws(box, { range: 'high' }).map(text)).toEqual(['1·carrier + -1·ring'])
  expect(() => engagedLaws(box, { range: 'gone' })).toThrow('coupler "range" has no place "gone"')
})

test('an uncounted gear is named by its law', () => {
  const draft = trainDraft([[12, 24]])
  const gears = draft.gears.map((each) => ({ ...each, toothCount: null }))
  const [law] = standingLaws(boxOf({ ...draft, gears }))
  expect(law?.uncounted.map(({ id }) => id)).toEqual(['driving-0', 'driven-0'])
})

test('what can bear load between input and output: the way, without what only follows', () => {
  const box = boxOf(fourSpeed('constant-mesh'))
  const laws = [...standingLaws(box), ...engagedLaws(box, { 'coupler-1-2': '2' })]
  expect(bearingLaws(laws, 'input', ['main']).map(({ source }) => source)).toEqual([
    'pair-head',
    'pair-2',
    'coupler-1-2',
  ])
  expect(bearingLaws(standingLaws(box), 'input', ['main'])).toEqual([])
})

test('bodies are connected through any number of laws', () => {
  const draft = trainDraft([
    [10, 20],
    [10, 20],
  ])
  const apart: BoxDraft = {
    ...draft,
    members: [...draft.members, shaft('alone', 'shaft-0')],
    gears: [...draft.gears, gear('nothing', 'alone', 20)],
  }
  expect([...connectedBodies(standingLaws(boxOf(apart)), 'shaft-0')]).toEqual([
    'shaft-0',
    'shaft-1',
    'shaft-2',
  ])
})
