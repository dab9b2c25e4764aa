import { TriangleAlert } from 'lucide-react'
import type { ReactNode } from 'react'
import { useEffect } from 'react'

const RETRY_MS = 3_000

/** A page that says what is wrong and what to do, in place of one that cannot be shown. */
export function Trouble({
  title,
  sentence,
  isRetried = false,
  children,
}: {
  readonly title: string
  readonly sentence: string
  /** Whether the page tries again by itself. */
  readonly isRetried?: boolean
  /** What can be done besides. */
  readonly children?: ReactNode
}) {
  useEffect(() => {
    if (!isRetried) return
    const retry = setInterval(() => {
      void fetch('/healthz').then(
        (response) => {
          if (response.ok) window.location.reload()
        },
        () => undefined,
      )
    }, RETRY_MS)
    return () => {
      clearInterval(retry)
    }
  }, [isRetried])
  return (
    <main className="trouble-page">
      <title>{`${title} · Udrix`}</title>
      <h1>
        <TriangleAlert aria-hidden /> {title}
      </h1>
      <p>{sentence}</p>
      {children}
      <a className="button" href="/">
        To the bench
      </a>
    </main>
  )
}
