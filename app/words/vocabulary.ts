/** The words of the trade, which differ from place to place. */
import type { LengthUnit } from './format.ts'
import type { CouplerKind, GearMount, Hand, LinkKind, MemberKind, ShaftEnd, Travel } from 'core'

export const VOCABULARIES = ['countershaft', 'layshaft'] as const
export type VocabularyName = (typeof VOCABULARIES)[number]

/** What the two ends of a box are called. */
export const END_NAMES = ['input-output', 'front-rear', 'left-right'] as const
export type EndNames = (typeof END_NAMES)[number]

export const ENDS: Readonly<Record<EndNames, { readonly input: string; readonly output: string }>> =
  {
    'input-output': { input: 'input end', output: 'output end' },
    'front-rear': { input: 'front', output: 'rear' },
    'left-right': { input: 'left', output: 'right' },
  }

/** The words of the trade as one place has them. */
interface TradeWords {
  readonly members: Readonly<Record<MemberKind, string>>
  readonly couplers: Readonly<Record<CouplerKind, string>>
  readonly mounts: Readonly<Record<GearMount, string>>
  readonly ring: string
  readonly hub: string
  /** What is said here instead of a plain word, in names and sentences that have it. */
  readonly instead: Readonly<Record<string, string>>
}

/** The words that a person has chosen, with the names of the ends. */
export interface Vocabulary extends TradeWords {
  readonly ends: { readonly input: string; readonly output: string }
  readonly lengthUnit: LengthUnit
}

const COUNTERSHAFT: TradeWords = {
  members: {
    'input-shaft': 'input shaft',
    'main-shaft': 'main shaft',
    countershaft: 'countershaft',
    'output-shaft': 'output shaft',
    idler: 'idler',
    cluster: 'cluster',
    carrier: 'carrier',
    ring: 'ring',
    'differential-case': 'differential case',
    'side-shaft': 'side shaft',
    flange: 'flange',
    shaft: 'shaft',
  },
  couplers: {
    synchronizer: 'sleeve',
    'dog-ring': 'dog ring',
    'sliding-gear': 'sliding gear',
    'sliding-idler': 'sliding idler',
    'sliding-dog-gear': 'sliding dog gear',
    range: 'range coupler',
    splitter: 'splitter',
    'friction-clutch': 'clutch',
  },
  mounts: { fixed: 'fixed', integral: 'integral', free: 'free', sliding: 'sliding' },
  ring: 'blocker ring',
  hub: 'hub',
  instead: {},
}

const LAYSHAFT_WORDS = {
  'input shaft': 'first-motion shaft',
  countershaft: 'layshaft',
  sleeve: 'collar',
  'sliding gear': 'sliding pinion',
  'blocker ring': 'baulk ring',
} as const

const LAYSHAFT: TradeWords = {
  members: {
    ...COUNTERSHAFT.members,
    'input-shaft': LAYSHAFT_WORDS['input shaft'],
    countershaft: LAYSHAFT_WORDS.countershaft,
  },
  couplers: {
    ...COUNTERSHAFT.couplers,
    synchronizer: LAYSHAFT_WORDS.sleeve,
    'sliding-gear': LAYSHAFT_WORDS['sliding gear'],
  },
  mounts: { ...COUNTERSHAFT.mounts, fixed: 'keyed', integral: 'cut in one with the shaft' },
  ring: LAYSHAFT_WORDS['blocker ring'],
  hub: 'clutch hub',
  instead: LAYSHAFT_WORDS,
}

export const WORDS: Readonly<Record<VocabularyName, TradeWords>> = {
  countershaft: COUNTERSHAFT,
  layshaft: LAYSHAFT,
}

export function vocabularyOf(choice: {
  readonly vocabulary: VocabularyName
  readonly ends: EndNames
  readonly lengthUnit: LengthUnit
}): Vocabulary {
  const { lengthUnit } = choice
  return { ...WORDS[choice.vocabulary], ends: ENDS[choice.ends], lengthUnit }
}

/** The words where nobody has chosen any. */
export const PLAIN_WORDS: Vocabulary = vocabularyOf({
  vocabulary: 'countershaft',
  ends: 'input-output',
  lengthUnit: 'mm',
})

/**
 * A name or a sentence that is kept in the plain words of the trade, in the chosen ones:
 * "countershaft a" is "layshaft a" to who says layshaft. Whole words only, also in the plural.
 */
export function inWords({ instead }: TradeWords, text: string): string {
  const plainWords = Object.keys(instead)
  if (plainWords.length === 0) return text
  const anyOfThem = new RegExp(`\\b(${plainWords.join('|')})(s?)\\b`, 'gi')
  return text.replace(anyOfThem, (found, word: string, plural: string) => {
    const chosen = (instead[word.toLowerCase()] ?? word) + plural
    return /^[A-Z]/.test(found) ? chosen.charAt(0).toUpperCase() + chosen.slice(1) : chosen
  })
}

/** What holds two or three parts to one another. */
export const LINK_WORDS: Readonly<Record<LinkKind, string>> = {
  'external-mesh': 'pair in mesh',
  'internal-mesh': 'ring and pinion',
  chain: 'chain',
  bevel: 'bevel pair',
  worm: 'worm and wheel',
  planetary: 'planetary set',
  'double-planetary': 'planetary set, planets in pairs',
  'stepped-planetary': 'planetary set, stepped planets',
  differential: 'differential',
  joined: 'joint',
  held: 'hold to the case',
}

/** Which way a helix or a thread winds. */
export const HAND_WORDS: Readonly<Record<Hand, string>> = {
  right: 'right-hand',
  left: 'left-hand',
}

/** Towards which end of its own shaft a cone narrows. */
export const SHAFT_END_WORDS: Readonly<Record<ShaftEnd, string>> = {
  'input-end': 'its input end',
  'output-end': 'its output end',
}

/** Which way a coupler has gone from its centre. */
export function travelWords({ ends }: Vocabulary, travel: Travel): string {
  switch (travel) {
    case 'centre':
      return 'at its centre'
    case 'towards-input':
      return `towards the ${ends.input}`
    case 'towards-output':
      return `towards the ${ends.output}`
  }
}

/** Said wherever a sense of rotation is. */
export function viewpoint({ ends }: Vocabulary): string {
  return `seen from the ${ends.input}`
}

/** What a box says of itself besides its parts. */
