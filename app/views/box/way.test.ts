import { buildPattern, withToothCounts } from 'core'
import type { BoxDraft } from 'core'

import { PLAIN_WORDS } from '~/words/vocabulary.ts'

import type { Standing } from './way.ts'
import { WAY, findHere, nextThing } from './way.ts'

const empty = buildPattern('three-shaft', 'five-speed', {})
const whole = withToothCounts(empty, new Map(empty.gears.map(({ id }) => [id, 30])))
const open = { number: 2, isClosed: false, stage: 'rings', waiting: [] } as const

function standing(draft: BoxDraft, more: Partial<Standing> = {}): Standing {
  return { draft, isSound: true, job: null, ...more }
}

function next(each: Standing, path: string): string | undefined {
  const found = nextThing(each, PLAIN_WORDS, findHere(path, null))
  return found ? `${found.path}: ${found.words}` : undefined
}

test('an address leads to its page, also to one view of several', () => {
  expect(findHere('turns/closed', null).page.title).toBe('Only turns known')
  expect(findHere('layout', 'positions').page.title).toBe('Positions')
  expect(findHere('layout', 'nothing').page.title).toBe('Drawing')
  expect(findHere('ratios', null).step.title).toBe('Trace')
})

test('every page stands once, and each step opens on its first', () => {
  const paths = WAY.flatMap(({ pages }) => pages.map(({ path }) => path))
  expect(new Set(paths).size).toBe(paths.length)
})

describe('what is next', () => {
  it('is the drawing as long as it does not hang together', () => {
    expect(next(standing(whole, { isSound: false }), 'trace')).toBe('layout: mend the drawing')
  })

  it('is counting, from everywhere but Count itself', () => {
    expect(next(standing(empty), 'trace')).toBe(`count: count ${empty.gears.length} gears`)
    expect(next(standing(empty), 'count')).toBeUndefined()
  })

  it('is two counts of one gear that disagree, before what is not counted', () => {
    const [first] = whole.gears
    const draft = {
      ...whole,
      gears: whole.gears.map((gear) => (gear === first ? { ...gear, recount: 31 } : gear)),
    }
    expect(next(standing(draft), 'trace')).toMatch(
      /^count\?gear=.*: settle the two counts of head gear, input shaft$/,
    )
  })

  it('after counting is Trace, and then a job', () => {
    expect(next(standing(whole), 'count')).toBe('trace: trace the torque')
    expect(next(standing(whole), 'trace')).toBe('job: open a job for this unit')
  })

  it('in a job is its stage, but turns that disagree come first', () => {
    expect(next(standing(whole, { job: open }), 'trace')).toBe('measure?kind=ring: judge the rings')
    expect(next(standing(whole, { job: open }), 'measure')).toBeUndefined()
    const waiting = [{ code: 'turns-disagree', count: 1 }] as const
    expect(next(standing(whole, { job: { ...open, waiting } }), 'trace')).toBe(
      'turns: find the miscount that the turns show',
    )
  })

  it('is nothing when the stage of the job cannot be told', () => {
    expect(next(standing(whole, { job: { ...open, stage: null } }), 'trace')).toBeUndefined()
  })

  it('is nothing when the job is closed', () => {
    expect(next(standing(whole, { job: { ...open, isClosed: true } }), 'trace')).toBeUndefined()
  })
})

test('each step says how far it is', () => {
  const say = (each: Standing): readonly string[] => WAY.map(({ progress }) => progress(each))
  const { length } = empty.gears
  expect(say(standing(empty))).toEqual([
    'none yet',
    `${length} gears`,
    `0 of ${length}`,
    'counts missing',
    'by rods',
    '',
    '',
  ])
  expect(say(standing(whole, { isSound: false, job: open })).slice(0, 3)).toEqual([
    '2, open',
    'to mend',
    'all counted',
  ])
})
