import { Copy, Printer } from 'lucide-react'
import { useState } from 'react'

import { PartsSheet } from '~/components/trace/PartsSheet.tsx'
import { PART_STATE_WORDS, partRows, speedWords } from '~/views/trace/partRows.ts'
import type { PartRow } from '~/views/trace/partRows.ts'
import { PositionFrame } from '~/components/trace/PositionFrame.tsx'
import { SlipTable } from '~/components/trace/SlipTable.tsx'
import { useOpenTrace } from '~/components/trace/traceContext.ts'
import { usePositionChoice } from '~/components/trace/usePositionChoice.ts'
import { formatPower, formatTorque } from '~/words/format.ts'
import type { TorqueUnit } from '~/words/format.ts'
import { balanceSentences, pathSentences } from '~/words/sentences.ts'
import { findSlips } from 'core'

/** The table as text that a spreadsheet or a letter takes. */
function tableText(rows: readonly PartRow[], unit: TorqueUnit): readonly string[] {
  return rows.map((row) =>
    [
      row.on === '' ? row.name : `${row.name}, ${row.on}`,
      speedWords(row),
      formatTorque(row.torqueNm, unit),
      formatPower(row.torqueNm, row.speedRpm ?? 0),
      PART_STATE_WORDS[row.state],
    ].join('\t'),
  )
}

export default function TraceParts() {
  const { naming, selected, input } = useOpenTrace()
  const [said, setSaid] = useState('')
  const select = usePositionChoice(() => {
    setSaid('')
  })
  const { analysis } = selected
  const rows = partRows(naming, analysis, input)
  const copy = (): void => {
    const sentences = analysis.state === 'drive' ? pathSentences(naming, analysis, input) : []
    const taken = balanceSentences(naming, [analysis])
    const text = [...sentences, taken, ...tableText(rows, input.torqueUnit)]
      .filter(Boolean)
      .join('\n')
    navigator.clipboard.writeText(text).then(
      () => {
        setSaid('Path and table are copied.')
      },
      () => {
        setSaid('The browser does not let Udrix copy here. Take the CSV instead.')
      },
    )
  }
  return (
    <PositionFrame title="Parts" onSelect={select}>
      <div className="no-print flex flex-wrap items-center">
        <button type="button" className="button-quiet -ml-2" onClick={copy}>
          <Copy aria-hidden /> Copy path and table
        </button>
        <button
          type="button"
          className="button-quiet"
          onClick={() => {
            window.print()
          }}
        >
          <Printer aria-hidden /> Print
        </button>
        <p role="status" className="text-graphite ml-2">
          {said}
        </p>
      </div>
      <div className="min-h-0 flex-1 overflow-auto" tabIndex={0} role="region" aria-label="Tables">
        <PartsSheet rows={rows} input={input} />
        <p className="text-graphite mt-1 text-[0.86rem]">{balanceSentences(naming, [analysis])}</p>
        <SlipTable
          naming={naming}
          slips={findSlips(naming.box, analysis)}
          speedRpm={input.speedRpm}
        />
      </div>
    </PositionFrame>
  )
}
