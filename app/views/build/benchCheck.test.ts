/** The check at the bench: how often the input turns for ten turns of the output, by hand. */
import { buildPattern, readJob, withToothCounts } from 'core'
import type { EntryBody } from 'core'

import { benchCheckOf, turnedOutcome } from './benchCheck.ts'

const open = buildPattern('three-shaft', 'unit', { forward: '4', overdrives: 'none' })
// All of 20 teeth but the second gear of the main shaft: 20/20 × 35/20 is 1.75.
const draft = withToothCounts(
  withToothCounts(open, new Map(open.gears.map(({ id }) => [id, 20]))),
  new Map([['main-2', 35]]),
)
const second = draft.positions.find(({ label }) => label === '2')

function jobOf(...bodies: readonly EntryBody[]) {
  return readJob(
    bodies.map((body, at) => ({
      id: `entry-${at}`,
      at: new Date(Date.UTC(2026, 0, 5, 8, 0, at)).toISOString(),
      by: '',
      body,
    })),
  )
}

const turned = (inputTurns: string): EntryBody => ({
  kind: 'turn-check',
  position: second?.id ?? '',
  inputTurns,
  outputTurns: '10',
  errorTurns: '1/8',
})

const rowOf = (label: string, ...bodies: readonly EntryBody[]) => {
  const row = benchCheckOf(draft, jobOf(...bodies)).find((each) => each.label === label)
  if (!row) throw new Error(`no ${label}`)
  return row
}

test('ten turns out of second want seventeen and a half in', () => {
  expect(rowOf('2').inputTurns?.toString()).toBe('35/2')
  expect(rowOf('4').inputTurns?.toString()).toBe('10')
})

test('reverse turns the other way, neutral drives nothing', () => {
  expect(rowOf('R').isReverse).toBe(true)
  expect(rowOf('2').isReverse).toBe(false)
  expect(rowOf('N')).toMatchObject({ inputTurns: null, isReverse: false, ratio: 'neutral' })
})

test('a position that is hidden is not asked for', () => {
  const hidden = {
    ...draft,
    positions: draft.positions.map((each) =>
      each === second ? { ...each, isHidden: true } : each,
    ),
  }
  expect(benchCheckOf(hidden, jobOf()).map(({ label }) => label)).not.toContain('2')
})

test('what was turned agrees or not, and the last time counts', () => {
  expect(turnedOutcome(rowOf('2'))).toBeNull()
  expect(turnedOutcome(rowOf('2', turned('17 1/2')))).toBe('17.50 turns in, 10.00 out: agrees')
  expect(turnedOutcome(rowOf('2', turned('17 1/2'), turned('19')))).toBe(
    '19.00 turns in, 10.00 out: disagrees',
  )
})
