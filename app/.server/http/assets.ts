/** What the build has made for browsers. */
import fs from 'node:fs'

import type { RequestHandler } from 'express'

/** Other forms of files that stand beside them. */
const IS_COMPRESSED = /\.(?:br|gz)$/

/**
 * Answers with the addresses of all files in the build’s folder of assets, so that a page can
 * fetch those that it may need while the server is away.
 */
export function listAssets(folder: string): RequestHandler {
  const paths = fs
    .readdirSync(folder)
    .filter((name) => !IS_COMPRESSED.test(name))
    .map((name) => `/assets/${name}`)
  return (_request, response) => {
    response.set('Cache-Control', 'no-cache').json(paths)
  }
}
