import { Writable } from 'node:stream'

import { renderToPipeableStream } from 'react-dom/server'
import type { AppLoadContext, EntryContext, HandleErrorFunction } from 'react-router'
import { ServerRouter, isRouteErrorResponse } from 'react-router'

import { log } from './.server/log.ts'
import { NonceProvider } from './components/nonce.tsx'

/**
 * Renders a page whole. No loader defers anything, so there is nothing to stream,
 * and one piece is cheaper to send than many.
 */
export default function handleRequest(
  request: Request,
  status: number,
  headers: Headers,
  context: EntryContext,
  { nonce }: AppLoadContext,
): Promise<Response> {
  if (typeof nonce !== 'string') throw new Error('the response has no nonce')
  return new Promise((resolve, reject) => {
    const pieces: Buffer[] = []
    const page = new Writable({
      write(piece: Buffer, _encoding, done) {
        pieces.push(piece)
        done()
      },
      final(done) {
        headers.set('Content-Type', 'text/html; charset=utf-8')
        resolve(new Response(Buffer.concat(pieces), { headers, status }))
        done()
      },
    })
    const { pipe } = renderToPipeableStream(
      <NonceProvider value={nonce}>
        <ServerRouter context={context} url={request.url} nonce={nonce} />
      </NonceProvider>,
      {
        nonce,
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
