import { checkBox, withSelectors } from '../box/index.ts'
import type { Entry, EntryBody } from '../job/index.ts'
import { readJob } from '../job/index.ts'
import { UNIT_PART_DEFINITIONS } from '../job/partKinds.ts'
import type { Verdict } from '../measure/index.ts'
import { fourSpeed } from '../testing/boxes.ts'
import { prepareSolver } from '../train/index.ts'

import type { Complaint } from './complaints.ts'
import { COMPLAINTS, complaintsOf } from './complaints.ts'
import { evidenceFor } from './evidence.ts'

/** 4 to 3 is the change down in which a ring has the most to do: see complaints.test.ts. */
const draft = withSelectors(fourSpeed('sliding-idler'), 'lever')

function complaint(kind: Complaint['kind']): Complaint {
  const checked = checkBox(draft)
  if (!checked.ok) throw new Error('not sound')
  const found = complaintsOf(prepareSolver(checked.box)).find((each) => each.kind === kind)
  if (!found) throw new Error(`nothing of ${kind}`)
  return found
}

/** The reference of the ring that a position is taken with. */
function ringOf(label: string): string {
  const { couplers = {} } = draft.positions.find((each) => each.label === label) ?? {}
  const [[coupler, place] = []] = Object.entries(couplers)
  return `ring:${coupler}/${place}`
}

const [SECOND, THIRD] = [ringOf('2'), ringOf('3')]

function evidence(kind: Complaint['kind'], ...bodies: readonly EntryBody[]) {
  const entries = bodies.map((body, at): Entry => ({
    id: `01a00000-0000-7000-8000-00000000000${at}`,
    at: `2026-11-26T10:00:0${at}.000Z`,
    by: 'AB',
    body,
  }))
  return evidenceFor(draft, readJob(entries), complaint(kind))
}

/** Three readings alike, judged by at least 0.50 mm of the maker. */
function gap(part: string, reading: string): EntryBody {
  return {
    kind: 'measurement',
    part,
    measure: 'ring-gap',
    phase: 'found',
    readings: [reading, reading, reading],
    unit: 'mm',
    tool: 'feeler gauge',
    limit: { source: 'maker', least: '0.50', unit: 'mm' },
  }
}

const seen = (part: string, look: 'grooves' | 'dog-corners', grade: Verdict): EntryBody => ({
  kind: 'look',
  part,
  look,
  grade,
})

const partsOf = ({ wrong }: ReturnType<typeof evidence>) =>
  wrong.map(({ finding, verdict }) => `${verdict} ${finding.part} ${finding.what}`)

test('a worn ring speaks for a crunch and for cold oil, not for jumping out or a lock', () => {
  const worn = gap(SECOND, '0.30')
  for (const kind of ['fast', 'cold'] as const)
    expect(partsOf(evidence(kind, worn))).toEqual([`replace ${SECOND} ring-gap`])
  for (const kind of ['jumps-out', 'two-in', 'standing'] as const)
    expect(evidence(kind, worn)).toMatchObject({ wrong: [], goodCount: 0 })
})

test('the worst comes first, and what is good is counted', () => {
  const found = evidence(
    'fast',
    seen(SECOND, 'grooves', 'watch'),
    gap(SECOND, '1.20'),
    gap(THIRD, '0.30'),
  )
  expect(partsOf(found)).toEqual([`replace ${THIRD} ring-gap`, `watch ${SECOND} grooves`])
  expect(found.goodCount).toBe(1)
})

test('only the latest finding of its kind counts, and a person’s word over the figures', () => {
  expect(partsOf(evidence('fast', gap(THIRD, '0.30'), gap(THIRD, '1.20')))).toEqual([])
  const overruled = evidence('fast', gap(THIRD, '0.30'), {
    kind: 'overrule',
    entry: '01a00000-0000-7000-8000-000000000000',
    verdict: 'watch',
    reason: 'measured on the wrong cone',
  })
  expect(partsOf(overruled)).toEqual([`watch ${THIRD} ring-gap`])
})

test('what the complaint names is to be looked at first, then the next of it, then its like', () => {
  const next = (...bodies: readonly EntryBody[]) => {
    const found = evidence('cold', ...bodies).next
    return found && `${found.part.ref} ${found.what}`
  }
  expect(next()).toBe(`${THIRD} ring-gap`)
  expect(next(gap(THIRD, '1.20'))).toBe(`${THIRD} grooves`)
  const crack = { kind: 'look', part: THIRD, look: 'crack', grade: 'good' } as const
  expect(next(gap(THIRD, '1.20'), seen(THIRD, 'grooves', 'good'), crack)).not.toContain(THIRD)
})

test('dogs that are rounded speak for jumping out', () => {
  const [coupler] = draft.couplers.filter(({ kind }) => kind === 'synchronizer')
  const sleeve = `sleeve:${coupler?.id ?? ''}`
  expect(partsOf(evidence('jumps-out', seen(sleeve, 'dog-corners', 'replace')))).toEqual([
    `replace ${sleeve} dog-corners`,
  ])
})

test('a finding on a part that is no longer drawn speaks for nothing', () => {
  expect(evidence('fast', gap('ring:gone/away', '0.30')).wrong).toEqual([])
})

test('every suspect is a part that is measured or looked at for what is to tell it', () => {
  for (const [kind, { suspects }] of Object.entries(COMPLAINTS))
    for (const [part, whats] of Object.entries(suspects)) {
      const { measures, looks } = UNIT_PART_DEFINITIONS[part as keyof typeof UNIT_PART_DEFINITIONS]
      expect(whats.length).toBeGreaterThan(0)
      for (const what of whats)
        expect([kind, part, what, [...measures, ...looks].some((each) => each === what)]).toEqual([
          kind,
          part,
          what,
          true,
        ])
    }
})
