import { reactRouter } from '@react-router/dev/vite'
import tailwindcss from '@tailwindcss/vite'
import { defineConfig } from 'vite'

export default defineConfig(({ isSsrBuild }) => ({
  plugins: [tailwindcss(), reactRouter()],
  resolve: { tsconfigPaths: true },
  worker: { format: 'es' },
  // Inlined fonts and pictures would be data: addresses, which the content policy refuses.
  build: {
    assetsInlineLimit: 0,
    ...(isSsrBuild && { rolldownOptions: { input: './app/.server/app.ts' } }),
  },
}))
