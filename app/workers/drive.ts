/** Drives a box over a course away from the page. */
import { expose } from 'comlink'

import type { LastOfDrive, DriveJob, TellDrive } from '~/views/drive/driveJob.ts'
import { runDrive } from '~/views/drive/driveJob.ts'

export interface DriveWorker {
  readonly run: (job: DriveJob, onTell: TellDrive) => LastOfDrive
}

const worker: DriveWorker = { run: runDrive }

expose(worker)
