/** Judges all combinations of a large box away from the page. */
import { expose } from 'comlink'

import type { BoxDraft } from 'core'

import type { FoundAll } from '~/views/positions/findAll.ts'
import { findAllAtOnce } from '~/views/positions/findAll.ts'

export interface CombinationsWorker {
  readonly run: (draft: BoxDraft, onProgress: (done: number) => void) => FoundAll
}

const worker: CombinationsWorker = { run: findAllAtOnce }

expose(worker)
