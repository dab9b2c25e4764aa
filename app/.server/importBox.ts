import { checkBox } from 'core'

import type { FileIssue } from '../boxFile.ts'
import { parseBoxFile } from '../boxFile.ts'
import { issueWords } from '../words/issues.ts'
import { createBox } from './boxes.ts'

export type ImportOutcome =
  | { readonly ok: true; readonly id: string }
  | { readonly ok: false; readonly fileName: string; readonly issues: readonly FileIssue[] }

/** Puts an uploaded box file on the bench, or says everything that keeps it off. */
export async function importBox(file: FormDataEntryValue | null): Promise<ImportOutcome> {
  if (!(file instanceof File) || file.size === 0)
    return {
      ok: false,
      fileName: '',
      issues: [
        { path: [], message: 'No file came with that, or an empty one. Choose a box file.' },
      ],
    }
  const fileName = file.name
  const parsed = parseBoxFile(await file.text())
  if (!parsed.ok) return { ok: false, fileName, issues: parsed.issues }
  const { draft } = parsed
  const checked = checkBox(draft)
  if (!checked.ok)
    return {
      ok: false,
      fileName,
      issues: checked.issues.map((issue) => ({
        path: issue.path,
        message: issueWords(draft, issue),
        code: issue.code,
      })),
    }
  return { ok: true, id: await createBox(draft) }
}
