import { useMemo } from 'react'

import type { BoxDraft } from 'core'
import { diffDrafts } from 'core'

import { ratioChanges } from '~/views/ratios/ratioChanges.ts'
import { SectionDrawing } from '~/components/section/SectionDrawing.tsx'
import { changeWords } from '~/words/changes.ts'
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
            {since.map((change, at) => (
              <li key={at}>{changeWords(now, words, change)}</li>
            ))}
          </ul>
        </>
      )}
      <table className="text-left">
        <caption className="sr-only">Ratios then and now</caption>
        <thead>
          <tr className="border-ink border-b-2">
            <th scope="col" className="pr-6">
              Position
            </th>
            <th scope="col" className="pr-6">
              Then
            </th>
            <th scope="col">Now</th>
          </tr>
        </thead>
        <tbody>
          {ratios.map(({ label, before, after }) => (
            <tr key={label} className="border-rule border-b">
              <th scope="row" className="pr-6">
                {label}
              </th>
              <td className="pr-6">{before}</td>
              <td className={before === after ? '' : 'font-bold'}>
                {after}
                {before !== after && <span className="text-graphite"> (differs)</span>}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  )
}
