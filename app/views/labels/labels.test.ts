/** Labels of a unit that lies in trays, as they go to the printer. */
import type { EntryBody } from 'core'
import { buildPattern, indexBox, readJob, unitParts, withBuild } from 'core'

import { PLAIN_WORDS } from '~/words/vocabulary.ts'

import { LABELLED, labelsOf, readLabelled } from './labels.ts'

const draft = withBuild(buildPattern('three-shaft', 'unit', { forward: '4', overdrives: 'none' }))
const naming = { box: indexBox(draft), words: PLAIN_WORDS }
const parts = unitParts(draft)
const [one, two, three] = parts.map(({ ref }) => ref)

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

const inTrays = jobOf(
  { kind: 'tray', part: one ?? '', tray: 'A10' },
  { kind: 'tray', part: two ?? '', tray: 'A2' },
  { kind: 'tray', part: three ?? '', tray: 'A2' },
)

test('what stands in the address is one of the choices, or none', () => {
  for (const choice of LABELLED) expect(readLabelled(choice)).toBe(choice)
  for (const text of [null, '', 'every', 'ALL']) expect(readLabelled(text)).toBe('none')
})

test('the unit has one, each tray one, in the order in which people count', () => {
  expect(labelsOf(naming, 'id', inTrays, 'none').map(({ title }) => title)).toEqual([
    'unit',
    'Tray A2',
    'Tray A10',
  ])
})

test('parts in trays say in which', () => {
  const labels = labelsOf(naming, 'id', inTrays, 'trays').slice(3)
  expect(labels).toHaveLength(3)
  expect(labels.map(({ detail }) => detail).sort()).toEqual([
    'unit, tray A10',
    'unit, tray A2',
    'unit, tray A2',
  ])
})

test('all parts, and those of a family', () => {
  expect(labelsOf(naming, 'id', jobOf(), 'all')).toHaveLength(1 + parts.length)
  const gears = parts.filter(({ family }) => family === 'gears')
  expect(labelsOf(naming, 'id', jobOf(), 'gears')).toHaveLength(1 + gears.length)
})

test('those to be replaced are those that were judged so', () => {
  const gear = parts.find(({ looks }) => looks.length > 0)
  const [look] = gear?.looks ?? []
  if (!gear || !look) throw new Error('nothing to look at')
  const judged = jobOf({ kind: 'look', part: gear.ref, look, grade: 'replace' })
  const labels = labelsOf(naming, 'id', judged, 'replace')
  expect(labels.map(({ path }) => path)).toEqual([
    '/boxes/id',
    `/boxes/id/measure?part=${encodeURIComponent(gear.ref)}`,
  ])
})

test('an address holds whatever a tray is called', () => {
  const odd = jobOf({ kind: 'tray', part: one ?? '', tray: 'lid & pan' })
  expect(labelsOf(naming, 'id', odd, 'none')[1]?.path).toBe(
    '/boxes/id/measure?tray=lid%20%26%20pan',
  )
})
