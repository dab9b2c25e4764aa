import { Camera, Undo2 } from 'lucide-react'
import { useState } from 'react'

import type { EntryBody, Finding, Verdict } from 'core'
import { VERDICTS, boundsOf, indexBox, standingVerdict } from 'core'

import { TypedField } from '~/components/Fields.tsx'
import { useOpenBox } from '~/components/box/boxContext.ts'
import { Photos } from '~/components/job/Photos.tsx'
import { formatWhen } from '~/words/format.ts'
import { LONGEST_LINE, tooLongWords } from '~/words/lengths.ts'
import {
  FOUND_NAMES,
  LOOK_GRADES,
  SOURCE_NAMES,
  UNIT_NAMES,
  VERDICT_NAMES,
  boundsWords,
  judgedWords,
  overruledWords,
  readingText,
  verdictWords,
} from '~/words/measures.ts'
import { capitalize } from '~/words/names.ts'

import { VerdictSign } from './VerdictMarks.tsx'

interface FindingListProps {
  readonly boxId: string
  readonly findings: readonly Finding[]
  readonly isDisabled: boolean
  readonly onRecord: (body: EntryBody) => void
}

/** What was found on one part, the latest first, with the reasons of each verdict. */
export function FindingList({ boxId, findings, isDisabled, onRecord }: FindingListProps) {
  if (findings.length === 0) return <p>Nothing has been measured on this part yet.</p>
  return (
    <ol aria-label="Findings on this part">
      {[...findings].reverse().map((finding) => (
        <li key={finding.entry.id} className="border-rule border-b py-2">
          <OneFinding boxId={boxId} finding={finding} isDisabled={isDisabled} onRecord={onRecord} />
        </li>
      ))}
    </ol>
  )
}

/** What was found, how it is judged and by what, when and by whom. */
export function FoundWords({ finding }: { readonly finding: Finding }) {
  const { draft } = useOpenBox()
  const { entry } = finding
  const overruled = overruledWords(finding)
  const measured = finding.kind === 'measured' ? finding.measured : undefined
  const standing = standingVerdict(finding)
  const limit = measured?.limit ?? null
  const bounds = boundsOf(limit)
  return (
    <p className="flex items-start gap-2">
      {standing && <VerdictSign verdict={standing} />}
      <span>
        <b>
          {standing ? capitalize(verdictWords(indexBox(draft), finding, standing)) : 'Not judged'}:{' '}
          {FOUND_NAMES[finding.what]}
        </b>{' '}
        {finding.kind === 'seen'
          ? LOOK_GRADES[finding.what][finding.verdict]
          : `${finding.measured.readings.map(readingText).join(' · ')} ${UNIT_NAMES[finding.measured.unit]}`}
        <span className="text-graphite block text-[0.92rem]">
          {finding.kind === 'measured' && `${judgedWords(finding)} `}
          {limit && bounds
            ? `Judged by ${boundsWords(bounds, limit.unit)}, ${SOURCE_NAMES[limit.source]}${finding.kind === 'measured' && finding.isJudgedSince ? ', entered after it was measured' : ''}. `
            : ''}
          {measured?.tool ? `${capitalize(measured.tool)}. ` : ''}
          {entry.by} <span suppressHydrationWarning>{formatWhen(new Date(entry.at))}</span>
        </span>
        {overruled !== null && <span className="block">{overruled}</span>}
      </span>
    </p>
  )
}

function OneFinding({
  boxId,
  finding,
  isDisabled,
  onRecord,
}: {
  readonly boxId: string
  readonly finding: Finding
  readonly isDisabled: boolean
  readonly onRecord: (body: EntryBody) => void
}) {
  const { entry } = finding
  const [hasPhotos, setHasPhotos] = useState(false)
  return (
    <>
      <FoundWords finding={finding} />
      {!isDisabled && (
        <div className="flex flex-wrap items-center">
          <Overrule
            onOverrule={(to, reason) => {
              onRecord({ kind: 'overrule', entry: entry.id, verdict: to, reason })
            }}
          />
          <button
            type="button"
            className="button-quiet"
            onClick={() => {
              onRecord({ kind: 'withdraw', entry: entry.id })
            }}
          >
            <Undo2 aria-hidden /> Take back
          </button>
          <button
            type="button"
            className="button-quiet"
            aria-expanded={hasPhotos}
            onClick={() => {
              setHasPhotos(!hasPhotos)
            }}
          >
            <Camera aria-hidden /> Photographs of this
          </button>
        </div>
      )}
      {hasPhotos && <Photos boxId={boxId} part={finding.part} entry={entry.id} />}
    </>
  )
}

/** A person's own verdict, with the reason that it needs. */
function Overrule({
  onOverrule,
}: {
  readonly onOverrule: (verdict: Verdict, reason: string) => void
}) {
  const [reason, setReason] = useState('')
  const [isOpen, setIsOpen] = useState(false)
  const isKept = reason.trim() !== '' && tooLongWords(reason, LONGEST_LINE) === null
  if (!isOpen)
    return (
      <button
        type="button"
        className="button-quiet"
        onClick={() => {
          setIsOpen(true)
        }}
      >
        Overrule
      </button>
    )
  return (
    <span className="flex flex-wrap items-end gap-2">
      <TypedField label="Why" value={reason} longest={LONGEST_LINE} onType={setReason} />
      {VERDICTS.map((verdict) => (
        <button
          key={verdict}
          type="button"
          className="button"
          disabled={!isKept}
          onClick={() => {
            onOverrule(verdict, reason.trim())
            setIsOpen(false)
          }}
        >
          {capitalize(VERDICT_NAMES[verdict])}
        </button>
      ))}
    </span>
  )
}
