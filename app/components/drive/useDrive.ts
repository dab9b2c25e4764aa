/** Drives in a worker of their own; a new task ends the one that is under way. */
import { wrap } from 'comlink'
import { useEffect, useState } from 'react'

import type { DriveAnswer, DriveJob } from '~/views/drive/driveJob.ts'
import type { DriveWorker } from '~/workers/drive.ts'

/** What came of the drive that is asked for, once there is something. */
interface DriveState {
  readonly answer: DriveAnswer | undefined
  readonly isRunning: boolean
  /** The worker could not be had, or fell over its task. */
  readonly hasFailed: boolean
}

export function useDrive(job: DriveJob | undefined): DriveState {
  const [done, setDone] = useState<{
    readonly job: DriveJob
    readonly answer: DriveAnswer | null
  }>()
  useEffect(() => {
    if (!job) return
    const worker = new Worker(new URL('../../workers/drive.ts', import.meta.url), {
      type: 'module',
    })
    let isWanted = true
    const fail = (): void => {
      if (isWanted) setDone({ job, answer: null })
    }
    worker.addEventListener('error', fail)
    void wrap<DriveWorker>(worker)
      .run(job)
      .then((answer) => {
        if (isWanted) setDone({ job, answer })
      }, fail)
      .finally(() => {
        worker.terminate()
      })
    return () => {
      isWanted = false
      worker.terminate()
    }
  }, [job])
  return {
    // What came of another job is not shown under the name of this one.
    answer: done?.job === job ? (done?.answer ?? undefined) : undefined,
    isRunning: job !== undefined && done?.job !== job,
    hasFailed: done?.job === job && done?.answer === null,
  }
}
