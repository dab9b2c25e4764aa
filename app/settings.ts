import type { Measure, ReadingUnit } from 'core'

import type { LengthUnit, RoadSpeedUnit, TorqueUnit } from './words/format.ts'
import type { EndNames, VocabularyName } from './words/vocabulary.ts'

export const THEMES = ['system', 'light', 'dark'] as const
export type Theme = (typeof THEMES)[number]

/** What a person chooses once and finds everywhere. */
export interface Settings {
  readonly theme: Theme
  readonly torqueUnit: TorqueUnit
  readonly lengthUnit: LengthUnit
  readonly roadSpeedUnit: RoadSpeedUnit
  readonly vocabulary: VocabularyName
  readonly ends: EndNames
  /** In which unit each measurement was asked for last. */
  readonly readingUnits: Readonly<Partial<Record<Measure, ReadingUnit>>>
  /** Of whoever changes boxes and enters things in jobs on this device; empty where nobody said. */
  readonly initials: string
  /** Whether the bench offers the tour: until somebody took it or said no. */
  readonly isTourOffered: boolean
}

/** Whether a text may stand for a person; nobody is one of them. */
export function areInitials(text: string): boolean {
  return /^\p{L}{0,4}$/u.test(text)
}

export const DEFAULT_SETTINGS: Settings = {
  theme: 'system',
  torqueUnit: 'Nm',
  lengthUnit: 'mm',
  roadSpeedUnit: 'kmh',
  vocabulary: 'countershaft',
  ends: 'input-output',
  readingUnits: {},
  initials: '',
  isTourOffered: true,
}
