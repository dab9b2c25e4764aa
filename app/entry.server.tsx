import { PassThrough } from 'node:stream'

import { createReadableStreamFromReadable } from '@react-router/node'
import { isbot } from 'isbot'
import { renderToPipeableStream } from 'react-dom/server'
import type { AppLoadContext, EntryContext, HandleErrorFunction } from 'react-router'
import { ServerRouter, isRouteErrorResponse } from 'react-router'

import { log } from './.server/log.ts'
import { NonceProvider } from './components/nonce.tsx'

export const streamTimeout = 5_000

export default function handleRequest(
  request: Request,
  status: number,
  headers: Headers,
  context: EntryContext,
  { nonce }: AppLoadContext,
): Promise<Response> {
  if (typeof nonce !== 'string') throw new Error('the response has no nonce')
  return new Promise((resolve, reject) => {
    const isWhole = isbot(request.headers.get('user-agent')) || context.isSpaMode
    let isShellSent = false
    const { pipe, abort } = renderToPipeableStream(
      <NonceProvider value={nonce}>
        <ServerRouter context={context} url={request.url} nonce={nonce} />
      </NonceProvider>,
      {
        nonce,
        [isWhole ? 'onAllReady' : 'onShellReady']() {
          isShellSent = true
          const body = new PassThrough()
          headers.set('Content-Type', 'text/html; charset=utf-8')
          resolve(new Response(createReadableStreamFromReadable(body), { headers, status }))
          pipe(body)
        },
        onShellError: reject,
        onError(error: unknown) {
          if (isShellSent) log.error({ err: error }, 'rendering broke off')
        },
      },
    )
    setTimeout(abort, streamTimeout + 1_000).unref()
  })
}

export const handleError: HandleErrorFunction = (error, { request }) => {
  if (request.signal.aborted || isRouteErrorResponse(error)) return
  log.error({ err: error, url: new URL(request.url).pathname }, 'a request failed')
}
