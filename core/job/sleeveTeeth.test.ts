/** Teeth cut on a sleeve are one part with it: ordered, stripped and stacked as one (common practice). */
import { assemblyOf } from '../assembly/index.ts'
import { buildPattern, indexBox, pathTo } from '../box/index.ts'
import { rowOf } from '../box/pieces/index.ts'

import { companionsOf } from './companions.ts'
import { orderKeys } from './orders.ts'
import { unitParts, wholePart } from './unitParts.ts'

const draft = buildPattern('three-shaft', 'box', { reverse: 'sleeve-teeth' })
const index = indexBox(draft)
const coupler = draft.couplers.find(({ gears }) => gears !== undefined)
const [teeth] = coupler?.gears ?? []
if (!coupler || teeth === undefined) throw new Error('a sleeve with teeth')

test('a chipped tooth on a sleeve orders the sleeve, and the hub that is fitted to it goes with it', () => {
  const [key] = orderKeys(index, { part: pathTo('gear', teeth), what: 'tooth-tips' })
  expect(key).toBe(pathTo('sleeve', coupler.id))
  const hub = draft.pieces?.find((piece) => piece.kind === 'hub' && piece.coupler === coupler.id)
  const with_ = companionsOf(draft, [key ?? '']).map((each) => each.key)
  expect(with_).toContain(pathTo('piece', hub?.id ?? 'none'))
  expect(with_).not.toContain(pathTo('gear', teeth))
})

test('teeth and sleeve are one part to measure and look at', () => {
  const parts = unitParts(draft)
  expect(parts.some(({ ref }) => ref === pathTo('gear', teeth))).toBe(false)
  const sleeve = parts.find(({ ref }) => ref === pathTo('sleeve', coupler.id))
  expect(sleeve?.looks).toContain('tooth-tips')
  expect(sleeve?.looks).toContain('dog-corners')
  const others = parts.filter(({ kind, id }) => kind === 'sleeve' && id !== coupler.id)
  for (const other of others) expect(other.looks).not.toContain('tooth-tips')
  expect(wholePart(index, pathTo('gear', teeth))).toBe(pathTo('sleeve', coupler.id))
})

test('the teeth come off with their sleeve and stand in no row by themselves', () => {
  expect(assemblyOf(draft).byRef.has(pathTo('gear', teeth))).toBe(false)
  expect(assemblyOf(draft).byRef.has(pathTo('sleeve', coupler.id))).toBe(true)
  const rows = draft.members.flatMap(({ id }) => rowOf(index, id).map(({ ref }) => ref))
  expect(rows).not.toContain(pathTo('gear', teeth))
})

test('the idler that meshes with the teeth has worn with the sleeve', () => {
  const idler = draft.gears.find(({ id, mount }) => mount === 'sliding' && id !== teeth)
  if (!idler) throw new Error('an idler')
  expect(companionsOf(draft, [pathTo('gear', idler.id)])).toContainEqual({
    key: pathTo('sleeve', coupler.id),
    why: 'mate',
  })
})

test('a sprocket goes with the shaft whose spline wore it', () => {
  const bike = buildPattern('motorcycle', 'bike', {})
  const sprocket = bike.gears.find(({ id }) => id === 'output-chain')
  if (!sprocket) throw new Error('a sprocket')
  expect(companionsOf(bike, [pathTo('shaft', sprocket.member)])).toContainEqual({
    key: pathTo('gear', sprocket.id),
    why: 'spline-mate',
  })
})
