import type { FileIssue } from '../files/boxFile.ts'
import { openBoxFile } from '../files/openBoxFile.ts'
import { createBox } from './boxes.ts'

type ImportOutcome =
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
  const opened = openBoxFile(await file.text())
  return opened.ok
    ? { ok: true, id: await createBox(opened.draft) }
    : { ok: false, fileName: file.name, issues: opened.issues }
}
