import { fraction, lusolve } from 'mathjs'

import { ZERO, analyseBox, checkBox, toNumber, engagedLaws, standingLaws } from 'core'
import type { BoxDraft } from 'core'

import { medianMs, ms, report } from './measure.ts'

/** All positions of the five-speed, complete, beside the same systems solved with mathjs. */
export function benchCore(draft: BoxDraft): void {
  const complete = medianMs(300, () => {
    const checked = checkBox(draft)
    if (checked.ok) analyseBox(checked.box)
  })

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
  const reference = medianMs(10, () => {
    for (const rows of systems)
      lusolve(
        rows.map((row) => row.map((entry) => fraction(entry))) as never,
        rows.map((_, at) => fraction(at === rows.length - 1 ? 1 : 0)),
      )
  })
  report(
    `Core: ${draft.positions.length} positions of the five-speed, checked, solved, with paths`,
    ms(complete),
    `speeds of ${systems.length} positions with mathjs fractions ${ms(reference)}, ${(reference / complete).toFixed(0)} times as long`,
    'under 1 ms, and 20 times',
  )
}
