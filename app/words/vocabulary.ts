/** The words of the trade, which differ from place to place. */
import type { CouplerKind, GearMount, Link, MemberKind, Travel } from 'core'

export const VOCABULARIES = ['countershaft', 'layshaft'] as const
export type VocabularyName = (typeof VOCABULARIES)[number]

export interface Vocabulary {
  readonly members: Readonly<Record<MemberKind, string>>
  readonly couplers: Readonly<Record<CouplerKind, string>>
  readonly mounts: Readonly<Record<GearMount, string>>
}

const COUNTERSHAFT: Vocabulary = {
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
}

const LAYSHAFT: Vocabulary = {
  members: {
    ...COUNTERSHAFT.members,
    'input-shaft': 'first-motion shaft',
    countershaft: 'layshaft',
  },
  couplers: { ...COUNTERSHAFT.couplers, synchronizer: 'collar', 'sliding-gear': 'sliding pinion' },
  mounts: { ...COUNTERSHAFT.mounts, fixed: 'keyed', integral: 'cut in one with the shaft' },
}

export const WORDS: Readonly<Record<VocabularyName, Vocabulary>> = {
  countershaft: COUNTERSHAFT,
  layshaft: LAYSHAFT,
}

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
export const TRAVEL_WORDS: Readonly<Record<Travel, string>> = {
  centre: 'at its centre',
  'towards-input': 'towards the input end',
  'towards-output': 'towards the output end',
}

/** Said wherever a sense of rotation is. */
export const VIEWPOINT = 'seen from the input end'
