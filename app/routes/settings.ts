import { data } from 'react-router'

import type { Route } from './+types/settings'
import { changeSettings } from '~/.server/settings.ts'

export async function action({ request }: Route.ActionArgs) {
  return data(null, { headers: { 'Set-Cookie': await changeSettings(request) } })
}
