/** What happens elsewhere, as the server tells it, and the server's time. */

/** Changes that follow one another closely are looked at once. */
const GATHER_MS = 250
/** A browser does not ask again by itself where the answer was that it cannot be had now. */
const AGAIN_MS = 3_000

/** What the page was made of, as it came from the server; spent by who asks first. */
let loadedVersion = typeof document === 'undefined' ? '' : document.documentElement.dataset.version

let anchor: { readonly serverMs: number; readonly pageMs: number } | undefined

/** The time by the server's clock, as far as it has been heard; a device's may be set wrong. */
export function serverNow(): Date {
  return new Date(anchor ? anchor.serverMs + performance.now() - anchor.pageMs : Date.now())
}

/** Where the changes of a box are told, or of everything; what is `known` is not told again. */
function addressOf(boxId: string | null, known: string): string {
  const asked = new URLSearchParams({
    ...(boxId !== null && { box: boxId }),
    ...(known !== '' && { known }),
  }).toString()
  return asked === '' ? '/events' : `/events?${asked}`
}

/**
 * Hears of every change of one box, or of any where `boxId` is null, while the page can be
 * seen; on coming back to it everything is looked at anew. Returns what ends it.
 */
export function hearChanges(boxId: string | null, onChange: () => void): () => void {
  let source: EventSource | undefined
  let gathering: ReturnType<typeof setTimeout> | undefined
  let again: ReturnType<typeof setTimeout> | undefined
  const gather = () => {
    clearTimeout(gathering)
    gathering = setTimeout(onChange, GATHER_MS)
  }
  const close = () => {
    clearTimeout(again)
    source?.close()
    source = undefined
  }
  const open = () => {
    if (source || document.visibilityState !== 'visible') return
    const known = loadedVersion ?? ''
    loadedVersion = ''
    source = new EventSource(addressOf(boxId, known))
    // Whatever changed between the page's loading and now, the server tells who says what is known.
    let isTold = known !== ''
    source.addEventListener('time', ({ data }) => {
      anchor = { serverMs: Number(data), pageMs: performance.now() }
    })
    source.addEventListener('change', gather)
    source.addEventListener('open', () => {
      // Whatever changed during a break was not heard.
      if (!isTold) gather()
      isTold = false
    })
    source.addEventListener('error', () => {
      if (source?.readyState !== EventSource.CLOSED) return
      close()
      again = setTimeout(open, AGAIN_MS)
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
  return () => {
    document.removeEventListener('visibilitychange', onVisible)
    clearTimeout(gathering)
    close()
  }
}
