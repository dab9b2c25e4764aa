/** The job that a file is made of: the one that the address names, or the latest of the unit. */
import { readAddress } from '../views/addresses.ts'
import { data } from 'react-router'

import type { Job } from 'core'
import { checkBox, readJob } from 'core'

import type { JobRecord } from '../views/job/record.ts'
import { recordOf } from '../views/job/record.ts'
import type { Vocabulary } from '../words/vocabulary.ts'
import { vocabularyOf } from '../words/vocabulary.ts'

import { noSuchBox, withDatabase } from './answers.ts'
import type { BoxRecord } from './boxes.ts'
import { findBox } from './boxes.ts'
import { jobsOfBox } from './jobs.ts'
import { readSettings } from './settings.ts'
import { readRules } from './shelf.ts'

interface ChosenJob {
  readonly box: BoxRecord
  readonly words: Vocabulary
  readonly job: Job
  /** When and as which of the unit's it was opened; undefined of a unit that has none. */
  readonly opened: { readonly number: number; readonly openedAt: string } | undefined
}

export async function chosenJob(boxId: string, request: Request): Promise<ChosenJob> {
  const [box, settings] = await Promise.all([
    withDatabase(() => findBox(boxId)),
    readSettings(request),
  ])
  if (!box) throw noSuchBox()
  const [jobs, rules] = await withDatabase(() => Promise.all([jobsOfBox(box.id), readRules()]))
  const chosen = readAddress('box', request).job
  const opened = jobs.find(({ id }) => id === chosen) ?? jobs.at(-1)
  const job = readJob(opened?.entries ?? [], { sheet: box.draft.sheet ?? [], rules })
  return { box, words: vocabularyOf(settings), job, opened }
}

/** The record of that job, and what its file is called. Answers in a sentence where there is none. */
export async function chosenRecord(
  boxId: string,
  request: Request,
): Promise<{ readonly record: JobRecord; readonly name: string }> {
  const { box, words, job, opened } = await chosenJob(boxId, request)
  if (!opened)
    throw data('No job was opened for this unit yet, so there is nothing to record.', {
      status: 404,
    })
  const checked = checkBox(box.draft)
  if (!checked.ok)
    throw data(
      'The drawing of this box does not hang together. Mend it on Lay out, then take the record.',
      { status: 409 },
    )
  return {
    record: recordOf(checked.box, words, opened, job),
    name: `${box.draft.name} job ${opened.number}`,
  }
}
