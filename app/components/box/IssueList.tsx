import { TriangleAlert } from 'lucide-react'

import type { BoxDraft, BoxIssue } from 'core'

import { issueWords } from '~/words/issues.ts'
import type { Vocabulary } from '~/words/vocabulary.ts'

interface IssueListProps {
  readonly draft: BoxDraft
  readonly issues: readonly BoxIssue[]
  readonly words: Vocabulary
  /** Shows where an issue stands. */
  readonly onShow?: ((issue: BoxIssue) => void) | undefined
}

/** What the core finds wrong with a box; nothing when it finds nothing. */
export function IssueList({ draft, issues, words, onShow }: IssueListProps) {
  return issues.map((issue) => (
    <p key={`${issue.code}${issue.path.join('/')}`} className="trouble">
      <TriangleAlert aria-hidden />
      <span>
        {issueWords(draft, issue, words)}{' '}
        {onShow && (
          <button
            type="button"
            className="min-h-[32px] cursor-pointer underline"
            onClick={() => {
              onShow(issue)
            }}
          >
            Show it
          </button>
        )}
      </span>
    </p>
  ))
}
