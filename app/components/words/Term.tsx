import { Popover } from 'radix-ui'
import { Suspense, lazy } from 'react'
import { Link } from 'react-router'

import { useWords } from '~/components/useWords.ts'
import type { TermId } from '~/words/glossary.ts'
import { termTitle } from '~/words/glossary.ts'
import { capitalize } from '~/words/names.ts'

const TermMeaning = lazy(() => import('./TermMeaning.tsx'))

interface TermProps {
  readonly id: TermId
  /** As it is written where it stands. */
  readonly children: string
}

/** A word of the trade; a tap says what it means. */
export function Term({ id, children }: TermProps) {
  const title = capitalize(termTitle(useWords(), id))
  return (
    <Popover.Root>
      <Popover.Trigger className="term">{children}</Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          collisionPadding={8}
          aria-label={title}
          className="bg-sheet border-ink z-40 w-[21rem] max-w-(--radix-popover-content-available-width) border-2 p-3"
        >
          <p className="text-[1.1rem] font-bold">{title}</p>
          <Suspense fallback={<p className="text-graphite">Looking it up…</p>}>
            <TermMeaning id={id} />
          </Suspense>
          <Link
            to={`/glossary#${id}`}
            className="text-accent flex min-h-[44px] items-center underline"
          >
            All words
          </Link>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  )
}
