import { Download, ImageDown } from 'lucide-react'
import { useState } from 'react'

import { useOpenBox } from '~/components/box/boxContext.ts'

import { savePng } from '~/client/savePng.ts'
import { Warning } from '~/components/Warning.tsx'
import { formatAddress } from '~/views/addresses.ts'
import { useOpenTrace } from './traceContext.ts'

/** The drawing and the table of parts as files, as they are shown. */
export function Exports() {
  const { id, draft } = useOpenBox()
  const { search, selected, positions, at } = useOpenTrace()
  const [problem, setProblem] = useState<string>()
  // The address need not name the position that is shown first.
  const position = positions[at]?.position.id ?? null
  const query = formatAddress('trace', { ...search, position })
  const drawing = `/boxes/${id}/drawing.svg${query}`
  return (
    <section className="no-print">
      <h3 className="text-[1.05rem]">Take it along</h3>
      <div className="-ml-2 flex flex-wrap">
        <a href={drawing} download className="button-quiet">
          <Download aria-hidden /> Drawing, SVG
        </a>
        <button
          type="button"
          className="button-quiet"
          onClick={() => {
            setProblem(undefined)
            savePng(drawing, `${draft.name} ${selected.position.label}`).catch(() => {
              setProblem('The picture could not be made: the server does not answer. Try again.')
            })
          }}
        >
          <ImageDown aria-hidden /> PNG
        </button>
        <a href={`/boxes/${id}/parts.csv${query}`} download className="button-quiet">
          <Download aria-hidden /> Parts, CSV
        </a>
        <a href={`/boxes/${id}/forces.csv${query}`} download className="button-quiet">
          <Download aria-hidden /> Forces, CSV
        </a>
      </div>
      {problem && (
        <Warning role="alert" className="text-[0.86rem]">
          {problem}
        </Warning>
      )}
    </section>
  )
}
