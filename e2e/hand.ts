/** What a hand and an eye need of a page, whatever is on it. */
import type { Page } from '@playwright/test'

/** What does not fit, in words; empty where a page is as it should be. */
interface Hand {
  /** How far down the page itself begins, in CSS pixels. */
  readonly headPx: number
  readonly wrong: readonly string[]
}

/**
 * Looks at all that is seen and pressed: type of at least 11 px, targets of at least 44 (common
 * practice, and WCAG 2.2's enhanced target size, from memory: what stands in a sentence, and the
 * parts of a drawing, are free of it), and nothing that scrolls sideways but a drawing.
 */
export function lookAtHand(page: Page): Promise<Hand> {
  return page.evaluate(() => {
    // Half a pixel goes by rounding.
    const [leastType, leastTarget] = [10.95, 43.5]
    const wrong = new Set<string>()
    const isSeen = (element: Element): boolean => {
      const { width, height } = element.getBoundingClientRect()
      const isHidden = element.closest('.sr-only, [aria-hidden=true]') !== null
      return (
        width > 2 &&
        height > 2 &&
        !isHidden &&
        element.checkVisibility({ opacityProperty: true, visibilityProperty: true })
      )
    }
    const nameOf = (element: Element): string =>
      `${element.tagName.toLowerCase()} “${(element.getAttribute('aria-label') ?? element.textContent).trim().slice(0, 40)}”`

    const texts = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT)
    while (texts.nextNode()) {
      const element = texts.currentNode.parentElement
      const text = texts.currentNode.textContent?.trim()
      if (!text || !element || element.matches('script, style, title, option, noscript')) continue
      if (!isSeen(element)) continue
      const matrix = (element as Element) instanceof SVGGraphicsElement ? screenOf(element) : null
      const scale = matrix ? Math.hypot(matrix.a, matrix.b) : 1
      const typePx = parseFloat(getComputedStyle(element).fontSize) * scale
      if (typePx < leastType) wrong.add(`type of ${typePx.toFixed(1)} px: ${nameOf(element)}`)
    }
    function screenOf(element: Element): DOMMatrix | null {
      return element instanceof SVGGraphicsElement ? element.getScreenCTM() : null
    }

    const isInSentence = (element: Element): boolean => {
      let around = element.parentElement
      while (around && getComputedStyle(around).display.startsWith('inline'))
        around = around.parentElement
      const isInline = getComputedStyle(element).display.startsWith('inline')
      const own = element.textContent.trim().length
      return isInline && around !== null && around.textContent.trim().length > own
    }
    /** How far a press still reaches it, from its middle in both ways. */
    const reachOf = (element: Element, label: Element | null, dx: number, dy: number): number => {
      const { x, y, width, height } = element.getBoundingClientRect()
      const reaches = (by: number): boolean => {
        const hit = document.elementFromPoint(x + width / 2 + dx * by, y + height / 2 + dy * by)
        return hit !== null && (element.contains(hit) || label?.contains(hit) === true)
      }
      let [before, after] = [0, 0]
      while (after < leastTarget && reaches(after + 1)) after++
      while (before < leastTarget && reaches(-before - 1)) before++
      return before + after + 1
    }
    const TARGETS =
      'a[href], button, input:not([type=hidden]), select, textarea, summary, [role=button]'
    for (const element of document.querySelectorAll(TARGETS)) {
      if (!isSeen(element) || element.closest('svg')) continue
      const label = element.closest('label')
      const { width, height } = element.getBoundingClientRect()
      if (width >= leastTarget && height >= leastTarget) continue
      const isText = element.matches('a, button') && height < 30
      if (isText && isInSentence(element)) continue
      element.scrollIntoView({ block: 'center' })
      const wide = Math.max(width, reachOf(element, label, 1, 0))
      const high = Math.max(height, reachOf(element, label, 0, 1))
      if (Math.min(wide, high) < leastTarget)
        wrong.add(`a target of ${wide.toFixed(0)} × ${high.toFixed(0)} px: ${nameOf(element)}`)
    }

    for (const element of document.querySelectorAll('body *')) {
      const scrolls = /auto|scroll/.test(getComputedStyle(element).overflowX)
      const isDrawing = element.querySelector(':scope svg.section') !== null
      if (scrolls && !isDrawing && isSeen(element) && element.scrollWidth > element.clientWidth + 1)
        wrong.add(`scrolls sideways: ${nameOf(element)}`)
    }
    window.scrollTo(0, 0)
    const begin = document.querySelector('main')?.getBoundingClientRect().top ?? 0
    return { headPx: begin, wrong: [...wrong] }
  })
}
