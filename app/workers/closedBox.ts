/** Searches for the counts of a closed box away from the page. */
import { expose } from 'comlink'

import type { CountSearch, FoundCounts } from 'core'
import { USUAL_LISTED, searchCounts } from 'core'

export interface ClosedBoxWorker {
  readonly run: (search: CountSearch, onProgress: (done: number) => void) => FoundCounts
}

const worker: ClosedBoxWorker = {
  run: (search, onProgress) => searchCounts(search, USUAL_LISTED, onProgress),
}

expose(worker)
