/** The order of real arrangements against facts of the bench (common practice). */
import { indexBox } from '../box/box.ts'
import { rowOf, withBuild } from '../box/pieces/index.ts'
import type { Chosen, PatternId } from '../box/patterns/index.ts'
import { PATTERNS, buildPattern, choose } from '../box/patterns/index.ts'
import type { BoxDraft, ClosingSide, Piece } from '../box/types.ts'
import { CLOSING_SIDES } from '../box/types.ts'
import { fourSpeed } from '../testing/boxes.ts'
import { stepsOff } from '../testing/removals.ts'
import { assemblyOf } from './assembly.ts'
import { orderOf } from './order.ts'

const four = withBuild(fourSpeed('sliding-idler'))

function downOf(draft: BoxDraft): readonly string[] {
  return orderOf(assemblyOf(draft)).down.map(({ part }) => part.id)
}

/** A box with a piece changed. */
function changed(draft: BoxDraft, is: (piece: Piece) => boolean, by: Partial<Piece>): BoxDraft {
  return {
    ...draft,
    pieces: draft.pieces?.map((piece) => (is(piece) ? { ...piece, ...by } : piece)),
  }
}

/** Every pattern as it is offered first, and with every other choice. */
function everyChoice(): readonly (readonly [PatternId, Chosen])[] {
  return PATTERNS.flatMap((pattern): (readonly [PatternId, Chosen])[] => [
    [pattern.id, {}],
    ...pattern.choices.flatMap(({ id, options }) =>
      options.map((option) => [pattern.id, choose(pattern, {}, id, option)] as const),
    ),
  ])
}

describe('every arrangement', () => {
  test.each(everyChoice())(
    '%s %j comes apart to the last part, each once, in an order that works',
    (id, chosen) => {
      const assembly = assemblyOf(withBuild(buildPattern(id, 'box', chosen)))
      const order = orderOf(assembly)
      expect(order.circle).toEqual([])
      const down = order.down.map(({ part }) => part.id)
      expect(new Set(down).size).toBe(assembly.parts.length)
      expect(stepsOff(assembly.parts, down)).toBe(true)
    },
  )
})

/**
 * Two bodies cannot be in one place. Teeth on the outside of a sleeve are over its hub, and are left
 * out; stations are whole millimetres.
 */
describe('what is proposed stands beside one another', () => {
  test.each(everyChoice())('%s %j', (id, chosen) => {
    const index = indexBox(withBuild(buildPattern(id, 'box', chosen)))
    const onSleeves = new Set(
      index.draft.gears.flatMap((gear) =>
        index.draft.couplers.some(
          ({ hub, stationMm }) => hub === gear.member && stationMm === gear.stationMm,
        )
          ? [`gear:${gear.id}`]
          : [],
      ),
    )
    const inOneAnother = index.draft.members.flatMap((member) => {
      const row = rowOf(index, member.id).filter(({ ref }) => !onSleeves.has(ref))
      return row.flatMap((one, at) =>
        row.slice(at + 1).flatMap((other) => {
          const byMm = Math.min(one.toMm, other.toMm) - Math.max(one.fromMm, other.fromMm)
          const isRound =
            one.boreMm >= (other.outsideMm ?? Infinity) ||
            other.boreMm >= (one.outsideMm ?? Infinity)
          return byMm > 1 && !isRound ? [[one.ref, other.ref, byMm]] : []
        }),
      )
    })
    expect(inOneAnother).toEqual([])
  })
})

/**
 * The order of every arrangement played through with walls: what closes the case is a wall at its
 * side until it is off, and what stands wider than its hole on either side of it holds it.
 */
describe('nothing is pushed through a wall (common practice: cover before shaft, flange before housing)', () => {
  test.each(everyChoice())('%s %j', (id, chosen) => {
    const draft = withBuild(buildPattern(id, 'box', chosen))
    const pieces = new Map(draft.pieces?.map((piece) => [`piece:${piece.id}`, piece]))
    const members = new Map(draft.members.map((member) => [`shaft:${member.id}`, member]))
    const { down } = orderOf(assemblyOf(draft))
    const isOn = new Set(down.flatMap(({ part }) => part.refs))
    /** Whether something stands at that end of its shaft. */
    const isTowards = (side: string | undefined, on: string, stationMm: number): boolean => {
      const shaft = members.get(`shaft:${on}`)
      if (!shaft) return false
      const isBehind = 2 * stationMm > shaft.fromMm + shaft.toMm
      return side === (isBehind ? 'output-end' : 'input-end')
    }
    const axisOf = (body: string): string | undefined =>
      draft.members.find(
        (each) => each.id === (draft.gears.find((gear) => gear.id === body)?.member ?? body),
      )?.axis
    for (const { part, way } of down) {
      for (const ref of part.refs) {
        const shaft = members.get(ref)
        if (shaft && (way.over === 'input-end' || way.over === 'output-end')) {
          const core = draft.members.find(
            (other) =>
              shaft.isHollow === true &&
              other.isHollow !== true &&
              other.axis === shaft.axis &&
              other.fromMm < shaft.toMm &&
              other.toMm > shaft.fromMm,
          )
          const isOut = core !== undefined && !isOn.has(`shaft:${core.id}`)
          const walls = [...pieces].filter(
            ([wall, { closesFrom, carries }]) =>
              isOn.has(wall) &&
              closesFrom === way.over &&
              (carries ?? []).some((body) => axisOf(body) === shaft.axis),
          )
          if (!isOut) expect([ref, walls.map(([wall]) => wall)]).toEqual([ref, []])
        }
        const closer = pieces.get(ref)
        if (closer?.closesFrom === undefined) continue
        const outside = [...pieces].filter(
          ([each, { kind, on, stationMm = 0 }]) =>
            isOn.has(each) &&
            (kind === 'flange' || kind === 'nut') &&
            on !== undefined &&
            closer.carries?.includes(on) === true &&
            isTowards(closer.closesFrom, on, stationMm),
        )
        expect([ref, outside.map(([each]) => each)]).toEqual([ref, []])
      }
      for (const ref of part.refs) isOn.delete(ref)
    }
  })

  test.each(everyChoice())(
    '%s %j: what stands beyond the bearing of an output stands in nothing else',
    (id, chosen) => {
      const draft = withBuild(buildPattern(id, 'box', chosen))
      const index = indexBox(draft)
      const beyond = new Set(['flange', 'nut', 'seal', 'speed-wheel'])
      for (const member of draft.outputs) {
        const row = rowOf(index, member)
        for (const one of row) {
          const kind = index.pieces.get(one.ref.replace(/^piece:/, ''))?.kind ?? ''
          if (!beyond.has(kind)) continue
          for (const other of row) {
            const overlap = Math.min(one.toMm, other.toMm) - Math.max(one.fromMm, other.fromMm)
            const isWithin =
              one.boreMm >= (other.outsideMm ?? Infinity) ||
              other.boreMm >= (one.outsideMm ?? Infinity)
            // The thread of a nut may reach into its flange.
            if (other !== one && !isWithin)
              expect([one.ref, other.ref, overlap <= 0.5]).toEqual([one.ref, other.ref, true])
          }
        }
      }
    },
  )
})

test.each(PATTERNS.map(({ id }) => id))(
  '%s: no fork is held by hand for longer than its rod takes (common practice)',
  (id) => {
    const draft = withBuild(buildPattern(id, 'box', {}))
    const down = downOf(draft)
    const kindAt = (at: number): string | undefined =>
      draft.pieces?.find((piece) => `piece:${piece.id}` === down[at])?.kind
    const forks = down.flatMap((_, at) => (kindAt(at) === 'fork' ? [at] : []))
    // Together it goes the other way: the fork into its groove, the rod through it at once.
    for (const at of forks) expect(kindAt(at - 1)).toBe('rod')
  },
)

describe('a four-speed with a countershaft', () => {
  const down = downOf(four)
  const pieceOf = (kind: string, is: (piece: Piece) => boolean = () => true): string => {
    const piece = four.pieces?.find((each) => each.kind === kind && is(each))
    if (!piece) throw new Error(`no ${kind}`)
    return kind === 'sleeve' ? `sleeve:${piece.coupler ?? ''}` : `piece:${piece.id}`
  }
  const of34 = ({ coupler }: Piece): boolean => coupler === 'coupler-3-4'

  test.each([
    ['bolts before what they hold', pieceOf('bolt'), pieceOf('cover')],
    ['the nut before the flange', pieceOf('nut'), pieceOf('flange')],
    ['the flange before the tail housing', pieceOf('flange'), pieceOf('tail-housing')],
    ['the cover before the rods', pieceOf('cover'), pieceOf('rod')],
    ['a detent before its rod', pieceOf('detent', of34), pieceOf('rod', of34)],
    ['a rod before its fork', pieceOf('rod', of34), pieceOf('fork', of34)],
    ['forks before the shaft that their sleeves are on', pieceOf('fork', of34), 'shaft:main'],
    ['the input shaft before the main shaft in it', 'shaft:input', 'shaft:main'],
    ['the main shaft before the countershaft below it', 'shaft:main', 'shaft:counter'],
    ['the pin before the idler', pieceOf('idler-pin'), 'shaft:idler'],
    ['all shafts before the case is empty', 'shaft:counter', pieceOf('case')],
    ['the sleeve before the keys under it', pieceOf('sleeve', of34), pieceOf('hub-key', of34)],
    ['keys before their hub', pieceOf('hub-key', of34), pieceOf('hub', of34)],
    [
      'the gear before the needles under it',
      'gear:main-3',
      pieceOf('needle-bearing', ({ carries }) => carries?.[0] === 'main-3'),
    ],
    ['a shaft out of the case before it is stripped', 'shaft:main', 'gear:main-3'],
  ])('%s', (_, first, then) => {
    expect(down).toContain(first)
    expect(down).toContain(then)
    expect(down.indexOf(first)).toBeLessThan(down.indexOf(then))
  })

  test('an interlock ball goes in before the last of its rods', () => {
    const up = [...down].reverse()
    const rods = four.pieces?.filter(({ kind }) => kind === 'rod').map(({ id }) => `piece:${id}`)
    const tied = four.interlocks?.[0]?.couplers ?? []
    const ofBall = rods?.filter((ref) =>
      tied.includes(four.pieces?.find(({ id }) => `piece:${id}` === ref)?.coupler ?? ''),
    )
    const last = Math.max(...(ofBall ?? []).map((ref) => up.indexOf(ref)))
    expect(up.indexOf(pieceOf('interlock-ball'))).toBeLessThan(last)
  })

  test('what is cut into its shaft is no part of its own', () => {
    const integral = four.gears.filter(({ mount }) => mount === 'integral')
    expect(integral.length).toBeGreaterThan(0)
    for (const { id } of integral) expect(down).not.toContain(`gear:${id}`)
  })
})

test('the case is turned over no more often than any other sequence of its sides needs', () => {
  const assembly = assemblyOf(four)
  const inCase = assembly.parts.filter(({ bench }) => bench === null)
  /** Takes off what it can from one side, one part after another. */
  const strip = (left: ReadonlySet<string>, face: ClosingSide): ReadonlySet<string> => {
    const rest = new Set(left)
    for (const _ of inCase)
      for (const { id, ways } of inCase)
        if (
          ways.some(
            (way) =>
              (way.face === null || way.face === face) &&
              way.blockedBy.every((each) => !rest.has(each)),
          )
        )
          rest.delete(id)
    return rest
  }
  let states: ReadonlySet<string>[] = [new Set(assembly.parts.map(({ id }) => id))]
  const isBare = (left: ReadonlySet<string>): boolean => inCase.every(({ id }) => !left.has(id))
  let sides = 0
  while (!states.some(isBare)) {
    sides++
    states = states.flatMap((left) => CLOSING_SIDES.map((face) => strip(left, face)))
  }
  expect(orderOf(assembly).turns).toBe(sides - 1)
})

test('what people state is kept, and a circle in it is named by its parts alone', () => {
  const stated = (...precedences: NonNullable<BoxDraft['precedences']>): BoxDraft => ({
    ...four,
    precedences,
  })
  const [one, other] = ['gear:main-3', 'piece:switch-1']
  const down = downOf(stated({ id: 'a', first: one, then: other }))
  expect(down.indexOf(other)).toBeLessThan(down.indexOf(one))
  const round = stated(
    { id: 'a', first: 'piece:switch-1', then: 'piece:bolt-1' },
    { id: 'b', first: 'piece:bolt-1', then: 'piece:switch-1' },
  )
  const order = orderOf(assemblyOf(round))
  expect([...order.circle].sort()).toEqual(['piece:bolt-1', 'piece:switch-1'])
  expect(order.down.length).toBeGreaterThan(0)
  expect(order.down.length + order.stuck.length).toBe(assemblyOf(round).parts.length)
  expect(assemblyOf(stated({ id: 'a', first: 'piece:gone', then: one })).lost).toEqual([
    'piece:gone',
  ])
})

test.each(everyChoice())(
  'as many balls, pins and plates are listed as the interlock is proven with: %s %j',
  (id, chosen) => {
    const draft = buildPattern(id, 'box', chosen)
    const listed = (draft.pieces ?? []).flatMap(({ kind, quantity = 1 }) =>
      kind.startsWith('interlock-')
        ? Array.from({ length: quantity }, () => kind.slice('interlock-'.length))
        : [],
    )
    const proven = (draft.interlockParts ?? []).map(({ kind }) => kind)
    expect(listed.sort()).toEqual(proven.sort())
  },
)

describe('statements that contradict one another about shafts hold them', () => {
  const transaxle = withBuild(buildPattern('transverse-transaxle', 'box', {}))
  const [input, output] = ['shaft:input', 'shaft:output']
  const stated = (draft: BoxDraft, ...pairs: (readonly [string, string])[]): BoxDraft => ({
    ...draft,
    precedences: pairs.map(([first, then], at) => ({ id: `p${at}`, first, then })),
  })

  test('where each comes out by itself', () => {
    const { circle } = orderOf(assemblyOf(stated(transaxle, [input, output], [output, input])))
    expect([...circle].sort()).toEqual([input, output])
  })

  test('where they lift as one, and one statement alone says nothing', () => {
    const closed = changed(transaxle, ({ kind }) => kind === 'cover', { closesFrom: 'output-end' })
    expect(orderOf(assemblyOf(stated(closed, [input, output]))).circle).toEqual([])
    const both = assemblyOf(stated(closed, [input, output], [output, input]))
    const { circle } = orderOf(both)
    expect(circle).toHaveLength(1)
    expect(both.parts.find(({ id }) => id === circle[0])?.refs).toEqual(
      expect.arrayContaining([input, output]),
    )
  })
})

test('a part that passes over neither end is named by itself, and the rest has its order', () => {
  const tight = changed(four, ({ id }) => id === 'ball-bearing-2', { boreMm: 5 })
  const order = orderOf(assemblyOf(tight))
  expect(order.circle).toEqual(['piece:ball-bearing-2'])
  expect(order.down.length).toBeGreaterThan(20)
})

test('shafts whose gears do not pass come out as one where the case opens at its ends only', () => {
  const transaxle = withBuild(buildPattern('transverse-transaxle', 'box', {}))
  const closed = changed(transaxle, ({ kind }) => kind === 'cover', { closesFrom: 'output-end' })
  const together = assemblyOf(closed).parts.find(({ refs }) => refs.includes('shaft:input'))
  expect(together?.refs).toContain('shaft:output')
  const apart = assemblyOf(transaxle).parts.find(({ refs }) => refs.includes('shaft:input'))
  expect(apart?.refs).toEqual(['shaft:input'])
})

test('a tube comes off the shaft that runs through it before the needles between them', () => {
  const dual = withBuild(buildPattern('dual-clutch', 'box', {}))
  const tube = dual.members.find(({ isHollow }) => isHollow === true)
  const needles = dual.pieces?.filter(
    ({ kind, carries }) => kind === 'needle-bearing' && carries?.[0] === tube?.id,
  )
  const down = downOf(dual)
  expect(needles?.length).toBeGreaterThan(0)
  for (const { id } of needles ?? [])
    expect(down.indexOf(`shaft:${tube?.id ?? ''}`)).toBeLessThan(down.indexOf(`piece:${id}`))
})

test('a box of which only the drawing is known has an order too', () => {
  const bare = fourSpeed('sliding-idler')
  const order = orderOf(assemblyOf(bare))
  expect(order.circle).toEqual([])
  expect(order.down.length).toBe(assemblyOf(bare).parts.length)
})
