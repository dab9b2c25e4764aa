import type { Job, UnitPart, UnitPartKind, Verdict } from 'core'
import { isJudged } from 'core'

import { unitPartName } from '~/words/jobs.ts'
import { VERDICT_NAMES } from '~/words/measures.ts'
import type { Naming } from '~/words/names.ts'
import { capitalize } from '~/words/names.ts'
import { inWords } from '~/words/vocabulary.ts'

import { VerdictSign } from './VerdictMarks.tsx'

const KIND_NAMES: Readonly<Record<UnitPartKind, string>> = {
  ring: 'Rings',
  sleeve: 'Sleeves, dogs, forks',
  gear: 'Gears',
  shaft: 'Shafts and bearings',
}

interface PartChooserProps {
  readonly job: Job
  readonly naming: Naming
  readonly parts: readonly UnitPart[]
  readonly part: UnitPart
  readonly verdicts: ReadonlyMap<string, Verdict>
  readonly onChoose: (ref: string) => void
}

/** The kinds of parts, and the parts of the kind in hand, with their verdicts. */
export function PartChooser({ job, naming, parts, part, verdicts, onChoose }: PartChooserProps) {
  const kinds = [...new Set(parts.map(({ kind }) => kind))]
  return (
    <>
      <div role="group" aria-label="Kinds of parts" className="flex flex-wrap gap-1">
        {kinds.map((kind) => {
          const all = parts.filter((each) => each.kind === kind)
          return (
            <button
              key={kind}
              type="button"
              aria-pressed={kind === part.kind}
              className="button-quiet aria-pressed:text-ink aria-pressed:underline"
              onClick={() => {
                onChoose(all[0]?.ref ?? part.ref)
              }}
            >
              {inWords(naming.words, KIND_NAMES[kind])} (
              {all.filter((each) => isJudged(job, each)).length} of {all.length} judged)
            </button>
          )
        })}
      </div>
      <div
        role="group"
        aria-label={inWords(naming.words, KIND_NAMES[part.kind])}
        className="flex flex-wrap gap-1"
      >
        {parts
          .filter((each) => each.kind === part.kind)
          .map((each) => {
            const verdict = verdicts.get(each.ref)
            return (
              <button
                key={each.ref}
                type="button"
                aria-pressed={each.ref === part.ref}
                className="border-rule aria-pressed:border-accent aria-pressed:bg-accent-wash hover:bg-accent-wash flex min-h-[44px] items-center gap-1 border-2 px-2"
                onClick={() => {
                  onChoose(each.ref)
                }}
              >
                {verdict && <VerdictSign verdict={verdict} />}
                {capitalize(unitPartName(naming, each.ref))}
                {verdict && <span className="text-graphite">{VERDICT_NAMES[verdict]}</span>}
              </button>
            )
          })}
      </div>
    </>
  )
}
