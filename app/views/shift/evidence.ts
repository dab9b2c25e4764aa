/** What was found of parts in a job, and bears on what people complain of. */
import type { BoxDraft, Finding, Job, Look, Measure, UnitPart, UnitPartKind, Verdict } from 'core'
import { VERDICTS, latestFindings, standingVerdict, unitParts, pathTo, pathToRing } from 'core'

import type { Complaint } from '~/words/complaints.ts'

type Suspects = Readonly<Partial<Record<UnitPartKind, readonly (Measure | Look)[]>>>

/** The parts that can bring a complaint about, and by what of them it is told (common practice). */
export const SUSPECTS: Readonly<Record<Complaint['kind'], Suspects>> = {
  fast: {
    ring: ['ring-gap', 'grooves', 'tooth-tips', 'crack'],
    gear: ['cone-contact', 'cone-feel', 'tooth-tips'],
    sleeve: ['dog-corners'],
    'hub-key': ['thickness', 'step-wear'],
  },
  standing: {
    'clutch-disc': ['run-out', 'thickness', 'burnt'],
    'clutch-fork': ['bent', 'step-wear', 'crack'],
    'release-bearing': ['bearing-feel'],
    'pilot-bearing': ['bearing-feel', 'pitting'],
  },
  cold: {
    ring: ['ring-gap', 'grooves', 'crack'],
    gear: ['cone-contact', 'cone-feel'],
  },
  'jumps-out': {
    sleeve: ['dog-engagement', 'dog-corners', 'fork-clearance', 'spline-rock'],
    gear: ['end-play', 'running-clearance'],
    hub: ['spline-rock', 'step-wear', 'crack'],
    fork: ['thickness', 'step-wear', 'bent', 'crack'],
    detent: ['free-length', 'scoring'],
    rod: ['bent', 'scoring'],
    'thrust-washer': ['thickness', 'scoring'],
  },
  'two-in': {
    'interlock-ball': ['scoring'],
    'interlock-pin': ['scoring'],
    'interlock-plate': ['scoring', 'bent'],
    detent: ['free-length', 'scoring'],
    rod: ['bent', 'scoring'],
  },
}

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

/** The parts that a complaint names by itself, which come before their like. */
function namedParts({ couplers }: BoxDraft, complaint: Complaint): ReadonlySet<string> {
  switch (complaint.kind) {
    case 'fast':
    case 'cold':
      return new Set(
        Object.entries(complaint.into.couplers).map(([id, place]) => pathToRing(id, place)),
      )
    case 'jumps-out':
      return new Set(
        couplers
          .filter(({ positions }) => positions.includes(complaint.place))
          .map(({ id }) => pathTo('sleeve', id)),
      )
    case 'standing':
    case 'two-in':
      return new Set()
  }
}

/** What a job knows of a complaint. */
export function evidenceFor(draft: BoxDraft, job: Job, complaint: Complaint): EvidenceFor {
  const suspects = SUSPECTS[complaint.kind]
  const named = namedParts(draft, complaint)
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
