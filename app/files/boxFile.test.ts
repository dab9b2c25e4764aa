import { readFileSync, readdirSync } from 'node:fs'
import path from 'node:path'

import fc from 'fast-check'

import type { Fields, FieldsOf } from 'core'
import { BOX, PART_LISTS, checkBox, threeShaftBox } from 'core'

import { tangle, withPieces } from '../../core/testing/arbitraries.ts'
import { thingOf } from '../../core/testing/things.ts'
import { ROOT } from '../../scripts/paths.mjs'
import { formatBoxFile, parseBoxFile, partSchemas } from './boxFile.ts'

const draft = threeShaftBox({ name: 'box', forwardCount: 5, directAt: 4, reverse: 'constant-mesh' })
const content = (): Record<string, unknown> =>
  JSON.parse(formatBoxFile(draft)) as Record<string, unknown>
const issuesOf = (value: unknown) => {
  const parsed = parseBoxFile(typeof value === 'string' ? value : JSON.stringify(value))
  return parsed.ok ? [] : parsed.issues
}

test('what is written is read back as it was', () => {
  for (const forwardCount of [3, 4, 5, 6] as const)
    for (const reverse of ['sliding-idler', 'constant-mesh'] as const) {
      const pattern = threeShaftBox({ name: 'p', forwardCount, directAt: 3, reverse })
      expect(parseBoxFile(formatBoxFile(pattern))).toEqual({ ok: true, draft: pattern })
    }
  fc.assert(
    fc.property(fc.oneof(tangle, withPieces(tangle)), (random) => {
      expect(parseBoxFile(formatBoxFile(random))).toEqual({ ok: true, draft: random })
    }),
    { numRuns: 100 },
  )
})

test('text that is not JSON', () => {
  expect(issuesOf('{')).toEqual([
    {
      path: [],
      message: 'This file is not JSON, so it is not a box file. Choose a file that Udrix exported.',
    },
  ])
})

test('a file over 1 MB', () => {
  expect(issuesOf(' '.repeat(1_000_001))[0]?.message).toContain('over 1 MB')
})

test('JSON that is something else', () => {
  for (const other of [null, [], 3, { format: 'song' }])
    expect(issuesOf(other)[0]).toMatchObject({ path: ['format'] })
})

test('a file from a newer version says so', () => {
  expect(issuesOf({ ...content(), version: 2 })).toEqual([
    {
      path: ['version'],
      message:
        'This file has version 2 of the format; this Udrix reads version 1. Open it with a newer Udrix.',
    },
  ])
  expect(issuesOf({ ...content(), version: 'one' })[0]).toMatchObject({ path: ['version'] })
})

test('an unknown field is refused at its place', () => {
  expect(issuesOf({ ...content(), colour: 'red' })).toEqual([
    {
      path: [],
      message:
        'Udrix does not know "colour" here. Take it out, or open the file with the version of Udrix that wrote it.',
    },
  ])
})

const track = {
  coupler: 'coupler-3-4',
  points: [
    { angleDeg: 0, travelMm: 0 },
    { angleDeg: 90, travelMm: 8 },
  ],
  touchesFromMm: 2,
  carriesFromMm: 5,
}

test.each([
  [
    'an end of the gate in row 9',
    {
      selectors: [{ id: 'a', places: [{ id: 'x', couplers: {}, gate: { row: 9, end: 'back' } }] }],
    },
    /Row of the gate: a whole number, 1 to 6/,
  ],
  [
    'a fifth lever',
    { selectors: [{ id: 'a', places: [], lever: 5 }] },
    /Lever: a whole number, 1 to 4/,
  ],
  [
    'a ball between three rods',
    { interlockParts: [{ id: 'a', kind: 'ball', selectors: ['1', '2', '3'] }] },
    /A ball lies between two rods/,
  ],
  [
    'a ball between one rod',
    { interlockParts: [{ id: 'a', kind: 'ball', selectors: ['1', '1'] }] },
    /Each rod is named once/,
  ],
  [
    'five drums',
    { drums: ['a', 'b', 'c', 'd', 'e'].map((id) => ({ id, tracks: [], stops: [] })) },
    /./,
  ],
  [
    'points out of order',
    {
      drums: [{ id: 'a', stops: [], tracks: [{ ...track, points: [...track.points].reverse() }] }],
    },
    /stand in the order of the turn/,
  ],
  [
    'a point at 360°',
    {
      drums: [
        { id: 'a', stops: [], tracks: [{ ...track, points: [{ angleDeg: 360, travelMm: 0 }] }] },
      ],
    },
    /below 360°/,
  ],
  [
    'dogs that carry before they touch',
    { drums: [{ id: 'a', stops: [], tracks: [{ ...track, carriesFromMm: 1 }] }] },
    /Dogs touch before they are deep enough/,
  ],
  [
    'two stops at one angle',
    { drums: [{ id: 'a', tracks: [], stops: [{ angleDeg: 3 }, { angleDeg: 3 }] }] },
    /Stops stand in the order of the turn/,
  ],
])('%s is refused with a sentence', (_, parts, sentence) => {
  expect(issuesOf({ ...content(), ...parts })[0]?.message).toMatch(sentence)
})

test('a friction of 3 is refused at its ring', () => {
  const couplers = draft.couplers.map((coupler, at) =>
    at === 0
      ? {
          ...coupler,
          positions: coupler.positions.map((place) => ({ ...place, ring: { friction: 3 } })),
        }
      : coupler,
  )
  expect(issuesOf({ ...content(), couplers })[0]).toEqual({
    path: ['couplers', 0, 'positions', 0, 'ring', 'friction'],
    message: 'Friction of ring and cone: 0.01 to 0.5.',
  })
})

test('a missing field and an impossible count are told with their path', () => {
  const { input: _input, ...rest } = content()
  expect(issuesOf(rest)).toEqual([{ path: ['input'], message: 'This is missing.' }])
  const gears = draft.gears.map((gear, at) => (at === 3 ? { ...gear, toothCount: 4 } : gear))
  expect(issuesOf({ ...content(), gears })).toEqual([
    { path: ['gears', 3, 'toothCount'], message: 'Teeth: a whole number, 5 to 400.' },
  ])
})

test('ten thousand gears are too many', () => {
  const gears = Array.from({ length: 10_000 }, (_, at) => ({
    id: `g${at}`,
    label: 'g',
    member: 'main',
    mount: 'free',
    toothCount: 20,
    stationMm: 1,
  }))
  expect(issuesOf({ ...content(), gears })).toContainEqual({
    path: ['gears'],
    message: 'More than 120 gears: no gearbox that Udrix can draw has so many.',
  })
})

test('what is wrong with a piece is told at its place, and five thousand are too many', () => {
  const pieces = (count: number, rest: object = {}) =>
    Array.from({ length: count }, (_, at) => ({ id: `p${at}`, kind: 'spacer', ...rest }))
  expect(issuesOf({ ...content(), pieces: pieces(5_000) })).toContainEqual({
    path: ['pieces'],
    message:
      'More than 1000 parts on shafts and in the case: no gearbox that Udrix can draw has so many.',
  })
  expect(
    issuesOf({ ...content(), pieces: pieces(1, { partNumber: '7'.repeat(10_000), boreMm: 0 }) }),
  ).toEqual([
    {
      path: ['pieces', 0, 'boreMm'],
      message: 'This length must be more than 0 mm, and no gearbox is longer than 100 m.',
    },
    { path: ['pieces', 0, 'partNumber'], message: 'This has 60 characters at most.' },
  ])
})

test('nesting without end is refused', () => {
  const deep = (depth: number) => '['.repeat(depth) + ']'.repeat(depth)
  const tooDeep = { path: [], message: expect.stringContaining('nested deeper') as string }
  expect(issuesOf(deep(200_000))[0]).toMatchObject(tooDeep)
  const within = formatBoxFile(draft).replace('"axes": [', `"axes": [${deep(200_000)},`)
  expect(issuesOf(within)[0]).toMatchObject(tooDeep)
})

test.each(['__proto__', 'constructor', 'toString'])('no part is called %s', (word) => {
  const [coupler] = draft.couplers
  const file = formatBoxFile(draft).replaceAll(JSON.stringify(coupler?.id), JSON.stringify(word))
  expect(issuesOf(file)).toContainEqual({
    path: ['couplers', 0, 'id'],
    message: 'This word cannot be an id. Write another.',
  })
})

test('a thousand wrong gears are told by twenty', () => {
  const gears = Array.from({ length: 100 }, () => ({}))
  expect(issuesOf({ ...content(), gears })).toHaveLength(20)
})

test('any text is either read or refused with a sentence, and never throws', () => {
  const bent = fc
    .tuple(fc.nat(formatBoxFile(draft).length - 1), fc.string({ maxLength: 5 }), fc.nat(40))
    .map(([at, inserted, cut]) => {
      const text = formatBoxFile(draft)
      return text.slice(0, at) + inserted + text.slice(at + cut)
    })
  fc.assert(
    fc.property(fc.oneof(fc.string(), fc.json(), bent), (text) => {
      const parsed = parseBoxFile(text)
      if (parsed.ok) expect(typeof checkBox(parsed.draft).ok).toBe('boolean')
      else for (const { message } of parsed.issues) expect(message).toMatch(/\S+ \S+/)
    }),
    { numRuns: 300 },
  )
})

test.each(PART_LISTS.filter((list) => !['interlockParts', 'drums', 'precedences'].includes(list)))(
  'whatever the fields of %s allow is read back as it was written',
  (list) => {
    // Lists left out here have rules between their fields, and tests of their own above.
    const { of } = BOX[list]
    const parts: readonly Fields[] = of.type === 'kinds' ? Object.values(of.kinds) : [of.fields]
    for (const fields of parts)
      fc.assert(
        fc.property(
          thingOf(fields as unknown as FieldsOf<Readonly<Record<string, unknown>>>),
          (part) => {
            const whole = {
              ...(part as object),
              ...(of.type === 'kinds' && kindOf(of.kinds, fields)),
            }
            // What cannot be in a shaft step or in dogs is told at them.
            const parsed = partSchemas[list].safeParse(whole)
            const isRule =
              !parsed.success && parsed.error.issues.every(({ code }) => code === 'custom')
            if (!isRule) expect(parsed.data).toEqual(whole)
          },
        ),
      )
  },
)

function kindOf(kinds: Readonly<Record<string, Fields>>, fields: Fields): { kind: string } {
  const found = Object.keys(kinds).find((kind) => kinds[kind] === fields)
  return { kind: found ?? '' }
}

const KEPT = path.join(ROOT, 'app/.server/demo/boxes')

test.each(readdirSync(KEPT))(
  '%s, kept as it was written, is written so again to the last letter',
  (file) => {
    const kept = readFileSync(path.join(KEPT, file), 'utf8')
    const parsed = parseBoxFile(kept)
    if (!parsed.ok) throw new Error(JSON.stringify(parsed.issues))
    const plain = (text: string): string => JSON.stringify(JSON.parse(text))
    expect(plain(formatBoxFile(parsed.draft))).toBe(plain(kept))
  },
)
