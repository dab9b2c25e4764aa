import { useEffect } from 'react'
import {
  Links,
  Meta,
  Outlet,
  Scripts,
  ScrollRestoration,
  isRouteErrorResponse,
  useRouteLoaderData,
} from 'react-router'

import type { ShouldRevalidateFunctionArgs } from 'react-router'

import type { Route } from './+types/root'
import { readSettings } from './.server/settings.ts'
import './app.css'
import { useNonce } from './components/nonce.tsx'
import { Trouble } from './components/Trouble.tsx'
import { DEFAULT_SETTINGS } from './settings.ts'

export async function loader({ request }: Route.LoaderArgs) {
  return { settings: await readSettings(request) }
}

/** The settings change where they are set, and nowhere else. */
export function shouldRevalidate({ formAction }: ShouldRevalidateFunctionArgs) {
  return formAction === '/settings'
}

export const links: Route.LinksFunction = () => [
  { rel: 'icon', href: '/favicon.svg', type: 'image/svg+xml' },
]

export function Layout({ children }: { readonly children: React.ReactNode }) {
  const nonce = useNonce()
  const settings = useRouteLoaderData<typeof loader>('root')?.settings ?? DEFAULT_SETTINGS
  return (
    <html lang="en" data-theme={settings.theme}>
      <head>
        <meta charSet="utf-8" />
        <meta name="viewport" content="width=device-width, initial-scale=1" />
        <meta name="color-scheme" content="light dark" />
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

export default function Root() {
  useEffect(() => {
    // From here on the page answers to clicks and keys; tests wait for it, as people do.
    document.documentElement.dataset.live = ''
  }, [])
  return <Outlet />
}

export function ErrorBoundary({ error }: Route.ErrorBoundaryProps) {
  if (!isRouteErrorResponse(error))
    return (
      <Trouble
        title="Something went wrong here"
        sentence="This page could not be shown. What was marked as kept is kept, and what waited in this browser waits still. Load the page again; if it happens again, the server’s log says why."
      />
    )
  if (error.status === 404)
    return (
      <Trouble
        title="Not on the bench"
        sentence={
          typeof error.data === 'string'
            ? error.data
            : 'There is nothing at this address. Go to the bench and open the box from there.'
        }
      />
    )
  if (error.status === 410 && typeof error.data === 'string')
    return (
      <Trouble title="Taken off the bench" sentence={error.data}>
        <a className="button button-main" href="/deleted">
          Deleted boxes
        </a>
      </Trouble>
    )
  if (error.status === 503)
    return (
      <Trouble
        title="The database does not answer"
        sentence="Nothing that was kept is lost. This page opens by itself as soon as the database is back."
        isRetried
      />
    )
  return (
    <Trouble
      title="That did not work"
      sentence={typeof error.data === 'string' ? error.data : 'Go back and try again.'}
    />
  )
}
