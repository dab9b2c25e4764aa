import type { Field, Fields } from 'core'
import {
  BOX,
  CHOICES,
  checkBox,
  diffDrafts,
  indexBox,
  movePart,
  removePart,
  setMount,
  warningKey,
} from 'core'

import { fourSpeed } from '../../core/testing/boxes.ts'
import { changesWords, editWords, originWords } from './changes.ts'
import { valueWords } from './fields.ts'
import { PLAIN_WORDS, vocabularyOf } from './vocabulary.ts'

const draft = fourSpeed('constant-mesh')

function words(after: typeof draft): readonly string[] {
  return changesWords(draft, PLAIN_WORDS, diffDrafts(draft, after)).map((line) =>
    line.replaceAll('\u00a0', ' '),
  )
}

test('an edit is told with whose it is, where somebody said so', () => {
  expect(originWords({ by: 'AB' })).toBe('by AB')
  expect(originWords({ by: '' })).toBe('')
})

test('a move says from where to where, in the unit chosen', () => {
  const station = draft.gears.find(({ id }) => id === 'main-1')?.stationMm ?? 0
  const moved = movePart(draft, { list: 'gears', id: 'main-1' }, 25.4)
  expect(words(moved)).toEqual([
    `1st gear, main shaft: station ${station.toFixed(2)} mm → ${(station + 25.4).toFixed(2)} mm`,
  ])
  const inches = vocabularyOf({ vocabulary: 'layshaft', ends: 'front-rear', lengthUnit: 'in' })
  const [line] = changesWords(draft, inches, diffDrafts(draft, moved))
  expect(line).toMatch(/in → .*\sin$/)
})

const WITHOUT_THIRD = removePart(draft, { list: 'gears', id: 'main-3' })
const THIRD_TAKEN_OUT = [
  'Taken out: 3rd gear, main shaft',
  'Taken out: pair in mesh of 3rd gear, countershaft with 3rd gear, main shaft',
  '3–4 sleeve: places: 3 taken out',
  'Taken out: position "3"',
]

test('what is taken out, with what went with it', () => {
  expect(words(WITHOUT_THIRD)).toEqual(THIRD_TAKEN_OUT)
})

test('what is gone is called as it was while it was there', () => {
  const taken = diffDrafts(draft, WITHOUT_THIRD)
  expect(changesWords(WITHOUT_THIRD, PLAIN_WORDS, taken).slice(0, 2)).toEqual(
    THIRD_TAKEN_OUT.slice(0, 2),
  )
  // Of parts that went at another time nothing but the link is known.
  const link = taken.filter((change) => change.kind === 'part' && change.list === 'links')
  expect(changesWords(WITHOUT_THIRD, PLAIN_WORDS, link)).toEqual(['Taken out: pair in mesh'])
})

test('what is another within a part is told by its own words, much of it as one', () => {
  const rods = [
    {
      id: 'rod-1',
      places: [
        { id: 'p1', couplers: { 'coupler-1-2': '1' } },
        { id: 'p2', couplers: {} },
      ],
    },
  ]
  const before = { ...draft, selectors: rods }
  const [rod] = rods
  if (!rod) throw new Error('no rod')
  const tell = (places: (typeof rod)['places'] | readonly object[]) =>
    changesWords(
      before,
      PLAIN_WORDS,
      diffDrafts(before, { ...before, selectors: [{ ...rod, places }] } as typeof before),
    ).map((line) => line.replaceAll('\u00a0', ' '))
  const [one, other] = rod.places
  expect(tell([one ?? {}, { ...other, travelMm: -8.5, gate: { row: 2, end: 'back' } }])).toEqual([
    '1–2 rod: places: the 2nd travel none → -8.5 mm, gate: row of the gate none → 2; end none → back',
  ])
  expect(tell([one ?? {}])).toEqual(['1–2 rod: places: the 2nd taken out'])
  expect(tell([{ ...one, couplers: {} }, other ?? {}])).toEqual([
    expect.stringMatching(/: places: the 1st moves 1–2 sleeve at 1 → nothing$/),
  ])
  expect(tell([other ?? {}, one ?? {}])).toEqual(['1–2 rod: places changed'])
  const many = ['a', 'b', 'c', 'd', 'e'].map((id) => ({ id, couplers: {} }))
  expect(tell([...rod.places, ...many])).toEqual(['1–2 rod: places changed'])
})

test('how a gear sits', () => {
  expect(words(setMount(draft, 'counter-2', 'integral'))).toEqual([
    '2nd gear, countershaft: sits fixed → integral',
  ])
})

test('a warning that is left says which, as long as its figures are the same', () => {
  const lone = removePart(draft, { list: 'links', id: 'pair-3' })
  const checked = checkBox(lone)
  const [issue] = checked.ok ? checked.warnings : []
  if (!issue) throw new Error('no warning')
  const left = { id: warningKey(issue), by: 'AB', at: '2026-01-31T12:00:00.000Z' }
  const change = diffDrafts(lone, { ...lone, leftWarnings: [left] })
  const back = diffDrafts({ ...lone, leftWarnings: [left] }, lone)
  const tell = (of: typeof draft, changes: typeof change) => changesWords(of, PLAIN_WORDS, changes)
  expect(tell(lone, change)).toEqual([expect.stringMatching(/^Warning left as it is: .*3rd gear/)])
  expect(tell(lone, back)).toEqual([expect.stringMatching(/^Warned again: .*3rd gear/)])
  expect(tell(draft, change)).toEqual(['Warning left as it is: its figures are others now'])
})

test('counts, names and the final drive', () => {
  const tell = (edit: Parameters<typeof editWords>[2]) =>
    editWords(draft, PLAIN_WORDS, edit).map((line) => line.replaceAll('\u00a0', ' '))
  expect(
    tell({ kind: 'count', gear: 'main-2', reading: 'second', toothCount: 36, base: null }),
  ).toEqual(['2nd gear, main shaft: second count, 36 teeth'])
  expect(tell({ kind: 'rename', name: 'new', base: 'old' })).toEqual(['Name: old → new'])
  expect(
    tell({
      kind: 'final-drive',
      finalDrive: { drivingToothCount: 9, drivenToothCount: 40 },
      base: null,
    }),
  ).toEqual(['Final drive: 40 on 9 teeth'])
  expect(tell(null)).toEqual(['A change that this Udrix does not know'])
})

/** Words of the trade that are written so. */
const WITH_HYPHEN = ['right-hand', 'left-hand', 'run-out']

describe('no name of the code stands in the history', () => {
  const naming = { box: indexBox(draft), words: PLAIN_WORDS }
  /** A name that no person writes: two words in one, or with hyphens and without spaces. */
  const isOfCode = (text: string): boolean =>
    /[a-z][A-Z]|^[a-z]+(-[a-z]+)+$/.test(text) && !WITH_HYPHEN.includes(text)

  /** Every field of a thing, and of what it holds. */
  const withinOf = (fields: Fields): readonly Field[] =>
    Object.values(fields).flatMap((field) => {
      const of = field.type === 'list' ? field.of : field
      const inside =
        of.type === 'group' ? [of.fields] : of.type === 'kinds' ? Object.values(of.kinds) : []
      return [field, ...inside.flatMap(withinOf)]
    })

  test('every field of a box has a word, and every choice in it', () => {
    const fields = withinOf(BOX)
    expect(fields.length).toBeGreaterThan(150)
    for (const field of fields) {
      expect([field.word, isOfCode(field.word)]).toEqual([field.word, false])
      if (field.type !== 'choice') continue
      for (const value of CHOICES[field.choice]) {
        const said = valueWords(naming, field, value)
        expect([field.word, value, isOfCode(said)]).toEqual([field.word, value, false])
      }
    }
  })

  test('figures have their unit and parts their names', () => {
    const [shaft] = draft.members
    if (!shaft) throw new Error('no shaft')
    const changed = {
      ...draft,
      members: draft.members.map((each) =>
        each === shaft ? { ...each, isHollow: true, inertiaKgM2: 0.02 } : each,
      ),
      couplers: draft.couplers.map((each, at) =>
        at === 0 ? { ...each, kind: 'range' as const, hub: 'counter' } : each,
      ),
    }
    expect(words(changed)).toEqual([
      'Input shaft: a tube none → yes, moment of inertia none → 0.02 kg·m²',
      '3–4 sleeve: kind sleeve → range coupler, hub main shaft → countershaft',
    ])
  })
})
