import { Download } from 'lucide-react'
import { useMemo } from 'react'

import { CheckField } from '~/components/Fields.tsx'
import type { Layer, Layers } from '~/views/section/layers.ts'
import { USUAL_LAYERS } from '~/views/section/layers.ts'
import { analyseDraft } from '~/views/box/analysis.ts'
import { useOpenBox } from '~/components/box/boxContext.ts'
import { IssueList } from '~/components/box/IssueList.tsx'
import { AddMenu } from '~/components/layout/AddMenu.tsx'
import { AddPieceMenu } from '~/components/layout/AddPieceMenu.tsx'
import { DrawingEditor } from '~/components/layout/DrawingEditor.tsx'
import { Inspector } from '~/components/layout/Inspector.tsx'
import { formatPartRef, partOfIssue } from '~/views/layout/partRef.ts'
import { PartsTable } from '~/components/layout/PartsTable.tsx'
import type { Drafting } from '~/components/layout/useDrafting.ts'
import { useDrafting } from '~/components/layout/useDrafting.ts'
import { FoundPositions } from '~/components/positions/FoundPositions.tsx'
import { useAddress } from '~/components/useAddress.ts'
import { WorkArea, WorkMain, WorkPanel } from '~/components/WorkArea.tsx'
import type { BoxIssue } from 'core'

const VIEWS = ['parts', 'positions'] as const
const WITH_PARTS: Layers = new Set<Layer>([...USUAL_LAYERS, 'parts'])

interface LayoutToolsProps {
  readonly drafting: Drafting
  readonly canHideParts: boolean
  readonly hasParts: boolean
  readonly onParts: (isShown: boolean) => void
}

/** What can be added, and how the drawing goes out and is looked at. */
function LayoutTools({ drafting, canHideParts, hasParts, onParts }: LayoutToolsProps) {
  const { id, words } = useOpenBox()
  return (
    <div className="flex flex-wrap items-center gap-3">
      <AddMenu drafting={drafting} words={words} />
      <AddPieceMenu drafting={drafting} words={words} />
      <a className="button" href={`/boxes/${id}/drawing.svg`} download>
        <Download aria-hidden /> Drawing as SVG
      </a>
      {canHideParts && (
        <CheckField
          label="Draw bearings, washers and rings"
          isChecked={hasParts}
          onChange={onParts}
        />
      )}
      <p className="text-graphite text-[0.86rem]">
        Heights are to scale by tooth count; lengths are as you place them.
      </p>
    </div>
  )
}

export default function LayOut() {
  const { draft, words, edit } = useOpenBox()
  const drafting = useDrafting()
  const [search, change] = useAddress('layout')
  const { issues } = useMemo(() => analyseDraft(draft), [draft])
  const view = VIEWS.find((candidate) => candidate === search.view) ?? 'drawing'

  const hasParts = search.layer !== 'none'

  const count = (gearId: string, toothCount: number | null): void => {
    const base = draft.gears.find((gear) => gear.id === gearId)?.toothCount ?? null
    edit({ kind: 'count', gear: gearId, reading: 'first', toothCount, base })
  }
  const show = (issue: BoxIssue): void => {
    const part = partOfIssue(draft, issue)
    change({ view: '', part: part ? formatPartRef(part) : '' })
  }
  return (
    <WorkArea title={`${draft.name} · Lay out`} panel={view === 'positions' ? 'none' : 'slim'}>
      <WorkMain label="Layout">
        {view === 'positions' && (
          <IssueList draft={draft} issues={issues} words={words} onShow={show} />
        )}
        {view === 'drawing' ? (
          <div className="min-h-[16rem] flex-1">
            <DrawingEditor
              drafting={drafting}
              words={words}
              issues={issues}
              onCount={count}
              layers={hasParts ? WITH_PARTS : USUAL_LAYERS}
              title={`Section along the shafts of ${draft.name}, to be changed`}
            />
          </div>
        ) : view === 'parts' ? (
          <PartsTable drafting={drafting} words={words} onCount={count} />
        ) : (
          <FoundPositions drafting={drafting} words={words} />
        )}
        {view !== 'positions' && (
          <LayoutTools
            drafting={drafting}
            canHideParts={(draft.pieces ?? []).length > 0 && view === 'drawing'}
            hasParts={hasParts}
            onParts={(isShown) => {
              change({ layer: isShown ? '' : 'none' })
            }}
          />
        )}
      </WorkMain>
      {view !== 'positions' && (
        <WorkPanel label="Part and problems">
          <IssueList draft={draft} issues={issues} words={words} onShow={show} />
          <Inspector drafting={drafting} words={words} onCount={count} />
        </WorkPanel>
      )}
    </WorkArea>
  )
}
