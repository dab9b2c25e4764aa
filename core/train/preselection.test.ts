import { PATTERN_IDS, buildPattern } from '../box/patterns/index.ts'
import type { BoxDraft } from '../box/types.ts'
import { ONE, formatFraction } from '../number/rational.ts'
import { boxOf, dualClutch, withCounts } from '../testing/boxes.ts'
import { analyse, analyseBox, prepareSolver } from './analysis.ts'
import type { Preselection } from './preselection.ts'
import { clutchSlip, findPreselections } from './preselection.ts'

const DUAL = dualClutch()

function waitingFor(draft: BoxDraft, label: string): readonly Preselection[] {
  const position = draft.positions.find((each) => each.label === label)
  if (!position) throw new Error(`there is no ${label}`)
  return findPreselections(prepareSolver(boxOf(draft)), position)
}

function slipOf({ places, closing: [clutch] }: Preselection): string | null {
  const box = boxOf(DUAL)
  const slip = clutch && clutchSlip(box, analyse(prepareSolver(box), places), clutch)
  return slip ? formatFraction(slip) : null
}

const labels = (found: readonly Preselection[]) => found.map(({ position }) => position.label)

test('while one clutch carries, what is on the other shaft can wait (common practice)', () => {
  expect(labels(waitingFor(DUAL, '3'))).toEqual(['2', '4', '6'])
  expect(labels(waitingFor(DUAL, '4'))).toEqual(['1', '3', '5', '7', 'R'])
  expect(labels(waitingFor(DUAL, 'N'))).toEqual([])
})

test('it says which sleeve is in, which clutch opens and which closes', () => {
  const fourth = waitingFor(DUAL, '3').find(({ position }) => position.label === '4')
  expect(fourth?.waiting.map(({ coupler, place }) => [coupler.id, place.id])).toEqual([
    ['coupler-2-4', '4'],
  ])
  expect(fourth?.opening.map(({ coupler }) => coupler.id)).toEqual(['clutch-odd'])
  expect(fourth?.closing.map(({ coupler }) => coupler.id)).toEqual(['clutch-even'])
})

// The wheels keep their speed over a change, so the engine goes from i1 to i2: common practice.
test('the open clutch slips by the step of the ratios', () => {
  // From 6 to 4: the waiting shaft turns 4/6 as fast as the engine, a third slower.
  const [, fourth] = waitingFor(DUAL, '3')
  expect(fourth && slipOf(fourth)).toBe('-1/3')
  const forward = analyseBox(boxOf(DUAL)).filter(
    ({ analysis }) => analysis.state === 'drive' && analysis.ratio.sign() > 0,
  )
  const ratioOf = new Map(
    forward.map(({ position, analysis }) => [
      position.label,
      analysis.state === 'drive' ? analysis.ratio : null,
    ]),
  )
  for (const { position } of forward)
    for (const waiting of waitingFor(DUAL, position.label)) {
      const [from, to] = [ratioOf.get(position.label), ratioOf.get(waiting.position.label)]
      if (!from || !to) continue
      expect(slipOf(waiting)).toBe(formatFraction(to.div(from).sub(ONE)))
    }
})

test('the waiting position changes nothing of what drives, and both clutches would lock', () => {
  const solver = prepareSolver(boxOf(DUAL))
  for (const { places, closing } of waitingFor(DUAL, '3')) {
    const analysis = analyse(solver, places)
    expect(analysis.state === 'drive' && formatFraction(analysis.ratio)).toBe('6')
    const both = closing.map(({ coupler, place }) => [coupler.id, place.id] as const)
    expect(analyse(solver, { ...places, ...Object.fromEntries(both) }).state).toBe('input-locked')
  }
})

test('without counts nothing is said, and without a clutch nothing can wait', () => {
  expect(waitingFor(buildPattern('dual-clutch', 'box', {}), '3')).toEqual([])
  for (const id of PATTERN_IDS.filter((each) => each !== 'dual-clutch')) {
    const draft = buildPattern(id, 'box', {})
    const counts = Object.fromEntries(draft.gears.map((gear, at) => [gear.id, 20 + at]))
    const alike = draft.gears.some(({ twinOf }) => twinOf !== undefined)
    if (alike) continue
    const solver = prepareSolver(boxOf(withCounts(draft, counts)))
    for (const position of draft.positions) expect(findPreselections(solver, position)).toEqual([])
  }
})
