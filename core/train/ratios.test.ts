import { analyseBox } from './analysis.ts'
import { formatFraction } from '../number/rational.ts'
import { buildPattern } from '../box/patterns/index.ts'
import {
  compareRatios,
  finalDriveRatio,
  finalPinionShaft,
  holdsFinalDrive,
  ratioPlaces,
} from './ratios.ts'
import { boxOf, fourSpeed } from '../testing/boxes.ts'

const draft = fourSpeed('constant-mesh')
const rows = compareRatios(analyseBox(boxOf(draft)), {
  ...draft,
  finalDrive: { drivingToothCount: 10, drivenToothCount: 40 },
})
const text = (value: Parameters<typeof formatFraction>[0] | null | undefined): string | null =>
  value ? formatFraction(value) : null

test('first 4 : 1 with final drive 4 : 1 is 16 : 1 overall (common practice)', () => {
  expect(text(rows[0]?.ratio)).toBe('4')
  expect(text(rows[0]?.overall)).toBe('16')
})

test('steps are i / i_next − 1 between neighbours of one sense (by hand)', () => {
  // 4, 14/5, 2, 1, neutral, reverse.
  expect(rows.map(({ stepToNext }) => text(stepToNext))).toEqual([
    '3/7',
    '2/5',
    '1',
    null,
    null,
    null,
  ])
})

test('without a final drive there is no overall ratio', () => {
  const [row] = compareRatios(analyseBox(boxOf(draft)), draft)
  expect(row?.overall).toBeNull()
})

test('a final drive of 43 on 11 teeth is 43/11', () => {
  expect(formatFraction(finalDriveRatio({ drivingToothCount: 11, drivenToothCount: 43 }))).toBe(
    '43/11',
  )
})

describe('a transaxle', () => {
  const pattern = buildPattern('transverse-transaxle', 'box', {})
  const counted = {
    ...pattern,
    gears: pattern.gears.map((each, at) => ({ ...each, toothCount: 20 + ((at * 7) % 23) })),
  }
  const box = boxOf(counted)
  const positions = analyseBox(box)

  it('holds its final drive; a box with one output and no differential does not', () => {
    expect(holdsFinalDrive(counted)).toBe(true)
    expect(holdsFinalDrive(draft)).toBe(false)
    // A differential between two axles reduces nothing by itself.
    const flanges = counted.members.map((each) =>
      each.kind === 'side-shaft' ? { ...each, kind: 'flange' as const } : each,
    )
    expect(holdsFinalDrive({ ...counted, members: flanges })).toBe(false)
  })

  it('has gearbox ratios at its pinion shaft, which the final drive takes to the side shafts', () => {
    const overall = compareRatios(positions, counted)
    const places = ratioPlaces(box, positions)
    const shafts = places.filter((id) => !counted.outputs.includes(id))
    expect(shafts.length).toBeGreaterThan(0)
    // In every position one and the same quotient, the final drive's, lies between the two.
    for (const at of shafts) {
      const alone = compareRatios(positions, counted, at)
      const quotients = new Set(
        overall.flatMap(({ ratio }, row) => {
          const inner = alone[row]?.ratio
          return ratio && inner ? [formatFraction(ratio.div(inner))] : []
        }),
      )
      expect(quotients.size).toBe(1)
      // Overall is the same wherever the turns are told.
      expect(alone.map((row) => text(row.overall))).toEqual(overall.map((row) => text(row.ratio)))
    }
  })
})

// Of a two-shaft transaxle the output shaft carries the pinion (common practice).
test('the shaft that drives the final drive within a box is named, where there is one', () => {
  const transaxle = buildPattern('transverse-transaxle', 'unit', {})
  const gears = transaxle.gears.map((gear, at) => ({ ...gear, toothCount: 20 + at }))
  const counted = { ...transaxle, gears }
  const drives = analyseBox(boxOf(counted)).flatMap(({ analysis }) =>
    analysis.state === 'drive' ? [analysis] : [],
  )
  expect(drives.length).toBeGreaterThan(4)
  for (const drive of drives)
    expect(counted.members.find(({ id }) => id === finalPinionShaft(counted, drive))?.kind).toBe(
      'output-shaft',
    )
  for (const { analysis } of analyseBox(boxOf(draft)))
    if (analysis.state === 'drive') expect(finalPinionShaft(draft, analysis)).toBeUndefined()
})
