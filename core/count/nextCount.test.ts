import { analyseBox, buildPattern, countsFor, mostFinishing, withToothCounts } from '../index.ts'
import { boxOf } from '../testing/boxes.ts'
import type { BoxDraft, PositionAnalysis } from '../index.ts'

const draft = buildPattern('three-shaft', 'five-speed', {})

function positionsOf(each: BoxDraft): readonly PositionAnalysis[] {
  return analyseBox(boxOf(each))
}

function waitsFor(each: BoxDraft, label: string): readonly string[] {
  const found = positionsOf(each).find(({ position }) => position.label === label)
  if (!found) throw new Error(`no position ${label}`)
  return countsFor(each, found).map(({ id }) => id)
}

/** A box with the head pair counted: 24 on the input shaft, 37 on the countershaft. */
const headCounted = withToothCounts(
  draft,
  new Map(headPair().map((id, at) => [id, at === 0 ? 24 : 37])),
)

/** What all positions over the countershaft wait for together. Common practice: the head gears. */
function headPair(): readonly string[] {
  const lists = ['1', '2', '3'].map((label) => waitsFor(draft, label))
  return (lists[0] ?? []).filter((id) => lists.every((list) => list.includes(id)))
}

describe('counts that a position waits for', () => {
  it('third of an ordinary five-speed waits for four: the head pair and its own', () => {
    expect(waitsFor(draft, '3')).toHaveLength(4)
    expect(headPair()).toHaveLength(2)
  })

  it('direct waits for none', () => {
    expect(waitsFor(draft, '4')).toEqual([])
  })

  it('with the head pair counted it waits for its own pair', () => {
    expect(waitsFor(headCounted, '3')).toHaveLength(2)
  })
})

describe('the gear that finishes most', () => {
  it('is one of the head pair, which all positions wait for', () => {
    expect(headPair()).toContain(mostFinishing(draft, positionsOf(draft))?.id)
  })

  it('is the one left of a pair begun, before any other', () => {
    const [first = '', second = ''] = waitsFor(headCounted, '2')
    const begun = withToothCounts(headCounted, new Map([[first, 37]]))
    expect(mostFinishing(begun, positionsOf(begun))?.id).toBe(second)
  })

  it('is nobody when all is counted', () => {
    const whole = withToothCounts(draft, new Map(draft.gears.map(({ id }) => [id, 30])))
    expect(mostFinishing(whole, positionsOf(whole))).toBeUndefined()
  })

  it('leads to a whole position in as few counts as any order can', () => {
    let each = draft
    const fewest = Math.min(
      ...['1', '2', '3', '5', 'R'].map((label) => waitsFor(draft, label).length),
    )
    for (let count = 0; count < fewest; count++) {
      const gear = mostFinishing(each, positionsOf(each))
      if (!gear) throw new Error('nothing to count')
      each = withToothCounts(each, new Map([[gear.id, 20 + count]]))
    }
    const whole = ['1', '2', '3', '5', 'R'].filter((label) => waitsFor(each, label).length === 0)
    expect(whole.length).toBeGreaterThan(0)
  })
})
