import { buildPattern, layOutSection, sleeveShiftMm } from 'core'

import { slidOnTheWay, sleeveOnTheWayMm } from './onTheWay.ts'

const draft = buildPattern('three-shaft', 'box', { reverse: 'sliding-idler' })

test('half way to its place a coupler stands half way, and at the end in it', () => {
  const coupler = draft.couplers.find(({ kind }) => kind === 'synchronizer')
  const centre = coupler?.positions.find(({ travel }) => travel === 'centre')
  const to = coupler?.positions.find(({ travel }) => travel === 'towards-output')
  if (!coupler || !centre || !to) throw new Error('no coupler that moves')
  const at = (part: number) => sleeveOnTheWayMm({ coupler: coupler.id, from: centre, to, part })
  expect([at(0), at(0.5) * 2, at(1)]).toEqual([0, sleeveShiftMm(to), sleeveShiftMm(to)])
})

test('a sliding gear comes with its coupler, evenly, and nothing else moves', () => {
  const section = layOutSection(draft)
  const coupler = draft.couplers.find(({ kind }) => kind === 'sliding-idler')
  const centre = coupler?.positions.find(({ engages }) => engages.length === 0)
  const to = coupler?.positions.find(({ engages }) => engages.length > 0)
  if (!coupler || !centre || !to) throw new Error('no sliding idler')
  const slid = (part: number) =>
    slidOnTheWay(section, new Map(), [{ coupler: coupler.id, from: centre, to, part }])
  const whole = slid(1)
  expect(whole.size).toBeGreaterThan(0)
  for (const [gear, shiftMm] of whole) {
    expect(slid(0).get(gear)).toBe(0)
    expect(slid(0.25).get(gear)).toBeCloseTo(shiftMm / 4, 12)
  }
  expect(slidOnTheWay(section, new Map([[coupler.id, to]]), [])).toEqual(whole)
})
