/** Sends what was entered in a job; a photograph goes before the entry that shows it. */
import type { Entry } from 'core'

import type { Foreign, NotYet } from '~/components/outbox/answers.ts'
import { post, postJson } from '~/components/outbox/answers.ts'
import { findPhoto, removePhoto } from '~/components/outbox/photoStore.ts'
import { serverNow } from '~/components/live.ts'
import type { EntryAnswer } from '~/jobEntry.ts'
import { ENTRY_ANSWER_KINDS } from '~/jobEntry.ts'
import type { PhotoAnswer } from '~/photo.ts'
import { PHOTO_ANSWER_KINDS } from '~/photo.ts'

/** An entry with the job that it was entered in, whichever is open when it arrives. */
export interface SentEntry {
  readonly jobId: string
  readonly entry: Entry
}

async function sendPhoto(
  boxId: string,
  jobId: string,
  photo: string,
): Promise<PhotoAnswer | NotYet | Foreign> {
  const waiting = await findPhoto(photo)
  // Sent before, and kept.
  if (!waiting) return { kind: 'kept' }
  const form = new FormData()
  form.set('jobId', jobId)
  form.set('photo', photo)
  form.set('file', waiting, 'photo')
  return post<PhotoAnswer>(`/boxes/${boxId}/photos`, { body: form }, PHOTO_ANSWER_KINDS)
}

export async function sendEntry(
  boxId: string,
  sent: SentEntry,
): Promise<EntryAnswer | NotYet | Foreign> {
  const { body } = sent.entry
  const photo = body.kind === 'photo' ? body.photo : undefined
  if (photo !== undefined) {
    const answer = await sendPhoto(boxId, sent.jobId, photo)
    if (answer.kind !== 'kept') return answer
  }
  const answer = await postJson<EntryAnswer>(
    `/boxes/${boxId}/entries`,
    { ...sent, sentAt: serverNow().toISOString() },
    ENTRY_ANSWER_KINDS,
  )
  if (answer.kind === 'kept' && photo !== undefined) await removePhoto(photo)
  return answer
}
