import type { TorqueUnit } from './format.ts'
import type { VocabularyName } from './words/vocabulary.ts'

export const THEMES = ['system', 'light', 'dark'] as const
export type Theme = (typeof THEMES)[number]

/** What a person chooses once and finds everywhere. */
export interface Settings {
  readonly theme: Theme
  readonly torqueUnit: TorqueUnit
  readonly vocabulary: VocabularyName
}

export const DEFAULT_SETTINGS: Settings = {
  theme: 'system',
  torqueUnit: 'Nm',
  vocabulary: 'countershaft',
}
