import { reactRouter } from '@react-router/dev/vite'
import tailwindcss from '@tailwindcss/vite'
import { defineConfig } from 'vite'
import type { Plugin } from 'vite'

/** The program that works on archives, beside the server and sharing its modules. */
const archiveProgram: Plugin = {
  name: 'archive-program',
  apply: 'build',
  buildStart() {
    if (this.environment.name === 'ssr')
      this.emitFile({
        type: 'chunk',
        id: './app/.server/archive/program.ts',
        fileName: 'archive.js',
      })
  },
}

export default defineConfig(({ isSsrBuild }) => ({
  plugins: [tailwindcss(), reactRouter(), archiveProgram],
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
                { name: 'shared', test: /[\\/](app|lucide-react|clsx)[\\/]/, minShareCount: 5 },
              ],
            },
          },
        },
  },
}))
