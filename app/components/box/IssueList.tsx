import { Check } from 'lucide-react'

import type { BoxDraft, BoxIssue, LeftWarning } from 'core'
import { diffDrafts, leftWarning, removePart, warningKey } from 'core'

import { formatWhen } from '~/words/format.ts'
import { serverNow } from '~/client/changes.ts'
import { issueWords } from '~/words/issues.ts'
import type { Vocabulary } from '~/words/vocabulary.ts'
import { Warning } from '~/components/Warning.tsx'

import { useOpenBox } from './boxContext.ts'

interface IssueListProps {
  readonly draft: BoxDraft
  readonly issues: readonly BoxIssue[]
  readonly words: Vocabulary
  /** Shows where an issue stands. */
  readonly onShow?: ((issue: BoxIssue) => void) | undefined
}

interface LeftWarningsProps {
  readonly left: readonly { readonly warning: LeftWarning; readonly text: string }[]
  readonly onWarnAgain: (warning: LeftWarning) => void
}

/** Warnings that somebody left as they are. */
function LeftWarnings({ left, onWarnAgain }: LeftWarningsProps) {
  return (
    <details>
      <summary className="text-graphite flex items-center gap-2">
        <Check aria-hidden className="size-5" />
        {left.length === 1
          ? 'One warning left as it is'
          : `${left.length} warnings left as they are`}
      </summary>
      <ul>
        {left.map(({ warning, text }) => (
          <li key={warning.id} className="py-1">
            {text}{' '}
            <span className="text-graphite" suppressHydrationWarning>
              {leftBy(warning)}
            </span>{' '}
            <button
              type="button"
              className="text-accent -my-2.5 min-h-[44px] cursor-pointer underline"
              onClick={() => {
                onWarnAgain(warning)
              }}
            >
              Warn again
            </button>
          </li>
        ))}
      </ul>
    </details>
  )
}

/**
 * What the core finds wrong with a box; nothing when it finds nothing. A warning can be
 * left as it is, with who and when, and is told again once its figures are others.
 */
export function IssueList({ draft, issues, words, onShow }: IssueListProps) {
  const { draft: kept, edit, settings } = useOpenBox()
  const become = (next: BoxDraft): void => {
    edit({ kind: 'change', changes: diffDrafts(kept, next) })
  }
  const left = issues.flatMap((issue) => {
    const warning = leftWarning(draft, issue)
    return warning ? [{ issue, warning }] : []
  })
  const standing = issues.filter((issue) => !left.some((each) => each.issue === issue))
  const keyOf = (issue: BoxIssue): string => `${issue.code}${issue.path.join('/')}`
  return (
    <>
      {standing.map((issue) => (
        <Warning key={keyOf(issue)}>
          {issueWords(draft, issue, words)}{' '}
          {onShow && (
            <button
              type="button"
              className="-my-2.5 min-h-[44px] cursor-pointer underline"
              onClick={() => {
                onShow(issue)
              }}
            >
              Show it
            </button>
          )}{' '}
          {warningKey(issue) !== '' && (
            <button
              type="button"
              className="-my-2.5 min-h-[44px] cursor-pointer underline"
              onClick={() => {
                const id = warningKey(issue)
                const warning = { id, by: settings.initials, at: serverNow().toISOString() }
                become({ ...kept, leftWarnings: [...(kept.leftWarnings ?? []), warning] })
              }}
            >
              Leave it so
            </button>
          )}
        </Warning>
      ))}
      {left.length > 0 && (
        <LeftWarnings
          left={left.map(({ issue, warning }) => ({
            warning,
            text: issueWords(draft, issue, words),
          }))}
          onWarnAgain={({ id }) => {
            become(removePart(kept, { list: 'leftWarnings', id }))
          }}
        />
      )}
    </>
  )
}

function leftBy({ by, at }: LeftWarning): string {
  return `Left${by === '' ? '' : ` by ${by}`}, ${formatWhen(new Date(at))}.`
}
