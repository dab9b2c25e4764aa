/**
 * The table of dead sensors against trying every state with a second solver, and against facts of
 * boxes with two clutches (common practice).
 */
import { buildPattern } from '../box/patterns/index.ts'
import { placesAtRest } from '../box/box.ts'
import { isClutch } from '../box/couplers.ts'
import type { BoxDraft } from '../box/types.ts'
import { boxOf } from '../testing/boxes.ts'
import { classifyByFloats } from '../testing/floats.ts'
import { prepareSolver } from '../train/analysis.ts'

import type { DeadSensor } from './control.ts'
import { deadSensors } from './control.ts'
import { rodsOf } from './lever.ts'

function counted(draft: BoxDraft): BoxDraft {
  return {
    ...draft,
    gears: draft.gears.map((gear, at) => ({ ...gear, toothCount: 18 + ((at * 5) % 23) })),
  }
}

const dual = counted(buildPattern('dual-clutch', 'dual', {}))
const automated: BoxDraft = (() => {
  const draft = counted(buildPattern('three-shaft', 'automated', {}))
  return {
    ...draft,
    selectors: draft.selectors?.map((rod, at) => ({ ...rod, actuator: 'motor', channel: at + 1 })),
  }
})()

const found = (draft: BoxDraft): readonly DeadSensor[] => deadSensors(prepareSolver(boxOf(draft)))

function labelsOf({ lost }: DeadSensor): readonly string[] {
  return lost.map(({ position }) => position.label)
}

/** Every place of every rod, tried with floats: where the box is not what the position is. */
function lostByTrying(draft: BoxDraft, rodId: string): readonly string[] {
  const rest = placesAtRest(draft.couplers)
  const rod = rodsOf(draft).find(({ id }) => id === rodId)
  if (!rod) throw new Error('a rod')
  const moved = [...new Set(rod.places.flatMap(({ couplers }) => Object.keys(couplers)))]
  const middle = Object.fromEntries(moved.map((id) => [id, rest[id] ?? '']))
  return draft.positions
    .filter(({ couplers }) => {
      const asked = classifyByFloats(draft, couplers)
      return [{}, ...rod.places.map((place) => place.couplers)].some((at) => {
        const stands = classifyByFloats(draft, { ...rest, ...couplers, ...middle, ...at })
        return (
          stands.state !== asked.state || Math.abs((stands.ratio ?? 0) - (asked.ratio ?? 0)) > 1e-9
        )
      })
    })
    .map(({ label }) => label)
}

describe.each([
  ['two clutches', dual],
  ['one clutch, rods by motors', automated],
])('a control unit of a box with %s', (_, draft) => {
  test('loses with the place of a rod what trying every state says', () => {
    for (const dead of found(draft))
      if (dead.seen.kind === 'rod')
        expect(labelsOf(dead)).toEqual(lostByTrying(draft, dead.seen.selector.id))
  })
})

test('in a box with two clutches what hangs on one half goes and the other half stays (common practice)', () => {
  const of = (kind: DeadSensor['seen']['kind']) =>
    found(dual).filter(({ seen }) => seen.kind === kind)
  const halves = [
    ['1', '3', '5', 'R'],
    ['2', '4', '6'],
  ]
  const behind = of('speed').filter(
    ({ seen }) => seen.kind === 'speed' && ['odd', 'even'].includes(seen.body),
  )
  expect(behind.map((each) => [...labelsOf(each)].sort())).toEqual(halves)
  expect(of('clutch').map((each) => [...labelsOf(each)].sort())).toEqual(halves)
  // Every rod belongs to one half alone.
  for (const each of of('rod'))
    expect(
      halves.filter((half) => labelsOf(each).some((label) => half.includes(label))),
    ).toHaveLength(1)
})

test('a rod that is needed elsewhere may stand in the way, and in its middle it is not where it is needed', () => {
  const rod = found(dual).find(
    ({ seen }) => seen.kind === 'rod' && seen.selector.id === 'rod-coupler-6',
  )
  expect(rod?.lost.map(({ position, because }) => `${position.label} ${because}`)).toEqual([
    '2 may-lock',
    '4 may-lock',
    '6 not-there',
  ])
})

test('where a hand moves all rods, and where a driver’s switch moves the range, no unit is asked', () => {
  expect(found(counted(buildPattern('three-shaft', 'by hand', {})))).toEqual([])
  expect(found(counted(buildPattern('heavy', 'range', {})))).toEqual([])
})

test('a drum that a motor turns leaves nothing to choose where its angle is not known', () => {
  const bike = counted(buildPattern('motorcycle', 'motor', {}))
  const draft: BoxDraft = {
    ...bike,
    drums: bike.drums?.map((drum) => ({ ...drum, actuator: 'motor', channel: 1 })),
  }
  const [drum] = found(draft)
  expect(drum?.seen.kind).toBe('drum')
  expect(drum?.lost).toHaveLength(draft.positions.length)
  expect(draft.couplers.some(isClutch)).toBe(false)
})
