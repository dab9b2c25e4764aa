import { fraction, lusolve } from 'mathjs'
import { Matrix, SVD, solve } from 'ml-matrix'

import {
  ZERO,
  analyse,
  analyseBox,
  checkBox,
  engagedLaws,
  prepareSolver,
  standingLaws,
  toNumber,
} from 'core'
import type { Box, BoxDraft, BoxPosition, Law } from 'core'

import { boxOf, eighteenSpeed } from './boxes.ts'
import { ms, pairOf, report } from './measure.ts'

/** All positions of the five-speed, complete, beside the same systems solved with mathjs. */
export function benchCore(draft: BoxDraft): void {
  const complete = (): void => {
    // As another value each time, so that nothing of it is known yet.
    const checked = checkBox({ ...draft })
    if (checked.ok) analyseBox(checked.box)
  }

  const checked = checkBox(draft)
  if (!checked.ok) throw new Error('the demo box does not hang together')
  const { box } = checked
  // Only the positions that drive: in neutral the system has no one solution.
  const systems = draft.positions
    .filter((position) => Object.keys(position.couplers).length > 0)
    .map((position) => {
      const laws = [...standingLaws(box), ...engagedLaws(box, position.couplers)]
      const rows = laws.map((law) =>
        box.bodies.map((body) =>
          toNumber(law.terms.find((term) => term.body === body)?.coefficient ?? ZERO),
        ),
      )
      return [...rows, box.bodies.map((body) => (body === draft.input ? 1 : 0))]
    })
  const { oursMs, referenceMs, times } = pairOf(complete, () => {
    for (const rows of systems)
      lusolve(
        rows.map((row) => row.map((entry) => fraction(entry))) as never,
        rows.map((_, at) => fraction(at === rows.length - 1 ? 1 : 0)),
      )
  })
  report(
    `Core: ${draft.positions.length} positions of the five-speed, checked, solved, with paths`,
    `${times.toFixed(1)} times as fast, ${ms(oursMs)}`,
    `speeds of ${systems.length} positions with mathjs fractions ${ms(referenceMs)}`,
    { 'under 1 ms': oursMs < 1, '30 times': times >= 30 },
  )
}

function lawsAt(box: Box, position: BoxPosition): readonly Law[] {
  return [...standingLaws(box), ...engagedLaws(box, position.couplers)]
}

/** Speeds, and torques with the least Σ λ², of one position by floats: two dense solutions. */
function solveByFloats(box: Box, position: BoxPosition): void {
  const { input, outputs } = box.draft
  const rows = lawsAt(box, position).map((law) =>
    box.bodies.map((body) =>
      toNumber(law.terms.find((term) => term.body === body)?.coefficient ?? ZERO),
    ),
  )
  const unit = (id: string | undefined): number[] => box.bodies.map((body) => (body === id ? 1 : 0))
  const speeds = solve(
    new Matrix([...rows, unit(input)]),
    Matrix.columnVector([...rows.map(() => 0), 1]),
    true,
  )
  const torques = new SVD(new Matrix([...rows, unit(outputs[0])]).transpose(), {
    autoTranspose: true,
  }).solve(Matrix.columnVector(unit(input).map((entry) => -entry)))
  if (speeds.rows !== box.bodies.length || torques.rows !== rows.length + 1)
    throw new Error('the float solution has another size')
}

/** Speeds, statics and path of the eighteen-speed, beside speeds and statics alone by floats. */
export function benchPositions(): void {
  const box = boxOf(eighteenSpeed())
  const driving = box.draft.positions.filter(
    (position) => analyse(prepareSolver(box), position.couplers).state === 'drive',
  )
  const hardest = driving.reduce((most, position) =>
    lawsAt(box, position).length > lawsAt(box, most).length ? position : most,
  )
  const solver = prepareSolver(box)
  const one = pairOf(
    () => {
      analyse(solver, hardest.couplers)
    },
    () => {
      solveByFloats(box, hardest)
    },
  )
  report(
    `Core: position ${hardest.label} of the eighteen-speed complete, with statics and path`,
    `${one.times.toFixed(1)} times as fast, ${ms(one.oursMs)}`,
    `speeds and torques with ml-matrix ${ms(one.referenceMs)}`,
    { 'under 2 ms': one.oursMs < 2, '5 times': one.times >= 5 },
  )
  const all = pairOf(
    () => {
      analyseBox(box)
    },
    () => {
      for (const position of driving) solveByFloats(box, position)
    },
  )
  report(
    `Core: all ${driving.length} driving positions of it`,
    `${all.times.toFixed(1)} times as fast, ${ms(all.oursMs)}`,
    `with ml-matrix ${ms(all.referenceMs)}`,
    { 'under 100 ms': all.oursMs < 100, '5 times': all.times >= 5 },
  )
}
