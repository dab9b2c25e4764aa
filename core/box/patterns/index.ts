/** The starting patterns: every arrangement that commonly arrives, with its choices. */
import type { BoxDraft } from '../types.ts'
import { withBuild } from '../pieces/index.ts'
import type { MovedBy } from '../selectors/propose.ts'
import { withSelectors } from '../selectors/propose.ts'
import { DRIVEN_AXLES, DUAL_CLUTCH_COUNTS, dualClutchBox } from './dualClutch.ts'
import { HEAVY_COUNTS, RANGE_KINDS, heavyBox } from './heavy.ts'
import { MOTORCYCLE_COUNTS, PRIMARY_KINDS, motorcycleBox } from './motorcycle.ts'
import { SECOND_KINDS, slidingGearBox } from './slidingGear.ts'
import { threeShaftBox } from './threeShaft.ts'
import { TRANSFER_AXLES, transferCaseBox, withTransferCase } from './transferCase.ts'
import {
  COUPLER_SHAFTS,
  INTEGRAL_KINDS,
  RACING_COUNTS,
  TRANSVERSE_COUNTS,
  longitudinalTransaxle,
  racingTwoShaft,
  transverseTransaxle,
} from './twoShaft.ts'

/** One thing to choose, and the option to start from. */
export interface PatternChoice {
  readonly id: string
  readonly options: readonly string[]
  /** What is most usual, where nothing else was chosen that says otherwise. */
  readonly initial: string
  /** What is most usual beside an option of an earlier choice. */
  readonly usual?: { readonly of: string; readonly beside: Readonly<Record<string, string>> }
}

/** What was chosen of a pattern, by the id of the choice; what is not in it is as usual. */
export type Chosen = Readonly<Record<string, string>>

export interface Pattern {
  readonly id: PatternId
  readonly choices: readonly PatternChoice[]
}

/** What may stand behind a box with one output. */
const BEHIND = {
  id: 'behind',
  options: ['nothing', ...TRANSFER_AXLES],
  initial: 'nothing',
} as const

interface PatternDefinition {
  readonly choices: readonly PatternChoice[]
  readonly build: (name: string, pick: Pick) => BoxDraft
  /** A lever in a gate where it is not said. */
  readonly movedBy?: MovedBy
}

/** The option chosen for one thing, out of those that there are. */
type Pick = <const T extends string | number>(id: string, options: readonly T[]) => T

const DEFINITIONS = {
  'three-shaft': {
    choices: [
      { id: 'speeds', options: ['4', '5', '6'], initial: '5' },
      {
        id: 'overdrives',
        options: ['0', '1', '2'],
        initial: '1',
        // A four-speed ends in direct; five and six have one above it (common practice).
        usual: { of: 'speeds', beside: { '4': '0' } },
      },
      {
        id: 'reverse',
        options: ['sliding-idler', 'sleeve-teeth', 'constant-mesh'],
        initial: 'sliding-idler',
      },
      BEHIND,
    ],
    build: (name, pick) => {
      const forwardCount = pick('speeds', [5, 4, 6])
      return threeShaftBox({
        name,
        forwardCount,
        directAt: forwardCount - pick('overdrives', [1, 0, 2]),
        reverse: pick('reverse', ['sliding-idler', 'sleeve-teeth', 'constant-mesh']),
      })
    },
  },
  'countershaft-couplers': {
    choices: [{ id: 'speeds', options: ['5', '6'], initial: '5' }, BEHIND],
    build: (name, pick) =>
      threeShaftBox({
        name,
        forwardCount: pick('speeds', [5, 6]),
        directAt: 4,
        reverse: 'countershaft',
      }),
  },
  'sleeve-teeth-reverse': {
    choices: [{ id: 'speeds', options: ['3', '4', '5'], initial: '4' }, BEHIND],
    build: (name, pick) => {
      const forwardCount = pick('speeds', [4, 3, 5])
      const directAt = Math.min(forwardCount, 4)
      return threeShaftBox({ name, forwardCount, directAt, reverse: 'sleeve-teeth' })
    },
  },
  'dog-clutch-three-shaft': {
    choices: [{ id: 'speeds', options: ['3', '4'], initial: '3' }, BEHIND],
    build: (name, pick) => {
      const forwardCount = pick('speeds', [3, 4])
      return threeShaftBox({
        name,
        forwardCount,
        directAt: forwardCount,
        reverse: 'constant-mesh',
        couplers: 'dog-ring',
      })
    },
  },
  'sliding-gear': {
    choices: [{ id: 'second', options: SECOND_KINDS, initial: 'constant-mesh' }, BEHIND],
    build: (name, pick) => slidingGearBox({ name, second: pick('second', SECOND_KINDS) }),
  },
  'transverse-transaxle': {
    choices: [
      { id: 'speeds', options: ['5', '6'], initial: '5' },
      { id: 'couplers', options: COUPLER_SHAFTS, initial: 'both' },
    ],
    build: (name, pick) =>
      transverseTransaxle({
        name,
        forwardCount: pick('speeds', TRANSVERSE_COUNTS),
        couplers: pick('couplers', COUPLER_SHAFTS),
      }),
  },
  'longitudinal-transaxle': {
    choices: [{ id: 'integral', options: INTEGRAL_KINDS, initial: 'first' }],
    build: (name, pick) =>
      longitudinalTransaxle({ name, integral: pick('integral', INTEGRAL_KINDS) }),
  },
  racing: {
    choices: [{ id: 'speeds', options: ['4', '5', '6'], initial: '5' }, BEHIND],
    build: (name, pick) => racingTwoShaft({ name, forwardCount: pick('speeds', RACING_COUNTS) }),
  },
  motorcycle: {
    movedBy: 'drum',
    choices: [
      { id: 'speeds', options: ['5', '6'], initial: '6' },
      { id: 'primary', options: PRIMARY_KINDS, initial: 'gear' },
    ],
    build: (name, pick) =>
      motorcycleBox({
        name,
        forwardCount: pick('speeds', MOTORCYCLE_COUNTS),
        primary: pick('primary', PRIMARY_KINDS),
      }),
  },
  heavy: {
    choices: [
      { id: 'speeds', options: ['9', '10', '12', '13', '16', '18'], initial: '10' },
      { id: 'range', options: RANGE_KINDS, initial: 'planetary' },
      BEHIND,
    ],
    build: (name, pick) =>
      heavyBox({
        name,
        forwardCount: pick('speeds', HEAVY_COUNTS),
        range: pick('range', RANGE_KINDS),
      }),
  },
  'dual-clutch': {
    choices: [
      { id: 'speeds', options: ['6', '7'], initial: '6' },
      { id: 'axles', options: DRIVEN_AXLES, initial: 'one' },
    ],
    build: (name, pick) =>
      dualClutchBox({
        name,
        forwardCount: pick('speeds', DUAL_CLUTCH_COUNTS),
        axles: pick('axles', DRIVEN_AXLES),
      }),
  },
  'transfer-case': {
    choices: [{ id: 'transfer', options: TRANSFER_AXLES, initial: 'chain' }],
    build: (name, pick) => transferCaseBox(name, pick('transfer', TRANSFER_AXLES)),
  },
} as const satisfies Readonly<Record<string, PatternDefinition>>

/** The patterns, by what each of them is. */
export type PatternId = keyof typeof DEFINITIONS

/** See `PatternId`; in the order in which they are offered. */
export const PATTERN_IDS = Object.keys(DEFINITIONS) as readonly PatternId[]

/** All patterns, in the order of their list. */
export const PATTERNS: readonly Pattern[] = PATTERN_IDS.map((id) => ({
  id,
  choices: DEFINITIONS[id].choices,
}))

/** The option in force for one choice: what was chosen, or what is most usual beside the rest. */
export function chosenOption(
  { id, options, initial, usual }: PatternChoice,
  chosen: Chosen,
): string {
  const beside = usual?.beside[chosen[usual.of] ?? '']
  return options.find((option) => option === chosen[id]) ?? beside ?? initial
}

/** The choices after one more: what is usual beside it starts anew. */
export function choose({ choices }: Pattern, chosen: Chosen, id: string, option: string): Chosen {
  const depends = new Set(choices.flatMap((each) => (each.usual?.of === id ? [each.id] : [])))
  const kept = Object.entries(chosen).filter(([key]) => !depends.has(key))
  return Object.fromEntries([...kept, [id, option]])
}

/**
 * A box after a pattern, with the pieces and what moves its couplers as they usually are and every gear still
 * to be counted. Choices that are no options fall back to the
 * initial ones.
 */
export function buildPattern(patternId: PatternId, name: string, chosen: Chosen): BoxDraft {
  const definition: PatternDefinition = DEFINITIONS[patternId]
  const pick: Pick = (id, options) => {
    const choice = definition.choices.find((candidate) => candidate.id === id)
    const text = choice && chosenOption(choice, chosen)
    const option = options.find((candidate) => `${candidate}` === text)
    if (option === undefined) throw new Error(`pattern "${patternId}" has no choice "${id}"`)
    return option
  }
  const draft = definition.build(name, pick)
  const behind = definition.choices.includes(BEHIND) ? pick('behind', BEHIND.options) : 'nothing'
  const whole = behind === 'nothing' ? draft : withTransferCase(draft, behind)
  return withBuild(withSelectors(whole, definition.movedBy ?? 'lever'))
}
