/** The drawing as a file of its own, outside any page. */
import { renderToStaticMarkup } from 'react-dom/server'

import type { BoxDraft } from 'core'
import { solveForces } from 'core'

import type { Address } from '../views/addresses.ts'
import { analyseDraft } from '../views/box/analysis.ts'
import sectionStyle from '../components/section/section.css?raw'
import { SectionDrawing } from '../components/section/SectionDrawing.tsx'
import { readTraceInput } from '../views/trace/traceInput.ts'
import { parseRibbonScale, ribbonFullTorque } from '../views/section/ribbonScale.ts'
import { parseLayers, readTraceState } from '../views/trace/traceState.ts'
import type { Settings } from '../settings.ts'
import { vocabularyOf } from '../words/vocabulary.ts'

/** The colours of the light theme, since a drawing is mostly printed. */
const COLOURS = `.section {
  --paper: #ffffff; --sheet: #ffffff; --ink: #1d2126; --graphite: #4b5259; --steel: #646c74;
  --rule: #cdc6b4; --accent: #0a5a75; --accent-wash: #dcebef; --torque: #e8791c; --brass: #e3c375;
  --trouble: #b01e17; --trouble-wash: #f9e2dd; --font-sans: sans-serif;
}`

/** The section as SVG text, as Trace shows it at this address; without a position, at rest. */
export function drawSvg(
  draft: BoxDraft,
  settings: Settings,
  address: Address<'trace'>,
): { readonly svg: string; readonly label: string | null } {
  const isAtPosition = address.position !== null || address.moved !== null
  const state = isAtPosition ? readTraceState(draft, analyseDraft(draft), address) : undefined
  const analysis = state?.selected.analysis
  const input = readTraceInput(address, settings, draft)
  const drive = analysis?.state === 'drive' && !input.isPedalDown ? analysis : undefined
  const layers = parseLayers(address.layers)
  const label = state?.selected.position.label ?? null
  const markup = renderToStaticMarkup(
    <SectionDrawing
      isFixed
      draft={draft}
      words={vocabularyOf(settings)}
      state={analysis}
      drive={drive}
      ribbonFullTorque={
        state &&
        ribbonFullTorque(
          parseRibbonScale(address.ribbon),
          state.fullTorque,
          state.selected.analysis,
          input.torqueNm,
        )
      }
      input={input}
      layers={layers}
      forces={
        state && drive && layers.has('forces')
          ? solveForces(state.solver.box, drive, input.torqueNm)
          : undefined
      }
      title={label === null ? draft.name : `${draft.name}, position ${label}`}
    />,
  )
  const svg = markup
    .replace('<svg ', '<svg xmlns="http://www.w3.org/2000/svg" ')
    .replace('>', `><style>${COLOURS}\n${sectionStyle}</style>`)
  return { svg: `<?xml version="1.0" encoding="UTF-8"?>\n${svg}\n`, label }
}
