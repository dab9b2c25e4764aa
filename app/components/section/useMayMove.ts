import { useSyncExternalStore } from 'react'

const QUERY = '(prefers-reduced-motion: no-preference)'

function subscribe(onChange: () => void): () => void {
  const media = window.matchMedia(QUERY)
  media.addEventListener('change', onChange)
  return () => {
    media.removeEventListener('change', onChange)
  }
}

function mayMove(): boolean {
  return (
    window.matchMedia(QUERY).matches && 'transferControlToOffscreen' in HTMLCanvasElement.prototype
  )
}

/** Whether the person and the browser let things move on the page; not before the page has asked. */
export function useMayMove(): boolean {
  return useSyncExternalStore(subscribe, mayMove, () => false)
}
