import type { Address, ChangeAddress } from '~/views/addresses.ts'
import { createContext, useContext } from 'react'

import type { Layers } from '~/views/section/layers.ts'
import type { Pace } from '~/views/section/pace.ts'
import type { Naming } from '~/words/names.ts'
import type { BoxIssue, PositionAnalysis } from 'core'

import type { TraceInput } from '~/views/trace/traceInput.ts'
import type { TraceState } from '~/views/trace/traceState.ts'

/** What all views of Trace have in common. */
export interface OpenTrace extends TraceState {
  readonly search: Address<'trace'>
  readonly change: ChangeAddress<'trace'>
  readonly naming: Naming
  readonly positions: readonly PositionAnalysis[]
  readonly issues: readonly BoxIssue[]
  readonly input: TraceInput
  readonly layers: Layers
  readonly pace: Pace
}

const Context = createContext<OpenTrace | undefined>(undefined)

export const OpenTraceProvider = Context.Provider

export function useOpenTrace(): OpenTrace {
  const trace = useContext(Context)
  if (!trace) throw new Error('no trace is open here')
  return trace
}
