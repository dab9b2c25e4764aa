import type { RouteConfig } from '@react-router/dev/routes'
import { index, route } from '@react-router/dev/routes'

export default [
  index('routes/bench.tsx'),
  route('new', 'routes/newBox.tsx'),
  route('settings', 'routes/settings.ts'),
  route('healthz', 'routes/healthz.ts'),
  route('boxes/:boxId', 'routes/box.tsx', [
    index('routes/boxStart.tsx'),
    route('layout', 'routes/layout.tsx'),
    route('count', 'routes/count.tsx'),
    route('trace', 'routes/trace.tsx'),
    route('ratios', 'routes/ratios.tsx'),
  ]),
  route('boxes/:boxId/edits', 'routes/boxEdits.ts'),
  route('boxes/:boxId/cautions', 'routes/boxCautions.ts'),
  route('boxes/:boxId/file', 'routes/boxFile.ts'),
  route('*', 'routes/notFound.tsx'),
] satisfies RouteConfig
