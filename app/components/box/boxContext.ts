import type { Dispatch, SetStateAction } from 'react'
import { createContext, useContext } from 'react'

import type { BoxDraft } from 'core'

import type { Settings } from '~/settings.ts'
import type { EditOrigin } from '~/files/editOrigin.ts'
import type { JobSummary } from '~/views/job/summary.ts'
import type { NextThing } from '~/views/box/way.ts'
import type { Vocabulary } from '~/words/vocabulary.ts'

import type { KeptBox } from './useKeptBox.ts'

/** A box as the server hands it to its pages. */
export interface LoadedBox {
  readonly id: string
  readonly draft: BoxDraft
  readonly revision: number
  readonly isDemo: boolean
  readonly areCautionsRead: boolean
  readonly settings: Settings
  /** Where edits come from that are made here. */
  readonly origin: EditOrigin
  /** The latest job of the unit. */
  readonly job: JobSummary | null
}

/** Whether what was entered in a job is kept, on its way, or waits for the server. */
export type Entries = 'kept' | 'on-their-way' | 'waiting'

export interface OpenBox extends KeptBox {
  readonly id: string
  readonly words: Vocabulary
  readonly settings: Settings
  readonly job: JobSummary | null
  readonly areCautionsRead: boolean
  readonly confirmCautions: () => void
  /** Tells the head of the page how far the entries of a job are. */
  readonly setEntries: Dispatch<SetStateAction<Entries>>
  /** What is useful next, elsewhere than on this page. */
  readonly next: NextThing | null
}

const Context = createContext<OpenBox | undefined>(undefined)

export const OpenBoxProvider = Context.Provider

/** The box that is open, for every page of it. */
export function useOpenBox(): OpenBox {
  const box = useContext(Context)
  if (!box) throw new Error('no box is open here')
  return box
}
