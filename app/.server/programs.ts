/** Programs that do what must not keep the server from answering, each in a process of its own. */
import path from 'node:path'

const isProduction = process.env.NODE_ENV === 'production'

/** What Node runs as a program: built for production, or from its source. */
export function programArgs(name: 'archive' | 'pictures'): readonly string[] {
  return isProduction
    ? [path.resolve(process.env.UDRIX_BUILD ?? 'build', `server/${name}.js`)]
    : ['--import', 'tsx', path.resolve('app/.server', name, 'program.ts')]
}
