/**
 * Which names Udrix answers to. A page from elsewhere can have its own name pointed at this
 * machine and would then count as one of ours in the browser; it cannot take an address or
 * a name that the shop has stated.
 */
import os from 'node:os'

import type { NextFunction, Request, Response } from 'express'

const LOOPBACK: readonly string[] = ['127.0.0.1', 'localhost', '[::1]']

interface Environment {
  readonly HOST?: string | undefined
  readonly NAMES?: string | undefined
}

function bracketed(address: string): string {
  return address.includes(':') ? `[${address}]` : address
}

/** The addresses of this machine, as they stand in an address bar. */
function ownAddresses(): readonly string[] {
  return Object.values(os.networkInterfaces()).flatMap((all) =>
    (all ?? []).map(({ address }) => bracketed(address.split('%')[0] ?? '')),
  )
}

/** The names that are answered to: loopback's, and where Udrix is open, its addresses and NAMES. */
export function namesOf({ HOST: host = '', NAMES: names = '' }: Environment): ReadonlySet<string> {
  const isOpen = host !== '' && !LOOPBACK.includes(bracketed(host))
  const stated = names
    .toLowerCase()
    .split(/[\s,]+/)
    .filter(Boolean)
  return new Set([
    ...LOOPBACK,
    ...stated,
    ...(isOpen ? [bracketed(host).toLowerCase(), ...ownAddresses()] : []),
  ])
}

/** Refuses request lines with a whole address in them, as a proxy is asked: Udrix is none. */
export function guardAddresses(request: Request, response: Response, next: NextFunction): void {
  if (request.url.startsWith('/') && URL.canParse(request.url, 'http://udrix')) next()
  else response.status(400).type('text/plain').send('Udrix answers to paths, such as /.')
}

/** Refuses requests under any other name. */
export function guardNames(names: ReadonlySet<string>) {
  return (request: Request, response: Response, next: NextFunction): void => {
    const { host = '' } = request.headers
    if (names.has(host.toLowerCase().replace(/:\d+$/, ''))) next()
    else
      response
        .status(421)
        .type('text/plain')
        .send(
          'Udrix does not answer to this name. Start it with NAMES=… and the name that the shop uses.',
        )
  }
}
