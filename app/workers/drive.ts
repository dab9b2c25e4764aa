/** Drives a box over a course away from the page. */
import { expose } from 'comlink'

import type { LastOfDrive, DriveJob, TellDrive } from '~/views/drive/driveJob.ts'
import { runDrive } from '~/views/drive/driveJob.ts'

export interface DriveWorker {
  /** What it ends with is sent once everything told before has been heard. */
  readonly run: (job: DriveJob, onTell: Acknowledged<TellDrive>) => Promise<LastOfDrive>
}

/** As it is called from here: each call is answered once it has been heard. */
type Acknowledged<F extends (...args: never[]) => void> = (...args: Parameters<F>) => Promise<void>

const worker: DriveWorker = {
  run: async (job, onTell) => {
    const heard: Promise<void>[] = []
    const last = runDrive(job, (...told) => {
      heard.push(onTell(...told))
    })
    await Promise.all(heard)
    return last
  },
}

expose(worker)
