import { useMemo, useState } from 'react'
import { Form, data, redirect, useNavigation } from 'react-router'
import { z } from 'zod'

import type { BoxDraft, Chosen, PatternId } from 'core'
import {
  LARGEST,
  PATTERNS,
  PATTERN_IDS,
  buildPattern,
  checkBox,
  choose,
  chosenOption,
  surveyBox,
} from 'core'

import { opensAway } from '~/client/opensAway.ts'
import { OUTAGE_SENTENCE, unlessOutage } from '~/.server/answers.ts'
import { createBox } from '~/.server/boxes.ts'
import { readForm } from '~/.server/requests.ts'
import { readSettings } from '~/.server/settings.ts'
import { AWAY_SENTENCE, unlessAway } from '~/client/away.ts'
import { Choice } from '~/components/newBox/Choice.tsx'
import { PatternList } from '~/components/newBox/PatternList.tsx'
import { Legend } from '~/components/section/Legend.tsx'
import { SectionDrawing } from '~/components/section/SectionDrawing.tsx'
import { CHOICE_WORDS, PATTERN_WORDS, optionWords } from '~/words/patterns.ts'
import { writtenText } from '~/files/text.ts'
import { gearTotal } from '~/words/names.ts'
import { CAUTIONS, DEFERENCE } from '~/words/cautions.ts'
import { inWords, vocabularyOf } from '~/words/vocabulary.ts'
import { Warning } from '~/components/Warning.tsx'
import { PageHead } from '~/components/PageHead.tsx'

import type { Route } from './+types/newBox'

const choicesSchema = z.looseObject({
  name: writtenText()
    .trim()
    .max(LARGEST.nameLength, `A name has ${LARGEST.nameLength} characters at most.`),
  pattern: z.enum(PATTERN_IDS, 'Choose the arrangement that is nearest.'),
})

export async function loader({ request }: Route.LoaderArgs) {
  return { settings: await readSettings(request) }
}

export const clientLoader = opensAway<Awaited<ReturnType<typeof loader>>>()

export async function action({ request }: Route.ActionArgs) {
  const form = Object.fromEntries(await readForm(request))
  const parsed = choicesSchema.safeParse(form)
  if (!parsed.success)
    return data(
      { issues: parsed.error.issues.map(({ path, message }) => ({ path, message })) },
      { status: 400 },
    )
  const { name, pattern } = parsed.data
  const chosen: Chosen = Object.fromEntries(
    Object.entries(form).flatMap(([key, value]) =>
      typeof value === 'string' ? [[key, value]] : [],
    ),
  )
  const draft = buildPattern(pattern, name || PATTERN_WORDS[pattern].title, chosen)
  // The page shows the cautions beside its button.
  const id = await unlessOutage(() => createBox(draft, { areCautionsRead: true }))
  if (id === null)
    return data({ issues: [{ path: ['form'], message: OUTAGE_SENTENCE }] }, { status: 503 })
  return redirect(`/boxes/${id}/count`)
}

/** What was chosen stays on the page where it cannot be sent. */
export function clientAction({ serverAction }: Route.ClientActionArgs) {
  return unlessAway(serverAction, { issues: [{ path: ['form'], message: AWAY_SENTENCE }] })
}

/** The position that turns the output as the input turns, whatever the counts will be. */
function directPosition(draft: BoxDraft): string | undefined {
  const checked = checkBox(draft)
  const survey = checked.ok ? surveyBox(checked.box) : []
  return survey.find(({ ratio }) => ratio?.isOne())?.position.label
}

function BeforeYouReach() {
  return (
    <section aria-label="Before you reach into the box" className="text-[0.8rem] leading-tight">
      <h2 className="text-[0.95rem]">Before you reach into the box</h2>
      <ul className="gap-x-6 sm:columns-2 xl:columns-3">
        {CAUTIONS.map((caution) => (
          <li key={caution} className="break-inside-avoid">
            {caution}
          </li>
        ))}
        <li className="break-inside-avoid font-semibold">{DEFERENCE}</li>
      </ul>
    </section>
  )
}

interface NameAndGoProps {
  readonly isBusy: boolean
  readonly isWrong: boolean
}

/** What the box is called, and the button that puts it on the bench. */
function NameAndGo({ isBusy, isWrong }: NameAndGoProps) {
  return (
    <div className="flex flex-wrap items-end gap-4">
      <label className="min-w-[16rem] flex-1 font-semibold">
        Name of the box
        <input
          name="name"
          className="field mt-1 min-h-[52px] font-normal"
          placeholder="unit, owner or job number"
          aria-invalid={isWrong}
          aria-describedby={isWrong ? 'name-problem' : undefined}
        />
      </label>
      <button
        className="button button-main min-h-[52px] text-[1.1rem] max-sm:whitespace-normal"
        disabled={isBusy}
      >
        I have read this: put it on the bench and count
      </button>
    </div>
  )
}

export default function NewBox({ loaderData, actionData }: Route.ComponentProps) {
  const words = vocabularyOf(loaderData.settings)
  const [patternId, setPatternId] = useState<PatternId>('three-shaft')
  const [chosen, setChosen] = useState<Chosen>({})
  const isBusy = useNavigation().state !== 'idle'
  const problem = (key: string): string | undefined =>
    actionData?.issues.find(({ path }) => path[0] === key)?.message
  const pattern = PATTERNS.find(({ id }) => id === patternId)
  const draft = useMemo(() => buildPattern(patternId, 'preview', chosen), [patternId, chosen])
  const direct = useMemo(() => directPosition(draft), [draft])

  return (
    <div className="flex min-h-screen flex-col lg:h-screen">
      <div className="px-4">
        <PageHead title="Start a new box" about="Which is nearest to yours?" />
      </div>
      <main className="flex min-h-0 flex-1 flex-col">
        <Form method="post" className="work-area lg:grid-cols-[21rem_minmax(0,1fr)]">
          <PatternList words={words} selected={patternId} onSelect={setPatternId} />
          <div className="flex min-h-0 flex-col gap-2 p-4 pt-2">
            <p role="status">
              <b>{inWords(words, PATTERN_WORDS[patternId].title)}</b>: {gearTotal(draft)},{' '}
              {draft.positions.length} positions{direct && `, direct in ${direct}`}
            </p>
            <div className="min-h-[9rem] flex-1">
              <SectionDrawing
                isFixed
                draft={draft}
                words={words}
                title="Section along the shafts of the new box"
              />
            </div>
            <Legend hasRibbon={false} />
            <div className="border-ink flex flex-wrap items-end gap-x-6 gap-y-2 border-t-2 pt-2">
              {pattern?.choices.map((choice) => (
                <Choice
                  key={`${patternId}/${choice.id}`}
                  legend={inWords(words, CHOICE_WORDS[choice.id] ?? choice.id)}
                  name={choice.id}
                  value={chosenOption(choice, chosen)}
                  options={choice.options.map((option) => [
                    option,
                    inWords(words, optionWords(choice.id, option)),
                  ])}
                  onChange={(value) => {
                    setChosen(choose(pattern, chosen, choice.id, value))
                  }}
                />
              ))}
            </div>
            <BeforeYouReach />
            <NameAndGo isBusy={isBusy} isWrong={problem('name') !== undefined} />
            {(['name', 'pattern', 'form'] as const).map((key) =>
              problem(key) ? (
                <Warning key={key} id={`${key}-problem`} role="alert">
                  {problem(key)}
                </Warning>
              ) : null,
            )}
          </div>
        </Form>
      </main>
    </div>
  )
}
