/** Counts that are tried on a box and not kept in it: they stay on this device until they are taken over. */
import { browserStore } from './outbox/outboxStore.ts'

const keyOf = (boxId: string): string => `udrix-trial/${boxId}`

/** The counts of the trial as the address has them; empty where there is none. */
export function readTrial(boxId: string): string {
  try {
    return browserStore()?.getItem(keyOf(boxId)) ?? ''
  } catch {
    return ''
  }
}

/** Puts these counts in the place of the trial before; empty ends it. A browser that stores nothing has the address. */
export function keepTrial(boxId: string, counts: string): void {
  try {
    const store = browserStore()
    if (counts === '') store?.removeItem(keyOf(boxId))
    else store?.setItem(keyOf(boxId), counts)
  } catch {
    // Full or switched off: the address has them still.
  }
}
