import fc from 'fast-check'

import type { Entry, EntryBody } from './job.ts'
import { readJob, standingVerdict, worstByPart } from './job.ts'
import { stageAt, stagesOf, waitingOf } from './stages.ts'
import { companionsOf } from './companions.ts'
import { unitParts } from './unitParts.ts'
import { threeShaftBox } from '../box/patterns/threeShaft.ts'
import type { BoxDraft } from '../box/types.ts'
import { boxOf, gear, trainDraft } from '../testing/boxes.ts'

let next = 0
function entry(body: EntryBody, by = 'AB'): Entry {
  next++
  const at = new Date(Date.UTC(2026, 0, 1, 8, 0, next)).toISOString()
  return { id: `entry-${next.toString().padStart(4, '0')}`, at, by, body }
}

function ringGap(part: string, ...thou: string[]): Entry {
  return entry({
    kind: 'measurement',
    part,
    measure: 'ring-gap',
    readings: thou,
    unit: 'thou',
    tool: 'feeler leaves',
    // Common practice.
    limit: { source: 'thumb', least: '30', unit: 'thou' },
    phase: 'found',
  })
}

const fourSpeed = (): BoxDraft => {
  const draft = threeShaftBox({
    name: 'four',
    forwardCount: 4,
    directAt: 4,
    reverse: 'sliding-idler',
  })
  return { ...draft, gears: draft.gears.map((each, at) => ({ ...each, toothCount: 20 + at })) }
}

describe('readJob', () => {
  it('says the same of a log in any order', () => {
    const log = [
      entry({ kind: 'waiting', for: 'the owner' }),
      ringGap('ring:1-2/1', '41', '40', '42'),
      ringGap('ring:1-2/1', '28', '29', '28'),
      entry({ kind: 'waiting', for: 'a bearing' }),
      entry({ kind: 'stage', stage: 'keyed', isDone: true }),
    ]
    fc.assert(
      fc.property(fc.shuffledSubarray(log, { minLength: log.length }), (shuffled) => {
        expect(readJob(shuffled)).toEqual(readJob(log))
      }),
    )
    expect(readJob(log).waitingFor).toBe('a bearing')
  })

  it('the latest finding of a part stands, and both are kept', () => {
    const job = readJob([ringGap('r', '28', '28', '29'), ringGap('r', '41', '42', '41')])
    expect(worstByPart(job).get('r')?.verdict).toBe('good')
    expect(job.findings.map(({ verdict }) => verdict)).toEqual(['replace', 'good'])
  })

  it('a person overrules a verdict with a reason, and both stay', () => {
    const measured = ringGap('r', '28', '29', '30')
    const job = readJob([
      measured,
      entry(
        { kind: 'overrule', entry: measured.id, verdict: 'watch', reason: 'new last year' },
        'CD',
      ),
    ])
    const [finding] = job.findings
    expect(finding?.verdict).toBe('replace')
    expect(finding?.overruled).toEqual({ verdict: 'watch', reason: 'new last year', by: 'CD' })
    expect(finding && standingVerdict(finding)).toBe('watch')
  })

  it('what is withdrawn counts no longer; that it was withdrawn stays in the log', () => {
    const wrong = ringGap('r', '28', '29', '30')
    const job = readJob([wrong, entry({ kind: 'withdraw', entry: wrong.id })])
    expect(job.findings).toEqual([])
    expect(job.withdrawn).toEqual(new Set([wrong.id]))
    expect(job.entries.map(({ body }) => body)).toEqual([{ kind: 'withdraw', entry: wrong.id }])
  })

  it('a turn check is read as the fractions that were written', () => {
    const [read] = readJob([
      entry({
        kind: 'turn-check',
        position: '1',
        inputTurns: '3 7/8',
        outputTurns: '1',
        errorTurns: '1/8',
      }),
    ]).checks
    expect(read?.check.inputTurns.toString()).toBe('31/8')
  })

  it('what is measured after shims stands beside what was expected of them', () => {
    const play = (reading: string): Entry =>
      entry({
        kind: 'measurement',
        part: 'shaft:main',
        measure: 'end-play',
        readings: [reading],
        unit: 'mm',
        tool: 'dial',
        limit: null,
        phase: 'after',
      })
    const before = play('0.62')
    const shims = entry({
      kind: 'shims',
      part: 'shaft:main',
      thicknesses: [5000],
      expected: 1200,
    })
    expect(readJob([before, shims]).shims.get('shaft:main')).toEqual({
      thicknesses: [5000],
      expected: 1200,
      measuredMm: null,
    })
    const job = readJob([before, shims, play('0.13'), play('0.5')])
    expect(job.shims.get('shaft:main')?.measuredMm).toBe(0.13)
  })

  it('keeps the latest of what was measured of a stack, each shaft by itself', () => {
    const stack = (shaft: string, text: string): Entry =>
      entry({
        kind: 'stack',
        shaft,
        stack: {
          room: { text, unit: 'mm' },
          roomDeviation: { text: '0.02', unit: 'mm' },
          partDeviation: { text: '0.02', unit: 'mm' },
          turned: ['gear:main-2'],
        },
      })
    const before = [stack('shaft:main', '100'), stack('shaft:input', '55')]
    const wrong = stack('shaft:main', '99')
    const log = [...before, wrong]
    const rooms = (entries: readonly Entry[]): unknown =>
      [...readJob(entries).stacks].map(([shaft, { room }]) => [shaft, room?.text])
    expect(rooms(log)).toEqual([
      ['shaft:main', '99'],
      ['shaft:input', '55'],
    ])
    expect(rooms([...log, entry({ kind: 'withdraw', entry: wrong.id })])).toEqual([
      ['shaft:main', '100'],
      ['shaft:input', '55'],
    ])
  })

  it('is closed until it is opened again', () => {
    const close = entry({ kind: 'close', leftOut: 'owner is in a hurry' })
    expect(readJob([close])).toMatchObject({ isClosed: true, leftOut: 'owner is in a hurry' })
    expect(readJob([close, entry({ kind: 'reopen' })]).isClosed).toBe(false)
  })
})

describe('stages', () => {
  it('fill themselves as work is done, and can be opened again', () => {
    const box = boxOf(fourSpeed())
    const ring = unitParts(box.draft).filter(({ kind }) => kind === 'ring')
    expect(ring.length).toBe(4)
    const log = [
      entry({
        kind: 'intake',
        intake: {
          reference: '',
          complaint: 'crunches into second',
          distance: { text: '90000', unit: 'km' },
          oil: 'grey, with brass in it',
          cameWith: '',
        },
      }),
      ...ring.map(({ ref }) => ringGap(ref, '40', '41', '42')),
    ]
    const of = (stage: string, entries = log) =>
      stagesOf(box, readJob(entries)).find((each) => each.stage === stage)
    expect(of('intake')).toMatchObject({ done: 3, total: 5, isDone: true })
    expect(of('parts', [])).toMatchObject({ total: 0, isDone: false })
    expect(of('parts')).toMatchObject({ total: 0, isDone: true })
    expect(of('count')).toMatchObject({ isDone: true })
    expect(of('rings')).toMatchObject({ done: 4, total: 4, isDone: true })
    expect(of('turn-check')).toMatchObject({ done: 0, isDone: false })
    expect(of('assemble')).toMatchObject({ isByHand: true, isDone: false })
    expect(stageAt(stagesOf(box, readJob(log)))).toBe('keyed')
    // With the output held the countershaft moved, and two gears on it: those are keyed to it.
    const spun = entry({
      kind: 'spin',
      places: [],
      held: ['main'],
      turned: 'input',
      ticks: ['counter', 'counter-1', 'counter-2', 'main-3'].map((part) => ({
        part,
        seen: 'moved',
      })),
    })
    expect(of('keyed', [...log, spun])).toMatchObject({ done: 2, isByHand: false, isDone: false })
    const reopened = [...log, entry({ kind: 'stage', stage: 'rings', isDone: false })]
    expect(of('rings', reopened)).toMatchObject({ isDone: false, mark: false })
  })

  it('say what waits for the person', () => {
    const draft = fourSpeed()
    const [first, ...rest] = draft.gears
    if (!first) throw new Error('no gears')
    const box = boxOf({ ...draft, gears: [{ ...first, recount: 99 }, ...rest] })
    const ring = unitParts(draft).find(({ kind }) => kind === 'ring')
    const job = readJob([
      ringGap(ring?.ref ?? '', '20', '21', '22'),
      entry({ kind: 'waiting', for: 'the owner’s word' }),
    ])
    expect(waitingOf(box, job)).toEqual([
      { code: 'counts-disagree', count: 1 },
      { code: 'to-replace', count: 1 },
      // The ring, seals, snap rings and pilot bearing.
      { code: 'to-order', count: 4 },
      { code: 'said', text: 'the owner’s word' },
    ])
    expect(waitingOf(box, readJob([]))).toEqual([
      { code: 'counts-disagree', count: 1 },
      { code: 'nothing-measured' },
    ])
  })
})

describe('companionsOf', () => {
  it('a gear goes with its mate, and one cut into a shaft with the shaft (common practice)', () => {
    const draft = trainDraft([[12, 24]])
    const integral = {
      ...draft,
      gears: [
        { ...gear('driving-0', 'shaft-0', 12), mount: 'integral' as const, stationMm: 80 },
        ...draft.gears.slice(1),
      ],
    }
    expect(
      companionsOf(integral, ['gear:driven-0']).map(({ key, why }) => `${key} ${why}`),
    ).toEqual([
      'gear:driving-0 mate',
      'shaft:shaft-0 integral',
      'seals always',
      'snap-rings always',
      'pilot-bearing always',
    ])
  })

  it('nothing goes with nothing', () => {
    expect(companionsOf(trainDraft([[12, 24]]), [])).toEqual([])
  })

  it('a new cone gets a new ring beside it (common practice)', () => {
    const draft = fourSpeed()
    const keys = companionsOf(draft, ['gear:main-3']).map(({ key, why }) => `${key} ${why}`)
    expect(keys.some((each) => each.startsWith('ring:') && each.endsWith('beside-cone'))).toBe(true)
    expect(keys.some((each) => each.startsWith('gear:') && each.endsWith('mate'))).toBe(true)
  })
})
