import { FilePlus2, FolderInput, TriangleAlert } from 'lucide-react'
import { useState } from 'react'
import { Form, Link, data, redirect } from 'react-router'

import {
  BENCH_PAGE_SIZE,
  deleteBox,
  duplicateBox,
  editBox,
  listBoxes,
  restoreBox,
} from '~/.server/boxes.ts'
import { OUTAGE_SENTENCE, noSuchBox, unlessOutage, withDatabase } from '~/.server/answers.ts'
import { importBox } from '~/.server/importBox.ts'
import { readSettings } from '~/.server/settings.ts'
import { BoxRow } from '~/components/bench/BoxRow.tsx'
import { DeletedToast } from '~/components/bench/DeletedToast.tsx'
import { ImportProblems } from '~/components/bench/ImportProblems.tsx'
import { HelpButton } from '~/components/HelpButton.tsx'
import { SettingsControls } from '~/components/SettingsControls.tsx'
import { conflictWords, refusalWords } from '~/words/issues.ts'
import { PLAIN_WORDS, vocabularyOf } from '~/words/vocabulary.ts'

import type { Route } from './+types/bench'

export async function loader({ request }: Route.LoaderArgs) {
  const [{ boxes, total }, settings] = await Promise.all([
    withDatabase(() => listBoxes()),
    readSettings(request),
  ])
  return { boxes, total, settings, pageSize: BENCH_PAGE_SIZE }
}

function textOf(form: FormData, key: string): string {
  const value = form.get(key)
  return typeof value === 'string' ? value : ''
}

export async function action({ request }: Route.ActionArgs) {
  const form = await request.formData()
  const outcome = await unlessOutage(() => change(form))
  return outcome ?? data({ kind: 'notice' as const, sentence: OUTAGE_SENTENCE }, { status: 503 })
}

/** Does what one of the bench's forms asks for. */
async function change(form: FormData) {
  const id = textOf(form, 'box')
  switch (form.get('intent')) {
    case 'import': {
      const outcome = await importBox(form.get('file'))
      if (!outcome.ok) return data({ kind: 'not-imported' as const, ...outcome }, { status: 400 })
      return redirect(`/boxes/${outcome.id}`)
    }
    case 'rename': {
      const name = textOf(form, 'name')
      const outcome = await editBox(id, { kind: 'rename', name, base: textOf(form, 'base') })
      if (outcome.kind === 'absent') throw noSuchBox()
      if (outcome.kind === 'refused')
        return data(
          { kind: 'notice' as const, sentence: refusalWords(outcome.refusal) },
          { status: 400 },
        )
      const { conflict, box } = outcome
      return conflict
        ? {
            kind: 'notice' as const,
            sentence: conflictWords(box.draft, conflict, PLAIN_WORDS),
          }
        : { kind: 'renamed' as const }
    }
    case 'duplicate': {
      if (!(await duplicateBox(id))) throw noSuchBox()
      return { kind: 'duplicated' as const }
    }
    case 'delete': {
      const deleted = await deleteBox(id)
      if (!deleted) throw noSuchBox()
      return { kind: 'deleted' as const, ...deleted }
    }
    case 'restore': {
      if (!(await restoreBox(id))) throw noSuchBox()
      return { kind: 'restored' as const }
    }
    default:
      throw data('The bench does not know what to do with that. Load the page again.', {
        status: 400,
      })
  }
}

const LARGEST_FILE_BYTES = 1_000_000

export default function Bench({ loaderData, actionData }: Route.ComponentProps) {
  const { boxes, total, settings, pageSize } = loaderData
  const words = vocabularyOf(settings)
  const [tooLarge, setTooLarge] = useState<string>()
  const deleted = actionData?.kind === 'deleted' ? actionData : undefined
  const problems = actionData?.kind === 'not-imported' ? actionData : undefined

  return (
    <div className="mx-auto flex min-h-screen max-w-[1280px] flex-col px-5 pb-6">
      <title>Bench · Udrix</title>
      <header className="border-ink flex items-center gap-4 border-b-2 py-1">
        <h1 className="text-[1.5rem]">Bench</h1>
        <p className="text-graphite">Udrix: counted teeth, exact ratios, traced torque</p>
        <div className="ml-auto flex">
          <SettingsControls settings={settings} />
          <HelpButton />
        </div>
      </header>
      <main>
        <div className="flex flex-wrap items-center gap-3 py-4">
          <Link to="/new" className="button button-main">
            <FilePlus2 aria-hidden /> Start a new box
          </Link>
          <Form
            method="post"
            action="?index"
            encType="multipart/form-data"
            className="flex items-center gap-2"
          >
            <input type="hidden" name="intent" value="import" />
            <label className="button cursor-pointer has-focus-visible:outline-3">
              <FolderInput aria-hidden /> Import a box file
              <input
                type="file"
                name="file"
                accept=".json,application/json"
                className="sr-only"
                onChange={(event) => {
                  const file = event.target.files?.[0]
                  if (!file) return
                  if (file.size > LARGEST_FILE_BYTES)
                    setTooLarge(
                      `${file.name} is over 1 MB. A box file is some ten kilobytes: is it the right file?`,
                    )
                  else {
                    setTooLarge(undefined)
                    event.target.form?.requestSubmit()
                  }
                  event.target.value = ''
                }}
              />
            </label>
          </Form>
        </div>
        {tooLarge ? (
          <ImportProblems fileName="" issues={[{ path: [], message: tooLarge }]} />
        ) : (
          problems && <ImportProblems fileName={problems.fileName} issues={problems.issues} />
        )}
        {actionData?.kind === 'notice' && (
          <p role="alert" className="trouble mb-3">
            <TriangleAlert aria-hidden /> {actionData.sentence}
          </p>
        )}
        {boxes.length === 0 ? (
          <p className="py-10 text-lg">
            The bench is empty. Start a new box: choose the pattern nearest to what lies before you,
            then count its teeth.
          </p>
        ) : (
          <ul className="border-ink border-t-2" aria-label="Boxes on the bench">
            {boxes.map((box) => (
              <BoxRow key={box.id} box={box} words={words} />
            ))}
          </ul>
        )}
        {total > pageSize && (
          <p className="text-graphite py-3">
            The {pageSize} boxes touched last are shown, of {total}.
          </p>
        )}
      </main>
      {deleted && <DeletedToast key={deleted.id} id={deleted.id} name={deleted.name} />}
    </div>
  )
}
