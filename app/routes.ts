import type { RouteConfig } from '@react-router/dev/routes'
import { index, layout, route } from '@react-router/dev/routes'

import type { Page } from './views/box/pages.ts'
import { PAGES, isOfTrace } from './views/box/pages.ts'

/** A view of a page is no route of its own. */
const PAGES_OF_BOX = Object.values<readonly Page[]>(PAGES)
  .flat()
  .filter(({ path }) => !path.includes('?'))

/** The routes of those pages of a box that share the position of Trace, or of the others. */
function pagesIn(group: 'trace' | 'others', { ofJob }: { readonly ofJob: boolean }) {
  return PAGES_OF_BOX.filter(
    (page) => (page.ofJob === true) === ofJob && isOfTrace(page) === (group === 'trace'),
  ).map((page) => {
    const name = `routes/${page.file}.tsx`
    const path = group === 'trace' ? page.path.slice('trace/'.length) : page.path
    return path === '' ? index(name) : route(path, name)
  })
}

export default [
  index('routes/bench.tsx'),
  route('new', 'routes/newBox.tsx'),
  route('settings', 'routes/settings.ts'),
  route('deleted', 'routes/deleted.tsx'),
  route('shelf', 'routes/shelf.tsx'),
  route('archive', 'routes/archive.tsx'),
  route('glossary', 'routes/glossary.tsx'),
  route('tour', 'routes/tour.ts'),
  route('healthz', 'routes/healthz.ts'),
  route('boxes/:boxId', 'routes/box.tsx', [
    layout('routes/boxPage.tsx', [
      index('routes/boxStart.tsx'),
      route('trace', 'routes/trace.tsx', [
        ...pagesIn('trace', { ofJob: false }),
        layout('routes/jobs.tsx', { id: 'routes/jobOfTrace' }, pagesIn('trace', { ofJob: true })),
      ]),
      ...pagesIn('others', { ofJob: false }),
      layout('routes/jobs.tsx', pagesIn('others', { ofJob: true })),
    ]),
  ]),
  route('boxes/:boxId/edits', 'routes/boxEdits.ts'),
  route('boxes/:boxId/entries', 'routes/boxEntries.ts'),
  route('boxes/:boxId/photos', 'routes/boxPhotos.ts'),
  route('boxes/:boxId/photos/:photoId', 'routes/boxPhoto.ts'),
  route('boxes/:boxId/cautions', 'routes/boxCautions.ts'),
  route('boxes/:boxId/file', 'routes/boxFile.ts'),
  route('boxes/:boxId/drawing.svg', 'routes/boxDrawing.tsx'),
  route('boxes/:boxId/counts.csv', 'routes/boxCounts.ts'),
  route('boxes/:boxId/ratios.csv', 'routes/boxRatios.ts'),
  route('boxes/:boxId/parts.csv', 'routes/boxParts.ts'),
  route('boxes/:boxId/order.csv', 'routes/boxOrder.ts'),
  route('boxes/:boxId/record.json', 'routes/boxRecord.ts'),
  route('boxes/:boxId/findings.csv', 'routes/boxFindings.ts'),
  route('boxes/:boxId/forces.csv', 'routes/boxForces.ts'),
  route('*', 'routes/notFound.tsx'),
] satisfies RouteConfig
