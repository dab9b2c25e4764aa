/** Changes of real arrangements, worked by hand and checked against facts of the trade. */
import { Graph, alg } from '@dagrejs/graphlib'
import fc from 'fast-check'

import { buildPattern } from '../box/patterns/index.ts'
import type { BoxDraft } from '../box/types.ts'
import { ONE, ZERO, rational } from '../number/rational.ts'
import { boxOf, dualClutch, fourSpeed } from '../testing/boxes.ts'
import { analyse, prepareSolver } from '../train/analysis.ts'
import { withSelectors } from '../box/selectors/propose.ts'
import type { ChangeOptions, ChangeSchool, ChangeStep, GearChange } from './change.ts'
import { gearChange } from './change.ts'
import { reducedInertia } from './inertia.ts'
import type { Slot } from './lever.ts'
import { leverMoves, selectorFaults } from './lever.ts'
import { greatestSlip } from './match.ts'

const four = withSelectors(fourSpeed('sliding-idler'), 'lever')

function changeOf(
  draft: BoxDraft,
  from: string,
  to: string,
  school: ChangeSchool = 'clutch',
  options: ChangeOptions = {},
): GearChange {
  const solver = prepareSolver(boxOf(draft))
  const position = (label: string) => {
    const found = draft.positions.find((each) => each.label === label)
    if (!found) throw new Error(`no position ${label}`)
    return found
  }
  return gearChange(solver, position(from), position(to), school, options)
}

/** With a count on every gear, whatever it comes to. */
function counted(draft: BoxDraft): BoxDraft {
  return {
    ...draft,
    gears: draft.gears.map((gear, at) => ({ ...gear, toothCount: 20 + 3 * at })),
  }
}

/** A step in a few words. */
function told(step: ChangeStep): string {
  switch (step.kind) {
    case 'clutch':
      return `clutch ${step.is}`
    case 'lever':
      return `${step.move.lever === 1 ? '' : `lever ${step.move.lever} `}${step.move.kind} ${step.move.kind === 'across' ? step.move.to : step.move.end}`
    case 'out':
    case 'in':
      return `${step.kind} ${step.move.coupler.id}`
    case 'match':
      return `match ${step.inputSpeed.toString()}`
    case 'ring':
    case 'grind':
      return `${step.kind} ${step.coupler.id}`
    case 'stand':
      return `${step.what} stands`
    case 'turn':
      return `turn ${step.from.angleDeg} ${step.to.angleDeg}`
    case 'lift':
    case 'hand-over':
      return step.kind
  }
}

test('a gear behind the clutch that carries is changed with that clutch open (common practice)', () => {
  // First and third are on one sleeve, behind the odd clutch.
  const steps = changeOf(dualClutch(), '1', '3').steps.map(told)
  expect(steps[0]).toBe('out clutch-odd')
  expect(steps.at(-1)).toBe('in clutch-odd')
  expect(steps).not.toContain('clutch down')
  expect(steps).not.toContain('lift')
})

test('second to third: out of the back of one row, across, forward in the next (common practice)', () => {
  expect(changeOf(four, '2', '3').steps.map(told)).toEqual([
    'clutch down',
    'out back',
    'out coupler-1-2',
    'across 3',
    'in forward',
    'ring coupler-3-4',
    'in coupler-3-4',
    'clutch up',
  ])
})

test('the engine has to turn as much less as the ratios differ, in every change of a four-speed', () => {
  const solver = prepareSolver(boxOf(four))
  const driving = four.positions.filter(
    ({ couplers }) => analyse(solver, couplers).state === 'drive',
  )
  for (const from of driving)
    for (const to of driving) {
      if (from === to) continue
      const [before, after] = [from, to].map(({ couplers }) => analyse(solver, couplers))
      if (before?.state !== 'drive' || after?.state !== 'drive') throw new Error('no drive')
      const change = gearChange(solver, from, to, 'clutch')
      const step = after.ratio.div(before.ratio)
      expect(change.inputSpeed?.equals(step)).toBe(true)
      // One speed of the input makes all of it match, and it is that step; an idler that
      // nothing turns before it is in mesh coasts.
      const speeds = change.matches.flatMap((match) => match.inputSpeed ?? [])
      expect(speeds.length).toBeGreaterThan(0)
      for (const speed of speeds) expect(speed.equals(step)).toBe(true)
    }
})

test('what a ring has to take away, by hand', () => {
  // Second turns the main shaft 1/2.8 times for a turn of the input, and the gear of third turns
  // half as fast as it: 1/2 − 5/14 are between them, which go at 2/2.8 of the speed.
  const [match] = changeOf(four, '2', '3').matches
  expect(match?.slip?.equals(rational(1, 7))).toBe(true)
  expect(match?.inputSpeed?.equals(rational(5, 7))).toBe(true)
  expect(match?.sides).toEqual([
    {
      body: 'main-3',
      hangsOn: { input: true, output: false, free: false },
      speed: rational(1, 2),
      ofInput: rational(1, 2),
    },
    {
      body: 'main',
      hangsOn: { input: false, output: true, free: false },
      speed: rational(5, 14),
      ofInput: rational(0),
    },
  ])
})

test('at the speed that matches, both sides of every coupler turn alike (equality of speeds)', () => {
  for (const pattern of ['three-shaft', 'racing', 'transverse-transaxle', 'motorcycle'] as const) {
    const draft = counted(buildPattern(pattern, 'box', {}))
    const solver = prepareSolver(boxOf(draft))
    const told: number[] = []
    for (const from of draft.positions)
      for (const to of draft.positions)
        for (const { law, sides, inputSpeed } of gearChange(solver, from, to, 'clutch').matches) {
          if (law.kind !== 'lock' || !inputSpeed) continue
          const [one, other] = sides.map(({ speed, ofInput }) =>
            speed?.add(ofInput.mul(inputSpeed.sub(rational(1)))),
          )
          expect(one && other?.equals(one)).toBe(true)
          told.push(inputSpeed.toNumber())
        }
    expect(told.length).toBeGreaterThan(10)
  }
})

test('at rest the input has to stand still before anything goes in', () => {
  const [match] = changeOf(four, 'N', '1').matches
  expect(match?.inputSpeed?.isZero()).toBe(true)
  expect(match?.slip?.isZero()).toBe(false)
})

test('an axle that the road turns is not said to stand', () => {
  const draft = buildPattern('transfer-case', 'transfer', {})
  const counted = {
    ...draft,
    gears: draft.gears.map((gear) => ({
      ...gear,
      toothCount: gear.label.includes('sun') ? 33 : gear.label.includes('ring') ? 57 : 35,
    })),
  }
  const [match] = changeOf(counted, '2H', '4H').matches
  expect(match?.sides.map(({ hangsOn }) => hangsOn.output)).toContain(true)
  expect(match?.slip).toBeNull()
  expect(match?.coasting).toEqual([])
  expect(match?.inputSpeed).toBeNull()
})

test('a shaft behind an open clutch coasts: between a stand and what the clutch drags it to', () => {
  const [match] = changeOf(dualClutch(), '2', '3').matches
  // By hand: second turns the upper shaft 24/48 for a turn of the input. The gear of third on it
  // goes 24/36 for a turn of the odd shaft, which stands or is dragged to the input's speed.
  expect(match?.coupler.id).toBe('coupler-3-1')
  expect(match?.slip).toBeNull()
  expect(
    match?.coasting.map(({ draggedBy, slip }) => [draggedBy?.id ?? null, slip.abs().toString()]),
  ).toEqual([
    [null, '1/2'],
    ['clutch-odd', '1/6'],
  ])
  expect(match && greatestSlip(match)?.abs().equals(rational(1, 2))).toBe(true)
  expect(match?.brought.get('odd')?.abs().equals(rational(3, 2))).toBe(true)
  expect(match?.brought.has('input')).toBe(false)
})

test('a ring whose side hangs on neither end brings that along, whatever it turned before', () => {
  const pattern = buildPattern('heavy', 'heavy', { speeds: '18', range: 'countershaft' })
  const draft = counted(pattern)
  const labels = draft.positions.map(({ label }) => label)
  const solver = prepareSolver(boxOf(draft))
  const ranges = draft.couplers.filter(({ kind }) => kind === 'range')
  expect(ranges.length).toBeGreaterThan(0)
  const rangeChanges = labels.flatMap((from, at) => {
    const to = labels[at + 1]
    if (to === undefined) return []
    const matches = changeOf(draft, from, to).matches.filter(({ coupler }) =>
      ranges.includes(coupler),
    )
    return matches.map((match) => ({ from, to, match }))
  })
  expect(rangeChanges.length).toBeGreaterThan(0)
  for (const { match } of rangeChanges) {
    if (!match.slip || match.slip.isZero()) continue
    // Something on one of its sides gives way, and with it the difference goes away: by the law itself.
    expect(match.brought.size).toBeGreaterThan(0)
    const nearer = match.law.terms.reduce(
      (sum, { body, coefficient }) => sum.add(coefficient.mul(match.brought.get(body) ?? ZERO)),
      ZERO,
    )
    expect(nearer.equals(ONE)).toBe(true)
    // The road is not moved by a ring.
    for (const output of draft.outputs) expect(match.brought.has(output)).toBe(false)
    expect(reducedInertia(solver.box, match.brought).kgM2).toBeGreaterThan(0)
  }
})

test('an idler that nothing turns is told as it stands', () => {
  const [idlerIn] = changeOf(four, 'N', 'R').matches
  expect(idlerIn?.coasting.map(({ draggedBy }) => draggedBy)).toEqual([null])
})

describe('moving off', () => {
  const dogs = counted(buildPattern('dog-clutch-three-shaft', 'three', {}))
  const ratioOf = (label: string) => {
    const analysis = analyse(
      prepareSolver(boxOf(dogs)),
      dogs.positions.find((each) => each.label === label)?.couplers ?? {},
    )
    if (analysis.state !== 'drive') throw new Error('no drive')
    return analysis.ratio
  }

  test('one school stops: without a ring the input has to stand (common practice)', () => {
    for (const school of ['clutch', 'without-clutch', 'double-declutch'] as const) {
      const steps = changeOf(dogs, 'N', '1', school).steps.map(told)
      expect(steps[0]).toBe('clutch down')
      expect(steps.indexOf('input stands')).toBeLessThan(steps.indexOf('in coupler-1-reverse'))
      expect(steps.at(-1)).toBe('clutch up')
    }
    expect(changeOf(four, 'N', '1').steps.map(told)).not.toContain('input stands')
  })

  test('the other rolls and double-declutches: the engine to the ratio times the output', () => {
    const outputSpeed = rational(1, 10)
    const change = changeOf(dogs, 'N', '1', 'double-declutch', { outputSpeed })
    const speed = ratioOf('1').mul(outputSpeed)
    expect(change.inputSpeed?.equals(speed)).toBe(true)
    expect(change.matches[0]?.inputSpeed?.equals(speed)).toBe(true)
    const steps = change.steps.map(told)
    expect(steps.slice(0, 2)).toEqual([`match ${speed.toString()}`, 'clutch down'])
    expect(steps.at(-1)).toBe('clutch up')
    // With the clutch alone the difference is still there when the dogs meet.
    const plain = changeOf(dogs, 'N', '1', 'clutch', { outputSpeed })
    expect(plain.steps.map(told)).not.toContain('input stands')
    expect(plain.matches[0]?.slip?.isZero()).toBe(false)
  })

  test('a drum turns once the clutch is down, the engine being matched before', () => {
    const bike = counted(buildPattern('motorcycle', 'bike', {}))
    const options = { outputSpeed: rational(1, 10) }
    const steps = changeOf(bike, 'N', '2', 'double-declutch', options).steps.map(({ kind }) => kind)
    expect(steps.slice(0, 3)).toEqual(['match', 'clutch', 'turn'])
    expect(steps.at(-1)).toBe('clutch')
  })

  test('into reverse the vehicle has to stand, in neutral and out of a gear, with the clutch', () => {
    const outputSpeed = rational(1, 10)
    expect(changeOf(dogs, 'N', 'R', 'clutch', { outputSpeed }).steps.map(told)).toContain(
      'vehicle stands',
    )
    const steps = changeOf(dogs, '1', 'R', 'without-clutch').steps.map(told)
    expect(steps[0]).toBe('clutch down')
    expect(steps).toContain('vehicle stands')
    expect(steps.at(-1)).toBe('clutch up')
  })
})

test('a ring that is spent lets the teeth grind, and stops nothing at a stand', () => {
  const spentRings = new Set(['coupler-3-4/3'])
  const steps = changeOf(four, '2', '3', 'clutch', { spentRings }).steps.map(told)
  expect(steps).not.toContain('ring coupler-3-4')
  expect(steps.indexOf('grind coupler-3-4')).toBe(steps.indexOf('in coupler-3-4') - 1)
  expect(changeOf(four, '3', '4', 'clutch', { spentRings }).steps.map(told)).toContain(
    'ring coupler-3-4',
  )
  expect(changeOf(four, 'N', '3', 'clutch', { spentRings }).steps.map(told)).toContain(
    'input stands',
  )
})

describe('two levers', () => {
  const transfer = buildPattern('transfer-case', 'transfer', {})

  test('what is in together has a lever and a gate each (common practice)', () => {
    expect(transfer.selectors?.map(({ lever, switched }) => [lever ?? 1, switched])).toEqual([
      [1, undefined],
      [2, undefined],
    ])
    expect(selectorFaults(transfer)).toEqual([])
  })

  test('each moves by itself, and only where it has to', () => {
    expect(changeOf(transfer, '2H', '4H').steps.map(told)).toEqual([
      'clutch down',
      'lever 2 in forward',
      'in transfer-axle',
      'clutch up',
    ])
    const low = changeOf(transfer, '2H', '4L').steps.map(told)
    expect(low.filter((step) => / (forward|back)$/.test(step))).toEqual([
      'out forward',
      'in back',
      'lever 2 in forward',
    ])
  })

  test('one end of two gates is not said twice; of one gate it is', () => {
    const same = transfer.selectors?.map((rod) => ({ ...rod, lever: 1 }))
    expect(selectorFaults({ ...transfer, selectors: same })).toContainEqual({
      code: 'slot-twice',
      lever: 1,
      row: 1,
      end: 'forward',
      selectors: ['rod-transfer-range', 'rod-transfer-axle'],
    })
  })

  test('a coupler that two levers move is where either of them puts it', () => {
    const [first] = four.selectors ?? []
    const rods = four.selectors?.map((rod) => {
      const [one, other] = rod.places
      return rod.id === 'rod-coupler-3-4' && one && other ? { ...rod, places: [one] } : rod
    })
    const fourth = four.selectors?.find(({ id }) => id === 'rod-coupler-3-4')?.places[1]
    if (!first || !rods || !fourth) throw new Error('no rods')
    const draft: BoxDraft = {
      ...four,
      selectors: [
        ...rods,
        {
          id: 'second',
          lever: 2,
          places: [{ ...fourth, gate: { row: 1, end: 'forward' as const } }],
        },
      ],
    }
    expect(selectorFaults(draft)).toEqual([])
    const steps = changeOf(draft, '3', '4').steps.map(told)
    expect(steps.filter((step) => /(forward|back)$/.test(step))).toEqual([
      'out forward',
      'lever 2 in forward',
    ])
  })
})

test('a sliding reverse is told in teeth that pass, pair by pair', () => {
  const change = changeOf(four, 'N', 'R')
  expect(change.matches.map(({ law }) => law.kind)).toEqual(['external-mesh', 'external-mesh'])
  expect(change.steps.map(told)).not.toContain('ring coupler-reverse')
  expect(change.steps).toContainEqual({
    kind: 'lever',
    move: { kind: 'in', lever: 1, row: 1, end: 'forward', guard: 'lift' },
  })
})

test('without the clutch the load is lifted and the engine matched; with it twice, in between', () => {
  expect(changeOf(four, '3', '2', 'without-clutch').steps.map(told).slice(0, 4)).toEqual([
    'lift',
    'out forward',
    'out coupler-3-4',
    `match ${changeOf(four, '3', '2').inputSpeed?.toString() ?? ''}`,
  ])
  const twice = changeOf(four, '3', '2', 'double-declutch').steps.map(told)
  const at = twice.findIndex((step) => step.startsWith('match'))
  expect(twice.slice(at - 1, at + 2)).toEqual(['clutch up', twice[at], 'clutch down'])
})

test('a dual clutch hands over: in, over, out, and no torque is let go', () => {
  const draft = dualClutch()
  const change = changeOf(draft, '2', '3')
  expect(change.isWithoutGap).toBe(true)
  expect(change.steps.map(({ kind }) => kind)).toEqual(['ring', 'in', 'hand-over', 'out'])
  // On the same clutch it cannot.
  const skipped = changeOf(draft, '2', '4')
  expect(skipped.isWithoutGap).toBe(false)
  expect(skipped.steps.some(({ kind }) => kind === 'hand-over')).toBe(false)
})

test('a drum turns over every stop between two positions (common practice)', () => {
  const bike = buildPattern('motorcycle', 'bike', {})
  const counted = {
    ...bike,
    gears: bike.gears.map((gear, at) => ({ ...gear, toothCount: 18 + at })),
  }
  const turnOf = (from: string, to: string) =>
    changeOf(counted, from, to).steps.flatMap((step) => (step.kind === 'turn' ? [step] : []))[0]
  expect(turnOf('2', '3')?.over).toEqual([])
  // First and second have neutral between them.
  expect(turnOf('1', '2')?.over.map(({ position }) => position)).toEqual([undefined])
  expect(turnOf('5', '2')?.over.map(({ angleDeg }) => angleDeg)).toEqual([180, 120])
  expect(turnOf('1', 'N')?.to.position).toBeUndefined()
})

test('a range changes while the lever passes neutral, before the lever goes in again', () => {
  const heavy = buildPattern('heavy', 'lorry', {})
  const counted = {
    ...heavy,
    gears: heavy.gears.map((gear) => ({ ...gear, toothCount: teethOf(gear.label) })),
  }
  const steps = changeOf(counted, '5', '6').steps.map(told)
  expect(steps.indexOf('in range')).toBeGreaterThan(
    steps.findIndex((step) => step.startsWith('out')),
  )
  expect(steps.indexOf('in range')).toBeLessThan(
    steps.findIndex((step) => step.startsWith('in coupler')),
  )
})

test('a range that waits for neutral makes the lever pass it, though it goes in where it was', () => {
  const heavy = buildPattern('heavy', 'lorry', {})
  const counted = {
    ...heavy,
    gears: heavy.gears.map((gear) => ({ ...gear, toothCount: teethOf(gear.label) })),
  }
  // First and sixth of a ten-speed are one place of the lever.
  const steps = changeOf(counted, '1', '6').steps.map(told)
  const [out, into] = [steps.indexOf('out coupler-1-R'), steps.indexOf('in coupler-1-R')]
  expect(out).toBeGreaterThan(0)
  expect(steps.indexOf('in range')).toBeGreaterThan(out)
  expect(into).toBeGreaterThan(steps.indexOf('in range'))
  expect(steps.filter((step) => step === 'out forward' || step === 'in forward').length).toBe(2)
})

/** Counts that are alike on both countershafts and divide a planetary set. */
function teethOf(label: string): number {
  return label.includes('sun') ? 30 : label.includes('ring') ? 90 : 20 + (label.length % 7)
}

test('without a count no speed follows, and the gear to count is named', () => {
  const draft = {
    ...four,
    gears: four.gears.map((gear) => (gear.id === 'main-3' ? { ...gear, toothCount: null } : gear)),
  }
  const change = changeOf(draft, '2', '3')
  expect(change.uncounted.map(({ id }) => id)).toEqual(['main-3'])
  expect(change.inputSpeed).toBeNull()
  expect(change.matches[0]?.slip).toBeNull()
  expect(change.steps.map(({ kind }) => kind)).toContain('in')
})

test('a change into where it stands is nothing', () => {
  const change = changeOf(four, '2', '2')
  expect(change.matches).toEqual([])
  expect(change.inputSpeed?.equals(rational(1))).toBe(true)
  expect(change.steps.filter(({ kind }) => kind !== 'clutch')).toEqual([])
})

test('a rod that moves what is gone, one end for two rods and a rod that moves nothing are told', () => {
  const [first, second] = four.selectors ?? []
  if (!first || !second) throw new Error('two rods')
  const draft: BoxDraft = {
    ...four,
    selectors: [
      first,
      {
        ...second,
        places: second.places.map((place) => ({ ...place, gate: first.places[0]?.gate })),
      },
      { id: 'loose', places: [{ id: 'a', couplers: { 'no-coupler': 'a' } }] },
    ],
  }
  const faults = selectorFaults(draft)
  expect(faults.filter(({ code }) => code === 'slot-twice').length).toBeGreaterThan(0)
  expect(faults).toContainEqual({ code: 'moves-nothing', selector: 'loose', place: 'a' })
  expect(selectorFaults(four)).toEqual([])
  // What a switch moves is in nobody's way, whatever end it had before.
  const switched = draft.selectors?.map((rod) =>
    rod.id === second.id ? { ...rod, switched: 'at-once' as const } : rod,
  )
  expect(
    selectorFaults({ ...draft, selectors: switched }).some(({ code }) => code === 'slot-twice'),
  ).toBe(false)
  // The box itself hangs together, and changes as before.
  expect(changeOf(draft, '2', '3').matches.length).toBe(1)
})

test('the lever takes the shortest way through any gate (shortest paths of @dagrejs/graphlib)', () => {
  const rod = { id: 'rod', places: [] }
  const ends = fc.uniqueArray(
    fc.record({ row: fc.integer({ min: 1, max: 6 }), end: fc.constantFrom('forward', 'back') }),
    { minLength: 2, maxLength: 8, selector: ({ row, end }) => `${row} ${end}` },
  )
  fc.assert(
    fc.property(ends, (gate) => {
      const slots = gate.map(({ row, end }, at): Slot => ({
        selector: rod,
        place: { id: `${at}`, couplers: {} },
        lever: 1,
        row,
        end,
        guard: null,
      }))
      // A gate as a graph: every end hangs on the neutral of its row, every neutral on all others.
      const graph = new Graph({ directed: false })
      for (const { row, end } of slots) {
        graph.setEdge(`${row} ${end}`, `${row}`)
        for (const other of slots) if (other.row !== row) graph.setEdge(`${row}`, `${other.row}`)
      }
      for (const from of slots) {
        const found = alg.dijkstra(
          graph,
          `${from.row} ${from.end}`,
          undefined,
          (node) => graph.nodeEdges(node) ?? [],
        )
        for (const to of slots)
          expect(leverMoves(from, to)).toHaveLength(found[`${to.row} ${to.end}`]?.distance ?? NaN)
      }
    }),
    { numRuns: 50 },
  )
})

test('over the stops of a drum one goes by each between (shortest paths of @dagrejs/graphlib)', () => {
  const draft = buildPattern('motorcycle', 'm', { speeds: '6', primary: 'gear' })
  const stops = draft.drums?.[0]?.stops ?? []
  const graph = new Graph({ directed: false })
  stops.forEach((stop, at) => {
    const next = stops[at + 1]
    if (next) graph.setEdge(`${stop.angleDeg}`, `${next.angleDeg}`)
  })
  for (const from of ['1', '3', '6'])
    for (const to of ['1', '2', '5']) {
      if (from === to) continue
      const turn = changeOf(draft, from, to).steps.find((step) => step.kind === 'turn')
      if (turn?.kind !== 'turn') throw new Error('no turn of the drum')
      const found = alg.dijkstra(
        graph,
        `${turn.from.angleDeg}`,
        undefined,
        (node) => graph.nodeEdges(node) ?? [],
      )
      expect(turn.over.length + 1).toBe(found[`${turn.to.angleDeg}`]?.distance)
    }
})

/** With counts under which two countershafts agree. */
function evenly(draft: BoxDraft): BoxDraft {
  return {
    ...draft,
    gears: draft.gears.map((gear) => ({ ...gear, toothCount: gear.id.includes('ring') ? 90 : 30 })),
  }
}

test('a heavy box without rings is brought to a stand by its brake, any other by waiting (common practice)', () => {
  const stands = (id: 'heavy' | 'racing'): readonly unknown[] =>
    changeOf(evenly(buildPattern(id, 'box', {})), 'N', '1').steps.filter(
      ({ kind }) => kind === 'stand',
    )
  expect(stands('heavy')).toEqual([{ kind: 'stand', what: 'input', isBraked: true }])
  expect(stands('racing')).toEqual([{ kind: 'stand', what: 'input' }])
})
