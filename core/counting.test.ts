import { countingOrder, countingProgress, isConfirmed, isDisputed } from './counting.ts'
import { gear, trainDraft } from './testing/boxes.ts'
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
