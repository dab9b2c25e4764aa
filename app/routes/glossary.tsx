import { PageHead } from '~/components/PageHead.tsx'
import { useWords } from '~/components/useWords.ts'
import { TermDrawing } from '~/components/words/TermDrawing.tsx'
import { TERM_IDS, termTitle } from '~/words/glossary.ts'
import { termMeaning } from '~/words/meanings.ts'
import { capitalize } from '~/words/names.ts'

/** Every word that is explained, in the order in which they build on one another. */
export default function Glossary() {
  const words = useWords()
  return (
    <div className="mx-auto max-w-[1180px] px-5 pb-6">
      <PageHead title="Words" about="What the words of the trade mean" />
      <main>
        <dl className="grid gap-x-8 gap-y-6 py-4 sm:grid-cols-2 lg:grid-cols-3">
          {TERM_IDS.map((id) => (
            <div
              key={id}
              id={id}
              className="target:outline-accent scroll-mt-4 target:outline-3 target:outline-offset-4"
            >
              <dt className="border-ink border-b-2 text-[1.15rem] font-bold">
                {capitalize(termTitle(words, id))}
              </dt>
              <dd className="pt-2">
                <TermDrawing id={id} />
                <p>{termMeaning(words, id)}</p>
              </dd>
            </div>
          ))}
        </dl>
      </main>
    </div>
  )
}
