/** What the pages of Shift show of a change, of rods and of a drum. */
import { RING_TEETH_FROM, buildPattern, checkBox, gearChange, prepareSolver, proveDrum } from 'core'
import type { BoxDraft, DrumTrack } from 'core'

import { chosenPositions, slipLeft } from './changeView.ts'
import { barsOf, groovePath, movedPoint, stretchAt, withPoints, xOfAngle } from './drumView.ts'
import { PARTS_OF_A_STEP, courseOf, momentOf } from './moment.ts'
import { formatMoved, holderOf, inRows, parseMoved } from './rodsView.ts'

function counted(draft: BoxDraft): BoxDraft {
  return {
    ...draft,
    gears: draft.gears.map((gear, at) => ({ ...gear, toothCount: 18 + ((at * 5) % 23) })),
  }
}

const four = counted(
  buildPattern('three-shaft', 'four', { speeds: '4', overdrives: '0', reverse: 'constant-mesh' }),
)

function solverOf(draft: BoxDraft) {
  const checked = checkBox(draft)
  if (!checked.ok) throw new Error('the box hangs together')
  return prepareSolver(checked.box)
}

const position = (label: string) => {
  const found = four.positions.find((each) => each.label === label)
  if (!found) throw new Error(`no ${label}`)
  return found
}

describe('a change along its time line', () => {
  const change = gearChange(solverOf(four), position('2'), position('3'), 'clutch')
  const course = courseOf(four, change)
  const at = (step: number) => momentOf(course, step * PARTS_OF_A_STEP)
  const last = change.steps.length
  // Reverse by itself has the first row.

  const back = { row: 2, end: 'back' as const }
  const forward = { row: 3, end: 'forward' as const }

  test('begins where it came from and ends where it goes', () => {
    expect(at(0).places['coupler-1-2']).toBe('2')
    expect(at(0).levers).toEqual(new Map([[1, { from: back, to: back, part: 0 }]]))
    expect(at(last).places['coupler-1-2']).toBe('centre')
    expect(at(last).places['coupler-3-4']).toBe('3')
    expect(at(last).levers).toEqual(new Map([[1, { from: forward, to: forward, part: 0 }]]))
    expect(at(last + 5)).toEqual(at(last))
  })

  test('the lever and what it moves go by one part of their way', () => {
    const lever = change.steps.findIndex(({ kind }) => kind === 'lever')
    const out = change.steps.findIndex(({ kind }) => kind === 'out')
    for (const step of [lever + 0.1, lever + 0.9, out + 0.3]) {
      const { levers, onTheWay } = at(step)
      expect(onTheWay).toMatchObject([
        { coupler: 'coupler-1-2', from: { id: '2' }, to: { id: 'centre' } },
      ])
      expect(levers.get(1)).toMatchObject({ from: back, to: { row: 2, end: null } })
      expect(levers.get(1)?.part).toBe(onTheWay[0]?.part)
    }
    // The hand and the sleeve share the way evenly.
    expect(at(out).onTheWay[0]?.part).toBe(0.5)
    expect(at(out + 1).onTheWay).toEqual([])
  })

  test('a sleeve waits at the teeth of its ring while the ring brakes', () => {
    const ring = change.steps.findIndex(({ kind }) => kind === 'ring')
    const parts = [0, 0.5, 0.9].map((step) => at(ring + step).onTheWay[0]?.part)
    expect(parts).toEqual([RING_TEETH_FROM, RING_TEETH_FROM, RING_TEETH_FROM])
  })

  test('takes the load off with the pedal and puts it on again', () => {
    expect(at(0).isUnloaded).toBe(false)
    expect(at(1).isUnloaded).toBe(true)
    expect(at(last).isUnloaded).toBe(false)
  })

  test('the difference goes while the ring brakes, and is gone before the sleeve is in', () => {
    const ring = change.steps.findIndex(({ kind }) => kind === 'ring')
    const left = (step: number) => slipLeft(change, at(step), 'coupler-3-4')
    expect(left(ring)).toBe(1)
    expect(left(ring + 0.5)).toBe(0.5)
    expect(left(ring + 1)).toBe(0)
    expect(left(0)).toBe(1)
  })

  test('starts in a row of its own where it comes from neutral', () => {
    const fromRest = gearChange(solverOf(four), position('N'), position('3'), 'clutch')
    const neutral = { row: 3, end: null }
    expect(momentOf(courseOf(four, fromRest), 0).levers.get(1)).toEqual({
      from: neutral,
      to: neutral,
      part: 0,
    })
  })
})

test('what the address does not name is the first position, and the one after it', () => {
  const [first, second] = four.positions
  expect(chosenPositions(four.positions, null, null)).toEqual([first, second])
  expect(chosenPositions(four.positions, second?.id ?? '', 'gone')?.[0]).toBe(second)
  expect(chosenPositions([], null, null)).toBeUndefined()
})

describe('rods by hand', () => {
  test('go into the address and out of it, without what is not there', () => {
    const moved = parseMoved(four, 'rod-coupler-1-2~2|rod-gone~1|rod-coupler-3-4~gone')
    expect(moved.map(({ place }) => place.id)).toEqual(['2'])
    expect(parseMoved(four, formatMoved(moved))).toEqual(moved)
    expect(parseMoved(four, null)).toEqual([])
  })

  test('are held by one that is out, as long as what lies between them is in', () => {
    const moved = parseMoved(four, 'rod-coupler-1-2~2')
    const parts = four.interlockParts ?? []
    expect(holderOf(parts, moved, 'rod-coupler-3-4')).toBe(moved[0])
    expect(holderOf([], moved, 'rod-coupler-3-4')).toBeUndefined()
    expect(holderOf(parts, moved, 'rod-coupler-1-2')).toBeUndefined()
  })

  test('lie in the order of the rows of the gate', () => {
    const rods = four.selectors ?? []
    expect(inRows([...rods].reverse())).toEqual(rods)
  })
})

describe('a drum unrolled', () => {
  const track: DrumTrack = {
    coupler: 'a',
    points: [
      { angleDeg: 90, travelMm: 0 },
      { angleDeg: 270, travelMm: 6 },
    ],
    touchesFromMm: 2,
    carriesFromMm: 5,
  }

  test('a groove reaches both ends of the turn at one height', () => {
    // Half way from 270° to 90° of the next turn it stands at half of 6 mm.
    const [start, , , end] = groovePath(track, 0).slice(1).split('L')
    expect(start?.split(' ')[1]).toBe(end?.split(' ')[1])
    expect(Number(end?.split(' ')[0])).toBe(xOfAngle(360))
  })

  test('a point that is dragged stays between its neighbours, in half degrees and tenths', () => {
    expect(movedPoint(track, 0, 300, 3.14)[0]).toEqual({ angleDeg: 269.5, travelMm: 3.1 })
    expect(movedPoint(track, 1, 20, -99)[1]).toEqual({ angleDeg: 90.5, travelMm: -60 })
    expect(movedPoint(track, 1, 500, 0)[1]?.angleDeg).toBe(359.5)
  })

  test('points are kept in the order of the turn', () => {
    const drum = { id: 'drum', tracks: [track], stops: [] }
    const next = withPoints(drum, 0, [...track.points, { angleDeg: 10, travelMm: 1 }])
    expect(next.tracks[0]?.points.map(({ angleDeg }) => angleDeg)).toEqual([10, 90, 270])
  })

  test('a stretch over the end of the turn is two bars, and every angle lies in one', () => {
    const bike = counted(buildPattern('motorcycle', 'bike', {}))
    const [drum] = bike.drums ?? []
    if (!drum) throw new Error('a drum')
    const { stretches } = proveDrum(solverOf(bike), drum)
    const over = stretches.find(({ toDeg }) => toDeg.toNumber() > 360)
    expect(over && barsOf(over).length).toBe(2)
    expect(stretchAt(stretches, 0)).toBe(over)
    for (let angle = 0; angle < 360; angle += 7.5) expect(stretchAt(stretches, angle)).toBeDefined()
  })
})
