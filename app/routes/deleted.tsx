import { Undo2 } from 'lucide-react'
import { Form, redirect } from 'react-router'

import { opensAway } from '~/client/opensAway.ts'
import { noSuchBox, withDatabase } from '~/.server/answers.ts'
import { listDeleted, restoreBox } from '~/.server/boxes.ts'
import { readForm, textOf } from '~/.server/requests.ts'
import { useLiveData } from '~/client/live.ts'
import { AWAY_SENTENCE, unlessAway } from '~/client/away.ts'
import { formatWhen } from '~/words/format.ts'
import { PageHead } from '~/components/PageHead.tsx'
import { Warning } from '~/components/Warning.tsx'

import type { Route } from './+types/deleted'

export async function loader() {
  return { boxes: await withDatabase(listDeleted) }
}

export const clientLoader = opensAway<Awaited<ReturnType<typeof loader>>>()

/** Brings a box back to the bench. */
export async function action({ request }: Route.ActionArgs) {
  const id = textOf(await readForm(request), 'box')
  const restored = await withDatabase(() => restoreBox(id))
  if (!restored) throw noSuchBox()
  return redirect('/')
}

/** What cannot be brought back now is said on the page, which stays. */
export function clientAction({ serverAction }: Route.ClientActionArgs) {
  return unlessAway(serverAction, { sentence: AWAY_SENTENCE })
}

/** Boxes that were taken off the bench, with all that belongs to them. */
export default function Deleted({ loaderData: { boxes }, actionData }: Route.ComponentProps) {
  useLiveData(null)
  return (
    <div className="mx-auto max-w-[960px] px-5 pb-6">
      <PageHead title="Deleted boxes" />
      <main className="py-4">
        <p className="mb-3">
          {boxes.length === 0
            ? 'No box is deleted. One that you delete on the bench is kept here and can be brought back.'
            : 'These were taken off the bench. Their counts, history, jobs and photographs are kept; bring back whichever you want.'}
        </p>
        {actionData && <Warning role="alert">{actionData.sentence}</Warning>}
        <ul className={boxes.length > 0 ? 'border-ink border-t-2' : ''}>
          {boxes.map(({ id, name, deletedAt }) => (
            <li key={id} className="border-rule flex items-center gap-3 border-b py-1.5">
              <span className="min-w-0 flex-1 text-[1.1rem] font-semibold break-words">{name}</span>
              <time
                dateTime={new Date(deletedAt).toISOString()}
                className="text-graphite"
                suppressHydrationWarning
              >
                deleted {formatWhen(deletedAt)}
              </time>
              <Form method="post">
                <input type="hidden" name="box" value={id} />
                <button className="button" aria-label={`Bring back ${name}`}>
                  <Undo2 aria-hidden /> Bring back
                </button>
              </Form>
            </li>
          ))}
        </ul>
      </main>
    </div>
  )
}
