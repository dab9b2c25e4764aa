/** What is counted first, in the address and as the gear that is asked for. */
import { buildPattern, countedGears, withToothCounts } from 'core'

import { analyseDraft } from '~/views/box/analysis.ts'

import { firstGear, formatFirst, readFirst } from './countFirst.ts'

const draft = buildPattern('three-shaft', 'unit', { forward: '4', overdrives: 'none' })
const { positions } = analyseDraft(draft)
const third = positions.find(({ position }) => position.label === '3')

test('each choice comes back from the address as it was put there', () => {
  for (const first of [
    readFirst('', positions),
    readFirst('most', positions),
    readFirst(`for:${third?.position.id ?? ''}`, positions),
  ])
    expect(readFirst(formatFirst(first), positions)).toEqual(first)
  expect(readFirst('most', positions)).toEqual({ kind: 'most' })
  expect(readFirst(`for:${third?.position.id ?? ''}`, positions)).toEqual({
    kind: 'position',
    position: third,
  })
})

test('what names nothing means along the shafts', () => {
  for (const text of [null, '', 'for:', 'for:gone', 'MOST', '3'])
    expect(readFirst(text, positions)).toEqual({ kind: 'shafts' })
})

test('for one position its own gears are asked for, until none is open', () => {
  const asked: string[] = []
  let box = draft
  const next = () => {
    const { positions: now } = analyseDraft(box)
    return firstGear(box, now, readFirst(`for:${third?.position.id ?? ''}`, now))
  }
  for (let gear = next(); gear && asked.length < draft.gears.length; gear = next()) {
    asked.push(gear.id)
    box = withToothCounts(box, new Map([[gear.id, 25]]))
  }
  // Third of a three-shaft box: the head pair and its own pair, and no other.
  expect(asked).toHaveLength(4)
  expect(new Set(asked.map((id) => draft.gears.find((gear) => gear.id === id)?.member)).size).toBe(
    3,
  )
})

test('along the shafts nothing is asked for out of order', () => {
  expect(firstGear(draft, positions, { kind: 'shafts' })).toBeUndefined()
  const most = firstGear(draft, positions, { kind: 'most' })
  expect(countedGears(draft).map(({ id }) => id)).toContain(most?.id)
})
