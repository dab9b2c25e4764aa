/** Two made-up jobs of the first demo box: one of some years ago, one in hand. */
import { v7 as uuidv7 } from 'uuid'

import type { Entry, EntryBody } from 'core'

import { addEntries, openJob } from '../jobs.ts'

const RINGS = {
  '1': 'ring:coupler-1-2/1',
  '2': 'ring:coupler-1-2/2',
  '3': 'ring:coupler-3-4/3',
  '4': 'ring:coupler-3-4/4',
} as const

function ringGap(position: keyof typeof RINGS, readings: readonly string[]): EntryBody {
  return {
    kind: 'measurement',
    part: RINGS[position],
    measure: 'ring-gap',
    readings,
    unit: 'mm',
    tool: 'feeler leaves',
    limit: { source: 'maker', least: '0.8', unit: 'mm' },
    phase: 'found',
  }
}

function turnCheck(position: string, inputTurns: string): EntryBody {
  return { kind: 'turn-check', position, inputTurns, outputTurns: '10', errorTurns: '1/8' }
}

const MAKERS_FIGURE: EntryBody = {
  kind: 'limit',
  part: null,
  measure: 'ring-gap',
  limit: { source: 'maker', least: '0.8', unit: 'mm' },
}

interface DemoJob {
  /** When its first entry was made; the others follow by the minute. */
  readonly from: string
  readonly by: string
  readonly entries: readonly EntryBody[]
}

const JOBS: readonly DemoJob[] = [
  {
    from: '2023-03-14T08:10:00Z',
    by: 'RT',
    entries: [
      {
        kind: 'intake',
        intake: {
          reference: 'van, unit 12',
          serial: 'OS 5 0412',
          complaint: 'oil leak at the back, shifts well',
          distance: { text: '96000', unit: 'km' },
          oil: 'clean, a litre low',
          cameWith: 'flange, lever',
        },
      },
      MAKERS_FIGURE,
      ringGap('1', ['1.12', '1.10', '1.14']),
      ringGap('2', ['1.04', '1.02', '1.05']),
      ringGap('3', ['1.08', '1.10', '1.09']),
      ringGap('4', ['1.15', '1.13', '1.16']),
      { kind: 'note', text: 'Rear seal replaced, nothing else opened.' },
      { kind: 'close', leftOut: 'Only the seal was asked for.' },
    ],
  },
  {
    from: '2026-11-23T07:40:00Z',
    by: 'RT',
    entries: [
      {
        kind: 'intake',
        intake: {
          reference: 'van, unit 12',
          serial: 'OS 5 0412',
          complaint: 'crunches into second when cold, jumps out of third on the overrun',
          distance: { text: '148000', unit: 'km' },
          oil: 'grey, brass in it',
          cameWith: 'flange, lever, clutch housing',
          assignee: 'RT',
        },
      },
      { kind: 'stage', stage: 'keyed', isDone: true },
      turnCheck('2', '23 3/4'),
      turnCheck('3', '15 3/8'),
      MAKERS_FIGURE,
      ringGap('1', ['0.98', '0.96', '0.99']),
      ringGap('2', ['0.71', '0.66', '0.69']),
      ringGap('3', ['0.86', '0.88', '0.85']),
      ringGap('4', ['1.06', '1.05', '1.07']),
      {
        kind: 'limit',
        part: 'shaft:main',
        measure: 'end-play',
        limit: { source: 'maker', least: '0.05', most: '0.2', unit: 'mm' },
      },
      { kind: 'look', part: RINGS['2'], look: 'grooves', grade: 'replace' },
      { kind: 'look', part: 'sleeve:coupler-3-4', look: 'dog-corners', grade: 'watch' },
      {
        kind: 'measurement',
        part: 'sleeve:coupler-3-4',
        measure: 'fork-clearance',
        readings: ['0.9', '0.75'],
        unit: 'mm',
        tool: 'feeler leaves',
        limit: { source: 'thumb', most: '1', unit: 'mm' },
        phase: 'found',
      },
      {
        kind: 'measurement',
        part: 'shaft:main',
        measure: 'end-play',
        readings: ['0.14', '0.15'],
        unit: 'mm',
        tool: 'dial',
        limit: { source: 'maker', least: '0.05', most: '0.2', unit: 'mm' },
        phase: 'found',
      },
      {
        kind: 'line',
        line: {
          key: RINGS['2'],
          what: 'Ring for 2nd',
          quantity: 1,
          price: '48.50',
          state: 'ordered',
          partNumber: 'R 2-44',
          supplier: 'Hollin Gears',
        },
      },
      { kind: 'waiting', for: 'the ring of 2nd, promised for Friday' },
    ],
  },
]

const MINUTE_MS = 60_000

/** Puts the demo jobs on a demo box. */
export async function seedDemoJobs(boxId: string): Promise<void> {
  for (const { from, by, entries } of JOBS) {
    const job = await openJob(boxId, new Date(from))
    if (!job) throw new Error(`there is no demo box ${boxId}`)
    const dated = entries.map((body, at): Entry => ({
      id: uuidv7(),
      at: new Date(Date.parse(from) + at * MINUTE_MS).toISOString(),
      by,
      body,
    }))
    await addEntries(boxId, job.id, dated)
  }
}
