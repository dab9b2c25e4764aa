import clsx from 'clsx'
import { useRef } from 'react'

import { useInSight } from './useInSight.ts'

/** How much of the width the panel takes; `wide` holds a table. */
const WIDTHS = {
  none: '',
  slim: 'lg:grid-cols-[minmax(0,1fr)_20rem] xl:grid-cols-[minmax(0,1fr)_24rem]',
  usual: 'lg:grid-cols-[minmax(0,1fr)_23rem] xl:grid-cols-[minmax(0,1fr)_28rem]',
  wide: 'lg:grid-cols-[minmax(0,1fr)_26rem] xl:grid-cols-[minmax(0,1fr)_29rem]',
} as const

interface WorkAreaProps {
  /** Of the page, without the name of the program. */
  readonly title: string
  readonly panel?: keyof typeof WIDTHS
  /** The page stands in a `main` of its parent’s already. */
  readonly isWithin?: boolean
  readonly children: React.ReactNode
}

/** A page with a drawing and a panel beside it; below it on narrow screens. */
export function WorkArea({ title, panel = 'usual', isWithin = false, children }: WorkAreaProps) {
  const Tag = isWithin ? 'div' : 'main'
  return (
    <Tag className={clsx('work-area', WIDTHS[panel])}>
      <title>{`${title} · Udrix`}</title>
      {children}
    </Tag>
  )
}

interface WorkMainProps {
  readonly label: string
  readonly isBusy?: boolean
  readonly children: React.ReactNode
}

/** The larger side of a work area, where the drawing is. */
export function WorkMain({ label, isBusy, children }: WorkMainProps) {
  return (
    <section
      aria-label={label}
      aria-busy={isBusy}
      className="flex min-h-0 flex-col gap-2 overflow-x-auto px-4 pt-2 pb-3 lg:overflow-auto"
    >
      {children}
    </section>
  )
}

interface WorkPanelProps {
  readonly label?: string
  /** It may be longer than the screen and hold nothing that keys reach. */
  readonly isForReading?: boolean
  /** On narrow screens it stands over the drawing. */
  readonly isFirst?: boolean
  /** What it tells of: it comes into sight where another is chosen and it stands below. */
  readonly of?: string
  readonly children: React.ReactNode
}

/** The panel of a work area. */
export function WorkPanel({
  label,
  isForReading = false,
  isFirst = false,
  of = '',
  children,
}: WorkPanelProps) {
  const panel = useRef<HTMLElement>(null)
  useInSight(panel, of)
  return (
    <aside
      ref={panel}
      aria-label={label}
      className={clsx(
        'border-rule bg-sheet flex min-h-0 flex-col gap-3 overflow-x-auto p-4 lg:overflow-auto lg:border-l-2',
        isFirst ? 'max-lg:order-first max-lg:border-b-2' : 'max-lg:border-t-2',
      )}
      tabIndex={isForReading ? 0 : undefined}
    >
      {children}
    </aside>
  )
}

interface NothingToShowProps {
  readonly title: string
  readonly children: React.ReactNode
}

/** Why a page has nothing to show, and what to do about it. */
export function NothingToShow({ title, children }: NothingToShowProps) {
  return (
    <main className="flex flex-col gap-3 p-6 text-lg">
      <title>{`${title} · Udrix`}</title>
      {children}
    </main>
  )
}
