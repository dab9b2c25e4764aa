import { useMedia } from '~/components/useMedia.ts'

/** Whether the person and the browser let things move on the page; not before the page has asked. */
export function useMayMove(): boolean {
  const isWanted = useMedia('(prefers-reduced-motion: no-preference)')
  return isWanted && 'transferControlToOffscreen' in HTMLCanvasElement.prototype
}
