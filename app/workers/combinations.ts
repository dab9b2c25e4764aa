/** Judges all combinations of a large box away from the page. */
import { expose } from 'comlink'

import type { BoxDraft } from 'core'

import type { FoundAll } from '../components/positions/findAll.ts'
import { findAll } from '../components/positions/findAll.ts'

export interface CombinationsWorker {
  readonly run: (draft: BoxDraft, onProgress: (done: number) => void) => FoundAll
}

const worker: CombinationsWorker = {
  run: (draft, onProgress) => {
    const steps = findAll(draft)
    for (;;) {
      const step = steps.next()
      if (step.done) return step.value
      onProgress(step.value)
    }
  },
}

expose(worker)
