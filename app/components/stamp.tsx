import { createContext, useContext } from 'react'

const Nonce = createContext<string | undefined>(undefined)

/** Hands the response's nonce to the document; the browser has none to hand. */
export const NonceProvider = Nonce.Provider

export function useNonce(): string | undefined {
  return useContext(Nonce)
}
