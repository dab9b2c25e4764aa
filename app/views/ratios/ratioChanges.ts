import type { BoxDraft } from 'core'

import { analyseDraft } from '~/views/box/analysis.ts'
import { shortResult } from '~/words/results.ts'

interface RatioChange {
  readonly label: string
  /** What the position makes, in few words; a dash where the box has no such position. */
  readonly before: string
  readonly after: string
}

/** Every position that either box has, by its label. */
export function ratioChanges(before: BoxDraft, after: BoxDraft): readonly RatioChange[] {
  const [then = new Map<string, string>(), now = new Map<string, string>()] = [before, after].map(
    (draft) =>
      new Map(
        analyseDraft(draft).positions.map(({ position, analysis }) => [
          position.label,
          shortResult(analysis),
        ]),
      ),
  )
  return [...new Set([...then.keys(), ...now.keys()])].map((label) => ({
    label,
    before: then.get(label) ?? '–',
    after: now.get(label) ?? '–',
  }))
}
