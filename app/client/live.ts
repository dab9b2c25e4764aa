/** What a page shows, kept up with what happens elsewhere. */
import { useCallback, useEffect } from 'react'
import { useRevalidator } from 'react-router'

import { hearChanges } from './changes.ts'

/** Looks at the page's data anew whenever something of it changed elsewhere; of any box for null. */
export function useLiveData(boxId: string | null): void {
  const { revalidate } = useRevalidator()
  const look = useCallback(() => {
    void revalidate()
  }, [revalidate])
  useEffect(() => hearChanges(boxId, look), [boxId, look])
}
