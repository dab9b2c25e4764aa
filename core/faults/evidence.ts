/** What was found of parts in a job, and bears on what people complain of. */
import type { BoxDraft } from '../box/types.ts'
import type { Finding, Job, UnitPart } from '../job/index.ts'
import { latestFindings, standingVerdict, unitParts } from '../job/index.ts'
import type { Look, Measure, Verdict } from '../measure/index.ts'
import { VERDICTS } from '../measure/index.ts'

import type { Complaint } from './complaints.ts'
import { COMPLAINTS, namedBy } from './complaints.ts'

/** A finding that was judged. */
export interface Evidence {
  readonly finding: Finding
  readonly verdict: Verdict
}

export interface EvidenceFor {
  /** What is not good, the worst first. */
  readonly wrong: readonly Evidence[]
  /** How many findings that bear on it are good. */
  readonly goodCount: number
  /** What to look at first of what was not; undefined where all was, or the box has no such part. */
  readonly next: { readonly part: UnitPart; readonly what: Measure | Look } | undefined
}

/** What a job knows of a complaint. */
export function evidenceFor(draft: BoxDraft, job: Job, complaint: Complaint): EvidenceFor {
  const { suspects } = COMPLAINTS[complaint.kind]
  const named = namedBy(draft, complaint)
  const parts = unitParts(draft)
    .filter(({ kind }) => suspects[kind] !== undefined)
    .sort((one, other) => Number(named.has(other.ref)) - Number(named.has(one.ref)))
  const found = new Map(
    latestFindings(job).map((finding) => [`${finding.part} ${finding.what}`, finding]),
  )
  const all = parts.flatMap((part) =>
    (suspects[part.kind] ?? [])
      .filter((what) => [...part.measures, ...part.looks].includes(what))
      .map((what) => ({ part, what, finding: found.get(`${part.ref} ${what}`) })),
  )
  const judged = all.flatMap(({ finding }): readonly Evidence[] => {
    const verdict = finding && standingVerdict(finding)
    return verdict ? [{ finding, verdict }] : []
  })
  const severity = ({ verdict }: Evidence): number => VERDICTS.indexOf(verdict)
  const wrong = judged
    .filter(({ verdict }) => verdict !== 'good')
    .sort((one, other) => severity(other) - severity(one))
  return {
    wrong,
    goodCount: judged.length - wrong.length,
    next: all.find(({ finding }) => finding === undefined),
  }
}
