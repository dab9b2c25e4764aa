import { ArrowRight, ChevronDown } from 'lucide-react'
import clsx from 'clsx'
import { Popover } from 'radix-ui'
import { useMemo, useState } from 'react'
import { Link, useLocation, useSearchParams } from 'react-router'

import { checkBox } from 'core'

import type { Page } from '~/views/box/pages.ts'
import { isOfTrace } from '~/views/box/pages.ts'
import type { Here, NextThing, Standing } from '~/views/box/way.ts'
import { WAY, findHere, nextThing } from '~/views/box/way.ts'
import { readAddress } from '~/views/addresses.ts'

import type { OpenBox } from './boxContext.ts'
import { useOpenBox } from './boxContext.ts'
import { NameField } from './BoxName.tsx'

export interface Place {
  readonly base: string
  readonly standing: Standing
  readonly here: Here
  readonly next: NextThing | null
  readonly hrefOf: (page: Pick<Page, 'path'>) => string
}

/** Where the person is on the way, what is next, and the addresses of all pages. */
export function usePlace({
  id,
  draft,
  words,
  job,
}: Pick<OpenBox, 'id' | 'draft' | 'words' | 'job'>): Place {
  const standing = useMemo(() => ({ draft, job, isSound: checkBox(draft).ok }), [draft, job])
  const { pathname } = useLocation()
  const [search] = useSearchParams()
  const base = `/boxes/${id}/`
  const below = pathname.replace(base, '').replace(/\/$/, '')
  const here = findHere(below, readAddress('box', search).view)
  const { step, page } = here
  const isTraced = isOfTrace({ path: below })
  return {
    base,
    standing,
    here,
    next: useMemo(() => nextThing(standing, words, { step, page }), [standing, words, step, page]),
    // The views of Trace share the position and all that is set with it.
    hrefOf: (wanted) =>
      base + wanted.path + (isTraced && isOfTrace(wanted) && search.size > 0 ? `?${search}` : ''),
  }
}

/** The steps of the work in their order, each with how far it is. */
export function Steps({ standing, here, hrefOf }: Place) {
  return (
    <nav
      aria-label="Steps of the work"
      className="hidden self-stretch sm:max-xl:order-5 max-xl:-mx-4 max-xl:basis-[calc(100%+2rem)] xl:order-2 sm:block"
    >
      <ol className="flex px-2 xl:px-0">
        {WAY.map((step) => {
          const isHere = step === here.step
          return (
            <li
              key={step.title}
              className={`hover:bg-accent-wash relative flex min-h-[48px] flex-1 flex-col justify-center border-b-4 px-2 leading-tight xl:min-h-[56px] xl:flex-none ${isHere ? 'border-accent' : 'border-transparent'}`}
            >
              <Link
                to={hrefOf(step.pages[0])}
                aria-current={isHere ? 'step' : undefined}
                className={`text-[1.05rem] font-semibold after:absolute after:inset-0 ${isHere ? 'text-ink' : 'text-accent'}`}
              >
                {step.title}
              </Link>
              <span className="text-graphite text-[0.78rem] whitespace-nowrap">
                {step.progress(standing) || '\u00a0'}
              </span>
            </li>
          )
        })}
      </ol>
    </nav>
  )
}

/** The pages of the step in hand. */
export function PagesOfStep({ here, hrefOf }: Place) {
  const hasNextBelow = here.page.ofJob === true
  return (
    <section
      aria-label="The way through this box"
      className={clsx(
        'border-rule no-print flex items-center border-b px-2',
        hasNextBelow && 'max-sm:hidden',
      )}
    >
      <nav aria-label={`Pages of ${here.step.title}`} className="hidden min-w-0 flex-wrap sm:flex">
        {here.step.pages.map((page) => (
          <Link
            key={page.path}
            to={hrefOf(page)}
            aria-current={page === here.page ? 'page' : undefined}
            className={`flex min-h-[44px] items-center px-1.5 font-semibold max-lg:text-[0.95rem] lg:px-3 ${page === here.page ? 'bg-accent text-accent-ink' : 'text-accent hover:bg-accent-wash'}`}
          >
            {page.title}
          </Link>
        ))}
      </nav>
      {!hasNextBelow && <NextLink />}
    </section>
  )
}

/** What is useful next; on pages of a job it stands beside that. */
export function NextLink() {
  const { id, next } = useOpenBox()
  if (!next) return null
  return (
    <Link
      to={`/boxes/${id}/${next.path}`}
      className="text-accent hover:bg-accent-wash flex min-h-[44px] min-w-[7.5rem] flex-1 items-center justify-end gap-1.5 px-2 max-lg:text-[0.92rem]"
    >
      <span className="text-graphite">Next:</span>
      <b className="line-clamp-2 leading-tight font-semibold">{next.words}</b>
      <ArrowRight aria-hidden className="size-5 flex-none" />
    </Link>
  )
}

/** On a phone all pages, and the name of the box, are in one list, a tap away. */
export function AllPages({ here, hrefOf }: Pick<Place, 'here' | 'hrefOf'>) {
  const [isOpen, setIsOpen] = useState(false)
  return (
    <Popover.Root open={isOpen} onOpenChange={setIsOpen}>
      <Popover.Trigger className="col-span-2 flex items-center gap-1.5 text-left text-[0.97rem] text-accent after:absolute after:inset-0 sm:hidden">
        <b className="truncate">{here.page.title}</b>
        <ChevronDown aria-hidden className="size-5 flex-none" />
        <span className="sr-only">All pages of this box</span>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="start"
          aria-label="All pages of this box"
          className="bg-sheet border-ink z-40 max-h-(--radix-popover-content-available-height) w-80 max-w-(--radix-popover-content-available-width) overflow-auto border-2 p-1"
        >
          <NameField />
          {WAY.map((step) => (
            <div key={step.title} className="border-rule border-b py-1 last:border-0">
              <p className="text-graphite px-2 text-[0.86rem]">{step.title}</p>
              <ul aria-label={step.title}>
                {step.pages.map((page) => (
                  <li key={page.path}>
                    <Link
                      to={hrefOf(page)}
                      aria-current={page === here.page ? 'page' : undefined}
                      className="hover:bg-accent-wash text-accent aria-[current]:text-ink flex min-h-[44px] items-center px-3 font-semibold"
                      onClick={() => {
                        setIsOpen(false)
                      }}
                    >
                      {page.title}
                    </Link>
                  </li>
                ))}
              </ul>
            </div>
          ))}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  )
}
