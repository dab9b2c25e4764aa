/** What of a motorcycle box is outside its case, and what is put into a drum (common practice). */
import { buildPattern } from '../box/index.ts'
import { rowOf } from '../box/pieces/index.ts'
import { indexBox } from '../box/index.ts'

import { assemblyOf } from './assembly.ts'

describe('a motorcycle box', () => {
  const bike = buildPattern('motorcycle', 'bike', {})
  const { byRef } = assemblyOf(bike)
  const blockedBy = (ref: string): readonly string[] =>
    (byRef.get(ref)?.ways ?? []).flatMap((way) => way.blockedBy)

  test('has its sprocket outside: the nut comes off, then the sprocket, then the seal', () => {
    const [seal] = (bike.pieces ?? []).filter(({ kind, on }) => kind === 'seal' && on === 'output')
    const [nut] = (bike.pieces ?? []).filter(({ kind, on }) => kind === 'nut' && on === 'output')
    expect(blockedBy('gear:output-chain')).toEqual([`piece:${nut?.id ?? ''}`])
    expect(blockedBy(`piece:${seal?.id ?? ''}`)).toContain('gear:output-chain')
    expect(blockedBy('shaft:output')).toContain('gear:output-chain')
  })

  test('holds nothing of the wheel in its case', () => {
    expect(byRef.has('shaft:wheel')).toBe(false)
    expect(byRef.has('gear:wheel-chain')).toBe(false)
    for (const piece of bike.pieces ?? []) expect(piece.carries ?? []).not.toContain('wheel')
  })

  test('has a bearing at both ends of its output shaft, inside of the sprocket', () => {
    const row = rowOf(indexBox(bike), 'output').map(({ ref }) => ref)
    const bearings = (bike.pieces ?? [])
      .filter(({ kind, on }) => kind === 'ball-bearing' && on === 'output')
      .map(({ id }) => row.indexOf(`piece:${id}`))
    expect(bearings.length).toBe(2)
    for (const at of bearings) expect(at).toBeLessThan(row.indexOf('gear:output-chain'))
    expect(row.indexOf('gear:output-1')).toBeGreaterThan(Math.min(...bearings))
  })

  test('has no ball and spring for each rod, being held by its star', () => {
    expect((bike.pieces ?? []).filter(({ kind }) => kind === 'detent')).toEqual([])
  })

  test('leaves the disc of its clutch with the engine', () => {
    expect([...byRef.keys()].filter((ref) => ref.includes('clutch-disc'))).toEqual([])
  })
})

test('a piston goes into its drum before that is in the case', () => {
  const twin = buildPattern('dual-clutch', 'twin', {})
  const { byRef } = assemblyOf(twin)
  const piston = twin.pieces?.find(({ kind }) => kind === 'piston')
  const coupler = twin.couplers.find(({ id }) => id === piston?.coupler)
  const ways = byRef.get(`piece:${piston?.id ?? ''}`)?.ways ?? []
  expect(ways.length).toBeGreaterThan(0)
  for (const { blockedBy } of ways) expect(blockedBy).toContain(`shaft:${coupler?.hub ?? ''}`)
})
