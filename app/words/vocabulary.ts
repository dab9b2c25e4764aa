/** The words of the trade, which differ from place to place. */
import type { LengthUnit } from './format.ts'
import type { BoxField, CouplerKind, GearMount, Link, MemberKind, Travel } from 'core'

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
}

const LAYSHAFT: TradeWords = {
  members: {
    ...COUNTERSHAFT.members,
    'input-shaft': 'first-motion shaft',
    countershaft: 'layshaft',
  },
  couplers: { ...COUNTERSHAFT.couplers, synchronizer: 'collar', 'sliding-gear': 'sliding pinion' },
  mounts: { ...COUNTERSHAFT.mounts, fixed: 'keyed', integral: 'cut in one with the shaft' },
  ring: 'baulk ring',
  hub: 'clutch hub',
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

/** What holds two or three parts to one another. */
export const LINK_WORDS: Readonly<Record<Link['kind'], string>> = {
  'external-mesh': 'pair in mesh',
  'internal-mesh': 'ring and pinion',
  chain: 'chain',
  planetary: 'planetary set',
  differential: 'differential',
  joined: 'joint',
  held: 'hold to the case',
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
export const FIELD_WORDS: Readonly<Record<BoxField, string>> = {
  name: 'name',
  notes: 'notes',
  finalDrive: 'final drive',
  rollingRadiusMm: 'rolling radius',
  inputSense: 'the input turns',
  input: 'input',
  outputs: 'outputs',
}
