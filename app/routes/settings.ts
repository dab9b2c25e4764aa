import { data } from 'react-router'

import type { Route } from './+types/settings'
import { changeSettings } from '~/.server/settings.ts'
import { AWAY_SENTENCE, unlessAway } from '~/client/away.ts'

export async function action({ request }: Route.ActionArgs) {
  return data(null, { headers: { 'Set-Cookie': await changeSettings(request) } })
}

/** What could not be set is said where it was chosen. */
export function clientAction({ serverAction }: Route.ClientActionArgs) {
  return unlessAway(serverAction, { sentence: AWAY_SENTENCE })
}
