import { buildPattern, checkBox } from '../box/index.ts'
import type { EntryBody } from '../job/index.ts'
import { readJob } from '../job/index.ts'
import type { Verdict } from '../measure/index.ts'
import { prepareSolver } from '../train/index.ts'
import { areFreed, missingParts, missingRefs, openedByMissing } from './missing.ts'

const checked = checkBox(buildPattern('three-shaft', 'box', { speeds: '5' }))
if (!checked.ok) throw new Error('the pattern hangs together')
const { box } = checked
const { draft } = box

function refOf(kind: string): string {
  return `piece:${draft.pieces?.find((piece) => piece.kind === kind)?.id ?? ''}`
}

function missing(...looks: readonly (readonly [part: string, grade: Verdict])[]) {
  const bodies = looks.map(([part, grade]): EntryBody => ({
    kind: 'look',
    part,
    look: 'missing',
    grade,
  }))
  return missingRefs(
    readJob(
      bodies.map((body, at) => ({
        id: `01a00000-0000-7000-8000-00000000000${at}`,
        at: `2026-12-02T10:00:0${at}.000Z`,
        by: 'AB',
        body,
      })),
    ),
  )
}

test('balls that are listed as one are alike: any of them may be the one that is missing', () => {
  const balls = draft.interlockParts?.filter(({ kind }) => kind === 'ball') ?? []
  const [lost] = missingParts(box, missing([refOf('interlock-ball'), 'replace']))
  expect(balls.length).toBeGreaterThan(1)
  expect(lost?.mayBe).toEqual(balls)
})

test('what is all there, or was looked for again and found, is not missing', () => {
  const ball = refOf('interlock-ball')
  expect(missingParts(box, missing([ball, 'good']))).toEqual([])
  expect(missingParts(box, missing([ball, 'replace'], [ball, 'good']))).toEqual([])
  expect(missingParts(box, missing([refOf('detent'), 'replace']))).toEqual([])
})

test('without a ball the rods beside it are free of one another; with a pin out only those over it (common practice)', () => {
  const rods = (draft.selectors ?? []).map(
    ({ places }) => Object.keys(places[0]?.couplers ?? {})[0],
  )
  const [one = '', two = '', three = ''] = rods
  const ball = missingParts(box, missing([refOf('interlock-ball'), 'replace']))
  const pin = missingParts(box, missing([refOf('interlock-pin'), 'replace']))
  expect(areFreed(draft, [], one, two)).toBe(false)
  expect(areFreed(draft, ball, one, two)).toBe(true)
  expect(areFreed(draft, ball, two, three)).toBe(true)
  expect(areFreed(draft, pin, one, two)).toBe(false)
  expect(areFreed(draft, pin, one, three)).toBe(true)
})

test('what can be in together then moves the couplers that are freed, and locks', () => {
  const counted = checkBox({
    ...draft,
    gears: draft.gears.map((gear, at) => ({ ...gear, toothCount: 17 + 2 * at })),
  })
  if (!counted.ok) throw new Error('it hangs together')
  const solver = prepareSolver(counted.box)
  const [lost] = missingParts(box, missing([refOf('interlock-pin'), 'replace']))
  if (!lost) throw new Error('the pin is missing')
  const opened = openedByMissing(solver, lost)
  expect(opened.length).toBeGreaterThan(0)
  for (const { moved, isLocked } of opened) {
    const [one = '', other = ''] = moved.map(({ place }) => Object.keys(place.couplers)[0])
    expect(isLocked).toBe(true)
    expect(areFreed(draft, [lost], one, other)).toBe(true)
  }
})
