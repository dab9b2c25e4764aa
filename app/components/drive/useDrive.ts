/** Drives in a worker of their own; a new task ends the one that is under way. */
import { proxy, wrap } from 'comlink'
import { useEffect, useState } from 'react'

import type { DriveAnswer, DriveJob, TellDrive } from '~/views/drive/driveJob.ts'
import type { DriveWorker } from '~/workers/drive.ts'

/** What came of the drive that is asked for, once there is something. */
interface DriveState {
  readonly answer: DriveAnswer | undefined
  readonly isRunning: boolean
  /** The part done, 0 to 1. */
  readonly done: number
  /** The worker could not be had, or fell over its task. */
  readonly hasFailed: boolean
}

/** What has been heard of a drive. */
interface Told {
  readonly job: DriveJob
  readonly answer?: DriveAnswer | undefined
  readonly done: number
  readonly hasFailed?: true
}

/** What is told of a job beside what is known of it; the drive itself stays the one that is drawn. */
function withKnown(
  what: Omit<Told, 'job'>,
  before: Told | undefined,
  job: DriveJob,
): Omit<Told, 'job'> {
  const known = before?.job === job ? before.answer : undefined
  if (what.hasFailed || !known?.ok) return what
  const { answer } = what
  return { ...what, answer: answer?.ok ? { ...answer, result: known.result } : known }
}

export function useDrive(job: DriveJob | undefined): DriveState {
  const [told, setTold] = useState<Told>()
  useEffect(() => {
    if (!job) return
    const worker = new Worker(new URL('../../workers/drive.ts', import.meta.url), {
      type: 'module',
    })
    let isWanted = true
    const tell = (what: Omit<Told, 'job'>): void => {
      if (isWanted) setTold((before) => ({ job, ...withKnown(what, before, job) }))
    }
    const fail = (): void => {
      tell({ done: 1, hasFailed: true })
    }
    worker.addEventListener('error', fail)
    const onTell: TellDrive = (done, answer) => {
      // Whatever is told last says that it is done.
      tell({ done: Math.min(done, 0.99), answer })
    }
    void wrap<DriveWorker>(worker)
      .run(job, proxy(onTell))
      .then((answer) => {
        tell({ done: 1, answer })
      }, fail)
      .finally(() => {
        worker.terminate()
      })
    return () => {
      isWanted = false
      worker.terminate()
    }
  }, [job])
  // What came of another job is not shown under the name of this one.
  const own = told?.job === job ? told : undefined
  return {
    answer: own?.answer,
    isRunning: job !== undefined && (own?.done ?? 0) < 1,
    done: own?.done ?? 0,
    hasFailed: own?.hasFailed === true,
  }
}
