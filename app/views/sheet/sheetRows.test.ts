import { applyEdit, buildPattern, diffDrafts } from 'core'
import type { BoxDraft } from 'core'

import { parseSheetLimit, parseSheetText, sheetRows, withSheetChange } from './sheetRows.ts'

const draft = buildPattern('three-shaft', 'box', {})

function rowOf(of: BoxDraft, kind: string, part?: string) {
  const row = sheetRows(of).find(({ asked }) => asked.kind === kind && asked.of === part)
  if (!row) throw new Error(`no line of ${kind}`)
  return row
}

test('a sheet has places for what a unit has, and nothing written in them', () => {
  const rows = sheetRows(draft)
  expect(rows.every(({ line }) => line === undefined)).toBe(true)
  const limits = rows.filter(({ asked }) => asked.kind === 'limit').map(({ asked }) => asked)
  expect(limits).toContainEqual({ kind: 'limit', measure: 'ring-gap' })
  expect(limits).toContainEqual({ kind: 'limit', measure: 'end-play', of: 'shaft:counter' })
  expect(limits).toContainEqual({ kind: 'limit', measure: 'end-play', of: 'gear:main-2' })
  expect(rows.some(({ asked }) => asked.kind === 'fastener')).toBe(true)
})

test('what is written is kept, changed and taken out again', () => {
  const once = withSheetChange(draft, rowOf(draft, 'serial'), { text: 'K 4471' })
  expect(once.sheet).toEqual([{ id: 'serial', kind: 'serial', text: 'K 4471' }])
  const twice = withSheetChange(once, rowOf(once, 'serial'), { from: 'plate on the case' })
  expect(rowOf(twice, 'serial').line).toMatchObject({ text: 'K 4471', from: 'plate on the case' })
  const none = withSheetChange(
    withSheetChange(twice, rowOf(twice, 'serial'), { text: undefined }),
    rowOf(twice, 'serial'),
    { text: undefined, from: undefined },
  )
  expect(none.sheet).toEqual([])
})

test('two people who write different lines at once both keep theirs', () => {
  const mine = withSheetChange(draft, rowOf(draft, 'serial'), { text: 'K 4471' })
  const theirs = withSheetChange(draft, rowOf(draft, 'oil-kind'), { text: 'thin' })
  const both = applyEdit(theirs, { kind: 'change', changes: diffDrafts(draft, mine) })
  expect(both.ok && both.draft.sheet?.map(({ text }) => text).sort()).toEqual(['K 4471', 'thin'])
})

test('an empty place that is left stays empty', () => {
  expect(withSheetChange(draft, rowOf(draft, 'serial'), { text: undefined })).toBe(draft)
})

test('two lines for one place, and a line of a part that is gone, are both seen', () => {
  const doubled: BoxDraft = {
    ...draft,
    sheet: [
      { id: 'a', kind: 'serial', text: '1' },
      { id: 'b', kind: 'serial', text: '2' },
      { id: 'c', kind: 'fastener', of: 'piece:gone', text: '25 N·m' },
    ],
  }
  const shown = sheetRows(doubled).flatMap(({ line }) => (line ? [line.id] : []))
  expect(shown).toEqual(['a', 'b', 'c'])
})

test('a text that is too long, a limit that is no number or backwards: a sentence each', () => {
  expect(parseSheetText('x'.repeat(201))).toEqual({
    ok: false,
    sentence: 'This has 201 characters; a line has 200 at most. Make two lines of it.',
  })
  expect(parseSheetLimit('wide', 'least', {}, 'mm')).toEqual({
    ok: false,
    sentence: '“wide” is no number. Write it as 0.05 or 3 7/8.',
  })
  expect(parseSheetLimit('0.30', 'least', { most: '0.10' }, 'mm')).toMatchObject({ ok: false })
  expect(parseSheetLimit('0.05', 'least', { most: '0.10' }, 'mm')).toEqual({
    ok: true,
    text: '0.05',
  })
})
