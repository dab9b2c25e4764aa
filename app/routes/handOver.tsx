import { Download } from 'lucide-react'

import { stagesOf } from 'core'

import { PrintButton } from '~/components/PrintButton.tsx'
import { useOpenBox } from '~/components/box/boxContext.ts'
import { CloseJob } from '~/components/job/CloseJob.tsx'
import { HandOverSheet } from '~/components/job/HandOverSheet.tsx'
import { useOpenJob } from '~/components/job/jobContext.ts'

/** The sheet that goes with the unit when it leaves. */
export default function HandOver() {
  const { id, draft } = useOpenBox()
  const { box, job, current, record } = useOpenJob()
  return (
    <main className="flex-1 px-4 py-3 lg:min-h-0 lg:overflow-auto" tabIndex={0}>
      <title>{`${draft.name} · Hand-over · Udrix`}</title>
      <div className="mx-auto max-w-[64rem]">
        <div className="no-print mb-3 flex flex-wrap gap-2">
          <PrintButton />
          {current && (
            <>
              <a className="button" href={`/boxes/${id}/record.json?job=${current.id}`} download>
                <Download aria-hidden /> Record as JSON
              </a>
              <a className="button" href={`/boxes/${id}/findings.csv?job=${current.id}`} download>
                <Download aria-hidden /> Measurements as CSV
              </a>
            </>
          )}
        </div>
        <HandOverSheet />
        {current && (
          <div className="no-print mt-4">
            <CloseJob
              boxId={id}
              stages={box ? stagesOf(box, job) : []}
              isClosed={job.isClosed}
              leftOut={job.leftOut}
              onRecord={record}
            />
          </div>
        )}
      </div>
    </main>
  )
}
