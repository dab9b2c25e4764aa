/** A box at the address of a Trace page, for the files that are made of it. */
import { indexBox } from 'core'
import type { BoxDraft } from 'core'

import { analyseDraft } from '../views/box/analysis.ts'
import { readAddress } from '../views/addresses.ts'
import type { TraceInput } from '../views/trace/traceInput.ts'
import { readTraceInput } from '../views/trace/traceInput.ts'
import type { TraceState } from '../views/trace/traceState.ts'
import { readTraceState } from '../views/trace/traceState.ts'
import type { Naming } from '../words/names.ts'
import { vocabularyOf } from '../words/vocabulary.ts'
import { noSuchBox, withDatabase } from './answers.ts'
import { findBox } from './boxes.ts'
import { readSettings } from './settings.ts'

interface TracedBox {
  readonly draft: BoxDraft
  readonly naming: Naming
  readonly input: TraceInput
  /** Undefined where the box cannot be traced. */
  readonly state: TraceState | undefined
}

export async function findTracedBox(boxId: string, request: Request): Promise<TracedBox> {
  const [box, settings] = await Promise.all([
    withDatabase(() => findBox(boxId)),
    readSettings(request),
  ])
  if (!box) throw noSuchBox()
  const { draft } = box
  const address = readAddress('trace', request)
  return {
    draft,
    naming: { box: indexBox(draft), words: vocabularyOf(settings) },
    input: readTraceInput(address, settings, draft),
    state: readTraceState(draft, analyseDraft(draft), address),
  }
}
