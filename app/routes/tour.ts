import { data, redirect } from 'react-router'

import { withDatabase } from '~/.server/answers.ts'
import { findDemoBox } from '~/.server/boxes.ts'
import { settingsHeader } from '~/.server/settings.ts'
import { tourPath } from '~/views/tour.ts'

import type { Route } from './+types/tour'

/** Leads to the first step, on a demo box that is on the bench; from then on nobody is offered it. */
export async function loader({ request }: Route.LoaderArgs) {
  const id = await withDatabase(findDemoBox)
  if (id === null)
    throw data(
      'The tour is shown on a demo box, and none is on the bench any more. Bring one back under Deleted boxes.',
      { status: 404 },
    )
  return redirect(`/boxes/${id}/${tourPath(1)}`, {
    headers: { 'Set-Cookie': await settingsHeader(request, { isTourOffered: false }) },
  })
}
