/** What people complain of, where a box shows it, and what a job found that bears on it. */
export type {
  Complaint,
  ComplaintKind,
  ComplaintScene,
  ShownComplaint,
  Suspects,
} from './complaints.ts'
export { CHANGE_RPM, COMPLAINTS, complaintsOf } from './complaints.ts'
export type { MissingPart } from './missing.ts'
export { areFreed, missingParts, missingRefs, openedByMissing } from './missing.ts'
export type { Evidence, EvidenceFor } from './evidence.ts'
export { evidenceFor } from './evidence.ts'
