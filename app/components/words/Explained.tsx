import { Fragment } from 'react'

import { useWords } from '~/components/useWords.ts'
import type { TermId } from '~/words/glossary.ts'
import { termsIn } from '~/words/glossary.ts'

import { Term } from './Term.tsx'

interface ExplainedProps {
  /** One after the other; a term is explained where it stands first in all of them. */
  readonly texts: readonly string[]
  readonly terms?: readonly TermId[]
  /** Puts a text where it belongs; without it they stand in a line. */
  readonly children?: (text: React.ReactNode, at: number) => React.ReactNode
}

/** Texts in which the words of the trade can be asked for their meaning. */
export function Explained({ texts, terms, children = (text) => text }: ExplainedProps) {
  const words = useWords()
  return termsIn(words, texts, terms).map((parts, at) => (
    <Fragment key={at}>
      {children(
        parts.map(({ text, term }, partAt) =>
          term ? (
            <Term key={partAt} id={term}>
              {text}
            </Term>
          ) : (
            text
          ),
        ),
        at,
      )}
    </Fragment>
  ))
}
