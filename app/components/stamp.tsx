import { createContext, useContext } from 'react'

import type { Stamp } from '~/files/stamp.ts'

const StampOfResponse = createContext<Stamp | undefined>(undefined)

/** Hands the response's stamp to the document; the browser has none to hand. */
export const StampProvider = StampOfResponse.Provider

export function useStamp(): Stamp | undefined {
  return useContext(StampOfResponse)
}
