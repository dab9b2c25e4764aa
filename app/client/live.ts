/** What happens elsewhere, as the server tells it, and the server's time. */
import { useCallback, useEffect } from 'react'
import { useRevalidator } from 'react-router'

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

/**
 * Hears of every change of one box, or of any where `boxId` is null, while the page can be
 * seen; on coming back to it everything is looked at anew.
 */
export function useChanges(boxId: string | null, onChange: () => void): void {
  useEffect(() => {
    let source: EventSource | undefined
    let gathering: ReturnType<typeof setTimeout> | undefined
    let again: ReturnType<typeof setTimeout> | undefined
    const gather = () => {
      clearTimeout(gathering)
      gathering = setTimeout(onChange, GATHER_MS)
    }
    const open = () => {
      if (source || document.visibilityState !== 'visible') return
      const known = loadedVersion ?? ''
      loadedVersion = ''
      const asked = new URLSearchParams({
        ...(boxId !== null && { box: boxId }),
        ...(known && { known }),
      })
      source = new EventSource(`/events?${asked.toString()}`)
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
    const close = () => {
      clearTimeout(again)
      source?.close()
      source = undefined
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
  }, [boxId, onChange])
}

/** Looks at the page's data anew whenever something of it changed elsewhere. */
export function useLiveData(boxId: string | null): void {
  const { revalidate } = useRevalidator()
  const look = useCallback(() => {
    void revalidate()
  }, [revalidate])
  useChanges(boxId, look)
}
