import { fourSpeed, planetaryDraft, trainDraft, withCounts } from '../../../core/testing/boxes.ts'

import { PLAIN_WORDS } from '~/words/vocabulary.ts'

import { glanceAt, touchedBy } from './glance.ts'

const TRAIN = trainDraft([[20, 30]])

function counted(...counts: readonly (readonly [number | null, number?])[]) {
  const gears = TRAIN.gears.map((gear, at) => {
    const [toothCount = null, recount] = counts[at] ?? []
    return { ...gear, toothCount, ...(recount === undefined ? {} : { recount }) }
  })
  return glanceAt({ ...TRAIN, gears }, PLAIN_WORDS)
}

test.each([
  [counted([null], [null]), 'Nothing counted yet: 2 gears to count'],
  [counted([20], [null]), '1 of 2 gears counted, 1 to go'],
  [counted([20], [30]), 'All 2 gears counted once. Count again to confirm'],
  [counted([20, 20], [30]), 'All 2 gears counted, 1 confirmed by a second count'],
  [counted([20, 20], [30, 30]), 'All 2 gears counted twice and confirmed'],
])('it says how far the counting is', ({ counting }, words) => {
  expect(counting).toBe(words)
})

test('two counts that disagree are told by the name of their gear', () => {
  expect(counted([20], [30, 31]).disputed).toContain('driven-0')
  expect(counted([20, 20], [30, 30]).disputed).toBeNull()
})

// The ratios are those that `fourSpeed` says of its counts.
test('the ratios stand in the order of the gears, without neutral and what is hidden', () => {
  const draft = fourSpeed('sliding-idler')
  const ratios = (of: typeof draft) =>
    glanceAt(of, PLAIN_WORDS).ratios.map(({ label, ratio }) => `${label} ${ratio}`)
  expect(ratios(draft)).toEqual(['1 4.000', '2 2.800', '3 2.000', '4 1', 'R 4.000'])
  const hidden = draft.positions.map((each) => ({ ...each, isHidden: each.label === '2' }))
  expect(ratios({ ...draft, positions: hidden })).not.toContain('2 2.800')
  expect(ratios(withCounts(draft, {}))).toEqual(['4 1'])
})

test('a box that does not hang together shows no ratios, and its picture all the same', () => {
  const { ratios, thumb } = glanceAt({ ...TRAIN, input: 'nowhere' }, PLAIN_WORDS)
  expect(ratios).toEqual([])
  expect(thumb.outlines).toEqual(glanceAt(TRAIN, PLAIN_WORDS).thumb.outlines)
})

test('its picture has one shape for all that is drawn alike', () => {
  const classes = (of: typeof TRAIN) =>
    glanceAt(of, PLAIN_WORDS).thumb.outlines.map(({ className }) => className)
  expect(classes(TRAIN)).toEqual(['shaft', 'solid'])
  expect(classes(fourSpeed('sliding-idler')).sort()).toEqual(['open', 'shaft', 'solid'])
  expect(classes(withCounts(TRAIN, {}))).toEqual(['shaft', 'guessed'])
  const set = planetaryDraft({ sun: 30, ring: 60 }, 'sun', 'ring', 'carrier')
  expect(new Set(classes(set)).size).toBe(classes(set).length)
})

test('who had a unit in hand last is of the change or the entry that came later', () => {
  const at = new Date('2026-11-26T12:00:00Z')
  const job = { last: { at: '2026-11-26T11:00:00Z', by: 'AB' } }
  const edit = (hour: number) => ({ at: new Date(Date.UTC(2026, 10, 26, hour)), by: 'MK' })
  expect(touchedBy(at, job, edit(10))).toEqual({ at: at.toISOString(), by: 'AB' })
  expect(touchedBy(at, job, edit(12)).by).toBe('MK')
  expect(touchedBy(at, null, undefined).by).toBe('')
})
