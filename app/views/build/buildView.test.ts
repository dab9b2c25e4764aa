/** What Build shows, on a four-speed whose parts are known by name. */
import { assemblyOf, buildPattern, indexBox, orderOf, progressOf, readJob, withBuild } from 'core'
import type { AssemblyPart, Entry, EntryBody } from 'core'

import {
  bareParts,
  groupsOf,
  inHandOf,
  lastStep,
  neighboursOf,
  partsDrawn,
  standingOf,
  trayFor,
} from './buildView.ts'

const draft = withBuild(buildPattern('three-shaft', 'unit', { forward: '4', overdrives: 'none' }))
const assembly = assemblyOf(draft)
const order = orderOf(assembly)
const groups = groupsOf(assembly, order)

function jobOf(...bodies: readonly EntryBody[]) {
  return readJob(
    bodies.map((body, at): Entry => ({
      id: `entry-${at}`,
      at: new Date(Date.UTC(2026, 0, 5, 8, 0, at)).toISOString(),
      by: '',
      body,
    })),
  )
}

const off = (part: string, tray?: string): EntryBody => ({
  kind: 'step',
  part,
  is: 'off',
  ...(tray !== undefined && { tray }),
})

function partOf(ref: string): AssemblyPart {
  const part = assembly.byRef.get(ref)
  if (!part) throw new Error(`no ${ref}`)
  return part
}

test('every part is in one row, the case first, those of a shaft from its input end', () => {
  expect(groups[0]?.bench).toBeNull()
  const all = groups.flatMap(({ parts }) => parts.map(({ id }) => id))
  expect(all).toHaveLength(assembly.parts.length)
  expect(new Set(all).size).toBe(assembly.parts.length)
  const main = groups.find(({ bench }) => bench === 'main')?.parts ?? []
  const at = (ref: string): number => main.findIndex(({ id }) => id === ref)
  expect(at('gear:main-3')).toBeLessThan(at('gear:main-2'))
  expect(at('gear:main-2')).toBeLessThan(at('gear:main-1'))
})

test('a row of trays is a letter, and no two parts are laid in one place', () => {
  const main = groups.findIndex(({ bench }) => bench === 'main')
  const letter = 'ABCDEFGH'.charAt(main)
  const trays = new Map<string, string>()
  for (const { part } of order.down) {
    const tray = trayFor(groups, order, part, trays)
    expect([...trays.values()]).not.toContain(tray)
    if (part.bench === 'main') expect(tray).toMatch(new RegExp(`^${letter}\\d+$`))
    trays.set(part.id, tray)
  }
})

test('a place that somebody has taken is passed over', () => {
  const bolts = partOf('piece:bolt-1')
  const own = trayFor(groups, order, bolts, new Map())
  const next = `A${Number(own.slice(1)) + 1}`
  expect(trayFor(groups, order, bolts, new Map([['piece:switch-1', own]]))).toBe(next)
  // Its own place is not in its way.
  expect(trayFor(groups, order, bolts, new Map([['piece:bolt-1', own]]))).toBe(own)
})

test('what the address names is in hand, with what comes off before it', () => {
  const progress = progressOf(assembly, order, jobOf().taken, 'down')
  const cover = inHandOf(assembly, order, progress, 'down', 'piece:cover-1')
  expect(cover).toMatchObject({ isOff: false, before: ['piece:bolt-1'], turnTo: 'above' })
  // A name of nothing, and none: the next in order.
  for (const asked of ['piece:gone', ''])
    expect(inHandOf(assembly, order, progress, 'down', asked)?.number).toBe(1)
})

test('what is off already has nothing before it on the way down', () => {
  const { taken } = jobOf(off('piece:bolt-1', 'A4'))
  const progress = progressOf(assembly, order, taken, 'down')
  const bolts = inHandOf(assembly, order, progress, 'down', 'piece:bolt-1')
  expect(bolts).toMatchObject({ isOff: true, before: [] })
})

test('a step is taken back by its own entry, and by the one before once that is withdrawn', () => {
  const [one, other] = [off('piece:bolt-1'), off('piece:switch-1')]
  expect(lastStep(jobOf())).toBeUndefined()
  expect(lastStep(jobOf(one, other))).toBe('entry-1')
  expect(lastStep(jobOf(one, other, { kind: 'withdraw', entry: 'entry-1' }))).toBe('entry-0')
})

test('a shaft on the bench is bare once nothing is on it any more', () => {
  const onMain = groups.find(({ bench }) => bench === 'main')?.parts.map(({ id }) => id) ?? []
  const [last = ''] = onMain
  expect(bareParts(groups, new Set(['shaft:main'])).has('shaft:main')).toBe(false)
  const most = new Set(['shaft:main', ...onMain.filter((id) => id !== last)])
  expect(bareParts(groups, most).has('shaft:main')).toBe(false)
  expect(bareParts(groups, new Set([...most, last])).has('shaft:main')).toBe(true)
})

test('a part touches what is still beside it in its row', () => {
  const hub = partOf('piece:hub-1')
  const row = groups.find(({ bench }) => bench === hub.bench)?.parts ?? []
  const at = row.indexOf(hub)
  const [before, after] = [row[at - 1], row[at + 1]]
  const touched = neighboursOf(groups, hub, new Set()).map(({ id }) => id)
  expect(touched).toEqual([before, after].flatMap((each) => each?.id ?? []))
  const rest = neighboursOf(groups, hub, new Set([after?.id ?? '']))
  expect(rest.map(({ id }) => id)).not.toContain(after?.id)
  expect(neighboursOf(groups, partOf('piece:bolt-1'), new Set())).toEqual([])
})

test('every figure of the drawing is of a part: what cannot come off its shaft is of that shaft', () => {
  const drawn = partsDrawn(indexBox(draft), assembly)
  for (const { id } of draft.gears) expect(drawn.has(`gear:${id}`)).toBe(true)
  // A tool, and what stays with the engine, are no part of the unit as it comes apart.
  const pieces = (draft.pieces ?? []).filter(
    ({ kind }) => !['dummy-shaft', 'clutch-cover', 'clutch-disc', 'middle-plate'].includes(kind),
  )
  expect(pieces.filter(({ id }) => !drawn.has(`piece:${id}`))).toEqual([])
  const free = draft.gears.find(({ mount }) => mount === 'free')
  expect(drawn.get(`gear:${free?.id ?? ''}`)?.id).toBe(`gear:${free?.id ?? ''}`)
  // The head gear is cut on the input shaft (common practice).
  const head = draft.gears.find(({ member }) => member === 'input')
  expect(drawn.get(`gear:${head?.id ?? ''}`)?.refs).toContain('shaft:input')
  expect(drawn.get('gear:none')).toBeUndefined()
})

test('a tray is told of what is off only, by the part that lies in it', () => {
  const [one, other] = [partOf('gear:main-1'), partOf('gear:main-2')]
  const trays = new Map([
    ['gear:main-1', 'A'],
    ['gear:main-2', 'B'],
    ['gear:gone', 'C'],
  ])
  const standing = standingOf(assembly, new Set([one.id]), undefined, trays)
  expect([...standing.trays]).toEqual([[one.id, 'A']])
  expect(standing.trays.has(other.id)).toBe(false)
})
