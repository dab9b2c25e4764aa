/** What happens elsewhere, as the server tells it, and the server's time. */
import { hearStream } from './changeStream.ts'

/** Changes that follow one another closely are looked at once. */
const GATHER_MS = 250
/** Told where everything may have changed. */
const EVERYTHING = '*'

/** What the page was made of, as it came from the server; spent by who asks first. */
let loadedVersion = typeof document === 'undefined' ? '' : document.documentElement.dataset.version

let anchor: { readonly serverMs: number; readonly pageMs: number } | undefined

/** The time by the server's clock, as far as it has been heard; a device's may be set wrong. */
export function serverNow(): Date {
  return new Date(anchor ? anchor.serverMs + performance.now() - anchor.pageMs : Date.now())
}

/** Whether a box, or anything where `boxId` is null, is other than a page of this version shows. */
async function isChanged(boxId: string | null, known: string): Promise<boolean> {
  const asked = new URLSearchParams({ ...(boxId !== null && { box: boxId }), known })
  const answer = await fetch(`/changed?${asked.toString()}`)
  const told: unknown = await answer.json()
  return told !== false
}

/**
 * Hears of every change of one box, or of any where `boxId` is null, while the page can be
 * seen; on coming back to it everything is looked at anew. Returns what ends it.
 */
export function hearChanges(boxId: string | null, onChange: () => void): () => void {
  let stop: (() => void) | undefined
  let gathering: ReturnType<typeof setTimeout> | undefined
  const gather = () => {
    clearTimeout(gathering)
    gathering = setTimeout(onChange, GATHER_MS)
  }
  const close = () => {
    stop?.()
    stop = undefined
  }
  const open = () => {
    if (stop || document.visibilityState !== 'visible') return
    let known = loadedVersion ?? ''
    loadedVersion = ''
    stop = hearStream(({ event, data }) => {
      if (event === 'time') anchor = { serverMs: Number(data), pageMs: performance.now() }
      else if (event === 'change') {
        if (boxId === null || data === boxId || data === EVERYTHING) gather()
      } else if (known === '') gather()
      else {
        // Whatever changed between the page's loading and now; after a break there may be more.
        isChanged(boxId, known).then((isOld) => {
          if (isOld) gather()
        }, gather)
        known = ''
      }
    })
  }
  const onVisible = () => {
    if (document.visibilityState === 'visible') {
      open()
      gather()
    } else close()
  }
  open()
  document.addEventListener('visibilitychange', onVisible)
  // A window that is closed says so; one that is turned back to hears again.
  const onHide = () => {
    close()
  }
  const onShow = ({ persisted }: PageTransitionEvent) => {
    if (persisted) onVisible()
  }
  globalThis.addEventListener('pagehide', onHide)
  globalThis.addEventListener('pageshow', onShow)
  return () => {
    document.removeEventListener('visibilitychange', onVisible)
    globalThis.removeEventListener('pagehide', onHide)
    globalThis.removeEventListener('pageshow', onShow)
    clearTimeout(gathering)
    close()
  }
}
