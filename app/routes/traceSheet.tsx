import { PrintButton } from '~/components/PrintButton.tsx'
import { useOpenBox } from '~/components/box/boxContext.ts'
import { SectionDrawing } from '~/components/section/SectionDrawing.tsx'
import { shortResult } from '~/words/results.ts'
import { useOpenTrace } from '~/components/trace/traceContext.ts'
import { formatInverse, formatTorque } from '~/words/format.ts'
import { DEFERENCE } from '~/words/cautions.ts'
import { balanceSentences, engagementSentence } from '~/words/sentences.ts'
import { handWords } from '~/words/shift.ts'
import { viewpoint } from '~/words/vocabulary.ts'

/** Nothing where nothing is known of the hand. */
function leverText(words: string): string {
  return words === '' ? '' : `Lever: ${words}. `
}

export default function TraceSheet() {
  const { draft, words } = useOpenBox()
  const { naming, positions, fullTorque, layers, input } = useOpenTrace()
  return (
    <div className="min-h-0 flex-1 overflow-auto px-4 pt-2 pb-3" tabIndex={0}>
      <title>{`${draft.name} · Sheet of positions · Udrix`}</title>
      <div className="flex flex-wrap items-center gap-4">
        <h2 className="text-[1.3rem]">{draft.name}: all positions</h2>
        <PrintButton />
        <p className="text-graphite text-[0.86rem]">
          The ribbon is as wide as the torque for {formatTorque(input.torqueNm, input.torqueUnit)}{' '}
          at the input, without losses. Senses are {viewpoint(words)}.{' '}
          {balanceSentences(
            naming,
            positions.map(({ analysis }) => analysis),
          )}
        </p>
      </div>
      <ol className="sheet mt-2 grid gap-x-6 gap-y-3 sm:grid-cols-2 xl:grid-cols-3">
        {positions.map(({ position, analysis }) => (
          <li key={position.id} className="border-rule break-inside-avoid border-t-2 pt-1">
            <div className="flex items-baseline gap-3">
              <b className="text-[1.5rem] leading-none">{position.label}</b>
              <b className="text-[1.2rem]">{shortResult(analysis)}</b>
              {analysis.state === 'drive' && (
                <span className="text-graphite">
                  inverse {formatInverse(analysis.ratio)}
                  {analysis.ratio.sign() < 0 ? ', against the input' : ''}
                </span>
              )}
            </div>
            <div className="h-[13rem] print:h-[17rem]">
              <SectionDrawing
                isFixed
                draft={draft}
                words={words}
                state={analysis}
                drive={analysis.state === 'drive' ? analysis : undefined}
                ribbonFullTorque={fullTorque}
                input={input}
                layers={layers}
                title={`Position ${position.label}`}
              />
            </div>
            <p className="text-[0.8rem]">
              {leverText(handWords(naming, position))}
              {analysis.engaged.length === 0
                ? 'Nothing is engaged.'
                : analysis.engaged.map((engaged) => engagementSentence(naming, engaged)).join(' ')}
            </p>
          </li>
        ))}
      </ol>
      <p className="mt-3 text-[0.86rem]">{DEFERENCE}</p>
    </div>
  )
}
