import { NuqsAdapter } from 'nuqs/adapters/react-router/v7'
import { useEffect } from 'react'
import { Links, Meta, Outlet, Scripts, ScrollRestoration, useRouteLoaderData } from 'react-router'

import type { ShouldRevalidateFunctionArgs } from 'react-router'

import type { Route } from './+types/root'
import { readSettings } from './.server/settings.ts'
import { HOLD_PRESSES, replayPress } from './client/earlyPress.ts'
import { fetchAssets } from './client/fetchAssets.ts'
import './app.css'
import { HeldPage } from './components/HeldPage.tsx'
import { SkipLink, useSearchKey } from './components/keys.tsx'
import { RouteTrouble } from './components/RouteTrouble.tsx'
import { useStamp } from './components/stamp.tsx'
import { DEFAULT_SETTINGS } from './settings.ts'

export async function loader({ request }: Route.LoaderArgs) {
  return { settings: await readSettings(request) }
}

/** The settings change where they are set, and nowhere else. */
export function shouldRevalidate({ formAction, actionStatus = 200 }: ShouldRevalidateFunctionArgs) {
  return formAction === '/settings' && actionStatus < 400
}

export const links: Route.LinksFunction = () => [
  { rel: 'icon', href: '/favicon.svg', type: 'image/svg+xml' },
  { rel: 'manifest', href: '/manifest.webmanifest' },
]

export function Layout({ children }: { readonly children: React.ReactNode }) {
  const { nonce, version } = useStamp() ?? {}
  const settings = useRouteLoaderData<typeof loader>('root')?.settings ?? DEFAULT_SETTINGS
  return (
    // The version is the server's to say; the browser finds it there.
    <html lang="en" data-theme={settings.theme} data-version={version} suppressHydrationWarning>
      <head>
        <meta charSet="utf-8" />
        <meta name="viewport" content="width=device-width, initial-scale=1" />
        <meta name="color-scheme" content="light dark" />
        <script
          nonce={nonce}
          suppressHydrationWarning
          dangerouslySetInnerHTML={{ __html: HOLD_PRESSES }}
        />
        <Meta />
        <Links nonce={nonce} />
      </head>
      <body>
        {children}
        <ScrollRestoration nonce={nonce} />
        <Scripts nonce={nonce} />
      </body>
    </html>
  )
}

/** What a page needs first is on its way before this. */
const FETCH_ASSETS_AFTER_MS = 1_000
/** The server was away in the middle of it. */
const FETCH_ASSETS_AGAIN_MS = 20_000

export default function Root() {
  useSearchKey()
  useEffect(() => {
    // From here on the page answers to clicks and keys; tests wait for it, as people do.
    document.documentElement.dataset.live = ''
    replayPress()
    const leaving = new AbortController()
    let later: ReturnType<typeof setTimeout>
    const fetchLater = (afterMs: number): void => {
      later = setTimeout(() => {
        fetchAssets(leaving.signal).catch(() => {
          if (!leaving.signal.aborted) fetchLater(FETCH_ASSETS_AGAIN_MS)
        })
      }, afterMs)
    }
    fetchLater(FETCH_ASSETS_AFTER_MS)
    return () => {
      clearTimeout(later)
      leaving.abort()
    }
  }, [])
  return (
    <NuqsAdapter>
      <SkipLink />
      <Outlet />
      <HeldPage />
    </NuqsAdapter>
  )
}

export function ErrorBoundary({ error }: Route.ErrorBoundaryProps) {
  return <RouteTrouble error={error} />
}
