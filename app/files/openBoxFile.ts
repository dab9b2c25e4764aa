/** A box file read and checked, with everything that keeps it off the bench in words. */
import type { BoxDraft, BoxIssue } from 'core'
import { checkBox } from 'core'

import { issueWords } from '../words/issues.ts'

import type { FileIssue } from './boxFile.ts'
import { parseBoxFile } from './boxFile.ts'

type OpenedBoxFile =
  | { readonly ok: true; readonly draft: BoxDraft; readonly warnings: readonly FileIssue[] }
  | { readonly ok: false; readonly issues: readonly FileIssue[] }

export function openBoxFile(text: string): OpenedBoxFile {
  const parsed = parseBoxFile(text)
  if (!parsed.ok) return parsed
  const { draft } = parsed
  const inWords = (issues: readonly BoxIssue[]): readonly FileIssue[] =>
    issues.map((issue) => ({
      path: issue.path,
      message: issueWords(draft, issue),
      code: issue.code,
    }))
  const checked = checkBox(draft)
  return checked.ok
    ? { ok: true, draft, warnings: inWords(checked.warnings) }
    : { ok: false, issues: inWords(checked.issues) }
}
