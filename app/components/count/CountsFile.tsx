import { Download } from 'lucide-react'
import { useState } from 'react'

import { useOpenBox } from '~/components/box/boxContext.ts'
import { FileButton } from '~/components/FileButton.tsx'
import type { ParsedCountsCsv } from '~/files/countsCsv.ts'

import { CountsRead } from './CountsRead.tsx'

/** Counts to a spreadsheet and back, with what will change shown before it does. */
export function CountsFile() {
  const { id, draft, words } = useOpenBox()
  const [read, setRead] = useState<ParsedCountsCsv>()
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
      <CountsRead
        read={read}
        onDone={() => {
          setRead(undefined)
        }}
      />
    </section>
  )
}
