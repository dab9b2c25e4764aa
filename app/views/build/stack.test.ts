import { assemblyOf, buildPattern, indexBox, orderOf, pieceOfRef, withBuild } from 'core'

import { groupsOf } from './buildView.ts'
import { EMPTY_STACK, questionOf, stackAnswer, stackRows, withLength } from './stack.ts'

const draft = withBuild(buildPattern('three-shaft', 'unit', { forward: '4', overdrives: 'none' }))
const assembly = assemblyOf(draft)
const main = groupsOf(assembly, orderOf(assembly)).find(({ bench }) => bench === 'main')
if (!main) throw new Error('no main shaft')

const QUESTION = { room: { mm: 100, plusMinusMm: 0.05 }, plusMinusMm: 0.02, instead: undefined }

test('gears, hubs and washers are in a stack; needles, rings and keys are not, until they are put in', () => {
  const rows = stackRows(indexBox(draft), main, [])
  const isIn = (ref: string): boolean | undefined => rows.find(({ part }) => part.id === ref)?.isIn
  expect(isIn('gear:main-2')).toBe(true)
  expect(isIn('piece:hub-1')).toBe(true)
  const needle = rows.find(({ part }) => part.part.kind === 'needle-bearing')?.part.id ?? ''
  expect(isIn(needle)).toBe(false)
  const turned = stackRows(indexBox(draft), main, [needle, 'gear:main-2'])
  expect(turned.find(({ part }) => part.id === needle)?.isIn).toBe(true)
  expect(turned.find(({ part }) => part.id === 'gear:main-2')?.isIn).toBe(false)
})

test('there is no answer while a length is missing, or nothing is in it', () => {
  const rows = stackRows(indexBox(draft), main, [])
  expect(rows.some(({ isIn, lengthMm }) => isIn && lengthMm === undefined)).toBe(true)
  expect(stackAnswer(rows, QUESTION)).toBeUndefined()
  expect(stackAnswer([], QUESTION)).toBeUndefined()
})

test('the end play before and after a part is replaced, by hand', () => {
  const [first, second, third] = stackRows(indexBox(draft), main, [])
  if (!first || !second || !third) throw new Error('three parts')
  const rows = [
    { ...first, lengthMm: 60, isIn: true },
    { ...second, lengthMm: 39.8, isIn: true },
    { ...third, lengthMm: undefined, isIn: false },
  ]
  const answer = stackAnswer(rows, {
    ...QUESTION,
    instead: { part: second.part.id, lengthMm: 39.9 },
  })
  // 100 − 60 − 39.8 and 100 − 60 − 39.9; 0.05 + 2 × 0.02.
  expect(answer?.before.mm).toBeCloseTo(0.2, 12)
  expect(answer?.before.worstMm).toBeCloseTo(0.09, 12)
  expect(answer?.after?.mm).toBeCloseTo(0.1, 12)
  // What is out of the stack changes nothing when it is replaced.
  const none = stackAnswer(rows, { ...QUESTION, instead: { part: third.part.id, lengthMm: 1 } })
  expect(none?.after).toBeUndefined()
})

test('a length is kept with its gear or its piece, and taken out again', () => {
  const index = indexBox(draft)
  const of = (ref: string) => {
    const part = assembly.byRef.get(ref)
    if (!part) throw new Error(`no ${ref}`)
    return part
  }
  const gear = withLength(index, of('gear:main-2'), 17.5, undefined)
  expect(gear.gears.find(({ id }) => id === 'main-2')?.faceWidthMm).toBe(17.5)
  const hub = withLength(index, of('piece:hub-1'), 21, pieceOfRef(index, 'piece:hub-1'))
  expect(hub.pieces?.find(({ id }) => id === 'hub-1')?.lengthMm).toBe(21)
  const again = indexBox(hub)
  const none = withLength(again, of('piece:hub-1'), undefined, pieceOfRef(again, 'piece:hub-1'))
  expect(none.pieces?.find(({ id }) => id === 'hub-1')?.lengthMm).toBeUndefined()
})

test('what was entered in inches asks in millimetres, and nothing is asked without a room', () => {
  expect(questionOf(EMPTY_STACK)).toBeUndefined()
  const question = questionOf({
    ...EMPTY_STACK,
    room: { text: '2', unit: 'in' },
    roomDeviation: { text: '0.001', unit: 'in' },
    instead: { part: 'piece:hub-1', length: { text: '21.5', unit: 'mm' } },
  })
  // An inch is 25.4 mm (ISO 80000-3).
  expect(question?.room.mm).toBeCloseTo(50.8, 12)
  expect(question?.room.plusMinusMm).toBeCloseTo(0.0254, 12)
  expect(question?.plusMinusMm).toBe(0.02)
  expect(question?.instead).toEqual({ part: 'piece:hub-1', lengthMm: 21.5 })
  const chosen = questionOf({
    ...EMPTY_STACK,
    room: { text: '50', unit: 'mm' },
    instead: { part: 'piece:hub-1', length: null },
  })
  expect(chosen?.instead).toBeUndefined()
})
