import { applyEdit, inverseOf } from './edit.ts'
import type { Edit } from './edit.ts'
import { trainDraft } from '../testing/boxes.ts'
import type { BoxDraft, Gear } from './types.ts'

const draft: BoxDraft = { ...trainDraft([[12, 24]]), name: 'old' }
const fresh: BoxDraft = {
  ...draft,
  gears: draft.gears.map((gear) => ({ ...gear, toothCount: null })),
}

function count(reading: 'first' | 'second', toothCount: number | null, base: number | null): Edit {
  return { kind: 'count', gear: 'driving-0', reading, toothCount, base }
}

function kept(before: BoxDraft, edit: Edit): BoxDraft {
  const result = applyEdit(before, edit)
  if (!result.ok) throw new Error(result.refusal.code)
  return result.draft
}

function gearOf(of: BoxDraft): Gear | undefined {
  return of.gears.find(({ id }) => id === 'driving-0')
}

describe('counts', () => {
  test('a first and a second count are entered beside one another', () => {
    const once = kept(fresh, count('first', 31, null))
    expect(gearOf(once)?.toothCount).toBe(31)
    expect(gearOf(kept(once, count('second', 32, null)))).toMatchObject({
      toothCount: 31,
      recount: 32,
    })
  })

  test('only the gear concerned is a new value', () => {
    const after = kept(fresh, count('first', 31, null))
    expect(after.gears[1]).toBe(fresh.gears[1])
    expect(after.members).toBe(fresh.members)
  })

  test('repeating an edit changes nothing and gives the same draft', () => {
    const once = kept(fresh, count('first', 31, null))
    expect(kept(once, count('first', 31, null))).toBe(once)
  })

  test('a count from a stale view becomes the second count', () => {
    const theirs = kept(fresh, count('first', 31, null))
    const result = applyEdit(theirs, count('first', 32, null))
    expect(result).toMatchObject({
      ok: true,
      conflict: { code: 'kept-as-second-count', gear: 'driving-0', theirs: 31, yours: 32 },
    })
    expect(result.ok && gearOf(result.draft)).toMatchObject({ toothCount: 31, recount: 32 })
  })

  test('with both places taken, a stale count changes nothing and is reported', () => {
    const theirs = kept(kept(fresh, count('first', 31, null)), count('second', 32, null))
    expect(applyEdit(theirs, count('first', 33, null))).toEqual({
      ok: true,
      draft: theirs,
      conflict: { code: 'count-not-placed', gear: 'driving-0', theirs: 31, yours: 33 },
    })
  })

  test('settling makes both counts the one that is right', () => {
    const disputed = kept(kept(fresh, count('first', 31, null)), count('second', 32, null))
    const settle: Edit = {
      kind: 'settle',
      gear: 'driving-0',
      toothCount: 32,
      base: { first: 31, second: 32 },
    }
    const settled = kept(disputed, settle)
    expect(gearOf(settled)).toMatchObject({ toothCount: 32, recount: 32 })
    // Sent once more, it does no harm.
    expect(kept(settled, settle)).toBe(settled)
  })

  test('a settling of counts that no longer stand is not placed', () => {
    const disputed = kept(kept(fresh, count('first', 31, null)), count('second', 32, null))
    const recounted = kept(disputed, count('second', 33, 32))
    expect(
      applyEdit(recounted, {
        kind: 'settle',
        gear: 'driving-0',
        toothCount: 32,
        base: { first: 31, second: 32 },
      }),
    ).toEqual({
      ok: true,
      draft: recounted,
      conflict: {
        code: 'settling-not-placed',
        gear: 'driving-0',
        theirs: { first: 31, second: 33 },
        yours: 32,
      },
    })
  })

  test.each([4, 401, 12.5])('%d teeth are refused', (toothCount) => {
    expect(applyEdit(fresh, count('first', toothCount, null))).toEqual({
      ok: false,
      refusal: { code: 'impossible-count', toothCount },
    })
  })

  test('a gear that is gone is refused', () => {
    expect(applyEdit(fresh, { ...count('first', 20, null), gear: 'gone' } as Edit)).toEqual({
      ok: false,
      refusal: { code: 'unknown-gear', gear: 'gone' },
    })
  })
})

describe('names', () => {
  test('a name is trimmed and kept', () => {
    expect(kept(draft, { kind: 'rename', name: '  new ', base: 'old' }).name).toBe('new')
  })

  test('an empty name is refused', () => {
    expect(applyEdit(draft, { kind: 'rename', name: '  ', base: 'old' })).toEqual({
      ok: false,
      refusal: { code: 'empty-name' },
    })
  })

  test('a name of 120 characters is kept whole; a longer one is refused, not cut', () => {
    const rename = (length: number) => ({
      kind: 'rename' as const,
      name: ` ${'x'.repeat(length)} `,
      base: 'old',
    })
    expect(kept(draft, rename(120)).name).toBe('x'.repeat(120))
    expect(applyEdit(draft, rename(121))).toEqual({
      ok: false,
      refusal: { code: 'long-name', length: 121 },
    })
  })

  test('a name given on a stale view does not overwrite', () => {
    expect(applyEdit(draft, { kind: 'rename', name: 'mine', base: 'older' })).toEqual({
      ok: true,
      draft,
      conflict: { code: 'name-not-placed', theirs: 'old', yours: 'mine' },
    })
  })
})

describe('the final drive', () => {
  const yours = { drivingToothCount: 11, drivenToothCount: 43 }
  const theirs = { drivingToothCount: 9, drivenToothCount: 40 }

  test('is kept with the box', () => {
    expect(kept(draft, { kind: 'final-drive', finalDrive: yours, base: null }).finalDrive).toEqual(
      yours,
    )
  })

  test('set on a stale view does not overwrite', () => {
    const before = { ...draft, finalDrive: theirs }
    expect(applyEdit(before, { kind: 'final-drive', finalDrive: yours, base: null })).toEqual({
      ok: true,
      draft: before,
      conflict: { code: 'final-drive-not-placed', theirs, yours },
    })
  })

  test('with an impossible count is refused', () => {
    const finalDrive = { drivingToothCount: 2, drivenToothCount: 43 }
    expect(applyEdit(draft, { kind: 'final-drive', finalDrive, base: null })).toEqual({
      ok: false,
      refusal: { code: 'impossible-count', toothCount: 2 },
    })
  })
})

test.each<readonly [string, Edit]>([
  ['a first count', count('first', 31, 12)],
  ['a second count', count('second', 31, null)],
  [
    'a settled dispute',
    { kind: 'settle', gear: 'driving-0', toothCount: 14, base: { first: 12, second: null } },
  ],
  ['a new name', { kind: 'rename', name: 'new', base: 'old' }],
  [
    'a final drive',
    { kind: 'final-drive', finalDrive: { drivingToothCount: 9, drivenToothCount: 40 }, base: null },
  ],
])('the inverse takes %s back', (_name, edit) => {
  const before: BoxDraft = {
    ...draft,
    finalDrive: null,
    gears: draft.gears.map((gear) => ({ ...gear, recount: null })),
  }
  const after = kept(before, edit)
  expect(after).not.toEqual(before)
  expect(inverseOf(edit).reduce(kept, after)).toEqual(before)
})

describe('twins', () => {
  const [first, ...others] = fresh.gears
  const twins: BoxDraft = {
    ...fresh,
    gears: [...fresh.gears, { ...(first ?? others[0]), id: 'twin', twinOf: 'driving-0' } as Gear],
  }
  const countsOf = (of: BoxDraft, id: string) => {
    const gear = of.gears.find((each) => each.id === id)
    return [gear?.toothCount, gear?.recount ?? null]
  }

  test('a count goes for both, and taking it back takes both back', () => {
    const edit = count('first', 31, null)
    const counted = kept(twins, edit)
    expect(countsOf(counted, 'driving-0')).toEqual([31, null])
    expect(countsOf(counted, 'twin')).toEqual([31, null])
    const back = inverseOf(edit).reduce(kept, counted)
    expect(countsOf(back, 'twin')).toEqual([null, null])
  })

  test('the second count, of the twin, confirms or disputes both; settling settles both', () => {
    const disputed = kept(kept(twins, count('first', 31, null)), count('second', 32, null))
    expect(countsOf(disputed, 'twin')).toEqual([31, 32])
    const settled = kept(disputed, {
      kind: 'settle',
      gear: 'driving-0',
      toothCount: 32,
      base: { first: 31, second: 32 },
    })
    expect(countsOf(settled, 'driving-0')).toEqual([32, 32])
    expect(countsOf(settled, 'twin')).toEqual([32, 32])
  })

  test('a twin that has other counts keeps them', () => {
    const apart = kept(twins, { ...count('first', 30, null), gear: 'twin' } as Edit)
    const lone = {
      ...apart,
      gears: apart.gears.map((each) => (each.id === 'twin' ? { ...each, recount: 29 } : each)),
    }
    expect(countsOf(kept(lone, count('first', 31, 30)), 'twin')).toEqual([30, 29])
  })
})
