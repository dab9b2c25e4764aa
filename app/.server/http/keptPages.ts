/** Answers with pages that are kept, where what they show has not changed. */
import { finished } from 'node:stream'

import type { NextFunction, Request, Response } from 'express'

import { awaitPage, recallPage } from '../pageCache.ts'
import { digestOf, findVersionOf } from '../versions.ts'

const BOX_PAGE = /^\/boxes\/([0-9a-f-]{36})\/\w+(?:\/\w+)?$/

/** What the page at this address shows, as a version; null where that is not known. */
async function versionOf(path: string): Promise<string | null> {
  if (path === '/') return findVersionOf(null)
  const boxId = BOX_PAGE.exec(path)?.[1]
  return boxId === undefined ? null : findVersionOf(boxId)
}

/** The version that a response was found to have before its page was made. */
export function versionIn(response: { locals?: Record<string, unknown> }): string | null {
  const version = response.locals?.version
  return typeof version === 'string' ? version : null
}

async function answer(request: Request, response: Response, nonce: string): Promise<boolean> {
  const {
    originalUrl,
    headers: { cookie },
  } = request
  const version = await versionOf(request.path)
  if (version === null) return false
  const stamp = { nonce, version: digestOf(version) }
  const recall = () => recallPage(originalUrl, cookie, version, stamp)
  let page = recall()
  if (page === undefined) {
    const finish = await awaitPage(originalUrl, cookie, version)
    // Also where the one who asked has left meanwhile.
    if (finish) finished(response, finish)
    else page = recall()
  }
  response.locals.version = version
  if (page === undefined) return false
  response.type('text/html; charset=utf-8').send(page)
  return true
}

/** Looks for a kept page before anything is loaded; whatever goes wrong is the page's to tell. */
export function answerKept(nonceOf: (response: Response) => string) {
  return (request: Request, response: Response, next: NextFunction): void => {
    if (request.method !== 'GET') {
      next()
      return
    }
    answer(request, response, nonceOf(response)).then(
      (isAnswered) => {
        if (!isAnswered) next()
      },
      () => {
        next()
      },
    )
  }
}
