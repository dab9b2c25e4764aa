import { standingLaws } from './laws.ts'
import type { SpeedSum } from './motion.ts'
import { freeMotions, restrictMotions } from './motion.ts'
import { formatFraction } from '../number/rational.ts'
import { boxOf, planetaryDraft, trainDraft } from '../testing/boxes.ts'
import type { BoxDraft } from '../box/types.ts'

function text(sum: SpeedSum | undefined): string {
  const parts = [...(sum ?? [])].map(([freedom, share]) => `${formatFraction(share)}·${freedom}`)
  return parts.join(' + ') || '0'
}

function motionsOf(draft: BoxDraft, rank: readonly string[]): Readonly<Record<string, string>> {
  const box = boxOf(draft)
  const { speeds } = restrictMotions(freeMotions(box.bodies), standingLaws(box), rank)
  return Object.fromEntries(box.bodies.map((body) => [body, text(speeds.get(body))]))
}

const set = planetaryDraft({ sun: 20, ring: 80 }, null, 'sun', 'carrier')

test('without laws every body is its own freedom', () => {
  expect([...freeMotions(['a', 'b']).speeds].map(([body, sum]) => [body, text(sum)])).toEqual([
    ['a', '1·a'],
    ['b', '1·b'],
  ])
})

test('the body ranked first stays a freedom, and the others are told in it', () => {
  const train = trainDraft([
    [10, 20],
    [10, 30],
  ])
  expect(motionsOf(train, ['shaft-0'])).toEqual({
    'shaft-0': '1·shaft-0',
    'shaft-1': '-1/2·shaft-0',
    'shaft-2': '1/6·shaft-0',
  })
  expect(motionsOf(train, ['shaft-2'])).toMatchObject({ 'shaft-0': '6·shaft-2' })
})

test('a planetary set takes one freedom of three away (Willis)', () => {
  // 20·s + 80·r = 100·c, so r = 5/4·c − 1/4·s.
  expect(motionsOf(set, ['sun', 'carrier'])).toEqual({
    sun: '1·sun',
    carrier: '1·carrier',
    ring: '-1/4·sun + 5/4·carrier',
  })
})

test('two speeds demanded of one body leave it none', () => {
  const train = trainDraft([[10, 20]])
  const conflict: BoxDraft = {
    ...train,
    links: [...train.links, { id: 'joint', kind: 'joined', a: 'shaft-0', b: 'shaft-1' }],
  }
  expect(motionsOf(conflict, ['shaft-0'])).toEqual({ 'shaft-0': '0', 'shaft-1': '0' })
})

test('a law that the others imply is redundant and changes nothing', () => {
  const train = trainDraft([[10, 20]])
  const [first] = train.links
  if (!first) throw new Error('the train has no pair')
  const box = boxOf({ ...train, links: [first, { ...first, id: 'again' }] })
  const { redundant } = restrictMotions(freeMotions(box.bodies), standingLaws(box), [])
  expect(redundant.map(({ source }) => source)).toEqual(['again'])
})

test('restricting leaves the motions it started from as they were', () => {
  const box = boxOf(trainDraft([[10, 20]]))
  const free = freeMotions(box.bodies)
  restrictMotions(free, standingLaws(box), [])
  expect(text(free.speeds.get('shaft-1'))).toBe('1·shaft-1')
})
