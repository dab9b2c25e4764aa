import type { Config } from '@react-router/dev/config'

export default {
  ssr: true,
  // All routes are known with the first page: none has to be asked for, also while the server is away.
  routeDiscovery: { mode: 'initial' },
  buildDirectory: process.env.UDRIX_BUILD ?? 'build',
  // What the next major version of the router changes, said either way, so that it does not ask.
  future: {
    v8_middleware: false,
    v8_splitRouteModules: false,
    v8_viteEnvironmentApi: false,
    v8_passThroughRequests: true,
    v8_trailingSlashAwareDataRequests: true,
  },
} satisfies Config
