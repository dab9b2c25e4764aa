import { useMemo, useState } from 'react'

import type { Finding, Job, PartFamily, UnitPart } from 'core'
import { PART_FAMILIES, VERDICTS, isJudged, standingVerdict } from 'core'

import { SearchField } from '~/components/SearchField.tsx'
import { findParts, searchableParts } from '~/views/measure/findParts.ts'
import { FAMILY_NAMES, unitPartName } from '~/words/jobs.ts'
import { VERDICT_NAMES, verdictWords } from '~/words/measures.ts'
import type { Naming } from '~/words/names.ts'
import { capitalize } from '~/words/names.ts'
import { inWords } from '~/words/vocabulary.ts'

import { VerdictSign } from './VerdictMarks.tsx'

interface PartChooserProps {
  readonly job: Job
  readonly naming: Naming
  readonly parts: readonly UnitPart[]
  readonly part: UnitPart
  /** The tray whose parts are asked for; empty where none is. */
  readonly tray: string
  readonly worst: ReadonlyMap<string, Finding>
  readonly onChoose: (ref: string) => void
}

interface PartButtonProps {
  readonly naming: Naming
  readonly part: string
  /** The worst that was found on it and is judged. */
  readonly finding: Finding | undefined
  readonly isChosen: boolean
  readonly onChoose: () => void
}

function PartButton({ naming, part, finding, isChosen, onChoose }: PartButtonProps) {
  const verdict = finding && standingVerdict(finding)
  return (
    <button
      type="button"
      aria-pressed={isChosen}
      className="border-rule aria-pressed:border-accent aria-pressed:bg-accent-wash hover:bg-accent-wash flex min-h-[44px] items-center gap-1 border-2 px-2"
      onClick={onChoose}
    >
      {verdict && <VerdictSign verdict={verdict} />}
      {capitalize(unitPartName(naming, part))}
      {finding && verdict && (
        <span className="text-graphite">{verdictWords(naming.box, finding, verdict)}</span>
      )}
    </button>
  )
}

interface FamiliesProps extends Pick<PartChooserProps, 'job' | 'naming' | 'parts' | 'onChoose'> {
  readonly chosen: PartFamily | undefined
}

/** A button a kind of part, with how many of it are judged; it chooses the first of them. */
function Families({ job, naming, parts, chosen, onChoose }: FamiliesProps) {
  return (
    <div role="group" aria-label="Kinds of parts" className="flex flex-wrap gap-x-2">
      {PART_FAMILIES.map((family) => {
        const all = parts.filter((each) => each.family === family)
        const [first] = all
        if (!first) return null
        const title = inWords(naming.words, FAMILY_NAMES[family])
        const judged = all.filter((each) => isJudged(job, each)).length
        return (
          <button
            key={family}
            type="button"
            aria-pressed={family === chosen}
            className="button-quiet aria-pressed:text-ink px-1 aria-pressed:underline"
            onClick={() => {
              onChoose(first.ref)
            }}
          >
            {title}
            <span className="sr-only">{`: ${judged} of ${all.length} judged`}</span>
            <span aria-hidden className="text-graphite font-normal">
              {judged}/{all.length}
            </span>
          </button>
        )
      })}
    </div>
  )
}

/** The families of parts and the parts of the one in hand, with their verdicts; or those that are looked for. */
export function PartChooser(props: PartChooserProps) {
  const { job, naming, parts, part, tray, worst, onChoose } = props
  const [wanted, setWanted] = useState(tray === '' ? '' : `tray ${tray}`)
  const { trays } = job
  const searchable = useMemo(() => searchableParts(naming, parts, trays), [naming, parts, trays])
  const isSearching = wanted.trim() !== ''
  const shown = isSearching
    ? findParts(searchable, wanted)
    : parts.filter(({ family }) => family === part.family)
  return (
    <>
      <div className="flex flex-wrap items-center gap-x-2">
        <SearchField
          label="Find a part"
          placeholder="Find a part"
          width="w-[11rem]"
          value={wanted}
          onChange={setWanted}
        />
        {VERDICTS.map((verdict) => (
          <span key={verdict} className="flex items-center gap-1">
            <VerdictSign verdict={verdict} /> {VERDICT_NAMES[verdict]}
          </span>
        ))}
        <span className="text-graphite hidden xl:inline">Tap a part, here or in the drawing.</span>
      </div>
      <Families
        job={job}
        naming={naming}
        parts={parts}
        chosen={isSearching ? undefined : part.family}
        onChoose={(ref) => {
          setWanted('')
          onChoose(ref)
        }}
      />
      <div
        role="group"
        aria-label={isSearching ? 'Parts found' : inWords(naming.words, FAMILY_NAMES[part.family])}
        className="flex flex-none flex-wrap gap-1 lg:max-h-[6.3rem] lg:overflow-auto"
      >
        {shown.map(({ ref }) => (
          <PartButton
            key={ref}
            naming={naming}
            part={ref}
            finding={worst.get(ref)}
            isChosen={ref === part.ref}
            onChoose={() => {
              onChoose(ref)
            }}
          />
        ))}
        {shown.length === 0 && <p className="text-graphite py-2">No part is called that.</p>}
      </div>
    </>
  )
}
