/** Two states of one box side by side, and where they differ. */
import type { Analysis, BoxDraft, PositionAnalysis } from 'core'
import { indexBox, isToothCount, roadSpeedKmh, toNumber, withToothCounts } from 'core'

import { analyseDraft } from '~/views/box/analysis.ts'
import { ratioChanges } from '~/views/ratios/ratioChanges.ts'
import {
  formatExact,
  formatInverse,
  formatRatio,
  formatRoadSpeed,
  formatSpeed,
  formatTorque,
} from '~/words/format.ts'
import type { Naming } from '~/words/names.ts'
import { capitalize, couplerName } from '~/words/names.ts'
import type { Vocabulary } from '~/words/vocabulary.ts'
import { shortResult } from '~/words/results.ts'

import { PART_STATE_WORDS, partRows, speedWords } from './partRows.ts'
import type { TraceInput } from './traceInput.ts'

/** One side of a comparison. */
export interface Side {
  readonly title: string
  readonly naming: Naming
  readonly selected: PositionAnalysis
}

export interface CompareRow {
  readonly name: string
  readonly values: readonly [string, string]
  readonly differs: boolean
}

/** "main-2:38,counter-2:23" → other counts by gear; what is no gear or no count is left out. */
export function parseCounts(draft: BoxDraft, text: string | null): ReadonlyMap<string, number> {
  return new Map(
    (text ?? '').split(',').flatMap((pair) => {
      const at = pair.lastIndexOf(':')
      const [id, count] = [pair.slice(0, at), Number(pair.slice(at + 1))]
      return draft.gears.some((gear) => gear.id === id) && isToothCount(count)
        ? [[id, count] as const]
        : []
    }),
  )
}

/** As the address keeps them; empty for none. */
export function formatCounts(counts: ReadonlyMap<string, number>): string {
  return [...counts].map(([id, count]) => `${id}:${count}`).join(',')
}

/** The box in two of its positions. */
export function comparePositions(
  naming: Naming,
  one: PositionAnalysis,
  other: PositionAnalysis,
): readonly [Side, Side] {
  const side = (selected: PositionAnalysis): Side => ({
    title: `Position ${selected.position.label}`,
    naming,
    selected,
  })
  return [side(one), side(other)]
}

/** The box as it is and with other counts, in one position; undefined where such a box does not hang together. */
export function compareCounts(
  naming: Naming,
  words: Vocabulary,
  selected: PositionAnalysis,
  counts: ReadonlyMap<string, number>,
): readonly [Side, Side] | undefined {
  const changed = withToothCounts(naming.box.draft, counts)
  const found = analyseDraft(changed).positions.find(
    ({ position }) => position.id === selected.position.id,
  )
  const { label } = selected.position
  return (
    found && [
      { title: `Position ${label} as it is`, naming, selected },
      {
        title: `Position ${label} with the other counts`,
        naming: { box: indexBox(changed), words },
        selected: found,
      },
    ]
  )
}

/** The ratio of every position on both sides, where the two are of different boxes. */
export function compareRatiosOf([one, other]: readonly [Side, Side]): readonly CompareRow[] {
  return ratioChanges(one.naming.box.draft, other.naming.box.draft).map(
    ({ label, before, after }) => ({
      name: `Position ${label}`,
      values: [before, after],
      differs: before !== after,
    }),
  )
}

/** Gears and couplers in the order in which the power passes them. */
function pathText(naming: Naming, analysis: Analysis): string {
  if (analysis.state !== 'drive') return shortResult(analysis)
  return analysis.path
    .map(({ law, from, to }) => {
      const coupler = naming.box.couplers.get(law.source)
      if (coupler) return couplerName(naming, coupler)
      return [...from, ...to]
        .flatMap(({ gear }) => (gear ? [`${gear.label} ${gear.toothCount ?? '?'}`] : []))
        .join(' on ')
    })
    .filter((text) => text !== '')
    .join(' → ')
}

/** What is to be compared of one side, by name, in the order of the table. */
function figures({ naming, selected: { analysis } }: Side, input: TraceInput): Map<string, string> {
  const found = new Map<string, string>()
  const { finalDrive = null, rollingRadiusMm } = naming.box.draft
  if (analysis.state === 'drive') {
    const [output] = analysis.outputs
    const rpm = output ? toNumber(output.speed) * input.speedRpm : 0
    found.set('Ratio', formatRatio(analysis.ratio))
    found.set('Exactly', formatExact(analysis.ratio))
    found.set('Inverse', formatInverse(analysis.ratio))
    found.set('Output turns', analysis.ratio.sign() < 0 ? 'against the input' : 'with the input')
    found.set(
      'Torque out',
      formatTorque(
        output ? Math.abs(toNumber(output.torque)) * input.torqueNm : 0,
        input.torqueUnit,
      ),
    )
    found.set('Speed out', formatSpeed(Math.abs(rpm)))
    if (rollingRadiusMm)
      found.set(
        'Road speed',
        formatRoadSpeed(
          roadSpeedKmh(input.speedRpm / toNumber(analysis.ratio), rollingRadiusMm, finalDrive),
          input.roadSpeedUnit,
        ),
      )
  } else found.set('Ratio', shortResult(analysis))
  found.set(
    'Engaged',
    analysis.engaged.map(({ coupler }) => couplerName(naming, coupler)).join(', ') || 'nothing',
  )
  found.set('Path', pathText(naming, analysis))
  for (const row of partRows(naming, analysis, input))
    found.set(
      row.on === '' ? row.name : `${row.name}, ${row.on}`,
      [
        speedWords(row) || PART_STATE_WORDS[row.state],
        ...(row.torqueNm === 0 ? [] : [formatTorque(row.torqueNm, input.torqueUnit)]),
      ].join(', '),
    )
  return found
}

/** Every figure of both sides; a dash where only the other side has it. */
export function compareRows(
  sides: readonly [Side, Side],
  input: TraceInput,
): readonly CompareRow[] {
  const [one, other] = sides.map((side) => figures(side, input))
  const names = new Set([...(one?.keys() ?? []), ...(other?.keys() ?? [])])
  return [...names].map((name) => {
    const values = [one?.get(name) ?? '–', other?.get(name) ?? '–'] as const
    return { name: capitalize(name), values, differs: values[0] !== values[1] }
  })
}
