import { Matrix, SVD } from 'ml-matrix'

import type { Box, BoxDraft, CombinationTable } from 'core'
import {
  ZERO,
  addCoupler,
  addGear,
  addPlanetary,
  buildPattern,
  checkBox,
  classifyAll,
  combinationAt,
  countCombinations,
  engagedLaws,
  prepareSolver,
  standingLaws,
  toggleMesh,
  toNumber,
} from 'core'

import { medianMs, ms, report } from './measure.ts'

/** The largest box that the model is made for. */
const LARGEST = { gears: 60, couplers: 12, planetarySets: 3 }
/** Combinations solved with the general-purpose package, which is slow. */
const MOST_BY_SVD = 108
const BYTES_PER_MB = 1_000_000

/** Invented counts, the same on both countershafts. */
function counted(draft: BoxDraft): BoxDraft {
  const counts = new Map<string, number>()
  return {
    ...draft,
    gears: draft.gears.map((gear, at) => {
      const kin = gear.id.replace('-b-', '-a-')
      const toothCount = counts.get(kin) ?? 17 + ((at * 11) % 40) + (kin.includes('ring') ? 60 : 0)
      counts.set(kin, toothCount)
      return { ...gear, toothCount }
    }),
  }
}

/** A dual-clutch box with planetary sets, and pairs and sleeves up to the number that is asked for. */
function largeBox(couplers: number): BoxDraft {
  let draft = buildPattern('dual-clutch', 'large', { speeds: '7' })
  for (let sets = 0; sets < LARGEST.planetarySets; sets++)
    draft = addPlanetary(draft, sets % 2 === 0 ? 'upper' : 'lower').draft
  while (draft.gears.length + 2 <= LARGEST.gears) {
    const driving = addGear(draft, 'odd')
    const driven = addGear(driving.draft, 'upper')
    draft = toggleMesh(driven.draft, driving.added.id, driven.added.id, 'external-mesh')
    draft = {
      ...draft,
      gears: draft.gears.map((gear) =>
        gear.id === driven.added.id ? { ...gear, mount: 'free' as const } : gear,
      ),
    }
  }
  while (draft.couplers.length < couplers) draft = withSleeve(draft)
  return counted(draft)
}

/** A sleeve between two free gears that no coupler locks yet. */
function withSleeve(draft: BoxDraft): BoxDraft {
  const locked = new Set(
    draft.couplers.flatMap(({ positions }) =>
      positions.flatMap(({ engages }) =>
        engages.flatMap((engagement) => ('body' in engagement ? [engagement.body] : [])),
      ),
    ),
  )
  const [before, after] = draft.gears.filter(({ id, mount }) => mount === 'free' && !locked.has(id))
  if (!before || !after) throw new Error('the box has no free gears left to couple')
  const { draft: next, added } = addCoupler(draft, 'synchronizer', 'upper')
  return {
    ...next,
    couplers: next.couplers.map((coupler) =>
      coupler.id === added.id
        ? {
            ...coupler,
            positions: [
              {
                id: 'before',
                travel: 'towards-input',
                engages: [{ kind: 'lock', body: before.id }],
              },
              { id: 'centre', travel: 'centre', engages: [] },
              {
                id: 'after',
                travel: 'towards-output',
                engages: [{ kind: 'lock', body: after.id }],
              },
            ],
          }
        : coupler,
    ),
  }
}

function boxOf(draft: BoxDraft): Box {
  const checked = checkBox(draft)
  if (!checked.ok) throw new Error(`the box is faulty: ${JSON.stringify(checked.issues[0])}`)
  return checked.box
}

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
  const eighteen = boxOf(
    counted(buildPattern('heavy', 'eighteen', { speeds: '18', range: 'countershaft' })),
  )
  const table = tableOf(eighteen)
  const all = countCombinations(eighteen.draft)
  const ours = medianMs(60, () => tableOf(eighteen))
  const reference = medianMs(5, () => {
    classifyByFloats(eighteen, table, Math.min(all, MOST_BY_SVD))
  })
  report(
    `Core: all ${all} combinations of the eighteen-speed, judged, with exact ratios`,
    ms(ours),
    `their singular values with ml-matrix ${ms(reference)}, ${(reference / ours).toFixed(1)} times as long`,
    'under 50 ms',
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
  report(
    `Core: the largest box, ${LARGEST.gears} gears and ${LARGEST.couplers} couplers, all combinations`,
    ms(rows.at(-1)?.time ?? NaN),
    `with fewer couplers, and it: ${rows.map(({ text }) => text).join(' · ')}`,
    'cost grows with the number of combinations and not worse',
  )
}
