/** Drives a box over a course away from the page. */
import { expose } from 'comlink'

import type { DriveJob, DriveAnswer } from '~/views/drive/driveJob.ts'
import { runDrive } from '~/views/drive/driveJob.ts'

export interface DriveWorker {
  readonly run: (job: DriveJob) => DriveAnswer
}

const worker: DriveWorker = { run: runDrive }

expose(worker)
