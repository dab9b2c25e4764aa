/** A unit's life over its jobs: what it came with, what was replaced, and how each measure went. */
import type { Finding, Job } from 'core'
import { latestFindings, standingVerdict } from 'core'
import type { Verdict } from 'core'

import { orderLines, totalsOf } from '~/views/order/orderLines.ts'
import { unitPartName } from '~/words/jobs.ts'
import {
  LOOK_GRADES,
  FOUND_NAMES,
  UNIT_NAMES,
  readingText,
  verdictWords,
} from '~/words/measures.ts'
import type { Naming } from '~/words/names.ts'
import { capitalize } from '~/words/names.ts'

/** A job of the unit, the oldest first. */
export interface LivedJob {
  readonly id: string
  readonly number: number
  readonly openedAt: string
  readonly job: Job
}

interface LifeJob {
  readonly id: string
  readonly number: number
  readonly openedAt: string
  readonly isClosed: boolean
  readonly distance: string
  readonly complaint: string
  /** What was put in, with its part number where it has one. */
  readonly replaced: readonly string[]
  /** In the shop's money, of what was ordered or done. */
  readonly cost: number
}

/** One thing that was found, in one job. */
export interface LifeFinding {
  readonly text: string
  readonly verdict: Verdict | null
  /** The verdict in words. */
  readonly says: string | null
}

/** One thing over all jobs. */
interface LifeRow {
  readonly part: string
  readonly what: string
  /** By job, in their order; null where it was not looked at. */
  readonly found: readonly (LifeFinding | null)[]
}

export interface Life {
  readonly jobs: readonly LifeJob[]
  readonly rows: readonly LifeRow[]
}

function lifeJob(naming: Naming, { id, number, openedAt, job }: LivedJob): LifeJob {
  const { distance, complaint } = job.intake
  const lines = orderLines(naming, job)
  return {
    id,
    number,
    openedAt,
    isClosed: job.isClosed,
    distance: distance ? `${distance.text} ${UNIT_NAMES[distance.unit]}` : '',
    complaint,
    replaced: lines
      .filter(({ state, isLabour }) => state === 'arrived' && isLabour !== true)
      .map(({ what, partNumber }) => (partNumber ? `${what} (${partNumber})` : what)),
    cost: totalsOf(lines).soFar,
  }
}

function findingText(finding: Finding): string {
  if (finding.kind === 'seen') return LOOK_GRADES[finding.what][finding.verdict]
  const { readings, unit, phase } = finding.measured
  const text = `${readings.map(readingText).join(' · ')} ${UNIT_NAMES[unit]}`
  return phase === 'after' ? `${text}, after the work` : text
}

/** The life of a unit: its jobs, and each thing that was ever found with what it came to in each. */
export function lifeOf(naming: Naming, jobs: readonly LivedJob[]): Life {
  const rows = new Map<string, { part: string; what: string; found: (LifeFinding | null)[] }>()
  jobs.forEach(({ job }, at) => {
    for (const finding of latestFindings(job)) {
      const key = `${finding.part} ${finding.what}`
      const row = rows.get(key) ?? {
        part: capitalize(unitPartName(naming, finding.part)),
        what: FOUND_NAMES[finding.what],
        found: jobs.map(() => null),
      }
      const verdict = standingVerdict(finding)
      row.found[at] = {
        text: findingText(finding),
        verdict,
        says: verdict && verdictWords(naming.box, finding, verdict),
      }
      rows.set(key, row)
    }
  })
  return {
    jobs: jobs.map((each) => lifeJob(naming, each)),
    rows: [...rows.values()].sort((one, other) => one.part.localeCompare(other.part)),
  }
}
