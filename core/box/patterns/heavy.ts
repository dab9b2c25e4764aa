/**
 * A heavy box: a main box with two countershafts that share the load, a range
 * section behind it that multiplies every position by two, and with some a
 * splitter before it that does so once more.
 */
import type { BoxDraft, Gear } from '../types.ts'
import type { Place } from './builder.ts'
import {
  FACE_MM,
  GAP_MM,
  PatternBuilder,
  SLEEVE_MM,
  STUB_MM,
  gatePlace,
  holds,
  locks,
  ordinal,
} from './builder.ts'

export const HEAVY_COUNTS = [9, 10, 12, 13, 16, 18] as const
export const RANGE_KINDS = ['planetary', 'countershaft'] as const

interface HeavyChoices {
  readonly name: string
  readonly forwardCount: (typeof HEAVY_COUNTS)[number]
  readonly range: (typeof RANGE_KINDS)[number]
}

interface Plan {
  /** Places of the main box below its direct one; "C" is a crawler. */
  readonly mainGears: readonly string[]
  readonly hasSplitter: boolean
  /** Whether the splitter may also be used in the low range. */
  readonly splitsLow: boolean
}

const PLANS: Readonly<Record<HeavyChoices['forwardCount'], Plan>> = {
  9: { mainGears: ['C', '1', '2', '3'], hasSplitter: false, splitsLow: false },
  10: { mainGears: ['1', '2', '3', '4'], hasSplitter: false, splitsLow: false },
  12: { mainGears: ['1', '2'], hasSplitter: true, splitsLow: true },
  13: { mainGears: ['C', '1', '2', '3'], hasSplitter: true, splitsLow: false },
  16: { mainGears: ['1', '2', '3'], hasSplitter: true, splitsLow: true },
  18: { mainGears: ['C', '1', '2', '3'], hasSplitter: true, splitsLow: true },
}

/** The two countershafts, with their lines and those of the reverse idlers beside them. */
const SIDES = ['a', 'b'] as const

/** What stands on the second side is a twin of what stands on the first. */
function twinOn(side: (typeof SIDES)[number], first: string): Pick<Gear, 'twinOf'> {
  return side === SIDES[0] ? {} : { twinOf: first }
}

const LABELS: Readonly<Record<string, string>> = { C: 'crawler gear', R: 'reverse gear' }

/** The pattern as a draft, with every gear still to be counted. */
export function heavyBox({ name, forwardCount, range }: HeavyChoices): BoxDraft {
  const { mainGears, hasSplitter, splitsLow } = PLANS[forwardCount]
  const build = new PatternBuilder(name)
  build.lanes('idler-a-line', 'counter-a-line', 'main-line', 'counter-b-line', 'idler-b-line')

  /** A gear of the main line in mesh with one on each countershaft. */
  const threesome = (id: string, label: string, member: string, isFree: boolean): string => {
    const stationMm = build.next(FACE_MM)
    const middle = build.gear({
      id: `${member}-${id}`,
      label,
      member,
      mount: isFree ? 'free' : 'integral',
      stationMm,
    })
    for (const side of SIDES) {
      const counter = `counter-${side}`
      build.gear({
        id: `${counter}-${id}`,
        label,
        member: counter,
        mount: 'fixed',
        stationMm,
        ...twinOn(side, `counter-a-${id}`),
      })
      build.mesh(`pair-${id}-${side}`, `${counter}-${id}`, middle)
    }
    return middle
  }

  let direct = 'input'
  if (hasSplitter) {
    const slow = threesome('slow', 'slow head gear', 'input', true)
    const stationMm = build.next(SLEEVE_MM)
    direct = threesome('fast', 'fast head gear', 'input', true)
    build.sleeve({
      id: 'splitter',
      kind: 'splitter',
      hub: 'input',
      stationMm,
      before: locks('slow', slow),
      after: locks('fast', direct),
      hasCentre: false,
    })
  } else threesome('head', 'head gear', 'input', false)
  const inputEndMm = build.atMm

  const engagedBy = new Map<string, Record<string, string>>()
  const couplerIds: string[] = []
  const couple = (before: string | null, after: string | null, stationMm: number): void => {
    const served = [before, after].filter((place) => place !== null)
    const id = `coupler-${served.join('-')}`
    const place = (which: string | null): Place | undefined =>
      which === null ? undefined : locks(which, which === 'D' ? direct : `main-${which}`)
    build.sleeve({
      id,
      kind: 'dog-ring',
      hub: 'main',
      stationMm,
      before: place(before),
      after: place(after),
    })
    couplerIds.push(id)
    for (const which of served) engagedBy.set(which, { [id]: which })
  }
  /** Direct first, then downwards to the lowest, then reverse. */
  const row = ['D', ...[...mainGears].reverse(), 'R']
  for (let at = 0; at < row.length; at += 2) {
    const isAlone = at + 1 >= row.length
    const [before, after] = isAlone
      ? [null, row[at] ?? null]
      : [row[at] ?? null, row[at + 1] ?? null]
    const gear = (which: string | null): void => {
      if (which === null || which === 'D') return
      if (which === 'R') reverse()
      else threesome(which, LABELS[which] ?? `${ordinal(Number(which))} gear`, 'main', true)
    }
    gear(before)
    couple(before, after, build.next(SLEEVE_MM))
    gear(after)
  }
  function reverse(): void {
    const stationMm = build.next(FACE_MM)
    const label = 'reverse gear'
    build.gear({ id: 'main-R', label, member: 'main', mount: 'free', stationMm })
    for (const side of SIDES) {
      const [counter, idler] = [`counter-${side}`, `idler-${side}`]
      build.gear({
        id: `${counter}-R`,
        label,
        member: counter,
        mount: 'fixed',
        stationMm,
        ...twinOn(side, 'counter-a-R'),
      })
      build.gear({
        id: `${idler}-R`,
        label: 'reverse idler',
        member: idler,
        mount: 'fixed',
        stationMm,
        ...twinOn(side, 'idler-a-R'),
      })
      build.mesh(`reverse-in-${side}`, `${counter}-R`, `${idler}-R`)
      build.mesh(`reverse-out-${side}`, `${idler}-R`, 'main-R')
      build.member({
        id: idler,
        kind: 'idler',
        name: `idler ${side}`,
        axis: `idler-${side}-line`,
        fromMm: stationMm - FACE_MM,
        toMm: stationMm + FACE_MM,
      })
    }
  }
  const counterEndMm = build.atMm
  for (const side of SIDES)
    build.member({
      id: `counter-${side}`,
      kind: 'countershaft',
      name: `countershaft ${side}`,
      axis: `counter-${side}-line`,
      fromMm: STUB_MM - 2 * GAP_MM,
      toMm: counterEndMm,
    })
  build.member({ id: 'input', kind: 'input-shaft', axis: 'main-line', fromMm: 0, toMm: inputEndMm })
  build.atMm += 2 * GAP_MM
  if (range === 'planetary') planetaryRange(build, inputEndMm)
  else countershaftRange(build, inputEndMm)

  listPositions()
  build.interlock('rails', ...couplerIds)
  const crawler = engagedBy.get('C')
  if (crawler) build.rule('crawler', { ...crawler, range: 'high' }, 'The crawler is for low only.')
  if (hasSplitter && !splitsLow)
    build.rule('split', { splitter: 'fast', range: 'low' }, 'No overdrive split in low.')
  return build.finish('input', ['output'])

  function listPositions(): void {
    const upper = ['1', '2', '3', '4'].filter((place) => mainGears.includes(place))
    const main = [...upper, 'D']
    const splits = (isUsed: boolean): readonly (string | null)[] =>
      !hasSplitter ? [null] : isUsed ? ['slow', 'fast'] : ['slow']
    const add = (label: string, which: string, half: string, split: string | null): void => {
      const at = main.indexOf(which)
      const gate = which === 'C' || which === 'R' ? 'left row' : gatePlace(at + 1)
      build.position(
        label,
        { ...(split === null ? {} : { splitter: split }), ...engagedBy.get(which), range: half },
        [gate, `${half} range`, ...(split === null ? [] : [`${split} split`])].join(', '),
      )
    }
    const hasLetters = forwardCount === 13 || forwardCount === 18
    let count = 0
    if (mainGears.includes('C'))
      for (const split of splits(splitsLow))
        add(split === null || !splitsLow ? 'C' : split === 'slow' ? 'CL' : 'CH', 'C', 'low', split)
    for (const half of ['low', 'high'])
      main.forEach((which, at) => {
        const number = at + 1 + (half === 'high' ? main.length : 0)
        const used = splits(splitsLow || half === 'high')
        for (const split of used) {
          count++
          const letter = split === 'slow' ? 'L' : 'H'
          const isSplit = used.length > 1
          add(hasLetters ? `${number}${isSplit ? letter : ''}` : `${count}`, which, half, split)
        }
      })
    const rest = { ...(hasSplitter ? { splitter: 'slow' } : {}), range: 'low' }
    build.position('N', rest, 'across the rows, low range')
    add('R', 'R', 'low', splits(false)[0] ?? null)
    add('R2', 'R', 'high', splits(false)[0] ?? null)
  }
}

/** Sun on the main shaft; the ring is held in low and turns with the carrier in high. */
function planetaryRange(build: PatternBuilder, mainFromMm: number): void {
  const couplerMm = build.next(SLEEVE_MM)
  const stationMm = build.next(FACE_MM)
  build.gear({ id: 'main-sun', label: 'range sun', member: 'main', mount: 'fixed', stationMm })
  build.gear({ id: 'ring-gear', label: 'range ring', member: 'ring', mount: 'fixed', stationMm })
  build.link({
    id: 'range-set',
    kind: 'planetary',
    sun: 'main-sun',
    ring: 'ring-gear',
    carrier: 'output',
  })
  build.sleeve({
    id: 'range',
    kind: 'range',
    hub: 'ring',
    stationMm: couplerMm,
    before: holds('low', 'ring'),
    after: locks('high', 'output'),
    hasCentre: false,
  })
  build.member({
    id: 'main',
    kind: 'main-shaft',
    axis: 'main-line',
    fromMm: mainFromMm,
    toMm: stationMm + FACE_MM / 2,
  })
  build.member({
    id: 'ring',
    kind: 'ring',
    name: 'range ring',
    axis: 'main-line',
    isHollow: true,
    fromMm: couplerMm - SLEEVE_MM / 2,
    toMm: stationMm + FACE_MM / 2,
  })
  build.member({
    id: 'output',
    kind: 'output-shaft',
    axis: 'main-line',
    fromMm: stationMm + FACE_MM / 2,
    toMm: build.atMm + STUB_MM,
  })
}

/** A second pair of countershafts: direct in high, through them in low. */
function countershaftRange(build: PatternBuilder, mainFromMm: number): void {
  const driveMm = build.next(FACE_MM)
  const couplerMm = build.next(SLEEVE_MM)
  const lowMm = build.next(FACE_MM)
  build.gear({
    id: 'main-range',
    label: 'range drive gear',
    member: 'main',
    mount: 'fixed',
    stationMm: driveMm,
  })
  build.gear({
    id: 'output-low',
    label: 'low range gear',
    member: 'output',
    mount: 'free',
    stationMm: lowMm,
  })
  for (const side of SIDES) {
    const member = `range-${side}`
    build.member({
      id: member,
      kind: 'countershaft',
      name: `range countershaft ${side}`,
      axis: `counter-${side}-line`,
      fromMm: driveMm - FACE_MM,
      toMm: lowMm + FACE_MM,
    })
    build.gear({
      id: `${member}-drive`,
      label: 'range drive gear',
      member,
      mount: 'fixed',
      stationMm: driveMm,
      ...twinOn(side, 'range-a-drive'),
    })
    build.gear({
      id: `${member}-low`,
      label: 'low range gear',
      member,
      mount: 'integral',
      stationMm: lowMm,
      ...twinOn(side, 'range-a-low'),
    })
    build.mesh(`range-in-${side}`, 'main-range', `${member}-drive`)
    build.mesh(`range-out-${side}`, `${member}-low`, 'output-low')
  }
  build.sleeve({
    id: 'range',
    kind: 'range',
    hub: 'output',
    stationMm: couplerMm,
    before: locks('high', 'main'),
    after: locks('low', 'output-low'),
    hasCentre: false,
  })
  const mainEndMm = driveMm + FACE_MM / 2 + GAP_MM
  build.member({
    id: 'main',
    kind: 'main-shaft',
    axis: 'main-line',
    fromMm: mainFromMm,
    toMm: mainEndMm,
  })
  build.member({
    id: 'output',
    kind: 'output-shaft',
    axis: 'main-line',
    fromMm: mainEndMm,
    toMm: build.atMm + STUB_MM,
  })
}
