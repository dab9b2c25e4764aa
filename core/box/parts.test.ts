import fc from 'fast-check'

import { applyEdit, inverseOf } from './edit.ts'
import type { Change } from './parts.ts'
import { applyChanges, diffDrafts, inverseChanges } from './parts.ts'
import { couplersOn, tangle, withPieces } from '../testing/arbitraries.ts'
import { fourSpeed } from '../testing/boxes.ts'
import type { BoxDraft } from './types.ts'

/** A draft as it is after a trip through JSON, without fields that are undefined. */
function plain(draft: BoxDraft): unknown {
  return JSON.parse(JSON.stringify(draft))
}

function changed(draft: BoxDraft, changes: readonly Change[]): BoxDraft {
  const result = applyChanges(draft, changes)
  if (!result.ok) throw new Error(`met ${JSON.stringify(result.met)}`)
  return result.draft
}

const anyDraft = fc.oneof(
  tangle,
  withPieces(couplersOn(tangle)),
  fc.constant(fourSpeed('constant-mesh')),
)

test('the difference of any two drafts leads from one to the other, and its inverse back', () => {
  fc.assert(
    fc.property(anyDraft, anyDraft, (one, other) => {
      const changes = diffDrafts(one, other)
      expect(plain(changed(one, changes))).toEqual(plain(other))
      expect(plain(changed(other, inverseChanges(changes)))).toEqual(plain(one))
    }),
    { numRuns: 200 },
  )
})

test('the difference survives JSON, and so do changes made twice', () => {
  fc.assert(
    fc.property(anyDraft, anyDraft, (one, other) => {
      const changes = JSON.parse(JSON.stringify(diffDrafts(one, other))) as readonly Change[]
      const once = changed(one, changes)
      expect(plain(once)).toEqual(plain(other))
      expect(changed(once, changes)).toBe(once)
    }),
    { numRuns: 100 },
  )
})

const draft = fourSpeed('constant-mesh')

function withGear(id: string, change: Readonly<Record<string, unknown>>): BoxDraft {
  return {
    ...draft,
    gears: draft.gears.map((gear) => (gear.id === id ? { ...gear, ...change } : gear)),
  }
}

describe('two people change one box', () => {
  const moved = withGear('main-1', { stationMm: 300 })
  const renamed = withGear('main-1', { label: 'low gear' })

  test('two fields of one part are both changed', () => {
    const both = changed(renamed, diffDrafts(draft, moved))
    expect(both.gears.find(({ id }) => id === 'main-1')).toMatchObject({
      stationMm: 300,
      label: 'low gear',
    })
  })

  test('one field changed to two things is met, and nothing at all is made', () => {
    const elsewhere = withGear('main-1', { stationMm: 280 })
    const twoChanges = diffDrafts(draft, { ...moved, name: 'other' })
    const result = applyChanges(elsewhere, twoChanges)
    expect(result).toMatchObject({ ok: false, met: { list: 'gears', id: 'main-1' } })
    const edit = { kind: 'change', changes: twoChanges } as const
    expect(applyEdit(elsewhere, edit)).toEqual({
      ok: true,
      draft: elsewhere,
      conflict: { code: 'change-not-placed', met: result.ok ? undefined : result.met },
    })
  })

  test('a part that somebody changed is not taken out unseen', () => {
    const without = { ...draft, gears: draft.gears.filter(({ id }) => id !== 'main-1') }
    expect(applyChanges(moved, diffDrafts(draft, without)).ok).toBe(false)
    expect(changed(draft, diffDrafts(draft, without)).gears).toHaveLength(draft.gears.length - 1)
  })

  test('a part that somebody took out is not changed unseen', () => {
    const without = { ...draft, gears: draft.gears.filter(({ id }) => id !== 'main-1') }
    expect(applyChanges(without, diffDrafts(draft, moved)).ok).toBe(false)
  })
})

test('undo puts a part back where it stood in its list', () => {
  const without = { ...draft, gears: draft.gears.filter(({ id }) => id !== 'main-2') }
  const edit = { kind: 'change', changes: diffDrafts(draft, without) } as const
  const [back] = inverseOf(edit)
  const result = back && applyEdit(without, back)
  expect(result?.ok && result.draft.gears).toEqual(draft.gears)
})

test('another order of lanes is a change of its own', () => {
  const turned = { ...draft, axes: [...draft.axes].reverse() }
  const changes = diffDrafts(draft, turned)
  expect(changes.map(({ kind }) => kind)).toEqual(['order'])
  expect(changed(draft, changes).axes).toEqual(turned.axes)
})
