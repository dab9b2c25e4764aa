import { TriangleAlert } from 'lucide-react'
import { Form, Link, data } from 'react-router'

import type { Route } from './+types/shelf'
import { OUTAGE_SENTENCE, unlessOutage, withDatabase } from '~/.server/answers.ts'
import { readForm, textOf } from '~/.server/requests.ts'
import { readSettings } from '~/.server/settings.ts'
import { keepShelf, readShelf } from '~/.server/shelf.ts'
import { formatPieces, parsePieces, shelfSchema } from '~/shelf.ts'

export async function loader({ request }: Route.LoaderArgs) {
  const [shelf, settings] = await Promise.all([withDatabase(readShelf), readSettings(request)])
  return { shelf, unit: settings.lengthUnit }
}

export async function action({ request }: Route.ActionArgs) {
  const [form, { lengthUnit }] = await Promise.all([readForm(request), readSettings(request)])
  const leaves = parsePieces(textOf(form, 'leaves'), lengthUnit)
  const shims = parsePieces(textOf(form, 'shims'), lengthUnit)
  const refuse = (sentence: string, status = 400) => data({ isKept: false, sentence }, { status })
  if (!leaves.ok) return refuse(`Leaves: ${leaves.sentence}`)
  if (!shims.ok) return refuse(`Shims: ${shims.sentence}`)
  const shelf = shelfSchema.safeParse({
    initials: textOf(form, 'initials')
      .toUpperCase()
      .split(/[\s,;]+/)
      .filter(Boolean),
    leaves: leaves.pieces,
    shims: shims.pieces,
  })
  if (!shelf.success) return refuse('Initials have one to four letters each, quantities 1 to 99.')
  const kept = await unlessOutage(async () => {
    await keepShelf(shelf.data)
    return true
  })
  return kept ? data({ isKept: true, sentence: 'Kept.' }) : refuse(OUTAGE_SENTENCE, 503)
}

/** The shop's own leaves, shims and people. */
export default function ShelfPage({ loaderData, actionData }: Route.ComponentProps) {
  const { shelf, unit } = loaderData
  const fields = [
    {
      name: 'leaves',
      label: `Feeler leaves, in ${unit}`,
      hint: 'Every leaf of the sets you have, such as 0.05 0.10 0.15.',
      value: formatPieces(shelf.leaves, unit),
    },
    {
      name: 'shims',
      label: `Shims on the shelf, in ${unit}`,
      hint: 'With how many there are: 0.10 x4 0.15 x2.',
      value: formatPieces(shelf.shims, unit),
    },
    {
      name: 'initials',
      label: 'People, by their initials',
      hint: 'Offered wherever something is entered.',
      value: shelf.initials.join(' '),
    },
  ] as const
  return (
    <div className="mx-auto max-w-[960px] px-5 pb-6">
      <title>Shelf · Udrix</title>
      <header className="border-ink flex items-center gap-4 border-b-2 py-1">
        <Link to="/" className="button-quiet -ml-2 font-bold">
          Bench
        </Link>
        <h1 className="text-[1.5rem]">Shelf</h1>
        <p className="text-graphite">What the shop has: leaves, shims, people</p>
      </header>
      <main>
        <Form method="post" className="grid gap-4 py-4">
          {fields.map(({ name, label, hint, value }) => (
            <label key={`${name} ${value}`} className="font-semibold">
              {label}
              <span className="text-graphite block font-normal">{hint}</span>
              <textarea
                name={name}
                className="field mt-1 block w-full text-[1.1rem] font-normal"
                rows={3}
                defaultValue={value}
              />
            </label>
          ))}
          {actionData && (
            <p
              role={actionData.isKept ? 'status' : 'alert'}
              className={actionData.isKept ? '' : 'trouble'}
            >
              {!actionData.isKept && <TriangleAlert aria-hidden />} {actionData.sentence}
            </p>
          )}
          <button className="button button-main">Keep the shelf</button>
        </Form>
      </main>
    </div>
  )
}
