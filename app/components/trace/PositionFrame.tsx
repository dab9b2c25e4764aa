import { Link } from 'react-router'

import { useOpenBox } from '~/components/box/boxContext.ts'
import { IssueList } from '~/components/box/IssueList.tsx'
import { WorkArea, WorkMain, WorkPanel } from '~/components/WorkArea.tsx'
import { formatAddress } from '~/views/addresses.ts'
import { lockSentence } from '~/words/lock.ts'

import { Exports } from './Exports.tsx'
import { InputFields } from './InputFields.tsx'
import { PositionKeys } from './PositionKeys.tsx'
import { useOpenTrace } from './traceContext.ts'
import { TraceResult } from './TraceResult.tsx'

interface PositionFrameProps {
  /** What the view is, for the page's title. */
  readonly title: string
  readonly onSelect: (index: number) => void
  readonly children: React.ReactNode
}

/** A view of the selected position: the keys to choose it under the view, what it does beside it. */
export function PositionFrame({ title, onSelect, children }: PositionFrameProps) {
  const { id, draft, words } = useOpenBox()
  const trace = useOpenTrace()
  const { naming, selected, input, lock, issues, positions, search, change } = trace
  const { position } = selected
  return (
    <WorkArea title={`${position.label} · ${draft.name} · ${title}`} panel="slim" isWithin>
      <WorkMain label={title}>
        <h2 className="hidden text-[1.3rem] print:block">{`${draft.name}, position ${position.label}`}</h2>
        {children}
        <PositionKeys
          positions={positions}
          selected={position.id}
          onSelect={onSelect}
          hrefOf={(index) => {
            const position = positions[index]?.position.id ?? null
            return formatAddress('trace', { ...search, position, moved: null, waits: null })
          }}
        />
      </WorkMain>
      <WorkPanel label={`Position ${position.label}`}>
        <TraceResult
          trace={trace}
          lock={lock && lockSentence(naming, lock)}
          countHref={(gear) => `/boxes/${id}/count?gear=${gear}`}
          ratiosHref={`/boxes/${id}/ratios`}
          inputFields={<InputFields input={input} isOverrun={trace.isOverrun} onChange={change} />}
        />
        <IssueList draft={draft} issues={issues} words={words} />
        <Exports />
        <p className="text-graphite text-[0.86rem]">
          Figures are without losses;{' '}
          <Link
            to={{ pathname: `/boxes/${id}/trace/forces`, search: formatAddress('trace', search) }}
            className="text-accent underline"
          >
            with losses
          </Link>
          . The maker’s manual for the unit rules.
        </p>
      </WorkPanel>
    </WorkArea>
  )
}
