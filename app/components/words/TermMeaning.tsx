import { useWords } from '~/components/useWords.ts'
import type { TermId } from '~/words/glossary.ts'
import { termMeaning } from '~/words/meanings.ts'

import { TermDrawing } from './TermDrawing.tsx'

/** A small drawing and a sentence or two; fetched when somebody asks. */
export default function TermMeaning({ id }: { readonly id: TermId }) {
  const words = useWords()
  return (
    <>
      <TermDrawing id={id} />
      <p>{termMeaning(words, id)}</p>
    </>
  )
}
