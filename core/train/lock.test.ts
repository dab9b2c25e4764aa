import fc from 'fast-check'

import { analyse, prepareSolver } from './analysis.ts'
import { centreOf } from '../box/box.ts'
import { combinationAt, classifyAll } from './combinations.ts'
import { explainLock, isLocked } from './lock.ts'
import { PATTERNS, buildPattern } from '../box/patterns/index.ts'
import { formatFraction } from '../number/rational.ts'
import { boxOf, fourSpeed, withCounts } from '../testing/boxes.ts'

test('1st and 3rd at once: the main shaft is asked for two speeds', () => {
  const solver = prepareSolver(boxOf(fourSpeed('constant-mesh')))
  const cause = explainLock(solver, { 'coupler-1-2': '1', 'coupler-3-4': '3' })
  expect(cause?.couplers).toEqual(['coupler-3-4', 'coupler-1-2'])
  expect(cause?.body).toBe('main')
  // Head 40/20: 1st × 40/20 and 3rd × 30/30, so a quarter and a half of the input's speed.
  expect(cause?.demands.map(({ coupler, speed }) => [coupler, formatFraction(speed)])).toEqual([
    ['coupler-3-4', '1/2'],
    ['coupler-1-2', '1/4'],
  ])
})

test('what drives has no cause to explain', () => {
  const solver = prepareSolver(boxOf(fourSpeed('constant-mesh')))
  expect(explainLock(solver, { 'coupler-1-2': '1' })).toBeUndefined()
})

test.each(PATTERNS.filter(({ id }) => id !== 'transfer-case').map(({ id }) => id))(
  'every lock of %s has a smallest cause: it locks alone, and no less of it does',
  (id) => {
    const pattern = buildPattern(id, 'box', {})
    let count = 13
    const counts: Record<string, number> = {}
    for (const gear of pattern.gears) {
      const kin = gear.id.replace('-b-', '-a-')
      counts[gear.id] = counts[kin] ?? (count += 2) + (gear.id.includes('ring') ? 60 : 0)
    }
    const draft = withCounts(pattern, counts)
    const solver = prepareSolver(boxOf(draft))
    const classified = classifyAll(solver)
    if (classified.kind !== 'table') throw new Error(classified.kind)
    const { table } = classified
    const locked = [...table.states.keys()].filter((number) =>
      isLocked(combinationAt(table, number)),
    )
    expect(locked.length).toBeGreaterThan(0)
    fc.assert(
      fc.property(fc.constantFrom(...locked), (number) => {
        const { places } = combinationAt(table, number)
        const cause = explainLock(solver, places)
        if (!cause) throw new Error('a lock without a cause')
        /** The same places with all couplers but these at their centre. */
        const stateOf = (ids: readonly string[]) =>
          analyse(
            solver,
            Object.fromEntries(
              draft.couplers.map((coupler) => [
                coupler.id,
                ids.includes(coupler.id)
                  ? (places[coupler.id] ?? '')
                  : (centreOf(coupler)?.id ?? places[coupler.id] ?? ''),
              ]),
            ),
          ).state
        const locks = (ids: readonly string[]) => isLocked({ state: stateOf(ids) })
        expect(cause.state).toBe(combinationAt(table, number).state)
        expect(locks(cause.couplers)).toBe(true)
        for (const out of cause.couplers)
          expect(locks(cause.couplers.filter((coupler) => coupler !== out))).toBe(false)
        // Where the input is free of the outputs it asks nothing of them.
        const [one, other] = cause.demands
        if (stateOf(cause.couplers) !== 'output-locked')
          expect(one && other && !one.speed.equals(other.speed)).toBe(true)
      }),
      { numRuns: 25 },
    )
  },
)
