import { TriangleAlert } from 'lucide-react'

import type { BoxDraft, BoxIssue } from 'core'

import { issueWords } from '~/words/issues.ts'
import type { Vocabulary } from '~/words/vocabulary.ts'

interface IssueListProps {
  readonly draft: BoxDraft
  readonly issues: readonly BoxIssue[]
  readonly words: Vocabulary
}

/** What the core finds wrong with a box; nothing when it finds nothing. */
export function IssueList({ draft, issues, words }: IssueListProps) {
  return issues.map((issue) => (
    <p key={`${issue.code}${issue.path.join('/')}`} className="trouble">
      <TriangleAlert aria-hidden />
      <span>{issueWords(draft, issue, words)}</span>
    </p>
  ))
}
