import { Link } from 'react-router'

import type { Complaint, Look, Measure } from 'core'
import { evidenceFor } from 'core'

import { useOpenJob } from '~/components/job/jobContext.ts'
import { VerdictSign } from '~/components/measure/VerdictMarks.tsx'
import { measureAddress } from '~/views/measure/measureAddress.ts'
import { goodEvidenceWords } from '~/words/complaints.ts'
import { unitPartName } from '~/words/jobs.ts'
import { FOUND_NAMES, judgedWords, overruledWords, verdictWords } from '~/words/measures.ts'
import { capitalize } from '~/words/names.ts'

import { useShift } from './useShift.ts'

/** What the job in hand knows of a complaint, and what to measure or look at next. */
export function EvidenceList({ complaint }: { readonly complaint: Complaint }) {
  const { id, draft, naming } = useShift()
  const { current, job } = useOpenJob()
  if (!current) return null
  const { wrong, goodCount, next } = evidenceFor(draft, job, complaint)
  const nameOf = (part: string, what: Measure | Look): string =>
    `${capitalize(unitPartName(naming, part))}: ${FOUND_NAMES[what]}`
  return (
    <>
      {wrong.length > 0 && (
        <ul aria-label={`Found in job ${current.number}`} className="flex flex-col">
          {wrong.map(({ finding, verdict }) => (
            <li key={finding.entry.id} className="flex items-start gap-2 pt-2">
              <VerdictSign verdict={verdict} />
              <span>
                <b>{capitalize(verdictWords(naming.box, finding, verdict))}:</b>{' '}
                <Link to={measureAddress(id, finding.part, finding.what)} className="link-line">
                  {nameOf(finding.part, finding.what)}
                </Link>
                .{' '}
                <span className="text-graphite">
                  {judgedWords(finding)} {overruledWords(finding)}
                </span>
              </span>
            </li>
          ))}
        </ul>
      )}
      {(goodCount > 0 || next) && (
        <p className="text-graphite pt-1 text-[0.92rem]">
          {goodEvidenceWords(current.number, goodCount, wrong.length)}
          {next && (
            <>
              {' '}
              Look at next:{' '}
              <Link to={measureAddress(id, next.part.ref, next.what)} className="link-line">
                {nameOf(next.part.ref, next.what)}
              </Link>
            </>
          )}
        </p>
      )}
    </>
  )
}
