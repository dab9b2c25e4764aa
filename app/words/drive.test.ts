import { buildPattern, indexBox } from 'core'
import type { DrivenChange } from 'core'

import {
  formatSeconds,
  formatWork,
  notDrivenWords,
  readyWords,
  ringHeatWords,
  weightlessWords,
} from './drive.ts'
import { PLAIN_WORDS } from './vocabulary.ts'

const change: DrivenChange = {
  from: '3',
  to: '2',
  startS: 1,
  endS: 1.4,
  gapS: 0,
  waitedS: 0,
  wasReady: true,
  clutchJ: 0,
  ringJ: 0,
  betweenJ: 0,
  knockJ: 0,
}

test('a change says what was ready for it', () => {
  expect(readyWords(change)).toBe('was ready')
  expect(readyWords({ ...change, wasReady: false, waitedS: 0.19 })).toBe(
    'guessed wrong, waited 0.19\u00a0s',
  )
  expect(readyWords({ ...change, wasReady: null, gapS: 0.4 })).toBe('through neutral')
})

test('the heat of rings tells what the balance does not have, and knocks apart', () => {
  expect(ringHeatWords({ ringJ: 80, betweenJ: 0, knockJ: 0 })).toBe('80\u00a0J')
  expect(ringHeatWords({ ringJ: 80, betweenJ: 240, knockJ: 3 })).toBe(
    '320\u00a0J (240\u00a0J between), knock 3\u00a0J',
  )
})

test('work is in joules, and in kilojoules where it is much', () => {
  expect([formatWork(9_999), formatWork(12_345), formatSeconds(0.5)]).toEqual([
    '9999\u00a0J',
    '12.3\u00a0kJ',
    '0.50\u00a0s',
  ])
})

test('why a box cannot be driven is a sentence that says what to do', () => {
  const draft = buildPattern('three-shaft', 'box', {})
  const naming = { box: indexBox(draft), words: PLAIN_WORDS }
  const [gear] = draft.gears
  const [position] = draft.positions
  if (!gear || !position) throw new Error('an empty pattern')
  expect(notDrivenWords(naming, { ok: false, kind: 'uncounted', gears: [gear] })).toMatch(
    /^To drive it, count the .+\.$/,
  )
  expect(notDrivenWords(naming, { ok: false, kind: 'two-clutches', position })).toContain(
    `Position ${position.label} closes two`,
  )
  expect(notDrivenWords(naming, { ok: false, kind: 'none-drives' })).toContain('Lay out')
})

test('gears without sizes are told to weigh nothing', () => {
  const draft = buildPattern('three-shaft', 'unit', {})
  const box = (sized: (id: string) => boolean) => ({
    words: PLAIN_WORDS,
    box: indexBox({
      ...draft,
      gears: draft.gears.map((gear) => ({
        ...gear,
        toothCount: 20,
        faceWidthMm: 16,
        moduleMm: sized(gear.id) ? 2.5 : undefined,
      })),
    }),
  })
  expect(weightlessWords(box(() => true))).toBeNull()
  expect(weightlessWords(box((id) => id !== 'main-2'))).toMatch(/^One gear weighs nothing/)
  expect(weightlessWords(box(() => false))).toMatch(/^All gears weigh nothing/)
})
