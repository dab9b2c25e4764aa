/** Sends what was entered in a job; a photograph goes before the entry that shows it. */
import type { Entry } from 'core'

import type { EntryKept, PhotoKept, SentAnswer } from '~/files/sentAnswer.ts'

import type { Foreign } from './outbox/answers.ts'
import { post, postJson } from './outbox/answers.ts'
import { findPhoto, removePhoto } from './outbox/photoStore.ts'
import { serverNow } from './changes.ts'

/** An entry with the job that it was entered in, whichever is open when it arrives. */
export interface SentEntry {
  readonly jobId: string
  readonly entry: Entry
  /** Of what version it is: it may wait for the server while that is renewed. */
  readonly version?: number
}

async function sendPhoto(
  boxId: string,
  jobId: string,
  photo: string,
): Promise<SentAnswer<PhotoKept> | Foreign> {
  const waiting = await findPhoto(photo)
  // Sent before, and kept.
  if (!waiting) return { kind: 'kept' }
  const form = new FormData()
  form.set('jobId', jobId)
  form.set('photo', photo)
  form.set('file', waiting, 'photo')
  return post<PhotoKept>(`/boxes/${boxId}/photos`, { body: form })
}

export async function sendEntry(
  boxId: string,
  sent: SentEntry,
): Promise<SentAnswer<EntryKept> | Foreign> {
  const { body } = sent.entry
  const photo = body.kind === 'photo' ? body.photo : undefined
  if (photo !== undefined) {
    const answer = await sendPhoto(boxId, sent.jobId, photo)
    if (answer.kind !== 'kept') return answer
  }
  const answer = await postJson<EntryKept>(`/boxes/${boxId}/entries`, {
    ...sent,
    sentAt: serverNow().toISOString(),
  })
  if (answer.kind === 'kept' && photo !== undefined) await removePhoto(photo)
  return answer
}
