import { useMemo } from 'react'

import type { BoxDraft } from 'core'
import { diffDrafts } from 'core'

import { Table } from '~/components/Table.tsx'
import { ratioChanges } from '~/views/ratios/ratioChanges.ts'
import { SectionDrawing } from '~/components/section/SectionDrawing.tsx'
import { changesWords } from '~/words/changes.ts'
import type { Vocabulary } from '~/words/vocabulary.ts'

interface ComparisonProps {
  readonly now: BoxDraft
  readonly then: BoxDraft
  readonly words: Vocabulary
}

/** A box as it was beside what it is: the drawing then, the ratios of both, and what changed since. */
export function Comparison({ now, then, words }: ComparisonProps) {
  const since = useMemo(() => diffDrafts(then, now), [then, now])
  const ratios = useMemo(() => ratioChanges(then, now), [then, now])
  return (
    <>
      <div className="h-[17rem]">
        <SectionDrawing
          draft={then}
          words={words}
          title="Section along the shafts as it was then"
        />
      </div>
      {since.length === 0 ? (
        <p>Nothing differs from now.</p>
      ) : (
        <>
          <h3 className="text-[1.05rem]">Changed since</h3>
          <ul className="list-disc pl-5">
            {changesWords(now, words, since).map((line, at) => (
              <li key={at}>{line}</li>
            ))}
          </ul>
        </>
      )}
      <Table
        caption="Ratios then and now"
        className=""
        rows={ratios}
        keyOf={({ label }) => label}
        columns={[
          {
            heading: 'Position',
            isName: true,
            className: 'font-bold!',
            cell: ({ label }) => label,
          },
          { heading: 'Then', cell: ({ before }) => before },
          {
            heading: 'Now',
            className: ({ before, after }) => (before === after ? '' : 'font-bold'),
            cell: ({ before, after }) => (
              <>
                {after}
                {before !== after && <span className="text-graphite"> (differs)</span>}
              </>
            ),
          },
        ]}
      />
    </>
  )
}
