import { useEffect, useRef, useState } from 'react'
import { useFetcher } from 'react-router'

import type { Shelf } from '~/files/shelf.ts'
import { formatPieces } from '~/files/shelf.ts'
import type { LengthUnit } from '~/words/format.ts'

/** What the shelf's action answers. */
export interface ShelfSaid {
  readonly isKept: boolean
  readonly sentence: string
  /** What stands meanwhile, where somebody else changed it; keeping again replaces that. */
  readonly base?: string
}

interface ShelfEdits {
  /** As it stands on this page, kept or not yet. */
  readonly shelf: Shelf
  /** The answer to what was sent last; undefined while something is on its way. */
  readonly said: ShelfSaid | undefined
  readonly isKeeping: boolean
  readonly put: (change: Partial<Shelf>) => void
  /** Sends once more what was not kept. */
  readonly again: () => void
}

/** As the form sends it. */
function textsOf({ leaves, shims, initials, stock, currency }: Shelf, unit: LengthUnit) {
  return {
    leaves: formatPieces(leaves, unit),
    shims: formatPieces(shims, unit),
    initials: initials.join(' '),
    stock: JSON.stringify(stock),
    currency,
  }
}

/**
 * The shelf as it is edited in place: each change is sent at once, one after another, and what
 * could not be kept stays on the page until it is sent again.
 */
export function useShelfEdits(kept: Shelf, base: string, unit: LengthUnit): ShelfEdits {
  const fetcher = useFetcher<ShelfSaid>()
  const [wanted, setWanted] = useState<Shelf | null>(null)
  const sent = useRef<Shelf>(null)
  const { submit, data: said } = fetcher
  const isIdle = fetcher.state === 'idle'
  // While something is on its way what stands may not be what was wanted before it.
  const isKept =
    isIdle &&
    wanted !== null &&
    JSON.stringify(textsOf(wanted, unit)) === JSON.stringify(textsOf(kept, unit))
  if (isKept) setWanted(null)
  const isRefused = isIdle && said?.isKept === false
  const isKeeping = wanted !== null && !isKept && !isRefused
  useEffect(() => {
    if (!isIdle || !wanted || wanted === sent.current) return
    sent.current = wanted
    void submit(
      { intent: 'shelf', base: said?.base ?? base, ...textsOf(wanted, unit) },
      // As parts: fields would take three bytes for each byte of other letters than Latin ones.
      { method: 'post', encType: 'multipart/form-data' },
    )
  }, [isIdle, wanted, submit, said, base, unit])
  return {
    shelf: wanted ?? kept,
    said: isKeeping ? undefined : said,
    isKeeping,
    put: (change) => {
      setWanted({ ...(wanted ?? kept), ...change })
    },
    again: () => {
      if (wanted) setWanted({ ...wanted })
    },
  }
}
