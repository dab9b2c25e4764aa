import { createContext, useContext } from 'react'

import type { Settings } from '~/settings.ts'
import type { Vocabulary } from '~/words/vocabulary.ts'

import type { KeptBox } from './useKeptBox.ts'

export interface OpenBox extends KeptBox {
  readonly id: string
  readonly words: Vocabulary
  readonly settings: Settings
  readonly areCautionsRead: boolean
}

const Context = createContext<OpenBox | undefined>(undefined)

export const OpenBoxProvider = Context.Provider

/** The box that is open, for every page of it. */
export function useOpenBox(): OpenBox {
  const box = useContext(Context)
  if (!box) throw new Error('no box is open here')
  return box
}
