import {
  countedGears,
  countedTogether,
  countingOrder,
  countingProgress,
  isConfirmed,
  isDisputed,
  withToothCounts,
  withTrialCounts,
} from './counting.ts'
import { buildPattern } from './patterns/index.ts'
import { fourSpeed, gear, trainDraft } from '../testing/boxes.ts'
import { threeShaftBox } from './patterns/threeShaft.ts'

test('gears are counted shaft by shaft, each from the input end', () => {
  const draft = threeShaftBox({
    name: 'four',
    forwardCount: 4,
    directAt: 4,
    reverse: 'sliding-idler',
  })
  expect(countingOrder(draft).map(({ id }) => id)).toEqual([
    'input-head',
    'main-3',
    'main-2',
    'main-1',
    'main-reverse',
    'counter-head',
    'counter-3',
    'counter-2',
    'counter-1',
    'counter-reverse',
    'idler-reverse',
  ])
})

test.each([
  [null, null, false, false],
  [31, null, false, false],
  [31, 31, false, true],
  [31, 32, true, false],
] as const)('counts %p and %p: disputed %p, confirmed %p', (first, second, disputed, confirmed) => {
  const counted = gear('g', 'shaft', first, { recount: second })
  expect(isDisputed(counted)).toBe(disputed)
  expect(isConfirmed(counted)).toBe(confirmed)
})

test('progress counts what is counted, confirmed and disputed', () => {
  const draft = trainDraft([
    [20, 40],
    [21, 39],
  ])
  const [a, b, c, d] = draft.gears
  if (!a || !b || !c || !d) throw new Error('the train is short')
  const disputed = { ...c, recount: 22 }
  const gears = [{ ...a, toothCount: null }, { ...b, recount: 40 }, disputed, d]
  expect(countingProgress({ ...draft, gears })).toEqual({
    total: 4,
    counted: 3,
    confirmed: 1,
    disputed: [disputed],
  })
})

describe('twins', () => {
  const heavy = buildPattern('heavy', 'heavy', { speeds: '10', range: 'countershaft' })
  const find = (id: string) => {
    const found = heavy.gears.find((each) => each.id === id)
    if (!found) throw new Error(id)
    return found
  }

  it('one count serves both countershafts of a heavy box: each pair is counted once', () => {
    const onB = heavy.gears.filter(({ id }) => /(counter|idler|range)-b-/.test(id))
    expect(onB.length).toBeGreaterThan(6)
    expect(countedGears(heavy)).toHaveLength(heavy.gears.length - onB.length)
    expect(countingProgress(heavy).total).toBe(heavy.gears.length - onB.length)
    expect(countedTogether(heavy, find('counter-b-1')).map(({ id }) => id)).toEqual([
      'counter-a-1',
      'counter-b-1',
    ])
    expect(countedTogether(heavy, find('main-1'))).toEqual([find('main-1')])
  })

  it('a twin with another count is counted by itself', () => {
    const gears = heavy.gears.map((each) =>
      each.id === 'counter-b-1' ? { ...each, toothCount: 20 } : each,
    )
    const counted = countedGears({ ...heavy, gears }).map(({ id }) => id)
    expect(counted).toContain('counter-a-1')
    expect(counted).toContain('counter-b-1')
  })

  it('another count is one of both, from whichever it is said', () => {
    for (const id of ['counter-a-1', 'counter-b-1'])
      expect(
        withToothCounts(heavy, new Map([[id, 21]])).gears.filter(
          ({ toothCount }) => toothCount === 21,
        ),
      ).toHaveLength(2)
  })
})

test('a gear that is tried in the place of another has no second count, and the others keep theirs', () => {
  const draft = fourSpeed('constant-mesh')
  const recounted = {
    ...draft,
    gears: draft.gears.map((gear) => ({ ...gear, recount: gear.toothCount })),
  }
  const [changed, kept] = recounted.gears
  if (!changed || !kept) throw new Error('the box has no gears')
  const tried = withTrialCounts(
    recounted,
    new Map([
      [changed.id, 77],
      [kept.id, kept.toothCount ?? 0],
    ]),
  )
  expect(tried.gears[0]).toMatchObject({ id: changed.id, toothCount: 77 })
  expect(tried.gears[0]).not.toHaveProperty('recount')
  expect(tried.gears.slice(1)).toEqual(recounted.gears.slice(1))
})
