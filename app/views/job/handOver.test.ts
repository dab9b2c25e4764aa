import { checkBox, readJob, threeShaftBox } from 'core'
import type { Box, Entry, EntryBody } from 'core'

import { PLAIN_WORDS } from '~/words/vocabulary.ts'

import { handOverOf } from './handOver.ts'

function unit(): Box {
  const checked = checkBox(
    threeShaftBox({ name: 'unit', forwardCount: 4, directAt: 4, reverse: 'sliding-idler' }),
  )
  if (!checked.ok) throw new Error('the pattern does not hang together')
  return checked.box
}

const box = unit()
const [coupler] = box.draft.couplers
const place = coupler?.positions.find(({ engages }) => engages.length > 0)
const ring = `ring:${coupler?.id ?? ''}/${place?.id ?? ''}`

function sheetOf(...bodies: readonly EntryBody[]) {
  const entries = bodies.map((body, at): Entry => ({
    id: `01a00000-0000-7000-8000-00000000000${at}`,
    at: `2026-11-26T10:00:0${at}.000Z`,
    by: 'AB',
    body,
  }))
  return handOverOf(box, PLAIN_WORDS, readJob(entries))
}

function gap(reading: string, phase: 'found' | 'after' = 'found'): EntryBody {
  return {
    kind: 'measurement',
    part: ring,
    measure: 'ring-gap',
    phase,
    readings: [reading, reading, reading],
    unit: 'mm',
    tool: 'feeler gauge',
    limit: { source: 'maker', least: '0.50', unit: 'mm' },
  }
}

test('what came in is told as far as it was written down', () => {
  const intake = {
    reference: 'van 12',
    serial: 'QX-4711',
    complaint: 'jumps out of second',
    distance: { text: '180000', unit: 'km' },
    oil: '',
    cameWith: '',
  } as const
  expect(sheetOf({ kind: 'intake', intake }).cameIn).toEqual([
    ['Owner’s reference', 'van 12'],
    ['Serial or casting number', 'QX-4711'],
    ['Complaint', 'jumps out of second'],
    ['Distance', '180000 km'],
  ])
  expect(sheetOf().cameIn).toEqual([])
})

test('a part measured before and after stands in one line, with both verdicts and the limit', () => {
  const { rows } = sheetOf(gap('0.30'), gap('1.10', 'after'))
  expect(rows).toHaveLength(1)
  expect(rows[0]).toMatchObject({
    what: 'ring gap',
    found: '0.30 · 0.30 · 0.30 mm',
    verdict: 'replace',
    after: '1.10 · 1.10 · 1.10 mm',
    limit: expect.stringMatching(/^at least 0\.50\smm, maker’s figure for this unit$/) as string,
  })
  expect(rows[0]?.afterVerdict).not.toBe('replace')
})

test('a part found once has nothing after', () => {
  expect(sheetOf(gap('1.10')).rows[0]).toMatchObject({ after: '', afterVerdict: null })
})

test('what the verdicts ask for is listed, and what was left out is not', () => {
  const { parts } = sheetOf(gap('0.30'))
  expect(parts.map(({ key }) => key)).toContain(ring)
  const line = {
    key: ring,
    what: 'Ring',
    quantity: 1,
    price: null,
    state: 'left-out',
  } as const
  expect(sheetOf(gap('0.30'), { kind: 'line', line }).parts.map(({ key }) => key)).not.toContain(
    ring,
  )
})

test('what was done and what was not stand in the order of the work', () => {
  const { done, notDone, leftOut } = sheetOf(
    { kind: 'stage', stage: 'assemble', isDone: true },
    { kind: 'stage', stage: 'lay-out', isDone: true },
    { kind: 'close', leftOut: 'no turn checks: the owner is in a hurry' },
  )
  expect(done).toEqual(['Know what is on the bench', 'Put it together'])
  expect(notDone).toContain('Check the counts by turning')
  expect(notDone).not.toContain('Write it down and hand over')
  expect(leftOut).toBe('no turn checks: the owner is in a hurry')
})
