import { Download, TriangleAlert } from 'lucide-react'
import { useState } from 'react'

import { diffDrafts } from 'core'

import { useOpenBox } from '~/components/box/boxContext.ts'
import { FileButton } from '~/components/FileButton.tsx'
import { Preview } from '~/components/Preview.tsx'
import type { ParsedCountsCsv } from '~/files/countsCsv.ts'
import { capitalize, gearName } from '~/words/names.ts'
import { indexBox } from 'core'

/** Counts to a spreadsheet and back, with what will change shown before it does. */
export function CountsFile() {
  const { id, draft, words, edit } = useOpenBox()
  const [read, setRead] = useState<ParsedCountsCsv>()
  const naming = { box: indexBox(draft), words }
  return (
    <section aria-label="Counts as a file" className="border-rule mt-3 border-t-2 pt-3">
      <div className="flex flex-wrap gap-2">
        <a className="button" href={`/boxes/${id}/counts.csv`} download>
          <Download aria-hidden /> Counts as CSV
        </a>
        <FileButton
          title="Read counts back"
          accept=".csv,text/csv"
          onChoose={(file) => {
            void Promise.all([file.text(), import('~/files/countsCsv.ts')]).then(([text, csv]) => {
              setRead(csv.parseCountsCsv(draft, text, words))
            })
          }}
        />
      </div>
      {read && !read.ok && (
        <div role="alert" className="mt-2">
          <p className="trouble">
            <TriangleAlert aria-hidden /> Nothing was read in.
          </p>
          <ul className="list-disc pl-6">
            {read.problems.map((problem) => (
              <li key={problem}>{problem}</li>
            ))}
          </ul>
        </div>
      )}
      {read?.ok && read.changed.length === 0 && (
        <p role="status" className="mt-2">
          The file holds the same counts as the box.
        </p>
      )}
      {read?.ok && read.changed.length > 0 && (
        <Preview
          title={`Change ${read.changed.length} ${read.changed.length === 1 ? 'count' : 'counts'}?`}
          confirm="Change them"
          onCancel={() => {
            setRead(undefined)
          }}
          onConfirm={() => {
            edit({ kind: 'change', changes: diffDrafts(draft, read.draft) })
            setRead(undefined)
          }}
        >
          <table className="w-full text-left">
            <thead>
              <tr className="border-ink border-b-2">
                {['Gear', 'Teeth', 'becomes', 'Second count', 'becomes'].map((heading, at) => (
                  <th key={at} scope="col" className="pr-3">
                    {heading}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {read.changed.map(({ gear, toothCount, recount }) => (
                <tr key={gear.id} className="border-rule border-b">
                  <th scope="row" className="pr-3 font-semibold">
                    {capitalize(gearName(naming, gear))}
                  </th>
                  <td className="pr-3">{gear.toothCount ?? 'none'}</td>
                  <td className="pr-3 font-bold">{toothCount ?? 'none'}</td>
                  <td className="pr-3">{gear.recount ?? 'none'}</td>
                  <td className="font-bold">{recount ?? 'none'}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </Preview>
      )}
    </section>
  )
}
