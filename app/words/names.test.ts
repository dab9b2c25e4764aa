/** What parts are called, on a four-speed whose shafts and gears are known. */
import type { BoxDraft } from 'core'
import { buildPattern, indexBox } from 'core'

import type { Naming } from './names.ts'
import {
  bodyName,
  capitalize,
  countedName,
  couplerLabel,
  couplerName,
  gearName,
  lineName,
  partName,
  placeName,
  shortBodyName,
  written,
} from './names.ts'
import { PLAIN_WORDS } from './vocabulary.ts'

const draft = buildPattern('three-shaft', 'unit', { forward: '4', overdrives: 'none' })

function namingOf(box: BoxDraft): Naming {
  return { box: indexBox(box), words: PLAIN_WORDS }
}

const naming = namingOf(draft)

/** The box with other members. */
function withMembers(change: (member: BoxDraft['members'][number]) => object): Naming {
  return namingOf({
    ...draft,
    members: draft.members.map((member) => ({ ...member, ...change(member) })),
  })
}

test('only the first letter is made large', () => {
  expect([capitalize('main shaft'), capitalize('3rd'), capitalize('')]).toEqual([
    'Main shaft',
    '3rd',
    '',
  ])
})

test('a written name stands without the article that a sentence puts before it', () => {
  expect(written(naming, 'the blue shaft')).toBe('blue shaft')
  expect(written(naming, 'The  blue shaft')).toBe('blue shaft')
  expect(written(naming, 'theatre')).toBe('theatre')
  // Nothing but an article is a name all the same.
  expect(written(naming, 'the ')).toBe('the ')
})

test('a shaft without a name is called by its kind, several of one kind by numbers', () => {
  const nameless = withMembers(() => ({ name: undefined, kind: 'shaft' }))
  const names = draft.members.map(({ id }) => bodyName(nameless, id))
  expect(new Set(names).size).toBe(draft.members.length)
  names.forEach((name, at) => {
    expect(name).toMatch(new RegExp(` ${at + 1}$`))
  })
  const [first] = draft.members
  const one = withMembers(({ id }) => ({
    name: id === first?.id ? undefined : 'named',
    kind: 'shaft',
  }))
  expect(bodyName(one, first?.id ?? '')).not.toMatch(/\d/)
})

test('a gear is told by its shaft, an idler is not', () => {
  const third = draft.gears.find(({ id }) => id === 'main-3')
  if (!third) throw new Error('no third')
  expect(gearName(naming, third)).toBe('3rd gear, main shaft')
  const idler = withMembers(({ id }) => (id === 'main' ? { kind: 'idler' } : {}))
  expect(gearName(idler, third)).toBe(third.label)
  expect(partName(naming, 'main-3')).toBe(gearName(naming, third))
  expect(shortBodyName(naming, 'main-3')).toBe(third.label)
  expect(shortBodyName(naming, 'main')).toBe(bodyName(naming, 'main'))
})

test('a line is told by its name, or by the shafts on it', () => {
  const { axis = '' } = draft.members.find(({ id }) => id === 'counter') ?? {}
  expect(lineName(naming, axis)).toBe('countershaft')
  const named = { ...draft, axes: draft.axes.map((each) => ({ ...each, name: 'top' })) }
  expect(lineName(namingOf(named), axis)).toBe('top')
  expect(lineName(namingOf({ ...draft, members: [] }), axis)).toBe('no shaft')
})

test('a gear that is called as its part is has the name once', () => {
  const third = draft.gears.find(({ id }) => id === 'main-3')
  if (!third) throw new Error('no third')
  const named = (name: string) =>
    gearName(
      withMembers(({ id }) => (id === 'main' ? { name } : {})),
      { ...third, label: 'ring' },
    )
  expect([named('Ring'), named('ring 2'), named('ring carrier'), named('main shaft')]).toEqual([
    'Ring',
    'ring 2',
    'ring, ring carrier',
    'ring, main shaft',
  ])
})

test('what is not there is called by its id, so that a sentence still stands', () => {
  expect([bodyName(naming, 'gone'), partName(naming, 'gone')]).toEqual(['gone', 'gone'])
})

test('gears for which one count serves are named together', () => {
  const [main, counter] = ['main-3', 'counter-3'].map((id) =>
    draft.gears.find((gear) => gear.id === id),
  )
  if (!main || !counter) throw new Error('no pair')
  const twins = namingOf({
    ...draft,
    gears: draft.gears.map((gear) => (gear === counter ? { ...gear, twinOf: 'main-3' } : gear)),
  })
  expect(countedName(twins, main)).toBe('3rd gear, main shaft and countershaft')
  expect(countedName(naming, main)).toBe(gearName(naming, main))
})

describe('a coupler', () => {
  const coupler = draft.couplers.find(({ positions }) => positions.length === 3)
  if (!coupler) throw new Error('no coupler')

  test('is called after the positions that its places make, numbers first', () => {
    // Of a four-speed: one between first and second, one between third and direct (common practice).
    const labels = draft.couplers.map((each) => couplerLabel(naming, each))
    expect(labels).toEqual(expect.arrayContaining(['1–2', '3–4']))
    expect(couplerName(naming, coupler)).toMatch(/^(1–2|3–4) sleeve$/)
  })

  test('with a name of its own is called so, and by less of it where there is little room', () => {
    const named = { ...coupler, name: 'the splitter dog' }
    expect(couplerName(naming, named)).toBe('splitter dog')
    expect(couplerLabel(naming, named)).toBe('splitter')
  })

  test('a place that makes several positions, or none, is called by itself', () => {
    const [place] = coupler.positions.filter(({ engages }) => engages.length > 0)
    if (!place) throw new Error('no place')
    const none = namingOf({ ...draft, positions: [] })
    expect(placeName(none, coupler, place)).toBe(place.id)
    const twice = namingOf({
      ...draft,
      positions: draft.positions.flatMap((position) => [position, { ...position, id: 'again' }]),
    })
    expect(placeName(twice, coupler, place)).toBe(place.id)
  })
})
