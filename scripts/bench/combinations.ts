import { Matrix, SVD } from 'ml-matrix'

import type { Box, CombinationTable } from 'core'
import {
  ZERO,
  classifyAll,
  combinationAt,
  countCombinations,
  engagedLaws,
  prepareSolver,
  standingLaws,
  toNumber,
} from 'core'

import { LARGEST, boxOf, eighteenSpeed, largeBox } from './boxes.ts'
import { medianMs, ms, report, times, under } from './measure.ts'

/** Combinations solved with the general-purpose package, which is slow. */
const MOST_BY_SVD = 108
const BYTES_PER_MB = 1_000_000

function tableOf(box: Box): CombinationTable {
  const classified = classifyAll(prepareSolver(box))
  if (classified.kind !== 'table') throw new Error(classified.kind)
  return classified.table
}

/** What can turn, for each combination alone, by singular values of the whole system. */
function classifyByFloats(box: Box, table: CombinationTable, combinations: number): void {
  for (let number = 0; number < combinations; number++) {
    const laws = [...standingLaws(box), ...engagedLaws(box, combinationAt(table, number).places)]
    const rows = laws.map((law) =>
      box.bodies.map((body) =>
        toNumber(law.terms.find((term) => term.body === body)?.coefficient ?? ZERO),
      ),
    )
    const svd = new SVD(new Matrix(rows), { autoTranspose: true })
    if (svd.rank < 1) throw new Error('the box has no laws')
  }
}

/** All combinations of a large box, beside a general-purpose float solution one by one. */
export function benchCombinations(): void {
  const eighteen = boxOf(eighteenSpeed())
  const table = tableOf(eighteen)
  const all = countCombinations(eighteen.draft)
  const ours = medianMs(60, () => tableOf(eighteen))
  const reference = medianMs(5, () => {
    classifyByFloats(eighteen, table, Math.min(all, MOST_BY_SVD))
  })
  report(
    `Core: all ${all} combinations of the eighteen-speed, judged, with exact ratios`,
    `${times(reference, ours)} as fast, ${ms(ours)}`,
    `their singular values with ml-matrix ${ms(reference)}`,
    under(50, ours),
  )

  const rows = [8, 10, LARGEST.couplers].map((couplers) => {
    const box = boxOf(largeBox(couplers))
    const before = process.memoryUsage().heapUsed
    const combinations = countCombinations(box.draft)
    const time = medianMs(couplers === LARGEST.couplers ? 1 : 3, () => tableOf(box))
    const grown = (process.memoryUsage().heapUsed - before) / BYTES_PER_MB
    const each = ((time / combinations) * 1_000).toFixed(2)
    return {
      combinations,
      time,
      text: `${combinations}: ${ms(time)}, ${each} µs each, ${grown.toFixed(0)} MB`,
    }
  })
  const [first, last] = [rows[0], rows.at(-1)]
  const growth =
    first && last ? last.time / first.time / (last.combinations / first.combinations) : NaN
  report(
    `Core: the largest box, ${LARGEST.gears} gears and ${LARGEST.couplers} couplers, all combinations`,
    `each costs ${growth.toFixed(2)} times what it does with fewest, ${ms(last?.time ?? NaN)}`,
    `with fewer couplers, and it: ${rows.map(({ text }) => text).join(' · ')}`,
    { 'cost grows with the number of combinations and not worse': growth < 1.2 },
  )
}
