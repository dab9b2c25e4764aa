import type { RefObject } from 'react'
import { useEffect, useRef } from 'react'

/** From this width on, what is chosen and what is told of it stand beside one another. */
const BESIDE = '(width >= 64rem)'

/** Brings what is told of a choice into sight where it stands below what is chosen from. */
export function useInSight(told: RefObject<HTMLElement | null>, chosen: string): void {
  const before = useRef(chosen)
  useEffect(() => {
    if (before.current === chosen) return
    before.current = chosen
    if (!window.matchMedia(BESIDE).matches) told.current?.scrollIntoView({ block: 'start' })
  }, [told, chosen])
}
