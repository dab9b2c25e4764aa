import type { Entry, EntryBody, Job } from 'core'
import { readJob } from 'core'

import { trendPoints } from './trendPoints.ts'

const RING = 'ring:coupler-1-2/2'

function jobOf(...bodies: readonly EntryBody[]): Job {
  const at = '2026-01-05T08:00:00.000Z'
  return readJob(bodies.map((body, index): Entry => ({ id: `${index}`, at, by: '', body })))
}

function came(text: string, unit: 'km' | 'mi'): EntryBody {
  const intake = { reference: '', complaint: '', oil: '', cameWith: '' }
  return { kind: 'intake', intake: { ...intake, distance: { text, unit } } }
}

function gap(mm: string, phase: 'found' | 'after' = 'found'): EntryBody {
  return {
    kind: 'measurement',
    part: RING,
    measure: 'ring-gap',
    readings: [mm, mm, mm],
    unit: 'mm',
    tool: '',
    limit: null,
    phase,
  }
}

test('one figure a job over its distance: the latest as it was found', () => {
  const points = trendPoints(
    [
      jobOf(came('80000', 'km'), gap('1.2'), gap('1.1')),
      // After the work a new ring is in: that is no wear of the old one.
      jobOf(came('150000', 'km'), gap('0.7'), gap('1.3', 'after')),
    ],
    RING,
    'ring-gap',
  )
  expect(points).toEqual([
    { distanceKm: 80_000, figure: 1.1 },
    { distanceKm: 150_000, figure: 0.7 },
  ])
})

test('miles are kilometres by the international mile of 1959: 1.609 344 km', () => {
  const [point] = trendPoints([jobOf(came('1000', 'mi'), gap('1.0'))], RING, 'ring-gap')
  expect(point?.distanceKm).toBeCloseTo(1609.344, 6)
})

test('a job without a distance, or without that measurement, has no point', () => {
  expect(trendPoints([jobOf(gap('1.0'))], RING, 'ring-gap')).toEqual([])
  expect(trendPoints([jobOf(came('10', 'km'))], RING, 'ring-gap')).toEqual([])
  const other = trendPoints([jobOf(came('10', 'km'), gap('1.0'))], 'ring:other', 'ring-gap')
  expect(other).toEqual([])
})
