import { setNonce } from 'get-nonce'
import { StrictMode, startTransition } from 'react'
import { hydrateRoot } from 'react-dom/client'
import { HydratedRouter } from 'react-router/dom'

// Dialogs put a style element into the page while they are open; it needs the page's nonce.
const script = document.querySelector<HTMLScriptElement>('script[nonce]')
if (script?.nonce) setNonce(script.nonce)

startTransition(() => {
  hydrateRoot(
    document,
    <StrictMode>
      <HydratedRouter />
    </StrictMode>,
  )
})
