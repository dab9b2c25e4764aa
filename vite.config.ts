import { fileURLToPath } from 'node:url'

import { reactRouter } from '@react-router/dev/vite'
import tailwindcss from '@tailwindcss/vite'
import { defineConfig } from 'vite'
import type { Plugin } from 'vite'
import { compression } from 'vite-plugin-compression2'

/** The programs that run beside the server, sharing its modules. */
const programs: Plugin = {
  name: 'programs',
  apply: 'build',
  buildStart() {
    if (this.environment.name !== 'ssr') return
    for (const name of ['archive', 'pictures'])
      this.emitFile({
        type: 'chunk',
        id: `./app/.server/${name}/program.ts`,
        fileName: `${name}.js`,
      })
  },
}

/**
 * The router's package leads every condition to its development build, which checks and
 * warns as it goes; what is built for a shop takes its production build, in one instance
 * with the packages that hand requests to it.
 */
const routerProduction: Plugin = {
  name: 'router-production',
  apply: 'build',
  enforce: 'pre',
  config: () => ({
    resolve: {
      alias: [
        { find: /^react-router$/, replacement: routerFile('index') },
        { find: /^react-router\/dom$/, replacement: routerFile('dom-export') },
      ],
    },
    ssr: { noExternal: ['react-router', '@react-router/express', '@react-router/node', 'nuqs'] },
  }),
}

/** Of hundreds of files each, which the server would look for one by one as it starts. */
const manyFiles: Plugin = {
  name: 'many-files',
  apply: 'build',
  config: () => ({
    ssr: {
      noExternal: [
        'radix-ui',
        /^@radix-ui\//,
        'lucide-react',
        'drizzle-orm',
        'zod',
        '@dnd-kit/core',
        '@tanstack/react-table',
      ],
    },
  }),
}

function routerFile(name: string): string {
  return fileURLToPath(
    new URL(`node_modules/react-router/dist/production/${name}.mjs`, import.meta.url),
  )
}

export default defineConfig(({ isSsrBuild }) => ({
  plugins: [
    tailwindcss(),
    reactRouter(),
    programs,
    routerProduction,
    manyFiles,
    // Once, and as small as they get; the server sends what the browser takes.
    !isSsrBuild && compression({ include: /\.(js|css|svg)$/, algorithms: ['gzip', 'brotli'] }),
  ],
  resolve: { tsconfigPaths: true },
  worker: { format: 'es' },
  // Inlined fonts and pictures would be data: addresses, which the content policy refuses.
  build: {
    assetsInlineLimit: 0,
    rolldownOptions: isSsrBuild
      ? { input: './app/.server/app.ts' }
      : {
          output: {
            // What most pages share comes in one file: dozens of small ones each cost a head.
            codeSplitting: {
              groups: [
                // Schemas and what reads them stay where somebody writes or reads a file, and what
                // only the pages of a job, of Build or of Shift share stays with them.
                {
                  name: 'shared',
                  test: /[\\/](app[\\/](?!files|words[\\/](jobs|measures|build|shift|drum|ring|contact|dogs|drive|order|turns|spin|missing|measureHints)|components[\\/](job|measure|build|shift|drive|shelf|outbox)|views[\\/](job|measure|build|shift|drive|order))|lucide-react|clsx)/,
                  minShareCount: 4,
                },
              ],
            },
          },
        },
  },
}))
