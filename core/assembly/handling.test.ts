/** How parts are handled: facts of the bench (common practice). */
import { withBuild } from '../box/pieces/index.ts'
import { indexBox } from '../box/box.ts'
import { buildPattern } from '../box/patterns/index.ts'
import { fourSpeed } from '../testing/boxes.ts'
import { assemblyOf } from './assembly.ts'
import { handlingOf } from './handling.ts'

const draft = withBuild(fourSpeed('sliding-idler'))
const index = indexBox(draft)

function handled(ref: string) {
  const part = assemblyOf(draft).byRef.get(ref)
  if (!part) throw new Error(`no ${ref}`)
  return handlingOf(index, part)
}

test.each([
  ['a snap ring flies, and goes in once', 'piece:snap-ring-1', 'snap-ring', 'ring-pliers'],
  ['a bearing is pressed, behind the guard', 'piece:ball-bearing-1', 'press', 'press'],
  ['a bearing may be warmed to go on', 'piece:ball-bearing-1', 'heat', 'puller'],
  ['a detent is spring loaded', 'piece:detent-1', 'spring', 'magnet'],
  ['a hub breaks where it is pressed wrongly', 'piece:hub-1', 'brittle', 'press'],
  ['a shaft is heavy', 'shaft:main', 'heavy', 'hoist'],
] as const)('%s', (_, ref, caution, tool) => {
  const { cautions, tools } = handled(ref)
  expect(cautions).toContain(caution)
  expect(tools).toContain(tool)
})

test('bolts and nuts take a torque, what they hold takes none of its own', () => {
  for (const ref of ['piece:bolt-1', 'piece:nut-1'])
    expect(handled(ref).tools).toContain('torque-wrench')
  for (const ref of ['piece:cover-1', 'piece:case-1'])
    expect(handled(ref).tools).not.toContain('torque-wrench')
})

test('snap rings, seals and gaskets go in once; a gear and a shaft go in again', () => {
  for (const ref of ['piece:snap-ring-1', 'piece:seal-1', 'piece:gasket-1'])
    expect(handled(ref).isNewEachTime).toBe(true)
  for (const ref of ['gear:main-3', 'shaft:main']) expect(handled(ref).isNewEachTime).toBe(false)
})

test('what shows a mistake: washers by end play, rings by their gap, gears by turning, seals by oil', () => {
  const washer = draft.pieces?.find(({ kind }) => kind === 'thrust-washer')?.id ?? ''
  expect(handled(`piece:${washer}`).shownBy).toBe('end-play')
  const ring = assemblyOf(draft).parts.find(({ part }) => part.kind === 'ring')?.id ?? ''
  expect(handled(ring).shownBy).toBe('ring-gap')
  expect(handled('gear:main-3').shownBy).toBe('turn-check')
  expect(handled('piece:seal-1').shownBy).toBe('leak')
})

test('a gear that is fixed to its shaft is pressed, and never on its teeth', () => {
  const transaxle = withBuild(buildPattern('transverse-transaxle', 'box', {}))
  const part = assemblyOf(transaxle).parts.find(
    ({ part: { kind, id } }) =>
      kind === 'gear' && transaxle.gears.find((gear) => gear.id === id)?.mount === 'fixed',
  )
  if (!part) throw new Error('no fixed gear')
  const { fit, cautions } = handlingOf(indexBox(transaxle), part)
  expect(fit).toBe('pressed')
  expect(cautions).toEqual(expect.arrayContaining(['press', 'brittle']))
})
