import { TriangleAlert } from 'lucide-react'
import { useEffect, useRef } from 'react'
import type { Location } from 'react-router'
import { NavigationType as Action, matchRoutes, useBlocker, useNavigate } from 'react-router'

import { stay, untilDone, useIsWaiting } from '~/client/waiting.ts'

interface KnownRoute {
  readonly id: string
  readonly parentId?: string
  readonly path?: string
  readonly index?: boolean
  readonly module: string
  readonly imports?: readonly string[]
}

declare global {
  interface Window {
    /** All routes with the files that they are made of, as the router has them in every page. */
    readonly __reactRouterManifest?: { readonly routes: Readonly<Record<string, KnownRoute>> }
    /** Those that were loaded, by their ids. */
    readonly __reactRouterRouteModules?: Readonly<Record<string, unknown>>
  }
}

interface RouteTree {
  readonly id: string
  readonly path?: string
  readonly children?: RouteTree[]
}

function treeOf(routes: readonly KnownRoute[], parentId?: string): RouteTree[] {
  return routes
    .filter((route) => route.parentId === parentId)
    .map(({ id, path, index }) => ({
      id,
      ...(path !== undefined && { path }),
      ...(index === true ? { index } : { children: treeOf(routes, id) }),
    }))
}

/** They are all known with the first page. */
let tree: RouteTree[] | undefined

/** Files that the server has been asked for; what it has is in the browser's cache by now. */
const fetched = new Set<string>()

/** The files that a page is made of and that are not at hand; the router reloads where one is missing. */
function filesMissing(pathname: string): readonly string[] {
  const { routes = {} } = window.__reactRouterManifest ?? {}
  const loaded = window.__reactRouterRouteModules ?? {}
  tree ??= treeOf(Object.values(routes))
  const matches = matchRoutes(tree, pathname) ?? []
  return matches
    .flatMap(({ route: { id } }) => {
      const route = id in loaded ? undefined : routes[id]
      return route ? [route.module, ...(route.imports ?? [])] : []
    })
    .filter((file) => !fetched.has(file))
}

/** Fetches files that pages are made of; false where the server does not answer. */
async function fetchAll(files: readonly string[]): Promise<boolean> {
  const all = files.map(async (file) => {
    const response = await fetch(file)
    await response.arrayBuffer()
    // A server of another version says that it has no such file: the router then loads anew.
    if (response.status < 500) fetched.add(file)
  })
  await Promise.allSettled(all)
  return files.every((file) => fetched.has(file))
}

/** Whether a form is being sent just now: it goes as it is, and is not asked for as a page. */
let isSending = false

function noteSending(): void {
  isSending = true
  setTimeout(() => {
    isSending = false
  })
}

/**
 * Goes to a page that was pressed once all that it is made of is at hand; what else is gone to
 * meanwhile takes its place. Back and forward lead to pages that were here before.
 */
function useHold(): void {
  const navigate = useNavigate()
  const holding = useRef(new AbortController())
  const hold = (location: Location): void => {
    holding.current.abort()
    const leaving = new AbortController()
    holding.current = leaving
    const files = filesMissing(location.pathname)
    void untilDone(() => fetchAll(files), leaving.signal).then((isDone) => {
      if (isDone && !leaving.signal.aborted) void navigate(location)
    })
  }
  useBlocker(({ currentLocation, nextLocation, historyAction }) => {
    const isHeld =
      !isSending &&
      historyAction !== Action.Pop &&
      currentLocation.pathname !== nextLocation.pathname &&
      filesMissing(nextLocation.pathname).length > 0
    // Gone to anew from here: what the router holds ends with any data that are looked at anew.
    if (isHeld) hold(nextLocation)
    // What was pressed before it may still come, and takes nothing from it.
    else if (currentLocation.pathname !== nextLocation.pathname) holding.current.abort()
    return isHeld
  })
  useEffect(() => {
    addEventListener('submit', noteSending, true)
    return () => {
      removeEventListener('submit', noteSending, true)
    }
  }, [])
}

/**
 * Holds the page that is seen until the next one can be shown, and says so where the server is
 * away; with the server there nobody notices.
 */
export function HeldPage() {
  useHold()
  const isWaiting = useIsWaiting()
  if (!isWaiting) return null
  return (
    <div role="status" className="held-page">
      <TriangleAlert aria-hidden className="text-trouble size-6 flex-none" />
      <p className="flex-1">
        Udrix does not answer. What was asked for opens as soon as it does; nothing that was kept is
        lost.
      </p>
      <button type="button" className="button" onClick={stay}>
        Stay here
      </button>
    </div>
  )
}
