import { ArrowRight } from 'lucide-react'
import { useMemo } from 'react'
import { Link } from 'react-router'

import { complaintsOf } from 'core'

import { useOpenBox } from '~/components/box/boxContext.ts'
import { IssueList } from '~/components/box/IssueList.tsx'
import { useOpenJob } from '~/components/job/jobContext.ts'
import { EvidenceList } from '~/components/shift/EvidenceList.tsx'
import { useShift } from '~/components/shift/useShift.ts'
import { complaintAddress } from '~/views/shift/complaintAddress.ts'
import { complaintTitle, complaintWords } from '~/words/complaints.ts'

/** What people complain of, each with what this box has to do with it and where that is seen. */
export default function ShiftComplaints() {
  const { settings } = useOpenBox()
  const { id, draft, naming, solver, issues } = useShift()
  const { current, job } = useOpenJob()
  const complaints = useMemo(() => (solver ? complaintsOf(solver) : []), [solver])
  return (
    <main className="flex-1 px-4 py-3 lg:min-h-0 lg:overflow-auto" tabIndex={0}>
      <title>{`${draft.name} · Complaints · Udrix`}</title>
      <div className="mx-auto max-w-[60rem]">
        <h2 className="text-[1.5rem]">What they complain of</h2>
        {current && job.intake.complaint !== '' && (
          <p>
            Job {current.number} came in with: <q>{job.intake.complaint}</q>
          </p>
        )}
        {!solver && <IssueList draft={draft} issues={issues} words={naming.words} />}
        {solver && complaints.length === 0 && (
          <p>Nothing in this box changes gear yet. Draw its couplers on Lay out.</p>
        )}
        <ul className="flex flex-col">
          {complaints.map((complaint) => (
            <li
              key={complaint.kind}
              className="border-rule grid gap-x-6 gap-y-2 border-b py-4 md:grid-cols-[minmax(0,1fr)_auto] md:items-center"
            >
              <div>
                <h3 className="text-[1.2rem] font-semibold">“{complaintTitle(complaint)}”</h3>
                <p>{complaintWords(naming, complaint, settings.torqueUnit)}</p>
                <EvidenceList complaint={complaint} />
              </div>
              <Link
                className="button no-print"
                to={`/boxes/${id}/${complaintAddress(complaint.scene)}`}
              >
                See it<span className="sr-only">: {complaintTitle(complaint)}</span>
                <ArrowRight aria-hidden />
              </Link>
            </li>
          ))}
        </ul>
        <p className="text-graphite py-3 text-[0.9rem]">
          A guide to where to look. Whether a unit may go on the road is for a qualified person and
          the maker’s manual to say: a box that locks stops the driven wheels.
        </p>
      </div>
    </main>
  )
}
