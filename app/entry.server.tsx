import { Writable } from 'node:stream'

import { renderToPipeableStream } from 'react-dom/server'
import type { AppLoadContext, EntryContext, HandleErrorFunction } from 'react-router'
import { ServerRouter, isRouteErrorResponse } from 'react-router'

import { log } from './.server/log.ts'
import { MARKS, cachedPage, pageKey, rememberPage } from './.server/pageCache.ts'
import { digestOf } from './.server/versions.ts'
import { StampProvider } from './components/stamp.tsx'

/** Answers with a page, kept from before where it is made of the same things. */
export default async function handleRequest(
  request: Request,
  status: number,
  headers: Headers,
  context: EntryContext,
  { nonce, version }: AppLoadContext,
): Promise<Response> {
  if (typeof nonce !== 'string') throw new Error('the response has no nonce')
  const key = request.method === 'GET' ? pageKey(request.url, context.staticHandlerContext) : null
  // Told before anything was loaded, so that what is kept is never older than its version; a
  // page that something is missing from has none, so that it asks again.
  const told = key !== null && typeof version === 'string' ? version : null
  const stamp = { nonce, version: digestOf(told) }
  const page = await cachedPage(key, stamp, () => renderPage(request.url, context))
  if (key !== null && told !== null) {
    const { pathname, search } = new URL(request.url)
    const cookie = request.headers.get('Cookie') ?? undefined
    rememberPage(`${pathname}${search}`, cookie, { key, version: told })
  }
  headers.set('Content-Type', 'text/html; charset=utf-8')
  return new Response(page, { headers, status })
}

/**
 * Renders a page whole, with marks for its stamp. No loader defers anything, so there
 * is nothing to stream, and one piece is cheaper to send than many.
 */
function renderPage(url: string, context: EntryContext): Promise<string> {
  return new Promise((resolve, reject) => {
    const pieces: Buffer[] = []
    const page = new Writable({
      write(piece: Buffer, _encoding, done) {
        pieces.push(piece)
        done()
      },
      final(done) {
        resolve(Buffer.concat(pieces).toString())
        done()
      },
    })
    const { pipe } = renderToPipeableStream(
      <StampProvider value={MARKS}>
        <ServerRouter context={context} url={url} nonce={MARKS.nonce} />
      </StampProvider>,
      {
        nonce: MARKS.nonce,
        onAllReady() {
          pipe(page)
        },
        onShellError: reject,
        onError(error: unknown) {
          log.error({ err: error }, 'a page could not be rendered whole')
        },
      },
    )
  })
}

export const handleError: HandleErrorFunction = (error, { request }) => {
  if (request.signal.aborted || isRouteErrorResponse(error)) return
  log.error({ err: error, url: new URL(request.url).pathname }, 'a request failed')
}
