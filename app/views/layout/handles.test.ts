/** Where parts of a drawing can be taken hold of, against the section and its scale. */
import { buildPattern, layOutSection, withBuild } from 'core'

import { scaleOf } from '~/views/section/scale.ts'

import type { Handle } from './handles.ts'
import { handlesOf } from './handles.ts'

const draft = withBuild(buildPattern('three-shaft', 'unit', { forward: '4', overdrives: 'none' }))
const section = layOutSection(draft)
const scale = scaleOf(section)
const handles = handlesOf(section, scale)

function handleOf(list: string, id: string | undefined): Handle {
  const handle = handles.find(({ part }) => part.list === list && part.id === id)
  if (!handle) throw new Error(`no handle of ${list} ${id ?? ''}`)
  return handle
}

test('every member, gear, coupler and piece that is drawn has one handle', () => {
  const keys = handles.map(({ part }) => `${part.list}:${part.id}`)
  expect(new Set(keys).size).toBe(keys.length)
  for (const { gear } of section.gears) expect(keys).toContain(`gears:${gear.id}`)
  for (const { member } of section.members) expect(keys).toContain(`members:${member.id}`)
  for (const { coupler } of section.couplers) expect(keys).toContain(`couplers:${coupler.id}`)
  for (const { piece } of section.pieces) expect(keys).toContain(`pieces:${piece.id}`)
})

test('no handle is narrower than nothing, also where the ends of a shaft are the wrong way round', () => {
  const reversed = draft.members.map((each) => ({ ...each, fromMm: each.toMm, toMm: each.fromMm }))
  const turned = layOutSection({ ...draft, members: reversed })
  for (const { width } of handlesOf(turned, scaleOf(turned)))
    expect(width).toBeGreaterThanOrEqual(0)
})

test('the handle of a gear is its block: as wide, from pitch line to pitch line', () => {
  for (const { gear, yMm, radiusMm, widthMm } of section.gears) {
    const { x, y, width, height } = handleOf('gears', gear.id)
    expect(x + width / 2).toBeCloseTo(scale.x(gear.stationMm))
    expect(width).toBeCloseTo(widthMm * scale.perMmX)
    expect(y).toBeCloseTo(scale.y(yMm - radiusMm))
    expect(y + height).toBeCloseTo(scale.y(yMm + radiusMm))
  }
})

test('the handle of a shaft goes from its one end to its other', () => {
  for (const { member } of section.members) {
    const { x, width } = handleOf('members', member.id)
    expect(x).toBeCloseTo(scale.x(member.fromMm))
    expect(x + width).toBeCloseTo(scale.x(member.toMm))
  }
})

test('a ring on a shaft is taken hold of beside the axis, so that the shaft can be taken on the other side', () => {
  for (const { piece, yMm, innerMm } of section.pieces)
    expect(handleOf('pieces', piece.id).y).toBeGreaterThanOrEqual(scale.y(yMm + innerMm) - 1e-9)
})

test('what is smaller lies over what is larger: gears over shafts, pieces over gears', () => {
  const lists = handles.map(({ part }) => part.list)
  expect(lists.lastIndexOf('members')).toBeLessThan(lists.indexOf('gears'))
  expect(lists.lastIndexOf('gears')).toBeLessThan(lists.indexOf('pieces'))
})
