import { TriangleAlert } from 'lucide-react'
import { useState } from 'react'
import { Form, Link, data, redirect, useNavigation } from 'react-router'
import { z } from 'zod'

import { FORWARD_COUNTS, REVERSE_KINDS, ordinal, threeShaftBox } from 'core'

import { OUTAGE_SENTENCE, unlessOutage } from '~/.server/answers.ts'
import { createBox } from '~/.server/boxes.ts'
import { readSettings } from '~/.server/settings.ts'
import { HelpButton } from '~/components/HelpButton.tsx'
import { Choice } from '~/components/newBox/Choice.tsx'
import { Legend } from '~/components/section/Legend.tsx'
import { SettingsControls } from '~/components/SettingsControls.tsx'
import { SectionDrawing } from '~/components/section/SectionDrawing.tsx'
import { WORDS } from '~/words/vocabulary.ts'

import type { Route } from './+types/newBox'

const choicesSchema = z
  .object({
    name: z
      .string()
      .trim()
      .min(1, 'Give the box a name, so that you find it again.')
      .max(120, 'A name has 120 characters at most.'),
    forwardCount: z.coerce
      .number()
      .pipe(z.literal(FORWARD_COUNTS, 'Choose 4, 5 or 6 forward positions.')),
    directAt: z.coerce.number().int().min(1),
    reverse: z.enum(REVERSE_KINDS, 'Choose how reverse is made.'),
  })
  .refine(({ directAt, forwardCount }) => directAt <= forwardCount, {
    path: ['directAt'],
    message: 'The direct position is one of the forward positions.',
  })

export async function loader({ request }: Route.LoaderArgs) {
  return { settings: await readSettings(request) }
}

export async function action({ request }: Route.ActionArgs) {
  const parsed = choicesSchema.safeParse(Object.fromEntries(await request.formData()))
  if (!parsed.success)
    return data(
      { issues: parsed.error.issues.map(({ path, message }) => ({ path, message })) },
      { status: 400 },
    )
  const id = await unlessOutage(() => createBox(threeShaftBox(parsed.data)))
  if (id === null)
    return data({ issues: [{ path: ['form'], message: OUTAGE_SENTENCE }] }, { status: 503 })
  return redirect(`/boxes/${id}/count`)
}

type ForwardCount = (typeof FORWARD_COUNTS)[number]
type ReverseKind = (typeof REVERSE_KINDS)[number]

export default function NewBox({ loaderData, actionData }: Route.ComponentProps) {
  const words = WORDS[loaderData.settings.vocabulary]
  const [forwardCount, setForwardCount] = useState<ForwardCount>(5)
  const [wantedDirect, setDirectAt] = useState(4)
  const [reverse, setReverse] = useState<ReverseKind>('sliding-idler')
  const directAt = Math.min(wantedDirect, forwardCount)
  const isBusy = useNavigation().state !== 'idle'
  const problem = (key: string): string | undefined =>
    actionData?.issues.find(({ path }) => path[0] === key)?.message
  const draft = threeShaftBox({ name: 'preview', forwardCount, directAt, reverse })
  const overdrives = forwardCount - directAt

  return (
    <div className="flex min-h-screen flex-col lg:h-screen">
      <title>New box · Udrix</title>
      <header className="border-ink flex items-center gap-4 border-b-2 px-4 py-1">
        <Link to="/" className="button-quiet -ml-2 font-bold">
          Bench
        </Link>
        <h1 className="text-[1.15rem]">Start a new box</h1>
        <div className="ml-auto flex">
          <SettingsControls settings={loaderData.settings} />
          <HelpButton />
        </div>
      </header>
      <main className="grid min-h-0 flex-1 lg:grid-cols-[25rem_minmax(0,1fr)]">
        <Form method="post" className="border-rule bg-sheet flex flex-col gap-5 border-r-2 p-5">
          <label className="block text-[1.1rem] font-semibold">
            Name of the box
            <input
              name="name"
              className="field mt-1 font-normal"
              maxLength={120}
              placeholder="unit, owner or job number"
              aria-invalid={problem('name') !== undefined}
              aria-describedby={problem('name') ? 'name-problem' : undefined}
              required
            />
          </label>
          {problem('name') && (
            <p id="name-problem" className="trouble">
              <TriangleAlert aria-hidden /> {problem('name')}
            </p>
          )}
          <Choice
            legend="Forward positions"
            name="forwardCount"
            value={`${forwardCount}`}
            options={FORWARD_COUNTS.map((count) => [`${count}`, `${count}`])}
            onChange={(value) => {
              setForwardCount(FORWARD_COUNTS.find((count) => `${count}` === value) ?? 5)
            }}
          />
          <Choice
            legend="Direct, input joined to main shaft, in"
            name="directAt"
            value={`${directAt}`}
            options={[forwardCount - 2, forwardCount - 1, forwardCount].map((at) => [
              `${at}`,
              ordinal(at),
            ])}
            onChange={(value) => {
              setDirectAt(Number(value))
            }}
          />
          <Choice
            legend="Reverse"
            name="reverse"
            value={reverse}
            options={[
              ['sliding-idler', 'sliding idler'],
              ['constant-mesh', 'idler in mesh, coupler'],
            ]}
            onChange={(value) => {
              setReverse(REVERSE_KINDS.find((kind) => kind === value) ?? 'sliding-idler')
            }}
          />
          {problem('form') && (
            <p role="alert" className="trouble">
              <TriangleAlert aria-hidden /> {problem('form')}
            </p>
          )}
          <button className="button button-main min-h-[56px] text-[1.1rem]" disabled={isBusy}>
            Put it on the bench and count
          </button>
          <p className="text-graphite">
            Choose what is nearest to the box before you. All gears start uncounted; sizes in the
            drawing follow the teeth as you count them.
          </p>
        </Form>
        <section aria-label="Preview" className="flex min-h-0 flex-col p-4">
          <p className="font-semibold" role="status">
            Three shafts, {forwardCount} forward positions, direct in {ordinal(directAt)},{' '}
            {overdrives === 0
              ? 'no overdrive'
              : overdrives === 1
                ? '1 overdrive'
                : `${overdrives} overdrives`}
            ; {draft.gears.length} gears to count
          </p>
          <div className="min-h-0 flex-1">
            <SectionDrawing
              draft={draft}
              words={words}
              title="Section along the shafts of the new box"
            />
          </div>
          <Legend hasRibbon={false} />
        </section>
      </main>
    </div>
  )
}
