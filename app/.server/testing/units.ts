/** What tests of services begin with. */
import type { BoxDraft } from 'core'
import { threeShaftBox } from 'core'

import { createBox } from '../boxes.ts'
import { openJob } from '../jobs.ts'

/** A four-speed that nobody has counted. */
export const UNIT: BoxDraft = threeShaftBox({
  name: 'unit',
  forwardCount: 4,
  directAt: 4,
  reverse: 'sliding-idler',
})

/** A unit on the bench with its first job open. */
export async function unitWithJob(): Promise<{ readonly boxId: string; readonly jobId: string }> {
  const boxId = await createBox(UNIT)
  const job = await openJob(boxId)
  if (!job) throw new Error('no job was opened')
  return { boxId, jobId: job.id }
}
