import type { RouteConfig } from '@react-router/dev/routes'
import { index, layout, route } from '@react-router/dev/routes'

export default [
  index('routes/bench.tsx'),
  route('new', 'routes/newBox.tsx'),
  route('settings', 'routes/settings.ts'),
  route('archive', 'routes/archive.tsx'),
  route('archive.zip', 'routes/archiveFile.ts'),
  route('healthz', 'routes/healthz.ts'),
  route('boxes/:boxId', 'routes/box.tsx', [
    index('routes/boxStart.tsx'),
    route('layout', 'routes/layout.tsx'),
    route('count', 'routes/count.tsx'),
    route('trace', 'routes/trace.tsx', [
      index('routes/traceDrawing.tsx'),
      route('parts', 'routes/traceParts.tsx'),
      route('forces', 'routes/traceForces.tsx'),
      route('spin', 'routes/traceSpin.tsx'),
      route('towing', 'routes/traceTowing.tsx'),
      route('compare', 'routes/traceCompare.tsx'),
      route('sheet', 'routes/traceSheet.tsx'),
    ]),
    layout('routes/jobs.tsx', [
      route('job', 'routes/job.tsx'),
      route('turns', 'routes/turns.tsx'),
      route('measure', 'routes/measure.tsx'),
      route('order', 'routes/order.tsx'),
    ]),
    route('ratios', 'routes/ratios.tsx'),
    route('history', 'routes/history.tsx'),
  ]),
  route('boxes/:boxId/edits', 'routes/boxEdits.ts'),
  route('boxes/:boxId/entries', 'routes/boxEntries.ts'),
  route('boxes/:boxId/cautions', 'routes/boxCautions.ts'),
  route('boxes/:boxId/file', 'routes/boxFile.ts'),
  route('boxes/:boxId/drawing.svg', 'routes/boxDrawing.tsx'),
  route('boxes/:boxId/counts.csv', 'routes/boxCounts.ts'),
  route('boxes/:boxId/ratios.csv', 'routes/boxRatios.ts'),
  route('boxes/:boxId/parts.csv', 'routes/boxParts.ts'),
  route('boxes/:boxId/order.csv', 'routes/boxOrder.ts'),
  route('boxes/:boxId/forces.csv', 'routes/boxForces.ts'),
  route('*', 'routes/notFound.tsx'),
] satisfies RouteConfig
