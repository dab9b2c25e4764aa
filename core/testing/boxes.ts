/** Small boxes for tests, written as a person would describe them. */
import { checkBox } from '../box/check.ts'
import type { Box } from '../box/box.ts'
import { buildPattern } from '../box/patterns/index.ts'
import type { ThreeShaftChoices } from '../box/patterns/threeShaft.ts'
import { threeShaftBox } from '../box/patterns/threeShaft.ts'
import type { BoxDraft, Gear, Link, Member, MeshKind } from '../box/types.ts'

/** A draft with nothing in it but what is given. */
export function draftOf(parts: Partial<BoxDraft>): BoxDraft {
  return {
    name: 'test',
    axes: [],
    members: [],
    gears: [],
    links: [],
    couplers: [],
    positions: [{ id: 'only', label: 'only', couplers: {} }],
    input: '',
    outputs: [],
    ...parts,
  }
}

export function boxOf(draft: BoxDraft): Box {
  const checked = checkBox(draft)
  if (!checked.ok) throw new Error(JSON.stringify(checked.issues))
  return checked.box
}

export function shaft(id: string, axis = id): Member {
  return { id, kind: 'shaft', axis, fromMm: 0, toMm: 100 }
}

export function gear(
  id: string,
  member: string,
  toothCount: number | null,
  rest: Partial<Gear> = {},
): Gear {
  return { id, label: id, member, mount: 'fixed', toothCount, stationMm: 50, ...rest }
}

/** One stage of a train: the teeth that drive, the teeth that are driven, and how. */
export type Stage = readonly [driving: number, driven: number, kind?: MeshKind]

/** Shafts in a row, each driving the next through one pair; input and output are the ends. */
export function trainDraft(stages: readonly Stage[]): BoxDraft {
  const members = Array.from({ length: stages.length + 1 }, (_, at) => shaft(`shaft-${at}`))
  const gears: Gear[] = []
  const links: Link[] = []
  stages.forEach(([driving, driven, kind = 'external-mesh'], at) => {
    gears.push(gear(`driving-${at}`, `shaft-${at}`, driving, { stationMm: 80 }))
    gears.push(gear(`driven-${at}`, `shaft-${at + 1}`, driven, { stationMm: 20 }))
    links.push({ id: `pair-${at}`, kind, a: `driving-${at}`, b: `driven-${at}` })
  })
  return draftOf({
    axes: members.map(({ id }) => ({ id })),
    members,
    gears,
    links,
    input: 'shaft-0',
    outputs: [`shaft-${stages.length}`],
  })
}

/** A planetary set whose sun, ring and carrier are the members of those names. */
export function planetaryDraft(
  teeth: { readonly sun: number; readonly ring: number },
  held: 'sun' | 'ring' | 'carrier' | null,
  input: string,
  output: string,
): BoxDraft {
  return draftOf({
    axes: [{ id: 'line' }],
    members: [
      shaft('sun', 'line'),
      { ...shaft('ring', 'line'), kind: 'ring' },
      { ...shaft('carrier', 'line'), kind: 'carrier' },
    ],
    gears: [gear('sun-gear', 'sun', teeth.sun), gear('ring-gear', 'ring', teeth.ring)],
    links: [
      { id: 'set', kind: 'planetary', sun: 'sun-gear', ring: 'ring-gear', carrier: 'carrier' },
      ...(held ? [{ id: 'brake', kind: 'held', body: held } as const] : []),
    ],
    input,
    outputs: [output],
  })
}

/** A draft with the given counts by gear id; gears not named stay uncounted. */
export function withCounts(draft: BoxDraft, counts: Readonly<Record<string, number>>): BoxDraft {
  return {
    ...draft,
    gears: draft.gears.map((each) => ({ ...each, toothCount: counts[each.id] ?? null })),
  }
}

/**
 * A four-speed with round made-up counts, whose ratios are easily worked out by
 * hand: 1st 40/20 × 40/20, 2nd 40/20 × 35/25, 3rd 40/20 × 30/30, 4th direct, and
 * reverse −40/20 × 25/20 × 40/25.
 */
export function fourSpeed(reverse: ThreeShaftChoices['reverse']): BoxDraft {
  return withCounts(threeShaftBox({ name: 'four', forwardCount: 4, directAt: 4, reverse }), {
    'input-head': 20,
    'counter-head': 40,
    'counter-1': 20,
    'main-1': 40,
    'counter-2': 25,
    'main-2': 35,
    'counter-3': 30,
    'main-3': 30,
    'counter-reverse': 16,
    'idler-reverse': 25,
    'main-reverse': 32,
  })
}

/** Seven positions by two clutches; ratios by hand 12, 8, 6, 4, 15/4, 3 and 9/4, reverse −15/2. */
export function dualClutch(): BoxDraft {
  const inputs = ['odd-1', 'even-2', 'odd-3', 'even-4', 'odd-7'].map((id) => [id, 24] as const)
  return withCounts(buildPattern('dual-clutch', 'box', { speeds: '7' }), {
    ...Object.fromEntries(inputs),
    'upper-1': 72,
    'upper-2': 48,
    'upper-3': 36,
    'upper-4': 24,
    'lower-5': 30,
    'lower-6': 24,
    'lower-7': 18,
    'odd-R': 16,
    'idler-R': 19,
    'lower-R': 40,
    'upper-final': 15,
    'lower-final': 20,
    'final-ring': 60,
  })
}
