import path from 'node:path'

import { defineConfig } from 'vite'
import type { Plugin } from 'vite'

/** Scripts find the repository from where they stand, so they stay there. */
const scriptsInPlace: Plugin = {
  name: 'scripts-in-place',
  enforce: 'pre',
  resolveId: (source, importer) =>
    importer !== undefined && source.startsWith('.') && source.endsWith('.mjs')
      ? { id: path.resolve(path.dirname(importer), source), external: 'absolute' }
      : null,
}

/** The benches are compiled as the program is that they measure. */
export default defineConfig({
  plugins: [scriptsInPlace],
  publicDir: false,
  resolve: { tsconfigPaths: true },
  build: { ssr: 'scripts/bench/index.ts', outDir: '.udrix/bench' },
})
