import type { ReactNode } from 'react'
import { Link, useRouteLoaderData } from 'react-router'

import { HelpButton } from '~/components/HelpButton.tsx'
import { SettingsControls } from '~/components/SettingsControls.tsx'
import type { loader } from '~/root.tsx'
import { DEFAULT_SETTINGS } from '~/settings.ts'

interface PageHeadProps {
  readonly title: string
  /** What the page is for, in half a line. */
  readonly about?: ReactNode
  /** Whether this is the bench itself, from which all other pages are reached. */
  readonly isBench?: boolean
}

/** The head of a page that belongs to no box. */
export function PageHead({ title, about, isBench = false }: PageHeadProps) {
  const settings = useRouteLoaderData<typeof loader>('root')?.settings ?? DEFAULT_SETTINGS
  return (
    <header className="border-ink flex items-center gap-x-4 border-b-2 py-1 sm:flex-wrap">
      <title>{`${title} · Udrix`}</title>
      {!isBench && (
        <Link to="/" className="button-quiet -ml-2 font-bold">
          Bench
        </Link>
      )}
      <h1 className="text-[1.35rem] max-sm:min-w-0 max-sm:truncate">{title}</h1>
      {about && <p className="text-graphite max-sm:hidden">{about}</p>}
      <div className="ml-auto flex flex-none">
        <SettingsControls settings={settings} />
        <HelpButton />
      </div>
    </header>
  )
}
