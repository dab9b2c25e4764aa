import { useState } from 'react'
import { useSubmit } from 'react-router'

import type { BoxDraft } from 'core'

import { FileButton } from '~/components/FileButton.tsx'
import { Preview } from '~/components/Preview.tsx'
import { SectionDrawing } from '~/components/section/SectionDrawing.tsx'
import type { FileIssue } from '~/files/boxFile.ts'
import { gearTotal } from '~/words/names.ts'
import type { Vocabulary } from '~/words/vocabulary.ts'

import { ImportProblems } from './ImportProblems.tsx'

/** Not read into the page at all when it is larger. */
const LARGEST_FILE_BYTES = 1_000_000

interface Refused {
  readonly fileName: string
  readonly issues: readonly FileIssue[]
}

type Chosen =
  | {
      readonly kind: 'good'
      readonly file: File
      readonly draft: BoxDraft
      readonly warnings: readonly FileIssue[]
    }
  | ({ readonly kind: 'refused' } & Refused)

async function read(file: File): Promise<Chosen> {
  if (file.size > LARGEST_FILE_BYTES)
    return {
      kind: 'refused',
      fileName: '',
      issues: [
        {
          path: [],
          message: `${file.name} is over 1 MB. A box file is some ten kilobytes: is it the right file?`,
        },
      ],
    }
  // The schema is large and only wanted here, so it comes when a file does.
  const { openBoxFile } = await import('~/files/openBoxFile.ts')
  const opened = openBoxFile(await file.text())
  return opened.ok
    ? { kind: 'good', file, draft: opened.draft, warnings: opened.warnings }
    : { kind: 'refused', fileName: file.name, issues: opened.issues }
}

interface ImportBoxProps {
  readonly words: Vocabulary
  /** What the server refused, where it saw more than this page did. */
  readonly refused: Refused | undefined
}

interface ImportPreviewProps {
  readonly words: Vocabulary
  readonly chosen: Extract<Chosen, { kind: 'good' }>
  readonly onCancel: () => void
  readonly onConfirm: () => void
}

function ImportPreview({ words, chosen, onCancel, onConfirm }: ImportPreviewProps) {
  const { draft, file, warnings } = chosen
  return (
    <Preview
      title={`Import “${draft.name}”?`}
      confirm="Put it on the bench"
      onCancel={onCancel}
      onConfirm={onConfirm}
    >
      <p>
        {file.name}: {draft.members.length} shafts and the like, {gearTotal(draft)},{' '}
        {draft.couplers.length} couplers, {draft.positions.length} positions. It becomes a new box;
        nothing that is on the bench changes.
      </p>
      <div className="h-[20rem]">
        <SectionDrawing
          isFixed
          draft={draft}
          words={words}
          title={`Section along the shafts of ${draft.name}`}
        />
      </div>
      {warnings.length > 0 && (
        <>
          <p className="font-semibold">It can be imported, but:</p>
          <ul className="list-disc pl-5">
            {warnings.map((warning) => (
              <li key={warning.message}>{warning.message}</li>
            ))}
          </ul>
        </>
      )}
    </Preview>
  )
}

/** Asks for a box file, shows what is in it, and puts it on the bench. */
export function ImportBox({ words, refused }: ImportBoxProps) {
  const [chosen, setChosen] = useState<Chosen>()
  const submit = useSubmit()
  const problems = chosen?.kind === 'refused' ? chosen : chosen ? undefined : refused
  return (
    <>
      <FileButton
        title="Import a box file"
        accept=".json,application/json"
        onChoose={(file) => {
          void read(file).then(setChosen)
        }}
      />
      {problems && (
        <div className="order-last w-full">
          <ImportProblems fileName={problems.fileName} issues={problems.issues} />
        </div>
      )}
      {chosen?.kind === 'good' && (
        <ImportPreview
          words={words}
          chosen={chosen}
          onCancel={() => {
            setChosen(undefined)
          }}
          onConfirm={() => {
            const form = new FormData()
            form.set('intent', 'import')
            form.set('file', chosen.file)
            setChosen(undefined)
            void submit(form, {
              method: 'post',
              action: '/?index',
              encType: 'multipart/form-data',
            })
          }}
        />
      )}
    </>
  )
}
